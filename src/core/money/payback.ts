import { Decimal } from "decimal.js";
import { type AgeingRate, ageingFactor } from "../module";

/** What a payback is reckoned from. Sums are decimal numerals in the site's currency. */
export interface PaybackTerms {
  readonly costs: readonly string[];
  readonly incentives: readonly string[];
  /** Energy of the first year in the field, kWh. */
  readonly firstYearKwh: number;
  readonly importPerKwh: string;
  /** Null: exported energy earns nothing. */
  readonly exportPerKwh: string | null;
  readonly selfUsedFrac: number;
  readonly priceRisePerYearFrac: number;
  readonly ageing: AgeingRate;
  readonly horizonYears: number;
}

export interface PaybackYear {
  /** 1 is the first year in the field. */
  readonly year: number;
  readonly energyKwh: number;
  readonly valuePerKwh: string;
  readonly value: string;
  /** Savings so far less the net cost, with price rise and ageing. */
  readonly balance: string;
  /** The same with neither. */
  readonly simpleBalance: string;
}

export interface Payback {
  readonly netCost: string;
  readonly firstYearValue: string;
  /** Currency a kWh, self-used and exported weighed. */
  readonly valuePerKwh: string;
  /** Net cost over the first year's value; null when nothing is earned. */
  readonly simpleYears: number | null;
  /** With price rise and ageing; null when it does not come within the horizon. */
  readonly risingYears: number | null;
  readonly years: readonly PaybackYear[];
}

const sum = (amounts: readonly string[]): Decimal => amounts.reduce((total, amount) => total.plus(amount), new Decimal(0));
const money = (value: Decimal): string => value.toFixed(2);

/**
 * Simple payback (net cost over first-year value) beside payback with price rise and ageing, year by year. The price holds for
 * the first year and rises at each anniversary; within a year savings come evenly. Sums are exact decimals; energies are rounded to the Wh.
 * Source: Short, Packey & Holt, 1995, A manual for the economic evaluation of energy efficiency and renewable energy technologies.
 */
export function payback(terms: PaybackTerms): Payback {
  const netCost = sum(terms.costs).minus(sum(terms.incentives));
  const valuePerKwh = new Decimal(terms.importPerKwh)
    .times(terms.selfUsedFrac)
    .plus(new Decimal(terms.exportPerKwh ?? 0).times(new Decimal(1).minus(terms.selfUsedFrac)));
  const firstYearValue = valuePerKwh.times(terms.firstYearKwh.toFixed(3));
  const years: PaybackYear[] = [];
  let balance = netCost.negated();
  let risingYears: number | null = netCost.lte(0) ? 0 : null;
  for (let year = 1; year <= terms.horizonYears; year++) {
    const energyKwh = terms.firstYearKwh * agedShare(year, terms.ageing);
    const risen = valuePerKwh.times(new Decimal(1).plus(terms.priceRisePerYearFrac).pow(year - 1));
    const value = risen.times(energyKwh.toFixed(3));
    const before = balance;
    balance = balance.plus(value);
    if (risingYears === null && balance.gte(0)) risingYears = year - 1 + before.negated().div(value).toNumber();
    years.push({
      year,
      energyKwh,
      valuePerKwh: risen.toFixed(4),
      value: money(value),
      balance: money(balance),
      simpleBalance: money(firstYearValue.times(year).minus(netCost)),
    });
  }
  return {
    netCost: money(netCost),
    firstYearValue: money(firstYearValue),
    valuePerKwh: valuePerKwh.toFixed(4),
    simpleYears: firstYearValue.gt(0) ? Decimal.max(0, netCost.div(firstYearValue)).toNumber() : null,
    risingYears,
    years,
  };
}

/** Mean share of nameplate over a year in the field, relative to the first. */
function agedShare(year: number, ageing: AgeingRate): number {
  return ageingFactor(year - 0.5, ageing) / ageingFactor(0.5, ageing);
}
