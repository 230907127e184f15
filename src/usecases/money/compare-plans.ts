import type { BillDocument } from "@/contracts/bills";
import type { PlanComparison } from "@/contracts/money";
import type { SiteDocument } from "@/contracts/site";
import {
  amountOf,
  billMonths,
  comparePlans,
  daysInMonth,
  estimateMissing,
  hoursOfUse,
  type Plan,
  planOn,
  slicesOfIntervals,
} from "@/core/money";
import { HOUR_MS } from "@/core/units";
import type { OpenLedger } from "../ledger";
import { producedIn } from "./produced";
import { type PlacedHour, type SunHours, scaledTo, sunHours } from "./sun-hours";

interface YearOfUse {
  readonly months: readonly string[];
  readonly startUtcMs: number;
  readonly importKwh: Float64Array;
  readonly exportKwh: Float64Array;
  readonly loadKwh: Float64Array;
}

/** The last twelve billed months charged under every plan of the book, with the array and without it. Null without plans, bills or hours. */
export function planComparison(
  site: SiteDocument,
  ledger: OpenLedger,
  bills: readonly BillDocument[],
  hours: SunHours = sunHours(ledger, site.money.plans),
): PlanComparison | null {
  const { plans, offers } = site.money;
  const use = yearOfUse(ledger, bills, hours);
  if (!use || plans.length === 0) return null;
  const last = use.months.at(-1)!;
  const own = planOn(plans, `${last}-15`);
  const candidates = [...plans, ...offers].map((plan): Plan => ({ ...plan, from: "0001-01-01", to: null, risePerYearFrac: 0 }));
  const axis = { startUtcMs: use.startUtcMs, stepMinutes: 60, count: use.importKwh.length };
  const none = new Float64Array(axis.count);
  const outcomes = comparePlans(candidates, site.currency, (plan, withArray) =>
    use.months.map((month) => {
      const period = { from: `${month}-01`, to: `${month}-${daysInMonth(`${month}-01`)}` };
      const meter = withArray
        ? { axis, importKwh: use.importKwh, exportKwh: use.exportKwh }
        : { axis, importKwh: use.loadKwh, exportKwh: none };
      return slicesOfIntervals([plan], period, meter, site.place.timeZone);
    }),
  );
  return {
    from: use.months[0]!,
    to: last,
    rows: outcomes.map(({ plan, withArray, withoutArray, perImportedKwh, perImportedKwhWithout }) => ({
      id: plan.id,
      name: plan.name,
      isOwn: plan.id === own?.id,
      isPast: plans.some(({ id, to }) => id === plan.id && to !== null && to < `${last}-01`),
      withArray: amountOf(withArray, site.currency),
      withoutArray: amountOf(withoutArray, site.currency),
      perImportedKwh: perImportedKwh?.toNumber() ?? null,
      perImportedKwhWithout: perImportedKwhWithout?.toNumber() ?? null,
    })),
  };
}

/** Hour by hour use of the last twelve billed months, as far as bills, production and sun allow. */
function yearOfUse(ledger: OpenLedger, bills: readonly BillDocument[], sun: SunHours): YearOfUse | null {
  const producedOf = producedIn(ledger);
  const months = estimateMissing(billMonths(bills))
    .filter(({ key, exportKwh }) => exportKwh !== null && sun.has(key))
    .slice(-12);
  if (months.length < 12) return null;
  const hours: PlacedHour[] = [];
  const [bought, sold, used]: [number[], number[], number[]] = [[], [], []];
  for (const month of months) {
    const own = scaledTo(sun.get(month.key)!, producedOf(month)?.kwh ?? 0);
    const bands =
      Object.keys(month.importByBandKwh).length > 0 ? month.importByBandKwh : Object.fromEntries([[own[0]!.band, month.importKwh]]);
    const use = hoursOfUse(own, bands, month.exportKwh!);
    hours.push(...own);
    bought.push(...use.importKwh);
    sold.push(...use.exportKwh);
    used.push(...use.loadKwh);
  }
  const startUtcMs = hours[0]!.utcMs;
  const count = Math.round((hours.at(-1)!.utcMs - startUtcMs) / HOUR_MS) + 1;
  const column = (values: readonly number[]): Float64Array => {
    const out = new Float64Array(count);
    hours.forEach(({ utcMs }, h) => {
      out[Math.floor((utcMs - startUtcMs) / HOUR_MS)]! += values[h]!;
    });
    return out;
  };
  return { months: months.map(({ key }) => key), startUtcMs, importKwh: column(bought), exportKwh: column(sold), loadKwh: column(used) };
}
