import type { TrialQuestion } from "@/contracts/trial";
import type { TrialSources } from "@/contracts/trial-wire";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import { endUtcMs, indexAt, sumOnto, type TimeAxis } from "@/core/series";
import { type Meter, partOfSite, type Site, siteOn } from "@/core/site";
import { monthBins, utcOfWall, zoneOffset } from "@/core/time";
import { sharedAxis } from "@/core/trial";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { sliceWeather, type Weather } from "@/core/weather";
import { arrayLightWm2, monthSums, prepareWeather, runPrepared } from "@/core/yield";
import type { OpenLedger, StoredSeries } from "../ledger";
import { rangeOf, trimmedAxis, yearsOf } from "../ledger";
import { Refusal } from "../refusal";

/** Meters of a book that hold readings and can be a side: what they count is production. */
export const trialMeters = (site: Site, production: readonly Pick<StoredSeries, "meterId">[]): Meter[] =>
  site.meters.filter(({ id, point }) => (point === "ac" || point === "dc") && production.some(({ meterId }) => meterId === id));

/** Both sides of a trial with what the model expects of each. */
export function trialSources(question: TrialQuestion, ledger: OpenLedger, production: readonly StoredSeries[]): TrialSources {
  const { site } = ledger;
  const sides = [sideOf(question.a, site, production), sideOf(question.b, site, production)] as const;
  const axis = trialAxis(question, site, sides);
  const onAxis = (kwh: Float64Array, from: TimeAxis): Float64Array => {
    const { sums, coverageFrac } = sumOnto(kwh, from, axis);
    return sums.map((sum, i) => (coverageFrac[i]! > 0.999 ? sum : Number.NaN));
  };
  const firstDay = new Date(axis.startUtcMs + zoneOffset(site.place.timeZone)(axis.startUtcMs)).toISOString().slice(0, 10);
  const [a, b] = sides.map(({ meter, own, series, kwh }) => ({
    name: own.arrays.map((array) => array.name || array.id).join(" and ") || meter.id,
    site: siteOn(own, firstDay),
    point: meter.point,
    meteredKwh: onAxis(kwh, series.axis),
  })) as [TrialSources["a"], TrialSources["b"]];
  const model = ledger.weather ? modelOf(ledger.weather, ledger, axis, [sides[0].own, sides[1].own]) : null;
  return { place: site.place, axis, a, b, expected: null, yearKwh: null, lightWm2: null, ...model };
}

function sideOf(meterId: string, site: Site, production: readonly StoredSeries[]) {
  const meter = site.meters.find(({ id }) => id === meterId);
  const known = trialMeters(site, production).map(({ id }) => id);
  if (!meter || !known.includes(meterId))
    throw new Refusal("trial-refused", "trial-meter-without-readings", { meterId, known: known.join(", "), count: known.length });
  const [series] = production
    .filter((candidate) => candidate.meterId === meterId)
    .sort((x, y) => x.axis.stepMinutes - y.axis.stepMinutes) as [StoredSeries];
  return {
    meter,
    series,
    own: partOfSite(site, meter.arrays),
    kwh: energyKwh(series.values, series.quantity as ProductionQuantity, series.axis.stepMinutes),
  };
}

function trialAxis({ from, to }: TrialQuestion, site: Site, sides: readonly { series: StoredSeries; kwh: Float64Array }[]): TimeAxis {
  const [x, y] = sides.map(({ series }) => trimmedAxis(series)) as [TimeAxis, TimeAxis];
  const offset = zoneOffset(site.place.timeZone);
  const dayStart = (date: string, after = 0): number => utcOfWall(Date.parse(`${date}T00:00:00Z`) + after * DAY_MS, offset);
  const cut = (axis: TimeAxis): TimeAxis => {
    const first = from === null ? 0 : Math.max(0, indexAt(axis, dayStart(from) + axis.stepMinutes * MINUTE_MS - 1));
    const end = to === null ? axis.count : Math.min(axis.count, indexAt(axis, dayStart(to, 1)));
    return { ...axis, startUtcMs: axis.startUtcMs + first * axis.stepMinutes * MINUTE_MS, count: Math.max(0, end - first) };
  };
  const shared = sharedAxis(cut(x), cut(y));
  if (shared) return shared;
  const day = (axis: TimeAxis, i: number): string =>
    new Date(axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS).toISOString().slice(0, 10);
  throw new Refusal("trial-refused", "sides-share-no-time", {
    stretch: from || to ? "yes" : "no",
    from: day(x, 0),
    to: day(x, x.count),
    otherFrom: day(y, 0),
    otherTo: day(y, y.count),
  });
}

/** Expected of both sides over the trial, and over the whole year that holds most of it. */
function modelOf(
  weather: Weather,
  ledger: OpenLedger,
  axis: TimeAxis,
  sites: readonly [Site, Site],
): Pick<TrialSources, "expected" | "yearKwh" | "lightWm2"> {
  const { place } = ledger.site;
  const offset = zoneOffset(place.timeZone);
  const years = yearsOf(ledger).map(Number);
  const middle = axis.startUtcMs + (axis.count / 2) * axis.stepMinutes * MINUTE_MS;
  const year = years.reduce((best, each) => (Math.abs(mid(each) - middle) < Math.abs(mid(best) - middle) ? each : best), years.at(-1)!);
  const cut = (fromUtcMs: number, toUtcMs: number): Weather => {
    const { from, to } = rangeOf(weather.axis, fromUtcMs, toUtcMs);
    return sliceWeather(weather, from, Math.max(from, to));
  };
  const trial = cut(axis.startUtcMs, endUtcMs(axis));
  if (trial.axis.count === 0) return { expected: null, yearKwh: null, lightWm2: null };
  const steps = prepareWeather(place, trial);
  const [a, b] = sites.map((site) => runPrepared(site, steps, monthBins(trial.axis, place.timeZone)).expectedKwh) as [
    Float64Array,
    Float64Array,
  ];
  const ready = prepareWeather(place, cut(utcOfWall(Date.UTC(year, 0, 1), offset), utcOfWall(Date.UTC(year + 1, 0, 1), offset)));
  const light = arrayLightWm2(sites[0], sites[0].arrays[0]!, steps);
  return {
    expected: { a: { axis: trial.axis, kwh: a }, b: { axis: trial.axis, kwh: b } },
    yearKwh: { a: monthSums(sites[0], ready).expectedKwh, b: monthSums(sites[1], ready).expectedKwh },
    lightWm2: Float64Array.from({ length: axis.count }, (_, i) => {
      const at = indexAt(trial.axis, axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS);
      return light[at] ?? Number.NaN;
    }),
  };
}

const mid = (year: number): number => Date.UTC(year, 6, 2);
