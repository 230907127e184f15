import { Exact, quantity } from "./exact";

/** Of a bill whose fixed part nobody knows, as shares of it: an own judgement, and what it may lie between. */
export const FIXED_PART = { usualFrac: 0.1, lowFrac: 0, highFrac: 0.25 } as const;

/** What somebody knows of a usual bill, over the same time. */
export interface OneBill {
  readonly amount: Exact | null;
  readonly boughtKwh: number | null;
  readonly perKwh: Exact | null;
  /** What is paid whatever is bought. */
  readonly fixed: Exact | null;
}

/** The bill taken apart: amount = fixed + bought × price. */
export interface BillParts {
  readonly kind: "parts";
  readonly perKwh: Exact;
  /** What the price lies between where the fixed part is assumed; the price itself where it is not. */
  readonly perKwhLow: Exact;
  readonly perKwhHigh: Exact;
  readonly fixed: Exact | null;
  readonly boughtKwh: number | null;
  readonly isFixedAssumed: boolean;
}

export type BillReading =
  | BillParts
  /** A bill alone gives no price. */
  | { readonly kind: "needs"; readonly what: "kwh-or-price" | "anything" }
  /** The bill is not above its fixed part: it tells of no kilowatt-hour. */
  | { readonly kind: "all-fixed" }
  /** Bought × price is more than the bill leaves for it. */
  | { readonly kind: "apart"; readonly by: Exact };

/** A usual bill split into energy and fixed part from any two of amount, energy and price; without its fixed part that is assumed, and said. */
export function readBill({ amount, boughtKwh, perKwh, fixed }: OneBill): BillReading {
  if (perKwh !== null && (amount === null || boughtKwh !== null)) return withPrice(perKwh, { amount, boughtKwh, fixed });
  if (amount === null) return { kind: "needs", what: "anything" };
  if (perKwh === null && (boughtKwh === null || boughtKwh <= 0)) return { kind: "needs", what: "kwh-or-price" };
  const paidFor = (fixedFrac: number): Exact => amount.minus(fixed ?? amount.times(fixedFrac));
  if (paidFor(FIXED_PART.usualFrac).lte(0)) return { kind: "all-fixed" };
  const priceAt = (fixedFrac: number): Exact => perKwh ?? paidFor(fixedFrac).div(quantity(boughtKwh!));
  return {
    kind: "parts",
    perKwh: priceAt(FIXED_PART.usualFrac),
    perKwhLow: priceAt(FIXED_PART.highFrac),
    perKwhHigh: priceAt(FIXED_PART.lowFrac),
    fixed: fixed ?? amount.times(FIXED_PART.usualFrac),
    boughtKwh: boughtKwh ?? paidFor(FIXED_PART.usualFrac).div(perKwh!).toNumber(),
    isFixedAssumed: fixed === null,
  };
}

/** The price is known: what else is there follows from it, or contradicts it. */
function withPrice(perKwh: Exact, { amount, boughtKwh, fixed }: Omit<OneBill, "perKwh">): BillReading {
  const known = { kind: "parts", perKwh, perKwhLow: perKwh, perKwhHigh: perKwh, isFixedAssumed: false } as const;
  if (amount === null || boughtKwh === null) return { ...known, fixed, boughtKwh };
  const energy = perKwh.times(quantity(boughtKwh));
  const left = amount.minus(energy);
  if (left.lt(0)) return { kind: "apart", by: left.negated() };
  if (fixed !== null && !left.minus(fixed).abs().lte(amount.times(APART_FRAC))) return { kind: "apart", by: left.minus(fixed).abs() };
  return { ...known, fixed: left, boughtKwh };
}

/** As a share of a bill: what rounded figures of it may miss each other by. */
const APART_FRAC = 0.02;

/** A credit written as a share of what was paid, in the currency's own digits. */
export const shareOfCosts = (costs: readonly string[], percent: string): Exact =>
  costs
    .reduce((sum, cost) => sum.plus(cost), new Exact(0))
    .times(percent)
    .div(100);
