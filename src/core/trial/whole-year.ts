import type { PairedSums } from "./difference";

/** A month of a whole year: what the model expects of each side, and what the trial's ratio to the model makes of it, kWh a kilowatt-peak. */
export interface FilledMonth {
  /** January is 1. */
  readonly month: number;
  readonly expected: PairedSums;
  readonly filled: PairedSums;
  /** Share of the month's expected energy that was paired. */
  readonly measuredFrac: number;
}

export interface WholeYear {
  readonly months: readonly FilledMonth[];
  readonly a: number;
  readonly b: number;
  readonly frac: number;
}

export interface MonthFigures {
  /** Metered over paired intervals, and expected in the same intervals and in the whole year, kWh a kilowatt-peak; January first. */
  readonly paired: readonly { readonly metered: PairedSums; readonly expected: PairedSums }[];
  readonly year: readonly PairedSums[];
}

/** Below this share of its energy a month takes the ratio of its neighbours in the year. */
const ENOUGH_FRAC = 0.25;

/**
 * A full year of both sides, month by month: what the model expects times the side's own ratio to the model in that month; months
 * without a trial take the ratio of the nearest ones that have one. Never a stretch by days.
 */
export function wholeYear({ paired, year }: MonthFigures): WholeYear {
  const ratio = (side: "a" | "b", month: number): number => {
    const at = nearest(month, (m) => shareOf(m, side) >= ENOUGH_FRAC);
    const months = at ?? [...Array(12).keys()].filter((m) => paired[m]!.expected[side] > 0);
    const [metered, expected] = [sum(months, (m) => paired[m]!.metered[side]), sum(months, (m) => paired[m]!.expected[side])];
    return expected > 0 ? metered / expected : 1;
  };
  const shareOf = (m: number, side: "a" | "b"): number => (year[m]![side] > 0 ? paired[m]!.expected[side] / year[m]![side] : 0);
  const months = year.map(
    (expected, m): FilledMonth => ({
      month: m + 1,
      expected,
      filled: { a: expected.a * ratio("a", m), b: expected.b * ratio("b", m) },
      measuredFrac: Math.min(1, shareOf(m, "a")),
    }),
  );
  const [a, b] = [sum(months, (m) => m.filled.a), sum(months, (m) => m.filled.b)];
  return { months, a, b, frac: b / a - 1 };
}

const sum = <T>(items: readonly T[], of: (item: T) => number): number => items.reduce((total, item) => total + of(item), 0);

/** The month itself where it has enough, else the nearest before and after it in the circle of the year; null where none has. */
function nearest(month: number, has: (m: number) => boolean): number[] | null {
  for (let off = 0; off <= 6; off++) {
    const found = [...new Set([(month - off + 12) % 12, (month + off) % 12])].filter(has);
    if (found.length > 0) return found;
  }
  return null;
}
