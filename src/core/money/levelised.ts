import { type Exact, quantity, ZERO } from "./exact";
import { presentValue } from "./finance";

interface Levelled {
  /** Of the first day, then of each year. */
  readonly costs: readonly Exact[];
  /** Of each year. */
  readonly energyKwh: readonly number[];
  readonly discountFrac: number;
}

/**
 * The one levelised cost of a kilowatt-hour: all costs over all energy, both in money and kWh of the first day, flows counted at the ends of years. Null
 * without energy. Source: Short, Packey & Holt, 1995, A manual for the economic evaluation of energy efficiency and renewable energy technologies.
 */
export function levelisedCost({ costs, energyKwh, discountFrac }: Levelled): Exact | null {
  const rate = ZERO.plus(discountFrac);
  const energy = presentValue(rate, [ZERO, ...energyKwh.map((kwh) => quantity(kwh))]);
  return energy.gt(0) ? presentValue(rate, costs).div(energy) : null;
}
