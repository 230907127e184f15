import { MODEL_ACCOUNTS, type ModelAccount } from "../accounts";
import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { pressurePa, type SunOver } from "../sun";
import type { CalendarBins } from "../time";
import { hoursOfStep } from "../units";
import type { FilledWeather } from "../weather";
import { type AxisAge, ageOnAxis } from "./age-on-axis";
import { BLOCK, type Block, newBlock } from "./block";
import type { PassingWeather } from "./prepare";
import { albedoByStep, soilingByStep } from "./varying";

/** What the sun owed and what of it should reach the meter. Sums leave out intervals without weather. */
export interface YieldRun {
  readonly axis: TimeAxis;
  readonly bins: CalendarBins;
  /** AC energy expected in each interval, kWh; NaN where there was no weather to tell. */
  readonly expectedKwh: Float64Array;
  readonly planeKwhM2: Float64Array;
  readonly referenceKwh: Float64Array;
  readonly expectedByBinKwh: Float64Array;
  /** By bin: energy before each stage minus after it; a gain is negative. */
  readonly accountsKwh: Readonly<Record<ModelAccount, Float64Array>>;
  /** Reference energy of intervals whose irradiance was filled by rule. */
  readonly filledReferenceKwh: Float64Array;
  /** Reference energy of each interval, kWh: for sums over a part of a bin. Single precision serves, since a bin's own sum stands beside it. */
  readonly referenceStepKwh: Float32Array;
}

/**
 * Causes as the evidence tells them, each taking the place of the book's budget for its stage: shares lost (0 to 1) on every step of
 * the axis. A stage that is not named keeps its budget.
 */
export interface EvidencedCauses {
  /** What no dated cause explains: rating of the modules, gain of sensor and meter; a gain is negative. */
  readonly ratingLostFrac?: Float64Array;
  readonly shadingFrac?: Float64Array;
  readonly snowFrac?: Float64Array;
  readonly soilingFrac?: Float64Array;
  /** Share of the DC side that is not connected. */
  readonly stringsOutFrac?: Float64Array;
  /** Share of AC output that inverters gave up in the heat. */
  readonly deratedFrac?: Float64Array;
  /** Share of AC output that a limit from outside cut. */
  readonly curtailedFrac?: Float64Array;
  readonly downFrac?: Float64Array;
  /** Share that the inverters' ceiling cut of the power before it; NaN where the law of the swing inside a step tells it. */
  readonly cutFrac?: Float64Array;
  /** Swing of power inside a coarse step against what the sky model says, 1 by itself. */
  readonly swingScale?: number;
}

export interface YieldOptions {
  /** Local dates ("2024-05-03") on which somebody cleaned, for soiling that builds up. */
  readonly cleanings?: readonly string[];
  /** Accounts whose cause is taken away, for the energy that would come back at the meter. */
  readonly without?: readonly ModelAccount[];
  readonly causes?: EvidencedCauses;
}

/** All that the stages of one run share. */
export interface Workspace {
  readonly axis: TimeAxis;
  readonly weather: FilledWeather;
  readonly sun: SunOver;
  readonly block: Block;
  readonly spreadFrac: Float64Array;
  readonly scratch: Float64Array;
  /** DC, then AC power of an inverter's connected strings alone, W. */
  readonly connectedW: Float64Array;
  readonly toKwh: number;
  readonly pressureFrac: number;
  readonly age: AxisAge | null;
  readonly albedo: Float64Array | null;
  readonly soiling: Float64Array | null;
  /** Snow losses by array and tilt, made when first asked for. */
  readonly snow: Map<string, Float64Array>;
  readonly without: ReadonlySet<ModelAccount>;
  readonly causes: EvidencedCauses;
  readonly run: YieldRun;
}

/** One set of scratch columns serves every run: runs never overlap, and nothing is read before it is written. */
const shared = {
  block: newBlock(),
  spreadFrac: new Float64Array(BLOCK),
  scratch: new Float64Array(BLOCK),
  connectedW: new Float64Array(BLOCK),
};

export function workspace(site: Site, { sun, weather: filled }: PassingWeather, bins: CalendarBins, options: YieldOptions): Workspace {
  const { axis } = filled;
  const byBin = (): Float64Array => new Float64Array(bins.keys.length);
  return {
    axis,
    sun,
    weather: filled,
    ...shared,
    toKwh: hoursOfStep(axis.stepMinutes) / 1000,
    pressureFrac: pressurePa(site.place.elevationM) / 101_325,
    age: site.commissioned ? ageOnAxis(site.commissioned, site.place.timeZone, axis) : null,
    albedo: albedoByStep(filled),
    soiling: site.models.soiling === "build-up" ? soilingByStep(site, filled, options.cleanings ?? []) : null,
    snow: new Map(),
    without: new Set(options.without),
    causes: options.causes ?? {},
    run: {
      axis,
      bins,
      expectedKwh: new Float64Array(axis.count),
      expectedByBinKwh: byBin(),
      planeKwhM2: byBin(),
      referenceKwh: byBin(),
      filledReferenceKwh: byBin(),
      referenceStepKwh: new Float32Array(axis.count),
      accountsKwh: Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, byBin()])) as Record<ModelAccount, Float64Array>,
    },
  };
}

/** Posts what a stage took, W summed over a block, on its account. */
export function post({ run, toKwh }: Workspace, bin: number, account: ModelAccount, lostW: number): void {
  run.accountsKwh[account][bin]! += lostW * toKwh;
}

/** Whether an account's cause is there. */
export const runs = (work: Workspace, account: ModelAccount): boolean => !work.without.has(account);
