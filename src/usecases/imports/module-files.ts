import { MODULE_QUANTITY } from "@/contracts/mapping";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { joinPages, type MeteredPages } from "./join-pages";

/** Energies of one column from its first day to its last, kWh. */
function energiesOf(pages: MeteredPages): { readonly startUtcMs: number; readonly kwh: Float64Array } | null {
  const joined = joinPages(pages);
  return (
    joined && { startUtcMs: joined.axis.startUtcMs, kwh: energyKwh(joined.values, pages.quantity as ProductionQuantity, pages.stepMinutes) }
  );
}

/** Columns of single modules as their energies: what is kept of them, whatever the recorder wrote. */
export const asModuleEnergies = (series: readonly MeteredPages[]): MeteredPages[] =>
  series.map((pages) => {
    const found = energiesOf(pages);
    const perDay = DAY_MS / (pages.stepMinutes * MINUTE_MS);
    const days = new Map<number, Float64Array>();
    const first = found ? Math.floor(found.startUtcMs / DAY_MS) : 0;
    for (let at = 0; found && at < found.kwh.length; at += perDay) {
      const page = found.kwh.slice(at, at + perDay);
      if (page.some((kwh) => !Number.isNaN(kwh))) days.set(first + at / perDay, page);
    }
    return { ...pages, quantity: MODULE_QUANTITY, days };
  });
