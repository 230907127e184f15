import { DEMO_BOOKS, recordOf } from "@simulators";
import type { SiteDocument } from "@/contracts/site";
import type { Weather } from "@/core/weather";
import { parseSite } from "@/formats/site-json";
import { joinPages } from "@/usecases/imports";

/** The packing shed of the demo, as its owner describes it. */
export function sampleSite(): SiteDocument {
  const reading = parseSite(DEMO_BOOKS[0]!.site);
  if (!reading.ok) throw new Error("The demo site does not parse.");
  return reading.document;
}

let record: ReturnType<typeof recordOf> | null = null;

/** The demo's own weather, its years said again until there are enough, at hours or at a finer step (each hour's value held). */
export function sampleWeather(site: SiteDocument, years: number, stepMinutes: number): Weather {
  record ??= recordOf(DEMO_BOOKS[0]!, site);
  const perHour = 60 / stepMinutes;
  const count = Math.round(years * 365.25 * 24) * perHour;
  const column = (quantity: string): Float64Array => {
    const pages = record!.weather.find((series) => series.quantity === quantity)!;
    const hourly = joinPages({ ...pages, meterId: "" })!.values;
    // Whole days are said again, so that light stays in daylight; four years of 365.25 days fit the calendar well enough for a clock.
    const period = 1461 * 24;
    return Float64Array.from({ length: count }, (_, i) => hourly[48 + (Math.floor(i / perHour) % period)]!);
  };
  return {
    axis: { startUtcMs: Date.UTC(2005, 0, 1), stepMinutes, count },
    ghiWm2: column("ghi_w_m2"),
    dniWm2: null,
    dhiWm2: null,
    poaWm2: null,
    airTempC: column("air_temperature_c"),
    windSpeedMs: column("wind_speed_m_s"),
  };
}
