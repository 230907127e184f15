/** What a reducer does with missing values: leave them out, or let one make the result missing. */
export type GapRule = "skip" | "propagate";

/** Sum of a column; an empty or (with "skip") wholly missing column sums to 0. */
export function total(values: ArrayLike<number>, gaps: GapRule): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    if (!Number.isNaN(value)) sum += value;
    else if (gaps === "propagate") return Number.NaN;
  }
  return sum;
}

/** Sums of a column by bin, leaving missing values out. */
export function totalsByBin(values: ArrayLike<number>, binOf: Uint16Array, binCount: number): Float64Array {
  const sums = new Float64Array(binCount);
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    if (!Number.isNaN(value)) sums[binOf[i]!]! += value;
  }
  return sums;
}
