import { type AgeingRate, ageingFactor } from "../module";
import { amountOf, Exact, sumOf, ZERO } from "./exact";
import { presentValue, type RateOfReturn, rateOfReturn } from "./finance";
import { levelisedCost } from "./levelised";
import { type PriceTerms, priceIn } from "./price-path";

/** Year in which a sum falls, the first being 1: after 12 years is within the thirteenth; what lies beyond the horizon falls into its last. */
export const yearOfSum = (afterYears: number, horizonYears: number): number => Math.min(horizonYears, Math.floor(afterYears) + 1);

/** A cost that comes every year, as a decimal numeral of the first year. */
export interface YearlyCost {
  readonly what: string;
  readonly amount: string;
  readonly risePerYearFrac: number;
}

/** A sum in the middle of a plant's life: paid when positive, received when negative. */
export interface LaterSum {
  readonly what: string;
  readonly afterYears: number;
  readonly amount: string;
  /** Paid on a day that is written down: as sure as the costs of the start, where a replacement to come is a guess. */
  readonly isDated?: boolean;
}

/** What a payback is reckoned from. Sums are decimal numerals in the site's currency. */
export interface PaybackTerms extends PriceTerms {
  readonly currency?: string;
  readonly costs: readonly string[];
  readonly incentives: readonly string[];
  /** Energy of the first year that is counted, kWh. */
  readonly firstYearKwh: number;
  /** Age of the plant when that year begins: nothing where it counts from the plant's first day. */
  readonly ageYears?: number;
  readonly ageing: AgeingRate;
  readonly horizonYears: number;
  /** Upkeep, insurance, cleaning. */
  readonly perYear?: readonly YearlyCost[];
  /** Inverter replacements, and whatever else comes once. */
  readonly later?: readonly LaterSum[];
  /** Received for what is left at the end; may be negative. */
  readonly scrap?: string;
  readonly discountFrac?: number;
  /** Tax on interest, for the deposit that would match. */
  readonly interestTaxFrac?: number;
}

export interface PaybackYear {
  /** 1 is the first year that is counted. */
  readonly year: number;
  readonly energyKwh: number;
  readonly valuePerKwh: string;
  readonly value: string;
  readonly upkeep: string;
  /** Replacements and scrap; paid is positive. */
  readonly once: string;
  readonly net: string;
  /** Savings so far less the net cost, with price rise and ageing, upkeep and replacements. */
  readonly balance: string;
  /** The same in money of the first day. */
  readonly discountedBalance: string;
  /** With none of these. */
  readonly simpleBalance: string;
}

export interface Payback {
  readonly netCost: string;
  readonly firstYearValue: string;
  /** Currency a kWh, self-used and exported weighed. */
  readonly valuePerKwh: string;
  /** Net cost over the first year's value; null when nothing is earned. */
  readonly simpleYears: number | null;
  /** With price rise, ageing, upkeep and replacements; null when it does not come within the horizon. */
  readonly risingYears: number | null;
  /** From when on the balance stays above nothing; later than `risingYears` where a replacement sinks it again. */
  readonly staysPaidYears: number | null;
  readonly discountedYears: number | null;
  readonly netPresentValue: string;
  readonly returnPerYear: { readonly kind: RateOfReturn["kind"]; readonly rates: readonly number[] };
  /** Interest before tax at which a deposit would have done as well; null without one rate of return. */
  readonly depositFrac: number | null;
  /** Costs over energy, both in money and kWh of the first day; null without energy. */
  readonly levelisedPerKwh: string | null;
  readonly years: readonly PaybackYear[];
}

interface Row {
  readonly energyKwh: number;
  readonly perKwh: Exact;
  readonly value: Exact;
  readonly upkeep: Exact;
  readonly once: Exact;
  readonly net: Exact;
}

/**
 * Simple payback (net cost over first-year value), payback with price rise, ageing, upkeep and replacements, and the same discounted, year by year.
 * Prices hold for the first year; bought energy rises at each anniversary, exported energy by its own terms. Within a year savings come evenly
 * and flows are discounted from its end. Sums are exact decimals; energies are rounded to the Wh.
 * Source: Short, Packey & Holt, 1995, A manual for the economic evaluation of energy efficiency and renewable energy technologies.
 */
export function payback(terms: PaybackTerms): Payback {
  const { currency = "EUR", horizonYears } = terms;
  const money = (value: Exact): string => amountOf(value, currency);
  const netCost = sumOf(terms.costs).minus(sumOf(terms.incentives));
  const perKwh = priceIn(terms, 1);
  const firstYearValue = perKwh.times(terms.firstYearKwh.toFixed(3));
  const rows = Array.from({ length: horizonYears }, (_, k) => rowOf(terms, k + 1));
  const growth = new Exact(1).plus(terms.discountFrac ?? 0);
  const nets = rows.map(({ net }) => net);
  const discounted = nets.map((net, k) => net.div(growth.pow(k + 1)));
  const [balances, discountedBalances] = [running(netCost, nets), running(netCost, discounted)];
  const flows = [netCost.negated(), ...nets];
  const found = rateOfReturn(flows);
  const rates = found.kind === "one" ? [found.rate.toNumber()] : found.kind === "several" ? found.rates.map((rate) => rate.toNumber()) : [];
  const levelised = levelisedCost({
    costs: [netCost, ...rows.map(({ upkeep, once }) => upkeep.plus(once))],
    energyKwh: rows.map((row) => row.energyKwh),
    discountFrac: terms.discountFrac ?? 0,
  });
  return {
    netCost: money(netCost),
    firstYearValue: money(firstYearValue),
    valuePerKwh: perKwh.toFixed(4),
    simpleYears: firstYearValue.gt(0) ? Exact.max(0, netCost.div(firstYearValue)).toNumber() : null,
    risingYears: crossingYears(netCost, nets),
    staysPaidYears: lastCrossingYears(netCost, nets),
    discountedYears: crossingYears(netCost, discounted),
    netPresentValue: money(presentValue(growth.minus(1), flows)),
    returnPerYear: { kind: found.kind, rates },
    depositFrac: found.kind === "one" ? found.rate.toNumber() / (1 - (terms.interestTaxFrac ?? 0)) : null,
    levelisedPerKwh: levelised?.toFixed(4) ?? null,
    years: rows.map((row, k) => ({
      year: k + 1,
      energyKwh: row.energyKwh,
      valuePerKwh: row.perKwh.toFixed(4),
      value: money(row.value),
      upkeep: money(row.upkeep),
      once: money(row.once),
      net: money(row.net),
      balance: money(balances[k]!),
      discountedBalance: money(discountedBalances[k]!),
      simpleBalance: money(firstYearValue.times(k + 1).minus(netCost)),
    })),
  };
}

/** Years until it is paid back with price rise, ageing, upkeep and replacements, and nothing else: for asking often. */
export function risingYears(terms: PaybackTerms): number | null {
  const nets = Array.from({ length: terms.horizonYears }, (_, k) => rowOf(terms, k + 1).net);
  return crossingYears(sumOf(terms.costs).minus(sumOf(terms.incentives)), nets);
}

function rowOf(terms: PaybackTerms, year: number): Row {
  const energyKwh = terms.firstYearKwh * agedShare(year, terms.ageing, terms.ageYears);
  const risen = priceIn(terms, year);
  const value = risen.times(energyKwh.toFixed(3));
  const upkeep = sumOf(
    (terms.perYear ?? []).map((cost) => new Exact(cost.amount).times(new Exact(1).plus(cost.risePerYearFrac).pow(year - 1))),
  );
  const due = (terms.later ?? []).filter(({ afterYears }) => yearOfSum(afterYears, terms.horizonYears) === year);
  const scrap = year === terms.horizonYears ? new Exact(terms.scrap ?? 0) : ZERO;
  const once = sumOf(due.map(({ amount }) => amount)).minus(scrap);
  return { energyKwh, perKwh: risen, value, upkeep, once, net: value.minus(upkeep).minus(once) };
}

function running(netCost: Exact, nets: readonly Exact[]): Exact[] {
  let sum = netCost.negated();
  return nets.map((net) => {
    sum = sum.plus(net);
    return sum;
  });
}

/** Years until the balance first reaches nothing. */
export function crossingYears(netCost: Exact, nets: readonly Exact[]): number | null {
  let balance = netCost.negated();
  if (balance.gte(0)) return 0;
  for (const [k, net] of nets.entries()) {
    const before = balance;
    balance = balance.plus(net);
    if (balance.gte(0)) return k + before.negated().div(net).toNumber();
  }
  return null;
}

/** Years from which on the balance never is below nothing again. */
export function lastCrossingYears(netCost: Exact, nets: readonly Exact[]): number | null {
  let balance = netCost.negated();
  let since: number | null = balance.gte(0) ? 0 : null;
  for (const [k, net] of nets.entries()) {
    const before = balance;
    balance = balance.plus(net);
    if (balance.lt(0)) since = null;
    else if (since === null) since = k + before.negated().div(net).toNumber();
  }
  return since;
}

/** Mean share of nameplate over a counted year, relative to the first of them, of a plant that was so old when it began. */
export function agedShare(year: number, ageing: AgeingRate, ageYears = 0): number {
  return ageingFactor(ageYears + year - 0.5, ageing) / ageingFactor(ageYears + 0.5, ageing);
}

/**
 * Years from its own day after which a later sum has come back: what is earned from that day on, less upkeep. Null where it does not within the
 * horizon. What else is paid once is another sum's.
 */
export function yearsToReturn(terms: PaybackTerms, { afterYears, amount }: Pick<LaterSum, "afterYears" | "amount">): number | null {
  let left = new Exact(amount);
  for (let year = Math.floor(afterYears) + 1; year <= terms.horizonYears; year++) {
    const { value, upkeep } = rowOf(terms, year);
    const part = Math.min(1, year - afterYears);
    const earned = value.minus(upkeep).times(part);
    if (left.lte(earned) && earned.gt(0)) return year - part - afterYears + left.div(earned).times(part).toNumber();
    left = left.minus(earned);
  }
  return null;
}
