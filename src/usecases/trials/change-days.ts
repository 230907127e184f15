import type { ChangeDays, ChangeQuestion } from "@/contracts/trial";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import { sumOnto } from "@/core/series";
import { partOfSite, type Site } from "@/core/site";
import { medianOf } from "@/core/statistics";
import { dayBins, monthBins } from "@/core/time";
import { runYield } from "@/core/yield";
import type { OpenLedger, StoredSeries } from "../ledger";
import { Refusal } from "../refusal";

/** A day needs this share of its expected energy read, and this share of a usual day's energy, to tell anything. */
const READ_FRAC = 0.97;
const DIM_FRAC = 0.2;
/** A day under this share of the usual index stood still or lay under snow: that is no word on the change. */
const STILL_FRAC = 0.6;

/** Days before and after an intervention, each with what the site as it stood before it should have given under that day's weather. */
export function changeDays(question: ChangeQuestion, ledger: OpenLedger, production: readonly StoredSeries[]): ChangeDays {
  const { weather, site } = ledger;
  if (!weather) throw new Refusal("no-weather", "no-weather");
  const { meteredKwh, readFrac, own } = sourceOf(question.meter, ledger, production);
  const asBefore: Site = { ...own, revisions: own.revisions.filter(({ from }) => from < question.on) };
  const { axis } = weather;
  const { expectedKwh } = runYield(asBefore, weather, monthBins(axis, site.place.timeZone));
  const days = dayBins(axis, site.place.timeZone);
  const sums = days.keys.map((date) => ({ date, meteredKwh: 0, expectedKwh: 0, all: 0 }));
  for (let i = 0; i < axis.count; i++) {
    const expected = expectedKwh[i]!;
    if (Number.isNaN(expected)) continue;
    const day = sums[days.binOf[i]!]!;
    day.all += expected;
    if (readFrac[i]! < 0.999) continue;
    day.expectedKwh += expected;
    day.meteredKwh += meteredKwh[i]!;
  }
  const usual = medianOf(sums.map(({ all }) => all).filter((kwh) => kwh > 0));
  const read = (day: (typeof sums)[number]): boolean => day.expectedKwh >= READ_FRAC * day.all && day.all > 0;
  const bright = (day: (typeof sums)[number]): boolean => day.all >= DIM_FRAC * usual;
  const lit = sums.filter((day) => read(day) && bright(day));
  const usualIndex = medianOf(lit.map(({ meteredKwh: metered, expectedKwh: expected }) => metered / expected));
  const stood = (day: (typeof sums)[number]): boolean => day.meteredKwh < STILL_FRAC * usualIndex * day.expectedKwh;
  const good = lit.filter((day) => !stood(day));
  const plain = (list: typeof sums): ChangeDays["before"] =>
    list.map(({ date, meteredKwh: metered, expectedKwh: expected }) => ({ date, meteredKwh: metered, expectedKwh: expected }));
  return {
    on: question.on,
    before: plain(good.filter(({ date }) => date < question.on).slice(-question.days)),
    after: plain(good.filter(({ date }) => date > question.on).slice(0, question.days)),
    leftOut: {
      unread: sums.filter((day) => !read(day)).length,
      dim: sums.filter((day) => read(day) && !bright(day)).length,
      still: lit.filter(stood).length,
      day: sums.some(({ date }) => date === question.on) ? 1 : 0,
    },
  };
}

function sourceOf(meterId: string, { site, weather, metered }: OpenLedger, production: readonly StoredSeries[]) {
  if (meterId === "") {
    if (!metered) throw new Refusal("trial-refused", "no-production");
    return { meteredKwh: metered.kwh, readFrac: metered.readFrac, own: site };
  }
  const meter = site.meters.find(({ id }) => id === meterId);
  const series = production.find((candidate) => candidate.meterId === meterId);
  if (!meter || !series) throw new Refusal("trial-refused", "meter-without-readings", { meterId });
  const kwh = energyKwh(series.values, series.quantity as ProductionQuantity, series.axis.stepMinutes);
  const { sums, coverageFrac } = sumOnto(kwh, series.axis, weather!.axis);
  return { meteredKwh: sums, readFrac: coverageFrac, own: partOfSite(site, meter.arrays) };
}
