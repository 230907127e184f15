import type { AgeingTerms, Warranty } from "../site";
import { medianOf, Z_95 } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import type { AgeingReading } from "./read-ageing";

/** What the standing level says to a guarantee: the whole interval over it, under it, or the guarantee within it. */
export type AgeingVerdict = "too-soon" | "within" | "below" | "undecided" | "no-warranty" | "age-unknown";

/** What the rate alone says to the guaranteed one; modules don't grow better, so that a rate that says so says nothing of them. */
export type RateAgainstWarranty = "slower" | "faster" | "undecided" | "unphysical";

/** Output of the modules over their rating at the end of a record, with its 95 % interval. */
export interface ModuleLevel {
  /** Null where the book does not know since when the plant stands. */
  readonly ageYears: number | null;
  readonly frac: number;
  readonly low: number;
  readonly high: number;
}

export interface LevelInput {
  readonly reading: AgeingReading;
  /** Log of metered over expected without ageing, by day, with dirt put back; NaN where a day tells nothing. */
  readonly cleanLog: Float64Array;
  /** Null where it is not known. */
  readonly ageAtStartYears: number | null;
  /** What light, heat, dirt, inverter and meter leave open, one deviation, as a share. */
  readonly standardFrac: number;
}

/** Days of a month: fewer say more of their weather than of the modules. */
const LEAST_DAYS = 30;
/** A rate out of fewer years than this may be one bad year. */
const LEAST_RATE_YEARS = 3;

/**
 * Where the modules stand at the record's end: the level of its days, carried to the end along the slope that was read. Null where too few days
 * tell. Rating, sensor gain and module level are not separable by what is read on site, so that the sensor's uncertainty is the level's.
 */
export function moduleLevel({ reading, cleanLog, ageAtStartYears, standardFrac }: LevelInput): ModuleLevel | null {
  const last = cleanLog.findLastIndex((log) => !Number.isNaN(log));
  const first = cleanLog.findIndex((log) => !Number.isNaN(log));
  const days = cleanLog.reduce((count, log) => count + (Number.isNaN(log) ? 0 : 1), 0);
  if (days < LEAST_DAYS) return null;
  const { slopeLog } = reading.yearOnYear;
  const slope = reading.isTooSoon || Number.isNaN(slopeLog) ? 0 : Math.min(0, slopeLog);
  const atEnd = cleanLog.map((log, d) => log + (slope * (last - d)) / DAYS_PER_YEAR);
  const frac = Math.exp(medianOf(atEnd));
  const halfRate = reading.isTooSoon || Number.isNaN(reading.high) ? 0 : (reading.high - reading.low) / 2;
  const half = Math.hypot(Z_95 * standardFrac * frac, (halfRate * (last - first)) / DAYS_PER_YEAR / 2);
  const ageYears = ageAtStartYears === null ? null : Math.max(0, ageAtStartYears + last / DAYS_PER_YEAR);
  return { ageYears, frac, low: frac - half, high: frac + half };
}

/** A guarantee as it is tested; steps and tolerance where it has them. */
export type Guarantee = AgeingTerms & Partial<Pick<Warranty, "steps" | "toleranceFrac">>;

/**
 * Share of the nameplate that is guaranteed at an age: what may go in the first year, then a line; or the level of the first step that still holds, the last
 * one's beyond it. A rating's tolerance comes off it.
 */
export function guaranteedFrac({ firstYearFrac, perYearFrac, steps = [], toleranceFrac = 0 }: Guarantee, ageYears: number): number {
  const step = steps.find(({ untilYears }) => ageYears <= untilYears) ?? steps.at(-1);
  const ofRating = step?.frac ?? 1 - firstYearFrac - perYearFrac * Math.max(0, ageYears - 1);
  return ofRating * (1 - toleranceFrac);
}

/**
 * What the readings say to a warranty. It guarantees a level, so that the level is tested: a plant that fell short at once breaks it at whatever
 * rate it ages. Within when even the lower end of the interval keeps the guaranteed level, below when the upper end breaks it.
 */
export function warrantyVerdict(level: ModuleLevel | null, warranty: Guarantee | null): AgeingVerdict {
  if (!level) return "too-soon";
  if (!warranty) return "no-warranty";
  if (level.ageYears === null) return "age-unknown";
  const guaranteed = guaranteedFrac(warranty, level.ageYears);
  if (level.low >= guaranteed) return "within";
  return level.high < guaranteed ? "below" : "undecided";
}

/** The rate against the guaranteed one; faster needs three years. Null where there is no rate, or a warranty that guarantees none: steps do not. */
export function rateVerdict(
  { isTooSoon, perYearFrac, low, high, years }: Pick<AgeingReading, "isTooSoon" | "perYearFrac" | "low" | "high" | "years">,
  warranty: Guarantee | null,
): RateAgainstWarranty | null {
  if (isTooSoon || Number.isNaN(perYearFrac) || !warranty || (warranty.steps ?? []).length > 0) return null;
  if (high < 0) return "unphysical";
  if (high <= warranty.perYearFrac) return "slower";
  return low > warranty.perYearFrac && years >= LEAST_RATE_YEARS ? "faster" : "undecided";
}
