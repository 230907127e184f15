import type { AgeingReading } from "../ageing";
import type { CeilingEvidence } from "./ceiling/detect";
import type { HeatEvidence } from "./heat/detect";
import type { LoadCurve } from "./level/detect";
import type { CurtailedEvidence } from "./limit/detect";
import type { OutageEvidence } from "./outage/detect";
import type { OrientationEvidence } from "./plane/detect";
import type { PlaneOffset } from "./plane/turned-site";
import type { DayIndex } from "./record/day-index";
import type { AttributionFrame } from "./record/frame";
import type { DirtyDome } from "./sensor/detect";
import type { ShadeEvidence } from "./shade/detect";
import type { SnowEvidence } from "./snow/detect";
import type { SoilingEvidence } from "./soiling/detect";
import type { StringsOut } from "./strings/detect";

/** The record by the hour and the most that a step gives. */
export interface RecordStep {
  readonly frame: AttributionFrame;
  readonly stepsAnHour: number;
  readonly ceiling: CeilingEvidence | null;
  readonly ceilingKwh: number;
}

/** How the plane stands against the book's: `planeOffset` is null where the book is right. */
export interface PlaneStep {
  readonly orientation: OrientationEvidence | null;
  readonly planeOffset: PlaneOffset | null;
}

/** What holds the plant still or low for a while, and what is left by day once that is out. */
export interface StandstillStep {
  readonly outages: OutageEvidence;
  readonly curtailed: CurtailedEvidence;
  readonly snow: SnowEvidence;
  readonly heat: HeatEvidence;
  readonly strings: readonly StringsOut[];
  readonly index: DayIndex;
}

/** What the light sensor did by itself. */
export interface SensorStep {
  readonly domes: readonly DirtyDome[];
}

export interface DirtStep {
  readonly soiling: SoilingEvidence;
}

export interface AgeingStep {
  readonly ageing: AgeingReading;
}

/** What no dated cause explains: the level by load, shade, and what the ceiling cuts of it. */
export interface LevelStep {
  /** Retained share of nameplate by load. */
  readonly rating: LoadCurve;
  /** The same by hour. */
  readonly ratingRetained: Float64Array;
  readonly shade: ShadeEvidence;
  /** Share of each hour that the ceiling cut; null where the readings don't tell. */
  readonly cutFrac: Float64Array | null;
  /** Swing inside the hours against the sky model's; 1 where the readings don't tell. */
  readonly swingScale: number;
  /** What each hour is expected to give with level, ageing and dirt in, before strings, snow, standstill, shade and the ceiling. */
  readonly expectedKwh: Float64Array;
}

/** All that the readings say of causes, step by step of the search. */
export interface Evidence extends RecordStep, PlaneStep, StandstillStep, SensorStep, DirtStep, AgeingStep, LevelStep {}

/** What a run takes of a reading of ageing. */
export interface AgeingRead extends Pick<AgeingReading, "isTooSoon" | "perYearFrac"> {
  readonly firstStep: Pick<NonNullable<AgeingReading["firstStep"]>, "frac" | "low"> | null;
}

/** What a run of the chain by evidence needs to know, on an hourly axis: less than a whole search gives, so that new days can be read by an old one. */
export interface RunEvidence
  extends RecordStep,
    Pick<PlaneStep, "planeOffset">,
    Omit<StandstillStep, "index">,
    Omit<LevelStep, "rating" | "shade"> {
  readonly soiling: Pick<SoilingEvidence, "lostFracByDay">;
  readonly ageing: AgeingRead;
  readonly shade: Pick<ShadeEvidence, "lostFrac" | "isSeen">;
}
