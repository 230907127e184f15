/** What a module gave and what its peers gave in the same hours, by bin, kWh. */
export interface BinnedEnergy {
  readonly ownKwh: Float64Array;
  readonly peersKwh: Float64Array;
}

/** Sums over the hours in which both are known and `counts` holds. */
export function binned(
  own: Float32Array,
  peers: Float32Array,
  binOf: ArrayLike<number>,
  bins: number,
  counts: (hour: number) => boolean = () => true,
): BinnedEnergy {
  const [ownKwh, peersSum] = [new Float64Array(bins), new Float64Array(bins)];
  for (let t = 0; t < own.length; t++) {
    const [value, measure] = [own[t]!, peers[t]!];
    if (!(measure > 0) || Number.isNaN(value) || !counts(t)) continue;
    ownKwh[binOf[t]!]! += value;
    peersSum[binOf[t]!]! += measure;
  }
  return { ownKwh, peersKwh: peersSum };
}

/** A month, an hour or a day with less light than this share of the fullest is not painted. */
export const LEAST_PAINTED_FRAC = 0.01;

/** Share of its peers by bin; NaN where they gave less than a share of the fullest bin. */
export function sharesOf({ ownKwh, peersKwh }: BinnedEnergy, leastFrac = 0): Float64Array {
  const least = leastFrac * peersKwh.reduce((most, value) => Math.max(most, value), 0);
  return ownKwh.map((kwh, bin) => (peersKwh[bin]! > least ? kwh / peersKwh[bin]! : Number.NaN));
}

/** The quantile of values that weigh differently. NaN of none. */
export function weightedQuantile(values: Float64Array, weights: Float64Array, share: number): number {
  const known = [...values.keys()].filter((k) => !Number.isNaN(values[k]!)).sort((a, b) => values[a]! - values[b]!);
  const whole = known.reduce((sum, k) => sum + weights[k]!, 0);
  let below = 0;
  for (const k of known) {
    below += weights[k]!;
    if (below >= share * whole) return values[k]!;
  }
  return Number.NaN;
}
