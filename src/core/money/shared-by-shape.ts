/** A total shared out by a shape, to a tenth, so that the parts add up to it; evenly where the shape is nothing. */
export function sharedByShape(total: number, shape: readonly number[]): number[] {
  const sum = shape.reduce((a, b) => a + Math.max(0, b), 0);
  const shares = shape.map((part) => (sum > 0 ? Math.max(0, part) / sum : 1 / shape.length));
  const parts = shares.map((share) => Math.round(total * share * 10) / 10);
  // What rounding left over goes to the largest part, which it changes least.
  const largest = parts.indexOf(Math.max(...parts));
  const rest = total - parts.reduce((a, b) => a + b, 0);
  return parts.map((part, k) => (k === largest ? Number((part + rest).toFixed(4)) : part));
}
