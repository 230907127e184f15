/** An interval counts as productive from this share of the day's best interval on; low enough that a turned array still begins at dawn. */
export const LIT_FRAC = 0.02;

export interface LitEdges {
  readonly first: number;
  readonly last: number;
}

/** First and last of `count` values from an index on that exceed a floor, counted from that index; null when the floor is no light or none exceeds it. */
export function litEdges(values: Float64Array, from: number, count: number, floor: number): LitEdges | null {
  if (!(floor > 0)) return null;
  let first = 0;
  let last = count - 1;
  while (first < count && !(values[from + first]! > floor)) first++;
  while (last > first && !(values[from + last]! > floor)) last--;
  return first < count ? { first, last } : null;
}

/** Largest of `count` values from an index on; missing ones are passed over, and none is 0. */
export function bestOf(values: Float64Array, from: number, count: number): number {
  let best = 0;
  for (let i = from; i < from + count; i++) if (values[i]! > best) best = values[i]!;
  return best;
}
