import { linearRegression, mean } from "simple-statistics";
import { medianOf, Z_95 } from "../statistics";

export interface MonthlyTrend {
  /** Change of the log index a year; NaN with less than two years. */
  readonly slopeLog: number;
  readonly low: number;
  readonly high: number;
  /** Log index by month as read, and with the usual season taken out. */
  readonly months: readonly { readonly key: string; readonly log: number; readonly deseasonedLog: number }[];
}

const LEAST_DAYS = 4;
const NONE = { slopeLog: Number.NaN, low: Number.NaN, high: Number.NaN };

/**
 * Straight line through the monthly medians after classical seasonal decomposition (a centred moving average of twelve months); its
 * interval widened for months that hang together. `days` are ISO dates, one a value.
 * Source: Kendall & Stuart, 1966, The advanced theory of statistics, vol. 3; Jordan & Kurtz, 2013, Photovoltaic degradation rates: an analytical review.
 */
export function monthlyTrend(days: readonly string[], logIndex: Float64Array): MonthlyTrend {
  const byMonth = new Map<string, number[]>();
  days.forEach((day, d) => {
    const key = day.slice(0, 7);
    if (!byMonth.has(key)) byMonth.set(key, []);
    if (!Number.isNaN(logIndex[d]!)) byMonth.get(key)!.push(logIndex[d]!);
  });
  const keys = [...byMonth.keys()];
  const raw = keys.map((key) => (byMonth.get(key)!.length >= LEAST_DAYS ? medianOf(byMonth.get(key)!) : Number.NaN));
  const season = seasonOf(keys, raw);
  const months = keys.map((key, k) => ({ key, log: raw[k]!, deseasonedLog: raw[k]! - season[Number(key.slice(5, 7)) - 1]! }));
  const points = months.map((month, k) => [k / 12, month.deseasonedLog] as [number, number]).filter(([, value]) => !Number.isNaN(value));
  if (keys.length < 24 || points.length < 12) return { ...NONE, months };
  const line = linearRegression(points);
  const residuals = points.map(([t, value]) => value - line.m * t - line.b);
  const half = Z_95 * slopeError(points, residuals);
  return { slopeLog: line.m, low: line.m - half, high: line.m + half, months };
}

/** Mean deviation of each calendar month from the moving average of its year; zero where it can't be told. */
function seasonOf(keys: readonly string[], raw: readonly number[]): number[] {
  const sums = Array.from({ length: 12 }, () => [] as number[]);
  for (let k = 6; k < raw.length - 6; k++) {
    const around = raw.slice(k - 6, k + 7).map((value, j) => value * (j === 0 || j === 12 ? 0.5 : 1));
    const average = around.reduce((a, b) => a + b, 0) / 12;
    if (!Number.isNaN(average) && !Number.isNaN(raw[k]!)) sums[Number(keys[k]!.slice(5, 7)) - 1]!.push(raw[k]! - average);
  }
  const own = sums.map((values) => (values.length > 0 ? mean(values) : 0));
  const centre = mean(own);
  return own.map((value) => value - centre);
}

function slopeError(points: readonly [number, number][], residuals: readonly number[]): number {
  const n = points.length;
  const middle = mean(points.map(([t]) => t));
  const spread = points.reduce((sum, [t]) => sum + (t - middle) ** 2, 0);
  const square = residuals.reduce((sum, r) => sum + r * r, 0);
  const carried = residuals.slice(1).reduce((sum, r, k) => sum + r * residuals[k]!, 0) / Math.max(square, 1e-12);
  const together = Math.sqrt((1 + Math.max(0, carried)) / (1 - Math.min(0.9, Math.max(0, carried))));
  return Math.sqrt(square / (n - 2) / spread) * together;
}
