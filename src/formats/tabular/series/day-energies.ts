import { dayCounterStepKwh } from "@/core/readings";
import type { PagedSeries } from "./pages";

/** A counter that begins anew every day, as the energy of each interval; the last interval before a gap is not known. */
export function dayEnergies(counter: PagedSeries): PagedSeries {
  for (const [day, page] of counter.days) {
    // Each page is turned once, from its start on: the first reading of the next page must still be the counter's.
    if (!counter.days.has(day - 1)) turn(counter, day, page);
  }
  return { ...counter, quantity: "energy_kwh" };
}

function turn(counter: PagedSeries, firstDay: number, firstPage: Float64Array): void {
  let page: Float64Array | undefined = firstPage;
  for (let day = firstDay; page; day++) {
    const next: Float64Array | undefined = counter.days.get(day + 1);
    for (let i = 0; i < page.length; i++)
      page[i] = dayCounterStepKwh(page[i]!, i + 1 < page.length ? page[i + 1]! : (next?.[0] ?? Number.NaN));
    page = next;
  }
}
