/** A point of a flat picture: plan metres, or degrees of the sky. */
export type FlatPoint = readonly [x: number, y: number];

const cross = (o: FlatPoint, a: FlatPoint, b: FlatPoint): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

/** Outermost outline of points, counterclockwise. Source: Andrew, 1979, Another efficient algorithm for convex hulls in two dimensions. */
export function outlineOf(points: readonly FlatPoint[]): FlatPoint[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  if (sorted.length < 3) return sorted;
  const half = (from: readonly FlatPoint[]): FlatPoint[] => {
    const chain: FlatPoint[] = [];
    for (const point of from) {
      while (chain.length > 1 && cross(chain.at(-2)!, chain.at(-1)!, point) <= 0) chain.pop();
      chain.push(point);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}
