import { Z_95 } from "../../statistics";

/** A straight line's change over all bins, as a share, with half of its 95 % interval. */
export interface Lean {
  readonly frac: number;
  readonly halfFrac: number;
}

interface Point {
  readonly from: number;
  readonly to: number;
  readonly frac: number;
  readonly standardFrac: number;
}

const LEAST_BINS = 3;
/** No bin is surer than this, one deviation, as a share: months that agree by chance would outweigh all others. */
const SUREST = 0.0005;

/** Weighted straight line through the bins; its error is widened where the bins scatter about it by more than their own. Null with fewer than three. */
export function leanOf(bins: readonly Point[]): Lean | null {
  if (bins.length < LEAST_BINS) return null;
  const points = bins.map(({ from, to, frac, standardFrac }) => ({
    x: (from + to) / 2,
    y: frac,
    weight: 1 / Math.max(SUREST, standardFrac) ** 2,
  }));
  const sum = (of: (point: (typeof points)[number]) => number): number => points.reduce((total, point) => total + of(point), 0);
  const weights = sum(({ weight }) => weight);
  const [meanX, meanY] = [sum(({ x, weight }) => x * weight) / weights, sum(({ y, weight }) => y * weight) / weights];
  const spread = sum(({ x, weight }) => weight * (x - meanX) ** 2);
  const slope = sum(({ x, y, weight }) => weight * (x - meanX) * (y - meanY)) / spread;
  const left = sum(({ x, y, weight }) => weight * (y - meanY - slope * (x - meanX)) ** 2) / (points.length - 2);
  const error = Math.sqrt(Math.max(1, left) / spread);
  const reach = points.at(-1)!.x - points[0]!.x;
  return { frac: slope * reach, halfFrac: Z_95 * error * reach };
}
