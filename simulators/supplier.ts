import { randomLcg, randomNormal } from "d3";
import type { BillDocument } from "@/contracts/bills";
import type { SiteDocument } from "@/contracts/site";
import { amountOf, billOf, datesBetween, daysInMonth, type Plan, planDay, planOn, slicesOfIntervals } from "@/core/money";
import { zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";

/** What a made-up household or office uses, and whose bills it gets. */
export interface ConsumerTruth {
  readonly seed: number;
  /** A year's use without what came later, kWh. */
  readonly kwhPerYear: number;
  /** Weight of each local hour on working days, and on other days. */
  readonly workday: readonly number[];
  readonly freeDay: readonly number[];
  /** Weight of each month, January first. */
  readonly season: readonly number[];
  /** Charged every night from a date on, kWh a night. */
  readonly nightCharging: { readonly from: string; readonly kwh: number } | null;
  readonly firstBill: string;
  readonly lastBill: string;
  /** Months whose bill was mislaid. */
  readonly mislaid: readonly string[];
}

export interface Supplied {
  readonly bills: readonly BillDocument[];
  /** What the same use would have cost without the array, by month: the truth that no bill shows. */
  readonly withoutArray: ReadonlyMap<string, string>;
}

/** Plays a supplier: charges a made-up use, less what the array covers hour by hour, under the site's plans. Production of years before the record is that of its first year. */
export function supply(site: SiteDocument, truth: ConsumerTruth, produced: { startUtcMs: number; hourlyKwh: Float64Array }): Supplied {
  const normal = randomNormal.source(randomLcg(truth.seed))(0, 1);
  const offset = zoneOffset(site.place.timeZone);
  const bills: BillDocument[] = [];
  const withoutArray = new Map<string, string>();
  const months = new Set(datesBetween(truth.firstBill, truth.lastBill).map((date) => date.slice(0, 7)));
  let stray = 0;
  for (const key of months) {
    const period = { from: `${key}-01`, to: `${key}-${daysInMonth(`${key}-01`)}` };
    const startUtcMs = Date.parse(period.from) - offset(Date.parse(period.from));
    const endUtcMs = Date.parse(period.to) + 24 * HOUR_MS - offset(Date.parse(period.to));
    const count = Math.round((endUtcMs - startUtcMs) / HOUR_MS);
    const load = new Float64Array(count);
    const [bought, sold] = [new Float64Array(count), new Float64Array(count)];
    for (let h = 0; h < count; h++) {
      const utcMs = startUtcMs + h * HOUR_MS;
      const local = new Date(utcMs + offset(utcMs));
      stray = 0.7 * stray + 0.22 * normal();
      load[h] = usedKwh(truth, site.money.plans, local) * Math.exp(stray);
      const sun =
        period.from >= "2020-10"
          ? producedAt(produced, utcMs) * (key === site.commissioned?.slice(0, 7) ? runningFrac(site, local) : 1)
          : 0;
      bought[h] = Math.max(0, load[h]! - sun);
      sold[h] = Math.max(0, sun - load[h]!);
    }
    const axis = { startUtcMs, stepMinutes: 60, count };
    const charged = (importKwh: Float64Array, exportKwh: Float64Array | null) => {
      const slices = slicesOfIntervals(site.money.plans, period, { axis, importKwh, exportKwh }, site.place.timeZone);
      if (slices.kind !== "slices") throw new Error(`${site.name} has no plan for ${key}`);
      return { slices: slices.slices, bill: billOf(slices.slices, site.currency) };
    };
    const own = charged(bought, sold);
    withoutArray.set(key, amountOf(charged(load, null).bill.total, site.currency));
    if (truth.mislaid.includes(key)) continue;
    const byBand: Record<string, number> = {};
    for (const slice of own.slices) {
      const names = slice.plan.seasons.find(({ name }) => name === slice.season)!.bands;
      names.forEach(({ name }, k) => {
        byBand[name] = (byBand[name] ?? 0) + Math.round(slice.importKwh[k]!);
      });
    }
    const since = key >= (site.commissioned ?? "").slice(0, 7);
    bills.push({
      ...period,
      usageKwh: null,
      importKwh: Object.values(byBand).reduce((a, b) => a + b, 0),
      importByBandKwh: byBand,
      exportKwh: since ? own.slices.reduce((sum, slice) => sum + Math.round(slice.exportKwh.reduce((a, b) => a + b, 0)), 0) : null,
      productionKwh: null,
      amount: amountOf(own.bill.total, site.currency),
    });
  }
  return { bills, withoutArray };
}

/** Share of the commissioning month's hour in which the array already ran. */
const runningFrac = (site: SiteDocument, local: Date): number => (local.toISOString().slice(0, 10) >= site.commissioned! ? 1 : 0);

function usedKwh({ kwhPerYear, workday, freeDay, season, nightCharging }: ConsumerTruth, plans: readonly Plan[], local: Date): number {
  const date = local.toISOString().slice(0, 10);
  const plan = planOn(plans, date);
  const isFree = plan ? (planDay(plan, date)?.isWeekend ?? false) : false;
  const hour = local.getUTCHours();
  const day = isFree ? freeDay : workday;
  const usual = kwhPerYear / 365.25 / workday.reduce((a, b) => a + b, 0);
  const charging = nightCharging && date >= nightCharging.from && hour < 4 ? nightCharging.kwh / 4 : 0;
  return usual * day[hour]! * season[local.getUTCMonth()]! + charging;
}

function producedAt({ startUtcMs, hourlyKwh }: { startUtcMs: number; hourlyKwh: Float64Array }, utcMs: number): number {
  const at = Math.floor((utcMs - startUtcMs) / HOUR_MS);
  const kwh = hourlyKwh[at >= 0 ? at : at + 365 * 24] ?? 0;
  return Number.isNaN(kwh) ? 0 : kwh;
}
