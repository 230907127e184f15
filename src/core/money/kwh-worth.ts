import type { Site } from "../site";
import { Exact } from "./exact";

/** What a kilowatt-hour at the meter is worth, in the site's currency: used and sold shares at their prices; null where no price is known. */
export function pricePerKwh({ money: { tariff } }: Pick<Site, "money">): number | null {
  if (tariff.importPerKwh === null) return null;
  const used = new Exact(tariff.importPerKwh).times(tariff.selfUsedFrac);
  return used.plus(new Exact(tariff.exportPerKwh ?? "0").times(1 - tariff.selfUsedFrac)).toNumber();
}

/** Worth today of a kilowatt-hour in each of some years, the price rising and later money discounted. Source: Brealey, Myers & Allen, 2020, Principles of corporate finance (present value). */
export function yearlyKwhWorth(price: number, risePerYearFrac: number, discountFrac: number, years: number): number {
  let worth = 0;
  for (let year = 0; year < years; year++) worth += price * ((1 + risePerYearFrac) / (1 + discountFrac)) ** year;
  return worth;
}
