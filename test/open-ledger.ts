import type { SiteDocument } from "@/contracts/site";
import { monthBins } from "@/core/time";
import { runYield } from "@/core/yield";
import { type OpenLedger, openLedger, type StoredSeries } from "@/usecases/ledger";
import { clearWeather } from "./clear-weather";

interface Opened {
  readonly site: SiteDocument;
  readonly start: string;
  readonly days: number;
  readonly stepMinutes?: number;
  /** Share of the expected energy that is metered in a step; NaN where nothing was read. */
  readonly meteredFrac: (i: number) => number;
}

/** An open ledger under skies that change from day to day, whose meter gives a known share of what is expected. */
export function ledgerOfShare({ site, start, days, stepMinutes = 60, meteredFrac }: Opened): OpenLedger {
  const axis = { startUtcMs: Date.parse(start), stepMinutes, count: (days * 1440) / stepMinutes };
  const clear = clearWeather(axis, site.place);
  const day = (i: number): number => Math.floor((i * stepMinutes) / 1440);
  const weather = {
    ghi_w_m2: clear.ghiWm2!.map((wm2, i) => wm2 * (0.75 + 0.25 * Math.cos(day(i) * 2.1))),
    air_temperature_c: clear.airTempC!.map((_, i) => 15 + 10 * Math.sin(day(i) * 1.3) + 4 * Math.sin(i)),
    wind_speed_m_s: clear.windSpeedMs!.map((_, i) => 2.5 + 1.5 * Math.cos(day(i) * 0.7) + 0.5 * Math.sin(2 * i)),
  };
  const series: StoredSeries[] = Object.entries(weather).map(([quantity, values]) => ({ quantity, meterId: "", axis, values }));
  const expected = runYield(
    site,
    { ...clear, ghiWm2: weather.ghi_w_m2, airTempC: weather.air_temperature_c, windSpeedMs: weather.wind_speed_m_s },
    monthBins(axis, site.place.timeZone),
  ).expectedKwh;
  return openLedger({
    site,
    weather: series,
    production: [{ quantity: "energy_kwh", meterId: "main", axis, values: expected.map((kwh, i) => Math.max(0, kwh) * meteredFrac(i)) }],
    promise: null,
  });
}
