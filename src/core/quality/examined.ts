import type { TimeAxis } from "../series";
import { nameplateW, type Site, siteAcRatedW } from "../site";
import { type SunColumns, sunHeights } from "../sun";
import { hoursOfStep, MINUTE_MS } from "../units";
import { type ClearYear, clearYear } from "./clear-year";
import type { ExpectedSeries } from "./expected";
import { type SolarDays, solarDays } from "./solar-days";

/** A metered series with all that detectors read from it, worked out once. */
export interface Examined {
  readonly axis: TimeAxis;
  /** Energy of each interval as recorded, kWh; NaN where nothing was. */
  readonly energyKwh: Float64Array;
  readonly site: Site;
  /** Up component of the sun in each interval. */
  readonly sun: Pick<SunColumns, "up">;
  readonly days: SolarDays;
  readonly clear: ClearYear;
  /** The most that an interval can hold, kWh. */
  readonly mostKwh: number;
  /** Energy of an interval at the lower of nameplate and AC rating, kWh. */
  readonly ratedKwh: number;
}

/** Works out sun, solar days and cloudless year of a series. `mostKwh` is what reconcile's mostEnergyKwh says for the step. */
export function examined(axis: TimeAxis, energyKwh: Float64Array, site: Site, expected: ExpectedSeries | null, mostKwh: number): Examined {
  const sun = { up: sunHeights(axis, site.place) };
  const acW = site.inverters.length > 0 ? siteAcRatedW(site) : Number.POSITIVE_INFINITY;
  const ratedKwh = (Math.min(nameplateW(site), acW) / 1000) * hoursOfStep(axis.stepMinutes);
  const clear = clearYear(axis, site);
  return {
    axis,
    energyKwh,
    site,
    sun,
    days: solarDays({ axis, energyKwh, sun, clear, expected, ratedKwh }),
    clear,
    mostKwh,
    ratedKwh,
  };
}

/** The same axis, sun and cloudless year under other energies. */
export function otherEnergy(x: Examined, energyKwh: Float64Array, expected: ExpectedSeries | null): Examined {
  const { axis, sun, clear, ratedKwh } = x;
  return { ...x, energyKwh, days: solarDays({ axis, energyKwh, sun, clear, expected, ratedKwh }) };
}

/** Start of interval i, UTC ms. */
export const startOf = ({ axis }: Examined, i: number): number => axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
