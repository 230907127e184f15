import { haurwitzGhiWm2 } from "../../irradiance";
import type { MeteredOnAxis } from "../../ledger";
import type { TimeAxis } from "../../series";
import { nameplateW, type Site, siteAcRatedW } from "../../site";
import type { SunColumns } from "../../sun";
import { type CalendarBins, dayBins } from "../../time";
import { hoursOfStep } from "../../units";
import type { FilledWeather } from "../../weather";
import { type PreparedWeather, runPrepared } from "../../yield";

/**
 * What every search for a cause reads: the plant as it would run with nothing wrong (clean, new, no snow, nothing down), and what was
 * metered, hour by hour. Energies in kWh a step; NaN where not known.
 */
export interface AttributionFrame {
  readonly site: Site;
  readonly axis: TimeAxis;
  readonly prepared: PreparedWeather;
  readonly sun: SunColumns;
  readonly weather: FilledWeather;
  readonly days: CalendarBins;
  /** Healthy output without the inverter's ceiling. */
  readonly openKwh: Float64Array;
  readonly meteredKwh: Float64Array;
  /** 1 where the step was read whole, by readings that are no share of a longer span. */
  readonly read: Uint8Array;
  /** 1 where the light itself was measured. */
  readonly lit: Uint8Array;
  /** Most that the plant gives in a step, kWh: AC rating, else nameplate. */
  readonly ratedKwh: number;
  /** Global light over that of a cloudless sky, about 0 to 1; 1 where it can't be told. */
  readonly clearness: Float64Array;
  /** How fine the readings are: with days the shape of a day tells nothing, with months no day does. */
  readonly resolution: Resolution;
}

export type Resolution = "hours" | "days" | "months";

/** A plant with nothing wrong: clean, new, bare, up, and held by no ceiling. */
export const HEALTHY = { without: ["soiling", "snow", "ageing", "clipping", "downtime"] } as const;

/** Runs the healthy plant over prepared weather and lines the meter up with it. */
export function attributionFrame(site: Site, prepared: PreparedWeather, metered: MeteredOnAxis): AttributionFrame {
  const { weather, sun } = prepared;
  const { axis } = weather;
  const days = dayBins(axis, site.place.timeZone);
  const healthy = runPrepared(site, prepared, days, HEALTHY);
  const read = new Uint8Array(axis.count);
  const lit = new Uint8Array(axis.count);
  const clearness = new Float64Array(axis.count).fill(1);
  // Stryker disable next-line EqualityOperator: a step beyond the last is written nowhere
  for (let i = 0; i < axis.count; i++) {
    read[i] = metered.readFrac[i]! > 0.999 && metered.split[i] !== 1 ? 1 : 0;
    lit[i] = weather.filled[i] === 0 && !Number.isNaN(healthy.expectedKwh[i]!) ? 1 : 0;
    const clearWm2 = haurwitzGhiWm2(sun.up[i]!);
    if (weather.ghiWm2 && clearWm2 > 20) clearness[i] = weather.ghiWm2[i]! / clearWm2;
  }
  const acW = site.inverters.length > 0 ? siteAcRatedW(site) : Number.POSITIVE_INFINITY;
  return {
    site,
    axis,
    prepared,
    sun,
    weather,
    days,
    openKwh: healthy.expectedKwh,
    meteredKwh: metered.kwh,
    read,
    lit,
    ratedKwh: (Math.min(nameplateW(site), acW) / 1000) * hoursOfStep(axis.stepMinutes),
    clearness,
    resolution: resolutionOf(metered),
  };
}

/** By what most of what was read comes from. */
function resolutionOf({ split, readFrac }: MeteredOnAxis): Resolution {
  const counts = [0, 0, 0];
  for (let i = 0; i < split.length; i++) if (readFrac[i]! > 0) counts[split[i]!]!++;
  const [hours, months, days] = counts as [number, number, number];
  if (hours >= months && hours >= days) return "hours";
  return days >= months ? "days" : "months";
}
