import { robustRidge, togetherOf, Z_95 } from "../statistics";
import type { MonthlyTrend } from "./monthly-trend";

/** Ageing that changed its pace: changes of the log a year before and after the beginning of a month. */
export interface RecentRate {
  readonly fromMonth: string;
  readonly beforeLog: number;
  readonly recentLog: number;
  /** Half of the 95 % interval of the recent one. */
  readonly halfLog: number;
}

/** Each side needs so many months. */
const LEAST_MONTHS = 18;
/** The bend has to stand so far out of its own error: the best of many months is looked at, and two deviations would be found in noise. */
const DEVIATIONS = 4;
/** Months that follow the one before tell less than they count; by this much at the most. */
const MOST_TOGETHER = 6;
const FREE = { prior: 0, priorDeviation: Number.POSITIVE_INFINITY };

/**
 * One bend of the line through the deseasoned months: the month that tells the record best, with the rate since; null where a straight line tells it as well.
 * Source: Muggeo, 2003, Estimating regression models with unknown break-points; Jordan & Kurtz, 2013, Photovoltaic degradation rates: an analytical review, for
 * courses that are not straight.
 */
export function recentRate({ months }: MonthlyTrend): RecentRate | null {
  const y = Float64Array.from(months, ({ deseasonedLog }) => deseasonedLog);
  const years = Float64Array.from(months, (_, k) => k / 12);
  const one = new Float64Array(y.length).fill(1);
  const bent = (at: number): Float64Array => years.map((t) => Math.max(0, t - at / 12));
  let best: { readonly at: number; readonly loss: number } | null = null;
  const scale = y.length < 2 * LEAST_MONTHS ? 1 : fitLine([one, years], y).scale;
  for (let at = LEAST_MONTHS; at <= y.length - LEAST_MONTHS; at++) {
    const loss = fitLine([one, years, bent(at)], y).lossAt(scale);
    if (!best || loss < best.loss) best = { at, loss };
  }
  if (!best) return null;
  const line = fitLine([one, years, bent(best.at)], y);
  const { coefficients, residuals } = line;
  const widened = Math.sqrt(togetherOf(residuals, MOST_TOGETHER));
  const [slope, bend] = [coefficients[1]!, coefficients[2]!];
  if (!(Math.abs(bend) > DEVIATIONS * widened * line.errorOf(Float64Array.of(0, 0, 1)))) return null;
  return {
    fromMonth: months[best.at]!.key,
    beforeLog: slope,
    recentLog: slope + bend,
    halfLog: Z_95 * widened * line.errorOf(Float64Array.of(0, 1, 1)),
  };
}

const fitLine = (columns: readonly Float64Array[], y: Float64Array): ReturnType<typeof robustRidge> =>
  robustRidge(
    columns.map((values) => ({ values, ...FREE })),
    y,
    new Float64Array(y.length).fill(1),
  );
