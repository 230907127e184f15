import type { ModulePlace } from "../site";
import { soundLevel } from "./peers";
import { type BinnedEnergy, sharesOf } from "./shares";
import { DARK_SPREADS, LEAST_CELL_FRAC, LEAST_SPREAD_FRAC, SWAPPED_LEFT_FRAC } from "./thresholds";

/** Two modules whose readings fit at each other's places. */
export interface SwappedIds {
  readonly ids: readonly [string, string];
  /** What remains unexplained of both once they change places, as a share of what it is now. */
  readonly leftFrac: number;
}

/** Every two of them are tried against each other: of a thousand modules so many that fit worst are enough to find the pairs, and no more work than a moment's. */
const MOST_TRIED = 60;
/** Fewer modules around a place tell nothing of it. */
const LEAST_AROUND = 2;

/**
 * Modules of one array that were mixed up in the record. Shade passes over a roof without jumps: the hours at which a module is darkened are nearly those of
 * the modules around it. Two whose hours fit at the other's place, and not at their own, have changed names. Each module is named once, the clearest pair first.
 */
export function swappedIds(places: readonly ModulePlace[], energies: readonly BinnedEnergy[], levels: readonly number[]): SwappedIds[] {
  const shares = energies.map((energy, k) => sharesOf(energy, LEAST_CELL_FRAC).map((share) => share / levels[k]!));
  const weights = shares[0]?.map((_, cell) => energies.reduce((sum, { peersKwh }) => sum + peersKwh[cell]!, 0)) ?? new Float64Array(0);
  const noise = shares[0]?.map((_, cell) => Math.max(LEAST_SPREAD_FRAC, soundLevel(shares.map((own) => own[cell]!)).spread)) ?? weights;
  const around = places.map((place) => places.flatMap((other, k) => (isBeside(place, other) ? [k] : [])));
  /** How badly the readings of `reading` fit at the place of `at`, in spreads squared, with two names changed. */
  const misfit = (at: number, reading: number, named: (k: number) => number): number => {
    const beside = around[at]!.map((k) => shares[named(k)]!);
    if (beside.length < LEAST_AROUND) return Number.NaN;
    let [sum, whole] = [0, 0];
    const own = shares[reading]!;
    for (let cell = 0; cell < own.length; cell++) {
      const [low, high] = rangeOf(beside, cell);
      const weight = weights[cell]!;
      if (Number.isNaN(own[cell]!) || Number.isNaN(low) || Number.isNaN(noise[cell]!)) continue;
      // What lies between its neighbours fits; what lies outside misses by so much.
      const off = Math.max(0, low - own[cell]!, own[cell]! - high) / noise[cell]!;
      sum += weight * off * off;
      whole += weight;
    }
    return whole > 0 ? sum / whole : Number.NaN;
  };
  const same = (k: number): number => k;
  const now = places.map((_, k) => misfit(k, k, same));
  // What is a few spreads off is noise: only those that stand out are tried against each other.
  const odd = now
    .flatMap((value, k) => (value > DARK_SPREADS ** 2 ? [k] : []))
    .sort((a, b) => now[b]! - now[a]!)
    .slice(0, MOST_TRIED)
    .sort((a, b) => a - b);
  const pairs = odd.flatMap((a, n) =>
    odd.slice(n + 1).map((b) => {
      const named = (k: number): number => (k === a ? b : k === b ? a : k);
      return { a, b, leftFrac: (misfit(a, b, named) + misfit(b, a, named)) / (now[a]! + now[b]!) };
    }),
  );
  const used = new Set<number>();
  return pairs
    .filter(({ leftFrac }) => leftFrac < SWAPPED_LEFT_FRAC)
    .sort((x, y) => x.leftFrac - y.leftFrac)
    .flatMap(({ a, b, leftFrac }) => {
      if (used.has(a) || used.has(b)) return [];
      used.add(a).add(b);
      return [{ ids: [places[a]!.id, places[b]!.id] as const, leftFrac }];
    });
}

const isBeside = (a: ModulePlace, b: ModulePlace): boolean => Math.abs(a.row - b.row) + Math.abs(a.column - b.column) === 1;

function rangeOf(columns: readonly Float64Array[], cell: number): readonly [number, number] {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const column of columns) {
    const value = column[cell]!;
    if (Number.isNaN(value)) continue;
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  return low > high ? [Number.NaN, Number.NaN] : [low, high];
}
