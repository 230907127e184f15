import { type AgeingReading, readAgeing } from "../ageing";
import type { MeteredOnAxis, MeterSeries } from "../ledger";
import type { Site } from "../site";
import { medianOf } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import type { Weather } from "../weather";
import { ageOnAxis, prepareWeather, runPrepared } from "../yield";
import { type CeilingEvidence, ceilingEvidence } from "./ceiling/detect";
import { cutFracSeen, insideHours, swingInside } from "./ceiling/inside-hours";
import { flatCurve, type LoadCurve, loadCurve, retainedAt } from "./level/detect";
import type { CurtailedEvidence } from "./limit/detect";
import type { OutageEvidence } from "./outage/detect";
import { either, standstill, withStringsBack } from "./outage/standstill";
import type { OrientationEvidence } from "./plane/detect";
import { planeAndShade } from "./plane/plane-and-shade";
import type { PlaneOffset } from "./plane/turned-site";
import { type DayIndex, dayIndex } from "./record/day-index";
import { type AttributionFrame, attributionFrame } from "./record/frame";
import { toHours } from "./record/hours";
import { monthIndex } from "./record/month-index";
import { type ShadeEvidence, shadeEvidence } from "./shade/detect";
import type { SnowEvidence } from "./snow/detect";
import { type SoilingEvidence, soilingEvidence } from "./soiling/detect";
import { modelledSoiling } from "./soiling/modelled";
import { type StringsOut, stringsOut } from "./strings/detect";

/** What is known of a plant when causes are sought. */
export interface EvidenceInput {
  readonly site: Site;
  readonly weather: Weather;
  readonly metered: MeteredOnAxis;
  readonly meters: readonly MeterSeries[];
  /** Local dates of cleanings in the field book. */
  readonly cleanings: readonly string[];
  /** Metered energy by local month, for the yearly totals. */
  readonly months: readonly { readonly key: string; readonly kwh: number; readonly readFrac: number }[];
  readonly draws: number;
  readonly seed: number;
}

/** What a run of the chain by evidence needs to know, on an hourly axis. */
export interface RunEvidence {
  readonly frame: AttributionFrame;
  readonly stepsAnHour: number;
  readonly ceiling: CeilingEvidence | null;
  readonly outages: OutageEvidence;
  readonly curtailed: CurtailedEvidence;
  readonly snow: SnowEvidence;
  readonly strings: readonly StringsOut[];
  /** How the plane stands against the book's; null where the book is right. */
  readonly planeOffset: PlaneOffset | null;
  readonly shade: Pick<ShadeEvidence, "lostFrac" | "isSeen">;
  readonly soiling: Pick<SoilingEvidence, "lostFracByDay">;
  readonly ageing: AgeingRead;
  /** By hour. */
  readonly ratingRetained: Float64Array;
  readonly ceilingKwh: number;
  /** Share of each hour that the ceiling cut; null where the readings don't tell. */
  readonly cutFrac: Float64Array | null;
  /** Swing inside the hours against the sky model's; 1 where the readings don't tell. */
  readonly swingScale: number;
  /** What each hour owes with level, ageing and dirt in, before strings, snow, standstill, shade and the ceiling. */
  readonly expectedKwh: Float64Array;
}

/** What a run takes of a reading of ageing. */
export interface AgeingRead extends Pick<AgeingReading, "isTooSoon" | "perYearFrac"> {
  readonly firstStep: Pick<NonNullable<AgeingReading["firstStep"]>, "frac" | "low"> | null;
}

/** All that the readings say of causes. */
export interface Evidence extends RunEvidence {
  readonly orientation: OrientationEvidence | null;
  readonly shade: ShadeEvidence;
  readonly soiling: SoilingEvidence;
  readonly index: DayIndex;
  readonly ageing: AgeingReading;
  /** Kept share of nameplate that no dated cause explains. */
  readonly rating: LoadCurve;
}

const TRIAL_DIRT_FRAC = 0.1;

/** Seeks every cause in the order in which one can be mistaken for another: standstill and snow, strings, plane, dirt, ageing, shade. */
export function gatherEvidence(input: EvidenceInput): Evidence {
  const search = seekEvidence(input);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

/** The same step by step, giving the share that is done, so that long work can show progress and be stopped. */
export function* seekEvidence(input: EvidenceInput): Generator<number, Evidence> {
  const hourly = toHours(input.weather, input.metered);
  const prepared = prepareWeather(input.site.place, hourly.weather);
  const book = attributionFrame(input.site, prepared, hourly.metered);
  const ceiling = book.resolution === "hours" ? ceilingEvidence(input.meters) : null;
  const ceilingKwh = ceilingKwhOf(book, ceiling);
  yield 0.1;
  const { frame, orientation, shaded, ...plane } = planeAndShade(book, hourly.metered, ceilingKwh);
  const planeOffset = orientation?.planeOffset ?? null;
  let { found } = plane;
  yield 0.25;
  const cleaned = input.cleanings.map((date) => frame.days.keys.indexOf(date)).filter((day) => day >= 0);
  const indexOf = (): DayIndex =>
    frame.resolution === "months" ? monthIndex(frame) : dayIndex(frame, either(found.spoilt, shaded), ceilingKwh);
  const stringsOf = (index: DayIndex): StringsOut[] => (frame.resolution === "months" ? [] : stringsOut(frame, index, new Set(cleaned)));
  let causesOut = indexOf();
  let strings = stringsOf(causesOut);
  if (strings.length > 0) {
    // A plant with a string out never looks bare again: snow is sought once more with the string taken into account, and its dates with it.
    found = standstill(frame, ceilingKwh, strings, shaded);
    causesOut = indexOf();
    strings = stringsOf(causesOut);
  }
  const { outages, curtailed, snow, spoilt } = found;
  const index = withStringsBack(frame, causesOut, strings);
  yield 0.4;
  const soiling = frame.resolution === "months" ? modelledSoiling(frame, index) : soilingEvidence(frame, index, cleaned, seenFrac(frame));
  yield 0.7;
  const ageAtStart = frame.site.commissioned ? ageOnAxis(frame.site.commissioned, frame.site.place.timeZone, frame.axis).startYears : 0;
  const ageing = readAgeing({
    days: frame.days.keys,
    cleanLog: soiling.cleanLog,
    rawLog: logOf(dayIndex(frame, new Uint8Array(frame.axis.count), ceilingKwh)),
    causesOutLog: logOf(index),
    weight: index.weight,
    dirtFrac: soiling.lostFracByDay,
    months: input.months,
    ageAtStartYears: ageAtStart,
    draws: input.draws,
    seed: input.seed,
  });
  yield 0.85;
  const perYear = ageingRateOf(ageing, frame.site);
  const bare = {
    frame,
    stepsAnHour: hourly.steps,
    ceiling,
    outages,
    curtailed,
    snow,
    strings,
    orientation,
    planeOffset,
    soiling,
    index,
    ageing,
  };
  const expected = expectedSoFar(bare, ageAtStart, perYear);
  const inside = frame.resolution === "hours" ? insideHours(frame, input.meters) : null;
  const swing = inside && swingInside(frame, inside, ceilingKwh);
  const rating =
    frame.resolution === "months"
      ? flatCurve(levelOf(soiling.cleanLog, ageAtStart, perYear))
      : loadCurve(
          frame,
          expected,
          either(spoilt, shaded),
          ceilingKwh,
          ceiling && { hours: heldHoursOf(ceiling, input.meters), swingFrac: swing?.readFrac ?? null },
        );
  const ratingRetained = rated(expected, rating, ceilingKwh);
  const none: ShadeEvidence = { fields: [], lostFrac: new Float64Array(frame.axis.count), isSeen: false };
  const shade = frame.resolution === "hours" ? shadeEvidence(frame, capped(expected, ratingRetained, ceilingKwh), spoilt) : none;
  yield 0.95;
  const cutFrac = inside && cutFracSeen(frame, inside, beforeCeiling({ ...bare, shade, ratingRetained }, expected), ceilingKwh);
  return {
    ...bare,
    ceilingKwh,
    cutFrac,
    swingScale: swing?.scale ?? 1,
    rating,
    ratingRetained,
    shade,
    expectedKwh: unbroken(bare, ageAtStart, perYear, ratingRetained),
  };
}

/** The rate that the accounts use: the reading where it can be told, else the book's. */
export const ageingRateOf = (ageing: AgeingRead, site: Site): number =>
  ageing.isTooSoon || Number.isNaN(ageing.perYearFrac) ? site.ageing.perYearFrac : ageing.perYearFrac;

/** The most a step gives at the meter: the observed flat top, else the ratings. */
export function ceilingKwhOf(frame: AttributionFrame, ceiling: CeilingEvidence | null): number {
  const hours = frame.axis.stepMinutes / 60;
  return ceiling ? (ceiling.powerW / 1000) * hours : frame.ratedKwh * (1 - frame.site.losses.acWiringFrac);
}

/** How much of the light that dirt takes is missed at the meter: cells under dirt run cooler. */
function seenFrac(frame: AttributionFrame): number {
  const { site, prepared, days, axis } = frame;
  const dirt = new Float64Array(axis.count).fill(TRIAL_DIRT_FRAC);
  const dirty = runPrepared(site, prepared, days, {
    without: ["snow", "ageing", "clipping", "downtime"],
    causes: { soilingFrac: dirt },
  }).expectedByBinKwh;
  const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);
  const clean = frame.openKwh.reduce((a, b) => (Number.isNaN(b) ? a : a + b), 0);
  return clean > 0 ? Math.max(0.7, Math.min(1, (1 - sum(dirty) / clean) / TRIAL_DIRT_FRAC)) : 1;
}

const logOf = ({ ratio }: DayIndex): Float64Array => ratio.map((value) => (value > 0.05 ? Math.log(value) : Number.NaN));

/** Hours on the ceiling: counted where readings are finer than hours, else 0. */
function heldHoursOf(ceiling: CeilingEvidence, meters: readonly MeterSeries[]): number {
  const step = meters[0]?.axis.stepMinutes ?? 60;
  return step < 60 ? (ceiling.heldSteps * step) / 60 : 0;
}

/** Level of what is left when dirt and ageing are put back. */
function levelOf(cleanLog: Float64Array, ageAtStart: number, perYear: number): number {
  const level = Math.exp(medianOf(cleanLog.map((log, d) => log - Math.log(1 - perYear * Math.max(0, ageAtStart + d / DAYS_PER_YEAR)))));
  return Number.isNaN(level) ? 1 : level;
}

/** What each hour owes with ageing, dirt and strings put in, and no ceiling. */
export function expectedSoFar(
  { frame, soiling, strings }: Pick<RunEvidence, "frame" | "soiling" | "strings">,
  ageAtStart: number,
  perYear: number,
): Float64Array {
  const out = frame.openKwh.slice();
  for (let i = 0; i < out.length; i++) {
    const day = frame.days.binOf[i]!;
    const age = 1 - perYear * Math.max(0, ageAtStart + day / DAYS_PER_YEAR);
    out[i] = out[i]! * age * (1 - soiling.lostFracByDay[day]!);
  }
  for (const { from, to, lostFrac } of strings) for (let i = from; i < to; i++) out[i] = out[i]! * (1 - lostFrac);
  return out;
}

export const unbroken = (
  parts: Pick<RunEvidence, "frame" | "soiling">,
  ageAtStart: number,
  perYear: number,
  retained: Float64Array,
): Float64Array => expectedSoFar({ ...parts, strings: [] }, ageAtStart, perYear).map((kwh, i) => kwh * retained[i]!);

/** What each hour owes before the ceiling alone holds it: NaN where strings are out, whose part it can't be told from, and where it stands still. */
export function beforeCeiling(
  {
    strings,
    snow,
    outages,
    curtailed,
    shade,
    ratingRetained,
  }: Pick<RunEvidence, "strings" | "snow" | "outages" | "curtailed" | "shade" | "ratingRetained">,
  expectedKwh: Float64Array,
): Float64Array {
  const out = expectedKwh.map((kwh, i) =>
    outages.downFrac[i]! > 0 || curtailed.touched[i] === 1
      ? Number.NaN
      : kwh * ratingRetained[i]! * (1 - snow.lostFrac[i]!) * (1 - shade.lostFrac[i]!),
  );
  for (const { from, to } of strings) out.fill(Number.NaN, from, to);
  return out;
}

export const rated = (expectedKwh: Float64Array, curve: LoadCurve, ceilingKwh: number): Float64Array =>
  expectedKwh.map((kwh) => (kwh > 0 ? retainedAt(curve, kwh / ceilingKwh) : 1));

export const capped = (expectedKwh: Float64Array, retained: Float64Array, ceilingKwh: number): Float64Array =>
  expectedKwh.map((kwh, i) => Math.min(ceilingKwh, kwh * retained[i]!));
