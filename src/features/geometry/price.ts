import Decimal from "decimal.js";
import type { Site } from "@/core/site";

/** What a kilowatt-hour at the meter is worth, in the site's currency: used and sold shares at their prices; null where no price is known. */
export function pricePerKwh({ money: { tariff } }: Site): number | null {
  if (tariff.importPerKwh === null) return null;
  const used = new Decimal(tariff.importPerKwh).times(tariff.selfUsedFrac);
  return used.plus(new Decimal(tariff.exportPerKwh ?? "0").times(1 - tariff.selfUsedFrac)).toNumber();
}
