import { bandAt, datesBetween, planDay, planOn, riseOn } from "./price-at";
import type { Plan } from "./types";

/** Price of a bought kWh at every hour of the year from a day on: the first tier with levies and taxes. NaN where no plan or band holds. */
export interface PriceYear {
  readonly dates: readonly string[];
  /** 24 a date. */
  readonly perKwh: Float64Array;
  readonly bandOf: readonly (string | null)[];
}

export function priceYear(plans: readonly Plan[], from: string): PriceYear {
  const dates = datesBetween(from, lastOfYear(from));
  const perKwh = new Float64Array(dates.length * 24).fill(Number.NaN);
  const bandOf = new Array<string | null>(dates.length * 24).fill(null);
  dates.forEach((date, d) => {
    const plan = planOn(plans, date);
    const day = plan && planDay(plan, date);
    if (!plan || !day) return;
    const rise = riseOn(plan, date).toNumber();
    const levies = plan.levies.reduce((sum, levy) => sum + Number(levy.perKwh), 0);
    const taxes = plan.taxes.reduce((sum, tax) => sum + tax.frac, 1);
    for (let hour = 0; hour < 24; hour++) {
      const band = day.season.bands[bandAt(day, hour)];
      if (!band) continue;
      perKwh[d * 24 + hour] = (Number(band.tiers[0]!.perKwh) * rise + levies) * taxes;
      bandOf[d * 24 + hour] = `${day.season.name}, ${band.name}`;
    }
  });
  return { dates, perKwh, bandOf };
}

/** The day before the same day of the next year. */
function lastOfYear(from: string): string {
  const next = new Date(`${from}T00:00:00Z`);
  next.setUTCFullYear(next.getUTCFullYear() + 1);
  next.setUTCDate(next.getUTCDate() - 1);
  return next.toISOString().slice(0, 10);
}
