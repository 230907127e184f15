import { amountOf, Exact, quantity, sumOf, ZERO } from "../exact";
import { presentValue } from "../finance";
import { agedShare, type LaterSum, lastCrossingYears, type YearlyCost, yearOfSum } from "../payback";
import type { SideName } from "./side-name";

/** One way that things could go. */
export interface CaseSide<Name = SideName> {
  readonly name: Name;
  /** Energy of twelve months as the plant is now, January first. */
  readonly monthsKwh: readonly number[];
  /** Paid (or received, when negative); after 0 years is now. */
  readonly sums: readonly LaterSum[];
  readonly perYear: readonly YearlyCost[];
  /** Ageing a year of the modules on this side, linear. */
  readonly ageingPerYearFrac: number;
  /** Years after which this side gives no more; null: beyond the horizon. */
  readonly endsAfterYears: number | null;
}

export interface CaseTerms {
  readonly currency: string;
  /** Worth of an extra kWh, a decimal numeral. */
  readonly perKwh: string;
  /** By what that worth rises over the first year's, a value a year of the horizon. */
  readonly rises: readonly number[];
  readonly discountFrac: number;
  readonly horizonYears: number;
}

/** A variant beside the base: what it adds, what it costs, and where the answer turns. Sums are numerals of the currency. */
export interface Decision<Name = SideName> {
  readonly name: Name;
  readonly extraMonthsKwh: readonly number[];
  readonly extraKwh: number;
  readonly firstYearValue: string;
  /** Extra cost now. */
  readonly extraCost: string;
  /** Years from which on the variant stays ahead; null when it never does. */
  readonly paybackYears: number | null;
  /** Over the horizon, in money of today. */
  readonly netPresentValue: string;
  readonly balance: readonly { readonly year: number; readonly amount: number; readonly discounted: number }[];
  readonly isWorthIt: boolean;
  /** Price of a kWh at which the answer turns, today's money, rising as assumed; null where no price turns it. */
  readonly flipPerKwh: string | null;
  /** Worth it above that price, or (where energy is lost and money saved) below it. */
  readonly flipSide: "above" | "below" | null;
  /** Extra cost now at which the answer turns. */
  readonly flipCost: string;
  /** First year of the horizon from which on the variant is ahead in money of today; null when never. */
  readonly aheadFromYears: number | null;
}

/** Weighs a variant against a base over the horizon. Flows fall on the ends of years; an answer's value is linear in the price, so its turning point is exact. */
export function decide<Name>(base: CaseSide<Name>, variant: CaseSide<Name>, terms: CaseTerms): Decision<Name> {
  const { currency, horizonYears } = terms;
  const rate = new Exact(terms.discountFrac);
  const years = Array.from({ length: horizonYears }, (_, k) => k + 1);
  const energy = years.map((year) => energyIn(variant, year) - energyIn(base, year));
  const priced = energy.map((kwh, k) => quantity(kwh).times(terms.rises[k]!));
  const costs = [0, ...years].map((year) => costIn(variant, year, horizonYears).minus(costIn(base, year, horizonYears)));
  const nets = [costs[0]!.negated(), ...priced.map((kwh, k) => kwh.times(terms.perKwh).minus(costs[k + 1]!))];
  const discounted = nets.map((net, k) => net.div(rate.plus(1).pow(k)));
  const value = sumOf(discounted);
  const energyWorth = presentValue(rate, [ZERO, ...priced]);
  const costWorth = presentValue(rate, costs);
  const flip = energyWorth.isZero() ? null : costWorth.div(energyWorth);
  const balances = runningSums(nets);
  const discountedBalances = runningSums(discounted);
  return {
    name: variant.name,
    extraMonthsKwh: variant.monthsKwh.map((kwh, m) => kwh - base.monthsKwh[m]!),
    extraKwh: energy[0] ?? 0,
    firstYearValue: amountOf(priced[0]?.times(terms.perKwh) ?? ZERO, currency),
    extraCost: amountOf(costs[0]!, currency),
    paybackYears: lastCrossingYears(costs[0]!, nets.slice(1)),
    netPresentValue: amountOf(value, currency),
    balance: balances.map((amount, year) => ({ year, amount: amount.toNumber(), discounted: discountedBalances[year]!.toNumber() })),
    isWorthIt: value.gt(0),
    flipPerKwh: flip?.gt(0) ? flip.toFixed(4) : null,
    flipSide: flip?.gt(0) ? (energyWorth.gt(0) ? "above" : "below") : null,
    flipCost: amountOf(costs[0]!.plus(value), currency),
    aheadFromYears: lastCrossingYears(costs[0]!, discounted.slice(1)),
  };
}

const yearKwh = ({ monthsKwh }: Pick<CaseSide, "monthsKwh">): number => monthsKwh.reduce((a, b) => a + b, 0);

function energyIn(side: Omit<CaseSide, "name">, year: number): number {
  const left = side.endsAfterYears === null ? 1 : Math.max(0, Math.min(1, side.endsAfterYears - (year - 1)));
  return yearKwh(side) * left * agedShare(year, { firstYearFrac: side.ageingPerYearFrac, perYearFrac: side.ageingPerYearFrac });
}

function costIn({ sums, perYear }: Pick<CaseSide, "sums" | "perYear">, year: number, horizonYears: number): Exact {
  const due = sums.filter(({ afterYears }) => (afterYears <= 0 ? 0 : yearOfSum(afterYears, horizonYears)) === year);
  const yearly =
    year === 0 ? [] : perYear.map((cost) => new Exact(cost.amount).times(new Exact(1).plus(cost.risePerYearFrac).pow(year - 1)));
  return sumOf([...due.map(({ amount }) => amount), ...yearly]);
}

function runningSums(values: readonly Exact[]): Exact[] {
  let sum = ZERO;
  return values.map((value) => {
    sum = sum.plus(value);
    return sum;
  });
}
