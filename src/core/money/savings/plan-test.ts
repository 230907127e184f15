import { Exact, sumOf } from "../exact";
import type { SavingMonth } from "./methods";

/** A plan that reproduces each printed bill within this share, and all of them together within the other, is the one that was charged by. */
export const TRUST_EACH_FRAC = 0.02;
export const TRUST_ALL_FRAC = 0.005;

/** The plan run again over printed bills, against what was printed. */
export interface PlanTest {
  readonly months: number;
  /** To the cent. */
  readonly exact: number;
  readonly offTotal: Exact;
  /** The month that is furthest off, and by how much; null where all agree to the cent. */
  readonly worst: { readonly key: string; readonly off: Exact } | null;
  /** Months that are off by more than may be. */
  readonly beyond: readonly string[];
  readonly isTrusted: boolean;
}

/** Null where no printed bill can be run again: that is no reason to trust a plan. Estimated months were never printed. */
export function planTest(savings: readonly SavingMonth[]): PlanTest | null {
  const rows = savings.flatMap(({ key, again, billed, isEstimated }) =>
    again && !isEstimated ? [{ key, off: again.minus(billed), billed }] : [],
  );
  if (rows.length === 0) return null;
  const worst = rows.reduce((most, each) => (each.off.abs().gt(most.off.abs()) ? each : most));
  const offTotal = sumOf(rows.map(({ off }) => off));
  const billedTotal = sumOf(rows.map(({ billed }) => billed.abs()));
  const isWithin = (off: Exact, billed: Exact, frac: number): boolean => off.abs().lte(billed.abs().times(new Exact(frac)));
  const beyond = rows.filter(({ off, billed }) => !isWithin(off, billed, TRUST_EACH_FRAC)).map(({ key }) => key);
  return {
    months: rows.length,
    exact: rows.filter(({ off }) => off.isZero()).length,
    offTotal,
    worst: worst.off.isZero() ? null : { key: worst.key, off: worst.off },
    beyond,
    isTrusted: beyond.length === 0 && isWithin(offTotal, billedTotal, TRUST_ALL_FRAC),
  };
}
