import type { TimeAxis } from "../series";
import { runSun } from "../sun";
import { monthBins, utcOfWall, zoneOffset } from "../time";
import { DAY_MS, HOUR_MS } from "../units";

/** Twelve means of a place, January first. */
export interface MonthlyMeans {
  /** Irradiation of the horizontal over the month, kWh/m2. */
  readonly ghiKwhM2: readonly number[];
  /** NaN where the means have no air. */
  readonly airTempC: readonly number[];
}

export interface MeansPlace {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly timeZone: string;
}

export interface MadeWeather {
  readonly axis: TimeAxis;
  readonly ghiWm2: Float64Array;
  readonly airTempC: Float64Array;
}

/** Days of a month as twelve means count them, January first. */
export const MEAN_MONTH_DAYS = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** Least daily clearness, and the swing of the air's temperature over a day, K, at the clearness of a bright day. */
const LEAST_CLEARNESS = 0.05;
const DAILY_SWING_K = 9;
const WARMEST_SOLAR_HOUR = 15;

/**
 * Hours of a local year made from twelve monthly means, the same each time: daily clearness after its usual distribution in a fixed order,
 * hours after the usual course of a day, each month scaled so that its sum is the given one exactly. For planning, not for reconciling.
 * Source: Bendt, Collares-Pereira & Rabl, 1981, The frequency distribution of daily insolation values, with Herzog, 1985 (parameter) and
 * Hollands & Huget, 1983 (upper limit); Collares-Pereira & Rabl, 1979, The average distribution of solar radiation.
 * Throws a RangeError when a month has more light than 0.85 of the sky's.
 */
export function weatherFromMeans(means: MonthlyMeans, year: number, place: MeansPlace): MadeWeather {
  const axis = localYear(year, place.timeZone);
  const sun = runSun(axis, place);
  const aboveWm2 = Float64Array.from(sun.up, (up, i) => Math.max(0, up) * sun.extraterrestrialWm2[i]!);
  const offset = zoneOffset(place.timeZone);
  const solarHourOf = (i: number): number =>
    ((((axis.startUtcMs + (i + 0.5) * HOUR_MS) / HOUR_MS + place.longitudeDeg / 15) % 24) + 24) % 24;
  const dayOf = Int32Array.from(aboveWm2, (_, i) => {
    const utcMs = axis.startUtcMs + i * HOUR_MS;
    return Math.floor((utcMs + offset(utcMs)) / DAY_MS);
  });
  const ghiWm2 = new Float64Array(axis.count);
  const airTempC = new Float64Array(axis.count);
  const months = monthBins(axis, place.timeZone);
  months.keys.forEach((key, month) => {
    const steps = stepsOf(months.binOf, month);
    fillLight({ steps, aboveWm2, dayOf, solarHourOf, latitudeDeg: place.latitudeDeg }, means.ghiKwhM2[month]!, key, ghiWm2);
    fillAir(steps, ghiWm2, aboveWm2, solarHourOf, means.airTempC[month]!, airTempC);
  });
  return { axis, ghiWm2, airTempC };
}

export function localYear(year: number, timeZone: string): TimeAxis {
  const offset = zoneOffset(timeZone);
  const startUtcMs = Math.round(utcOfWall(Date.UTC(year, 0, 1), offset) / HOUR_MS) * HOUR_MS;
  const end = Math.round(utcOfWall(Date.UTC(year + 1, 0, 1), offset) / HOUR_MS) * HOUR_MS;
  return { startUtcMs, stepMinutes: 60, count: Math.round((end - startUtcMs) / HOUR_MS) };
}

const stepsOf = (binOf: Uint16Array, bin: number): number[] => [...binOf.keys()].filter((i) => binOf[i] === bin);

interface MonthLight {
  readonly steps: readonly number[];
  readonly aboveWm2: Float64Array;
  readonly dayOf: Int32Array;
  readonly solarHourOf: (i: number) => number;
  readonly latitudeDeg: number;
}

function fillLight(month: MonthLight, ghiKwhM2: number, key: string, out: Float64Array): void {
  const { steps, aboveWm2, dayOf, solarHourOf } = month;
  const aboveKwh = steps.reduce((sum, i) => sum + aboveWm2[i]!, 0) / 1000;
  if (aboveKwh === 0 || ghiKwhM2 === 0) return;
  const clearness = ghiKwhM2 / aboveKwh;
  if (clearness > 0.85)
    throw new RangeError(`${key}: ${ghiKwhM2} kWh/m2 is more than the sky lets through (${(0.85 * aboveKwh).toFixed(0)})`);
  const days = [...new Set(steps.map((i) => dayOf[i]!))];
  const kt = new Map(days.map((day, k) => [day, dailyClearness(clearness, lowDiscrepancy(k + 1))]));
  for (const day of days) {
    const hours = steps.filter((i) => dayOf[i] === day && aboveWm2[i]! > 0);
    const sunset = hours.reduce((widest, i) => Math.max(widest, Math.abs(solarHourOf(i) - 12)), 0) * (Math.PI / 12);
    const shape = hours.map((i) => aboveWm2[i]! * courseOfDay(((solarHourOf(i) - 12) * Math.PI) / 12, sunset));
    const scale =
      (kt.get(day)! * hours.reduce((sum, i) => sum + aboveWm2[i]!, 0)) /
      Math.max(
        1e-9,
        shape.reduce((a, b) => a + b, 0),
      );
    hours.forEach((i, k) => {
      out[i] = shape[k]! * scale;
    });
  }
  const made = steps.reduce((sum, i) => sum + out[i]!, 0) / 1000;
  for (const i of steps) out[i]! *= ghiKwhM2 / made;
}

/** Daily clearness at a quantile of its distribution about a monthly mean. */
function dailyClearness(mean: number, quantile: number): number {
  const most = Math.max(mean + 0.02, 0.6313 + 0.267 * mean - 11.9 * (mean - 0.75) ** 8);
  if (mean <= LEAST_CLEARNESS + 0.01) return mean;
  const xi = (most - LEAST_CLEARNESS) / (most - mean);
  const gamma = -1.498 + (1.184 * xi - 27.182 * Math.exp(-1.5 * xi)) / (most - LEAST_CLEARNESS);
  if (Math.abs(gamma) < 1e-6) return LEAST_CLEARNESS + quantile * (most - LEAST_CLEARNESS);
  return Math.log((1 - quantile) * Math.exp(gamma * LEAST_CLEARNESS) + quantile * Math.exp(gamma * most)) / gamma;
}

/** Ratio of the hour's share of the day's light to its share of the light above the air, up to a factor. Source: Collares-Pereira & Rabl, 1979, eq. 10. */
const courseOfDay = (hourAngle: number, sunset: number): number =>
  Math.max(
    0.05,
    0.409 + 0.5016 * Math.sin(sunset - Math.PI / 3) + (0.6609 - 0.4767 * Math.sin(sunset - Math.PI / 3)) * Math.cos(hourAngle),
  );

/** The k-th number of a sequence that fills 0 to 1 evenly, in an order that does not rise or fall. Source: van der Corput, 1935, base 2. */
function lowDiscrepancy(k: number): number {
  let value = 0;
  let weight = 0.5;
  for (let rest = k; rest > 0; rest = Math.floor(rest / 2)) {
    value += (rest % 2) * weight;
    weight /= 2;
  }
  return value;
}

function fillAir(
  steps: readonly number[],
  ghiWm2: Float64Array,
  aboveWm2: Float64Array,
  solarHourOf: (i: number) => number,
  meanC: number,
  out: Float64Array,
): void {
  const sum = (of: (i: number) => number): number => steps.reduce((total, i) => total + of(i), 0);
  const clearness =
    sum((i) => ghiWm2[i]!) /
    Math.max(
      1,
      sum((i) => aboveWm2[i]!),
    );
  const swing = (DAILY_SWING_K / 2) * Math.min(1, clearness / 0.6);
  for (const i of steps) out[i] = swing * Math.cos(((solarHourOf(i) - WARMEST_SOLAR_HOUR) * Math.PI) / 12);
  const middle = sum((i) => out[i]!) / steps.length;
  for (const i of steps) out[i]! += meanC - middle;
}
