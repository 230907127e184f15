import { studentT975 } from "../statistics";

/** A side of which only totals are known. */
export interface TotalsSide {
  readonly name: string;
  readonly kwp: number;
  /** AC energy over what its meter says: 1 for a meter behind the inverter. */
  readonly toAcFrac: number;
  /** How far that step may be off, as a share of it; 0 where there is none. */
  readonly toAcOff: number;
}

/** Totals of one span of both sides, kWh; null where one is missing. */
export interface TotalRow {
  readonly label: string;
  /** January is 1; null where the span is no month. */
  readonly month: number | null;
  readonly a: number | null;
  readonly b: number | null;
}

export interface TotalsReport {
  /** Spans that both sides have, kWh a kilowatt-peak at AC. */
  readonly pairs: readonly { readonly label: string; readonly a: number; readonly b: number; readonly frac: number }[];
  readonly leftOut: readonly string[];
  /** Second side against the first, sum over sum, as a share. */
  readonly frac: number;
  /** What the scatter of the spans leaves open; null where there are too few of them to tell. */
  readonly low: number | null;
  readonly high: number | null;
  readonly a: number;
  readonly b: number;
  /** Months of the year that no span speaks of, January is 1. */
  readonly silentMonths: readonly number[];
}

/** Fewer spans have no scatter that could be told. */
export const LEAST_SPANS = 3;

/**
 * Two sides by their totals, a kilowatt-peak, over spans that both have. The interval is what the scatter of the spans gives, and no more.
 * Source: Cochran, 1977, Sampling techniques, ch. 6 (the variance of a ratio of sums); Student, 1908. Null where no span is shared.
 */
export function totalsTrial(a: TotalsSide, b: TotalsSide, rows: readonly TotalRow[]): TotalsReport | null {
  const perKwp = (kwh: number, side: TotalsSide): number => (kwh * side.toAcFrac) / side.kwp;
  const used = rows.filter((row): row is TotalRow & { a: number; b: number } => row.a !== null && row.b !== null && row.a > 0);
  if (used.length === 0) return null;
  const pairs = used.map((row) => {
    const [left, right] = [perKwp(row.a, a), perKwp(row.b, b)];
    return { label: row.label, a: left, b: right, frac: right / left - 1 };
  });
  const ratio = ratioOfSums(pairs);
  const said = new Set(used.map(({ month }) => month));
  const half = ratio.half === null ? null : Math.hypot(ratio.half, (1 + ratio.frac) * Math.hypot(a.toAcOff, b.toAcOff));
  return {
    pairs,
    leftOut: rows.filter((row) => (row.a === null) !== (row.b === null)).map(({ label }) => label),
    frac: ratio.frac,
    low: half === null ? null : ratio.frac - half,
    high: half === null ? null : ratio.frac + half,
    a: pairs.reduce((sum, pair) => sum + pair.a, 0),
    b: pairs.reduce((sum, pair) => sum + pair.b, 0),
    silentMonths: rows.every(({ month }) => month === null) ? [] : ALL_MONTHS.filter((month) => !said.has(month)),
  };
}

const ALL_MONTHS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] as const;

/** Sum over sum, less one, with half of its interval by the scatter about that ratio; null half where there are too few. */
function ratioOfSums(pairs: readonly { readonly a: number; readonly b: number }[]): {
  readonly frac: number;
  readonly half: number | null;
} {
  const n = pairs.length;
  const sum = (of: (pair: { readonly a: number; readonly b: number }) => number): number =>
    pairs.reduce((total, pair) => total + of(pair), 0);
  const [all, other] = [sum((pair) => pair.a), sum((pair) => pair.b)];
  const r = other / all;
  if (n < LEAST_SPANS) return { frac: r - 1, half: null };
  const variance = (n / (n - 1)) * (sum((pair) => (pair.b - r * pair.a) ** 2) / all ** 2);
  return { frac: r - 1, half: studentT975(n - 1) * Math.sqrt(variance) };
}

/** A month before and after a change, and what something that did not change gave in the same months, kWh; null where missing. */
export interface ChangeRow {
  readonly label: string;
  readonly before: number | null;
  readonly after: number | null;
  readonly otherBefore: number | null;
  readonly otherAfter: number | null;
}

export interface ChangeFromTotals {
  readonly months: readonly { readonly label: string; readonly frac: number }[];
  readonly leftOut: readonly string[];
  /** After against before, sum over sum; corrected by the other plant where it is known. */
  readonly frac: number;
  readonly low: number;
  readonly high: number;
  readonly rawFrac: number;
  /** How the weather was told apart: by another plant, or not at all. */
  readonly by: "other" | "nothing";
}

/** One deviation of a month's light from year to year, as a share. Source: Gueymard & Wilcox, 2011, Assessment of spatial and temporal variability in the US solar resource (8 to 15 % over most places). */
const MONTH_SPREAD_FRAC = 0.12;
const NORMAL_975 = 1.96;
/** Two plants under one sky differ in a month by about so much. Own judgement: some kilometres apart, different dirt and heat. */
const OTHER_SPREAD_FRAC = 0.03;

/** What a change brought by months before and after it. Without a plant that did not change the weather of the years stays in it, and the interval holds it. Null where no month lies on both sides. */
export function changeFromTotals(rows: readonly ChangeRow[]): ChangeFromTotals | null {
  const both = rows.filter(
    (row): row is ChangeRow & { before: number; after: number } => row.before !== null && row.after !== null && row.before > 0,
  );
  const known = both.filter((row) => row.otherBefore !== null && row.otherAfter !== null && row.otherBefore > 0 && row.otherAfter > 0);
  const isCorrected = known.length >= 1 && known.length === both.length;
  if (both.length === 0) return null;
  // What the month would have given after the change, had nothing been changed: with the other plant's own change where that is known.
  const usual = (row: (typeof both)[number]): number => (isCorrected ? (row.before * row.otherAfter!) / row.otherBefore! : row.before);
  const sum = (of: (row: (typeof both)[number]) => number): number => both.reduce((total, row) => total + of(row), 0);
  const frac = sum(({ after }) => after) / sum(usual) - 1;
  const spread = isCorrected ? OTHER_SPREAD_FRAC : MONTH_SPREAD_FRAC;
  const half = NORMAL_975 * spread * Math.sqrt(2 / both.length) * (1 + frac);
  const used = new Set(both.map(({ label }) => label));
  return {
    months: both.map((row) => ({ label: row.label, frac: row.after / usual(row) - 1 })),
    leftOut: rows.filter(({ label, before, after }) => !used.has(label) && (before !== null || after !== null)).map(({ label }) => label),
    frac,
    low: frac - half,
    high: frac + half,
    rawFrac: sum(({ after }) => after) / sum(({ before }) => before) - 1,
    by: isCorrected ? "other" : "nothing",
  };
}
