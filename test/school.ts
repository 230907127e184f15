import { DEMO_BOOKS, recordOf, sidesOf, simulateWeather } from "@simulators";
import type { Site } from "@/core/site";
import { parseSite } from "@/formats/site-json";
import { joinPages } from "@/usecases/imports";
import { type OpenLedger, openLedger, type StoredSeries } from "@/usecases/ledger";

/** Two years are enough for a trial of ten months, and half the work of the demo's five. */
const demo = { ...DEMO_BOOKS.find(({ trial }) => trial !== undefined)!, firstUtc: "2023-12-31T23:00:00Z" };

/** The demo's school with its readings, and what its simulator really did in the year of the trial. */
export function schoolBook(): {
  readonly site: Site;
  readonly ledger: OpenLedger;
  readonly production: readonly StoredSeries[];
  /** How much more the classrooms' roof gave than the gym's in 2025, AC, a kilowatt-peak. */
  readonly trueFrac: number;
} {
  const reading = parseSite(demo.site);
  if (!reading.ok) throw new Error("The demo's school does not parse.");
  const site = reading.document;
  const record = recordOf(demo, site);
  const production = record.production.map((pages) => joinPages({ ...pages, meterId: pages.meterId ?? "main" })!);
  const weather = record.weather.map((pages) => joinPages({ ...pages, meterId: "" })!);
  const ledger = openLedger({ site, weather, production, promise: null });
  const startUtcMs = Date.parse("2024-12-31T00:00:00Z");
  const axis = { startUtcMs: Date.parse("2023-12-31T00:00:00Z"), stepMinutes: 15, count: 2 * 366 * 96 };
  const played = sidesOf(site, { ...demo.trial!, sides: demo.trial!.sides }, simulateWeather(demo.climate, site.place, axis, demo.seed));
  const from = (startUtcMs - axis.startUtcMs) / 900_000;
  const sum = (kwh: Float64Array): number =>
    kwh.subarray(from, from + 365 * 96).reduce((total, each) => (Number.isNaN(each) ? total : total + each), 0);
  return { site, ledger, production, trueFrac: sum(played.trueKwh[1]) / sum(played.trueKwh[0]) - 1 };
}
