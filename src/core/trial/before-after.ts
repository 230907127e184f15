import { blockBootstrap, quantileOf } from "../statistics";

/** Days of one period: what was metered, and what the model expects with the site as it stood before, kWh. */
export interface IndexDay {
  readonly date: string;
  readonly meteredKwh: number;
  readonly expectedKwh: number;
}

export interface PeriodIndex {
  readonly days: number;
  /** Metered over expected, sum over sum. */
  readonly index: number;
}

export interface BeforeAfter {
  readonly before: PeriodIndex;
  readonly after: PeriodIndex;
  /** Change of the weather-corrected index, as a share, with the middle 95 % of redraws of whole weeks. */
  readonly frac: number;
  readonly low: number;
  readonly high: number;
  /** Raw change of the daily energy: weather and the change together. */
  readonly rawFrac: number;
  /** Calendar months (1 to 12) that both periods have; the comparison rests on these alone where there are enough. */
  readonly sharedMonths: readonly number[];
  readonly matched: boolean;
}

const BLOCK_DAYS = 7;
/** Days a period needs, and days that a shared month needs on each side. */
export const LEAST_DAYS = 5;
const LEAST_IN_MONTH = 5;

interface Sums {
  metered: number;
  expected: number;
}

/** Ratio of the index after to before, less one. Months are weighed by what the model expects of them after the change. */
function changeOf(before: readonly Sums[], after: readonly Sums[]): number {
  let [weighed, weights] = [0, 0];
  for (let m = 0; m < before.length; m++) {
    const [x, y] = [before[m]!, after[m]!];
    if (!(x.expected > 0 && y.expected > 0 && x.metered > 0)) continue;
    weighed += y.expected * (y.metered / y.expected / (x.metered / x.expected));
    weights += y.expected;
  }
  return weights > 0 ? weighed / weights - 1 : Number.NaN;
}

const total = (days: readonly IndexDay[], of: (day: IndexDay) => number): number => days.reduce((sum, day) => sum + of(day), 0);

/**
 * What an intervention changed, read through the weather: metered over expected after against before, month against the same month
 * where both periods have it, since a model's error has a season of its own. Null where a period is too short.
 * Source: Jordan et al., 2018, Robust PV degradation methodology and application (the weather-corrected index); Künsch, 1989 (the interval).
 */
export function beforeAfter(before: readonly IndexDay[], after: readonly IndexDay[], draws: number, seed: number): BeforeAfter | null {
  if (before.length < LEAST_DAYS || after.length < LEAST_DAYS) return null;
  const monthOf = ({ date }: IndexDay): number => Number(date.slice(5, 7)) - 1;
  const perMonth = (days: readonly IndexDay[]): number[] => {
    const out = new Array<number>(12).fill(0);
    for (const day of days) out[monthOf(day)]! += 1;
    return out;
  };
  const [inBefore, inAfter] = [perMonth(before), perMonth(after)];
  const shared = [...Array(12).keys()].filter((m) => inBefore[m]! >= LEAST_IN_MONTH && inAfter[m]! >= LEAST_IN_MONTH);
  const matched = shared.length > 0;
  const kept = (days: readonly IndexDay[]): readonly IndexDay[] => (matched ? days.filter((day) => shared.includes(monthOf(day))) : days);
  const [x, y] = [kept(before), kept(after)];
  const bins = matched ? 12 : 1;
  const sums = (days: readonly IndexDay[], indices: ArrayLike<number>): Sums[] => {
    const out = Array.from({ length: bins }, (): Sums => ({ metered: 0, expected: 0 }));
    for (let k = 0; k < indices.length; k++) {
      const day = days[indices[k]!]!;
      const bin = out[matched ? monthOf(day) : 0]!;
      bin.metered += day.meteredKwh;
      bin.expected += day.expectedKwh;
    }
    return out;
  };
  const all = (days: readonly IndexDay[]): Sums[] => sums(days, [...days.keys()]);
  const redrawn = (days: readonly IndexDay[], own: number): Sums[][] => {
    const out: Sums[][] = [];
    blockBootstrap({ count: days.length, block: BLOCK_DAYS, draws, seed: own }, (indices) => out.push(sums(days, indices)));
    return out;
  };
  const [left, right] = [redrawn(x, seed), redrawn(y, seed + 1)];
  const drawn = left.map((each, k) => changeOf(each, right[k]!));
  const period = (days: readonly IndexDay[]): PeriodIndex => ({
    days: days.length,
    index: total(days, (d) => d.meteredKwh) / total(days, (d) => d.expectedKwh),
  });
  const mean = (days: readonly IndexDay[]): number => total(days, (d) => d.meteredKwh) / days.length;
  return {
    before: period(x),
    after: period(y),
    frac: changeOf(all(x), all(y)),
    low: quantileOf(drawn, 0.025),
    high: quantileOf(drawn, 0.975),
    rawFrac: mean(after) / mean(before) - 1,
    sharedMonths: shared.map((m) => m + 1),
    matched,
  };
}
