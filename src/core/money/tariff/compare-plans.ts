import { type Exact, sumOf, ZERO } from "../exact";
import { billsInTurn } from "./bill";
import type { Plan } from "./types";
import type { Slices, UsageSlice } from "./usage";

/** A year of bills under a plan: with the array, and as if it were not there. */
export interface PlanOutcome {
  readonly plan: Plan;
  readonly withArray: Exact;
  readonly withoutArray: Exact;
  /** Energy charges over bought kWh, with the array and without. */
  readonly perImportedKwh: Exact | null;
  readonly perImportedKwhWithout: Exact | null;
}

/** Charges the same periods under each plan; a plan that a period can't be charged by is left out. The cheapest with the array stands first. */
export function comparePlans(
  plans: readonly Plan[],
  currency: string,
  periodsOf: (plan: Plan, withArray: boolean) => readonly Slices[],
): PlanOutcome[] {
  const outcomes = plans.flatMap((plan): PlanOutcome[] => {
    const [own, without] = [charged(periodsOf(plan, true), currency), charged(periodsOf(plan, false), currency)];
    if (!own || !without) return [];
    return [
      {
        plan,
        withArray: own.total,
        withoutArray: without.total,
        perImportedKwh: own.perKwh,
        perImportedKwhWithout: without.perKwh,
      },
    ];
  });
  return outcomes.sort((a, b) => a.withArray.comparedTo(b.withArray));
}

function charged(periods: readonly Slices[], currency: string): { total: Exact; perKwh: Exact | null } | null {
  const slices: (readonly UsageSlice[])[] = [];
  for (const period of periods) {
    if (period.kind !== "slices") return null;
    slices.push(period.slices);
  }
  const bills = billsInTurn(slices, currency);
  const energy = bills.flatMap((bill) => bill.energy);
  const kwh = sumOf(energy.map((charge) => charge.kwh));
  const amount = sumOf(energy.map((charge) => charge.amount));
  return { total: sumOf(bills.map((bill) => bill.total)), perKwh: kwh.gt(ZERO) ? amount.div(kwh) : null };
}
