import type { Site } from "../site";
import { DAYS_PER_YEAR } from "../units";
import { ageOnAxis } from "../yield";
import type { CeilingEvidence } from "./ceiling/detect";
import type { AgeingRead, RunEvidence } from "./evidence";
import { type LoadCurve, retainedAt } from "./level/detect";
import type { AttributionFrame } from "./record/frame";

/** The rate that the accounts use: the reading where it can be told, else the book's. */
export const ageingRateOf = (ageing: AgeingRead, site: Site): number =>
  ageing.isTooSoon || Number.isNaN(ageing.perYearFrac) ? site.ageing.perYearFrac : ageing.perYearFrac;

/** The most a step gives at the meter: the observed flat top, else the ratings. */
export function ceilingKwhOf(frame: AttributionFrame, ceiling: CeilingEvidence | null): number {
  const hours = frame.axis.stepMinutes / 60;
  return ceiling ? (ceiling.powerW / 1000) * hours : frame.ratedKwh * (1 - frame.site.losses.acWiringFrac);
}

/** Age of the plant at the start of the record, years; 0 where the book does not say when it was commissioned. */
export const ageAtStartOf = ({ site, axis }: Pick<AttributionFrame, "site" | "axis">): number =>
  site.commissioned ? ageOnAxis(site.commissioned, site.place.timeZone, axis).startYears : 0;

/** What each hour is expected to give with ageing, dirt and strings put in, and no ceiling. */
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

/** The same with no string out, at the level that was read. */
export const unbroken = (
  parts: Pick<RunEvidence, "frame" | "soiling">,
  ageAtStart: number,
  perYear: number,
  retained: Float64Array,
): Float64Array => expectedSoFar({ ...parts, strings: [] }, ageAtStart, perYear).map((kwh, i) => kwh * retained[i]!);

/**
 * What each hour is expected to give before the ceiling alone cuts it: NaN where strings are out, whose part it can't be told from, and where
 * the plant stands still or is held by heat or by order.
 */
export function beforeCeiling(
  {
    strings,
    snow,
    outages,
    curtailed,
    heat,
    shade,
    ratingRetained,
  }: Pick<RunEvidence, "strings" | "snow" | "outages" | "curtailed" | "heat" | "shade" | "ratingRetained">,
  expectedKwh: Float64Array,
): Float64Array {
  const out = expectedKwh.map((kwh, i) =>
    outages.downFrac[i]! > 0 || curtailed.touched[i] === 1 || heat.touched[i] === 1
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
