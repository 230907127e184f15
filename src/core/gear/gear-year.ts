import type { BatteryKind, PvArray, Site } from "../site";
import { monthBins } from "../time";
import { arrayLightWm2, type PreparedWeather, runPrepared } from "../yield";
import { lifeFrac } from "./battery-life";
import { type GearHours, gearTempC } from "./heat";
import type { GearStanding } from "./standing";

/** What the rating of an inverter or charger does in the heat. */
export interface HeatLimit {
  readonly ratedW: number;
  /** Full up to this air at the device, C, and less by this share a kelvin from there. */
  readonly fullToC: number;
  readonly perKFrac: number;
}

export interface GearYear {
  readonly hottestC: number;
  readonly meanC: number;
  /** Hours a year over the temperature up to which the rating is full. */
  readonly hotHours: number;
  /** Hours a year under freezing, in which lithium must not be charged. */
  readonly frostHours: number;
  /** Energy a year that the falling rating holds back, kWh. */
  readonly deratedKwh: number;
  /** Life of a battery over that at 25 C. */
  readonly lifeFrac: Readonly<Record<BatteryKind, number>>;
  /** Mean of each month's hottest hour a day, January first, C. */
  readonly monthsHottestC: readonly number[];
}

const SIDES_DEG = [0, 90, 180, 270] as const;

/** Hours around the gear of a site, whatever it stands in: computed once for all standings. */
export interface GearGround extends GearHours {
  readonly acW: Float64Array;
  readonly binOf: Uint16Array;
  readonly months: readonly string[];
}

/** The sun on roof and walls, the air, and the heat that the inverter gives off, over the weather there is. */
export function gearGround(site: Site, prepared: PreparedWeather, efficiencyFrac: number): GearGround {
  const { axis, airTempC } = prepared.weather;
  const base = site.arrays[0]!;
  const open = { ...site, horizon: [], obstacles: [] };
  const light = (tiltDeg: number, azimuthDeg: number): Float64Array => {
    const plane: PvArray = { ...base, tiltDeg, azimuthDeg, tiltSchedule: [], horizon: [], obstacles: [] };
    return Float64Array.from(arrayLightWm2(open, plane, prepared), (value) => (Number.isNaN(value) ? 0 : Math.max(0, value)));
  };
  const walls = SIDES_DEG.map((azimuthDeg) => light(90, azimuthDeg));
  const stepHours = axis.stepMinutes / 60;
  const bins = monthBins(axis, site.place.timeZone);
  // What the heat takes is told here, for each place by itself.
  const cool = { ...site, revisions: [], inverters: site.inverters.map((inverter) => ({ ...inverter, heatDerating: null })) };
  const { expectedKwh } = runPrepared(cool, prepared, bins);
  const acW = Float64Array.from(expectedKwh, (kwh) => Math.max(0, (kwh * 1000) / stepHours));
  return {
    airTempC: withoutGaps(airTempC),
    roofWm2: light(0, 180),
    wallsWm2: Float64Array.from({ length: axis.count }, (_, i) => walls.reduce((sum, wall) => sum + wall[i]!, 0) / walls.length),
    sunnyWallWm2: Float64Array.from({ length: axis.count }, (_, i) => Math.max(...walls.map((wall) => wall[i]!))),
    heatW: acW.map((watts) => watts * (1 / efficiencyFrac - 1)),
    stepHours,
    acW,
    binOf: bins.binOf,
    months: bins.keys,
  };
}

/** Where a thermometer was silent the last that it said stands: a space follows slowly anyway. */
function withoutGaps(tempC: ArrayLike<number>): Float64Array {
  const first = Array.from(tempC).find((value) => !Number.isNaN(value)) ?? 0;
  let last = first;
  return Float64Array.from(tempC, (value) => {
    if (!Number.isNaN(value)) last = value;
    return last;
  });
}

/** A year of gear where it stands; `years` is how many the ground holds. */
export function gearYear(standing: GearStanding, ground: GearGround, limit: HeatLimit, years: number): GearYear {
  const tempC = gearTempC(standing, ground);
  const { stepHours, acW } = ground;
  let [hottestC, sum, hot, frost, derated] = [Number.NEGATIVE_INFINITY, 0, 0, 0, 0];
  for (let i = 0; i < tempC.length; i++) {
    const here = tempC[i]!;
    if (here > hottestC) hottestC = here;
    sum += here;
    if (here > limit.fullToC) hot++;
    if (here < 0) frost++;
    const ratedW = limit.ratedW * Math.max(0, 1 - limit.perKFrac * Math.max(0, here - limit.fullToC));
    if (acW[i]! > ratedW) derated += acW[i]! - ratedW;
  }
  return {
    hottestC,
    meanC: sum / Math.max(1, tempC.length),
    hotHours: (hot * stepHours) / years,
    frostHours: (frost * stepHours) / years,
    deratedKwh: (derated * stepHours) / 1000 / years,
    lifeFrac: { lead: lifeFrac("lead", tempC), lithium: lifeFrac("lithium", tempC) },
    monthsHottestC: monthsHottest(tempC, ground),
  };
}

/** The hottest hour of each day, as the month's mean. */
function monthsHottest(tempC: Float64Array, { stepHours, binOf, months }: GearGround): number[] {
  const perDay = Math.max(1, Math.round(24 / stepHours));
  const sums = new Float64Array(12);
  const days = new Float64Array(12);
  for (let from = 0; from + perDay <= tempC.length; from += perDay) {
    const month = Number(months[binOf[from]!]?.slice(5, 7)) - 1;
    if (!(month >= 0)) continue;
    sums[month]! += Math.max(...tempC.subarray(from, from + perDay));
    days[month]!++;
  }
  return Array.from(sums, (sum, m) => (days[m]! > 0 ? sum / days[m]! : Number.NaN));
}
