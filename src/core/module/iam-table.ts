/** Transmittance at an angle of incidence over that at normal incidence, 0 to 1, from the cosine; 0 from behind. */
export type IncidenceModifier = (cosIncidence: number) => number;

/** A modifier at equal steps of the cosine of incidence, for the hot loop: read by a straight line between two entries. */
export type IamTable = Float64Array;

export const IAM_STEPS = 4096;

/** Samples a modifier from cosine 0 to 1 (one entry more, so that 1 itself has a right neighbour). Off by under 2e-5 for the offered models, weighed by the cosine. */
export function iamTable(modifier: IncidenceModifier): IamTable {
  const table = new Float64Array(IAM_STEPS + 2);
  for (let k = 0; k < table.length; k++) table[k] = modifier(Math.min(1, k / IAM_STEPS));
  return table;
}

/** A table's value at a cosine; 0 from behind. */
export function iamAt(table: IamTable, cosIncidence: number): number {
  if (!(cosIncidence > 0)) return 0;
  const place = Math.min(cosIncidence, 1) * IAM_STEPS;
  const k = place | 0;
  const left = table[k]!;
  return left + (table[k + 1]! - left) * (place - k);
}
