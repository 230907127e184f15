import type { TimeAxis } from "../series";
import { Z_95 } from "../statistics";
import { dayBins } from "../time";
import { DAY_MS, hoursOfStep } from "../units";
import { type Exclusion, type GuaranteeTerms, LIT_FRAC, STILL_FRAC } from "./terms";

/** A plant's record, step by step, kWh. */
export interface GuaranteeColumns {
  readonly axis: TimeAxis;
  /** In-plane light times nameplate. */
  readonly referenceKwh: ArrayLike<number>;
  /** Of the sound plant; NaN without any light to tell. */
  readonly expectedKwh: ArrayLike<number>;
  /** NaN where the meter was not read whole, or its light was not measured. */
  readonly meteredKwh: ArrayLike<number>;
  /** Share of the energy before it that heat takes, against cells at 25 C. */
  readonly heatFrac: ArrayLike<number>;
  readonly nameplateKw: number;
}

/** One reading of a year: with everything in, or without what the contract leaves out. */
export interface Measured {
  /** Null where nothing counts. */
  readonly index: number | null;
  /** Half a 95 % interval, by the light's gain; 0 where light has no part in it. */
  readonly half: number;
  /** What the index is taken of, in energy: a point of it is a hundredth of this, kWh. */
  readonly overKwh: number;
  readonly meteredKwh: number;
}

export interface GuaranteeYear {
  /** First and last local day. */
  readonly from: string;
  readonly to: string;
  /** Whether the record goes on to its end. */
  readonly isOver: boolean;
  readonly guaranteed: number;
  readonly allIn: Measured;
  readonly without: Measured;
  /** Expected energy of what was left out, by the exclusion's place in the terms; the last is what was held by the field book. */
  readonly leftOutKwh: readonly number[];
  /** Of the time that counts, by its expected energy. */
  readonly missingFrac: number;
  readonly outcome: "kept" | "missed" | "open" | "too-little-read" | "no-readings";
  /** Under the edge of the dead band, points as a share; 0 where it is reached. */
  readonly shortFrac: number;
  readonly shortKwh: number;
}

interface Sums {
  metered: number;
  reference: number;
  atStc: number;
  expected: number;
  lit: number;
  up: number;
}
const nothing = (): Sums => ({ metered: 0, reference: 0, atStc: 0, expected: 0, lit: 0, up: 0 });

/**
 * A guarantee settled year by year: its index with everything in and without what the contract leaves out, its interval, and what is short of it. Time that
 * was not read is in neither, and too much of it settles nothing. `held` are spans in which something outside held the plant.
 * Sources: IEC 61724-1:2021, performance ratios; IEC TS 61724-3:2016, energy evaluation method; IEC TS 63019:2019, availability.
 */
export function guaranteeYears(
  columns: GuaranteeColumns,
  terms: GuaranteeTerms,
  held: readonly Omit<Exclusion, "why">[],
  timeZone: string,
): GuaranteeYear[] {
  const days = dayBins(columns.axis, timeZone);
  const spans = [...terms.exclusions.map(({ from, to }) => [{ from, to }]), held];
  const exclusionOf = days.keys.map((day) => spans.findIndex((group) => group.some(({ from, to }) => day >= from && day <= to)));
  const out: GuaranteeYear[] = [];
  for (let k = 0; k < terms.years; k++) {
    const [from, before] = [yearsLater(terms.from, k), yearsLater(terms.from, k + 1)];
    // A year that has not begun yet is no year of the record; one that was over before it began was not read.
    if (from > days.keys.at(-1)!) break;
    const inYear = days.keys.map((day) => day >= from && day < before);
    out.push(
      yearOf(columns, terms, {
        k,
        from,
        before,
        recordEnds: days.keys.at(-1)!,
        inYear,
        exclusionOf,
        binOf: days.binOf,
        groups: spans.length,
      }),
    );
  }
  return out;
}

interface YearInput {
  readonly k: number;
  readonly from: string;
  readonly before: string;
  /** Last day of the record. */
  readonly recordEnds: string;
  readonly inYear: readonly boolean[];
  readonly exclusionOf: readonly number[];
  readonly binOf: Uint16Array;
  readonly groups: number;
}

function yearOf(columns: GuaranteeColumns, terms: GuaranteeTerms, year: YearInput): GuaranteeYear {
  const { axis, referenceKwh, expectedKwh, meteredKwh, heatFrac, nameplateKw } = columns;
  const litKwh = LIT_FRAC * nameplateKw * hoursOfStep(axis.stepMinutes);
  const [allIn, without] = [nothing(), nothing()];
  const leftOutKwh = new Array<number>(year.groups).fill(0);
  let [missing, all, steps, dark] = [0, 0, 0, 0];
  for (let i = 0; i < axis.count; i++) {
    const day = year.binOf[i]!;
    if (!year.inYear[day]) continue;
    const [reference, expected, metered] = [referenceKwh[i]!, expectedKwh[i]!, meteredKwh[i]!];
    const owed = Number.isNaN(expected) ? 0 : Math.max(0, expected);
    const exclusion = year.exclusionOf[day]!;
    if (exclusion >= 0) leftOutKwh[exclusion] = leftOutKwh[exclusion]! + owed;
    else {
      all += owed;
      steps++;
      if (Number.isNaN(expected)) dark++;
    }
    if (Number.isNaN(metered) || Number.isNaN(expected)) {
      if (exclusion < 0) missing += owed;
      continue;
    }
    const isLit = reference >= litKwh;
    const isUp = metered >= STILL_FRAC * owed;
    for (const sums of exclusion >= 0 ? [allIn] : [allIn, without]) {
      sums.metered += metered;
      sums.reference += reference;
      sums.atStc += reference * (1 - heatFrac[i]!);
      sums.expected += expected;
      if (isLit) sums.lit++;
      if (isLit && isUp) sums.up++;
    }
  }
  const guaranteed = terms.guaranteedFrac * (1 - terms.fallPerYearFrac * year.k);
  const [whole, left] = [measured(allIn, terms), measured(without, terms)];
  // Time without any light owes what the year's other time owes in the mean.
  const ofRecord = all > 0 ? (dark + (missing / all) * (steps - dark)) / steps : 1;
  // Days that the record does not have count by their number: what they owe nobody knows.
  const missingFrac = 1 - (1 - ofRecord) * (year.inYear.filter(Boolean).length / daysBetween(year.from, year.before));
  const edge = guaranteed - terms.deadBandFrac;
  const shortFrac = left.index === null ? 0 : Math.max(0, edge - left.index);
  return {
    ...{ from: year.from, to: dayBefore(year.before), isOver: year.recordEnds >= dayBefore(year.before), guaranteed },
    ...{ allIn: whole, without: left, leftOutKwh, missingFrac, shortFrac, shortKwh: shortFrac * left.overKwh },
    outcome: outcomeOf(left, edge, missingFrac, terms),
  };
}

/** Held against the edge of the dead band: what lies on both sides of it within its interval is not told by these readings. */
function outcomeOf({ index, half }: Measured, edge: number, missingFrac: number, terms: GuaranteeTerms): GuaranteeYear["outcome"] {
  if (index === null) return "no-readings";
  if (missingFrac > terms.mostMissingFrac) return "too-little-read";
  return index - half >= edge ? "kept" : index + half < edge ? "missed" : "open";
}

function measured(sums: Sums, { kind, lightErrorFrac }: GuaranteeTerms): Measured {
  const { metered, reference, atStc, expected, lit, up } = sums;
  const over = { "performance-ratio": reference, "corrected-ratio": atStc, "energy-index": expected, availability: expected }[kind];
  const isTime = kind === "availability";
  const index = isTime ? (lit > 0 ? up / lit : null) : over > 0 ? metered / over : null;
  return { index, half: index === null || isTime ? 0 : Z_95 * lightErrorFrac * index, overKwh: over, meteredKwh: metered };
}

/** The same day some years later; the last of February where it has none. */
function yearsLater(date: string, years: number): string {
  const [year, month, day] = date.split("-").map(Number) as [number, number, number];
  const lastOfMonth = new Date(Date.UTC(year + years, month, 0)).getUTCDate();
  return new Date(Date.UTC(year + years, month - 1, Math.min(day, lastOfMonth))).toISOString().slice(0, 10);
}

const daysBetween = (from: string, before: string): number => (Date.parse(before) - Date.parse(from)) / DAY_MS;
const dayBefore = (date: string): string => new Date(Date.parse(`${date}T00:00:00Z`) - DAY_MS).toISOString().slice(0, 10);
