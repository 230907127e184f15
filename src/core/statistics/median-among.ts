let room = new Float64Array(32);

/** Median of values [from, to) of a column without missing ones, with no array of its own: searches ask for it day by day. NaN of none. */
export function medianAmong(values: ArrayLike<number>, from: number, to: number): number {
  const count = to - from;
  if (count <= 0) return Number.NaN;
  if (room.length < count) room = new Float64Array(2 * count);
  for (let k = 0; k < count; k++) room[k] = values[from + k]!;
  const sorted = room.subarray(0, count).sort();
  return count % 2 === 1 ? sorted[count >> 1]! : (sorted[count / 2 - 1]! + sorted[count / 2]!) / 2;
}
