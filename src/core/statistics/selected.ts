/** Values that pass, counted first: the built-in filter holds them all once more while it works, which a column of millions feels. */
export function selected(values: Float64Array, passes: (value: number) => boolean): Float64Array {
  let count = 0;
  for (let i = 0; i < values.length; i++) if (passes(values[i]!)) count++;
  const out = new Float64Array(count);
  let next = 0;
  for (let i = 0; i < values.length; i++) if (passes(values[i]!)) out[next++] = values[i]!;
  return out;
}
