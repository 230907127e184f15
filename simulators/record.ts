import { sumOnto } from "@/core/series";
import type { Site } from "@/core/site";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "@/core/units";
import { type PagedSeries, place, type WeatherQuantity } from "@/formats/tabular/series";
import { simulateWeather } from "./climate";
import type { DemoBook } from "./demo-book";
import { throughSensor } from "./light-sensor";
import { recordModules } from "./module-recorder";
import { simulatePlant } from "./plant";
import { type SidesRecord, sidesOf } from "./school";

/** Five years of a simulated plant, as its weather mast (hourly) and its meter (quarter-hourly) recorded them. */
export interface PlantRecord {
  readonly weather: readonly PagedSeries[];
  readonly production: readonly PagedSeries[];
  /** Energies of single modules by quarters of an hour; empty where none were read. */
  readonly modules: readonly PagedSeries[];
}

const METER_STEP = 15;

/** Plays a demo book's weather and plant from its seed. The same seed gives the same record to the last digit. */
export function recordOf(demo: DemoBook, site: Site): PlantRecord {
  const startUtcMs = Math.floor(Date.parse(demo.firstUtc) / DAY_MS) * DAY_MS;
  const count = Math.ceil((Date.parse(demo.lastUtc) - startUtcMs) / (METER_STEP * MINUTE_MS));
  const fine = { startUtcMs, stepMinutes: METER_STEP, count };
  const weather = simulateWeather(demo.climate, site.place, fine, demo.seed);
  const hourly = { startUtcMs, stepMinutes: 60, count: Math.ceil(count / 4) };
  const sides = demo.trial ? sidesOf(site, demo.trial, weather) : null;
  const energyKwh = sides ? sides.energyKwh : simulatePlant(site, demo.truth, weather);
  const mean = (column: Float64Array): Float64Array => sumOnto(column, fine, hourly).sums.map((sum) => sum / 4);
  const from = Date.parse(demo.firstUtc);
  const mast = (quantity: WeatherQuantity, values: Float64Array, digits: number): PagedSeries =>
    paged(quantity, null, hourly, values, digits, from);
  return {
    weather: [
      mast("ghi_w_m2", demo.sensor ? throughSensor(mean(weather.ghiWm2), hourly, demo.sensor, demo.seed) : mean(weather.ghiWm2), 1),
      mast("air_temperature_c", mean(weather.airTempC), 1),
      mast("wind_speed_m_s", mean(weather.windSpeedMs), 1),
      mast("rain_mm", sumOnto(weather.rainMm, fine, hourly).sums, 1),
      ...(weather.snowDepthCm ? [mast("snow_depth_cm", mean(weather.snowDepthCm), 0)] : []),
    ],
    production: [
      paged("energy_kwh", null, fine, energyKwh, 3, from),
      ...(sides?.meters ?? []).map((meter) => paged("energy_kwh", meter.meterId, fine, meter.kwh, 3, from)),
    ],
    modules: demo.modules
      ? recordModules(
          site,
          demo.modules,
          { axis: fine, arrayKwh: outputOf(demo, demo.modules.array, sides) ?? energyKwh, rainMm: weather.rainMm },
          demo.seed,
        ).map(({ id, kwh }) => paged("energy_kwh", id, fine, kwh, 6, from))
      : [],
  };
}

/** What an array that is a side of a trial gave by itself; null where the plant is one. */
function outputOf({ trial }: DemoBook, array: string, sides: SidesRecord | null): Float64Array | null {
  const side = trial?.sides.findIndex(({ arrays }) => arrays.includes(array)) ?? -1;
  return sides && side >= 0 ? sides.trueKwh[side]! : null;
}

/** Hours of a recorded production, for whoever lives off it. */
export function hourlyProduction({ production }: PlantRecord): { startUtcMs: number; hourlyKwh: Float64Array } {
  const [series] = production;
  const days = [...(series?.days ?? [])].sort(([a], [b]) => a - b);
  const startUtcMs = (days[0]?.[0] ?? 0) * DAY_MS;
  const hourlyKwh = new Float64Array(((days.at(-1)?.[0] ?? 0) - (days[0]?.[0] ?? 0) + 1) * 24);
  for (const [day, page] of days)
    page.forEach((kwh, i) => {
      if (!Number.isNaN(kwh)) hourlyKwh[Math.round((day * DAY_MS - startUtcMs) / HOUR_MS) + Math.floor((i * 24) / page.length)]! += kwh;
    });
  return { startUtcMs, hourlyKwh };
}

function paged(
  quantity: PagedSeries["quantity"],
  meterId: string | null,
  axis: { startUtcMs: number; stepMinutes: number; count: number },
  values: Float64Array,
  digits: number,
  fromUtcMs: number,
): PagedSeries {
  const series: PagedSeries = { quantity, meterId, stepMinutes: axis.stepMinutes, phaseMinutes: 0, days: new Map() };
  const scale = 10 ** digits;
  values.forEach((value, i) => {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    if (!Number.isNaN(value) && utcMs >= fromUtcMs) place(series, utcMs, Math.round(value * scale) / scale, true);
  });
  return series;
}
