import { fillHorizontal, fillPlane, planeOf } from "../irradiance";
import type { PvArray, Site } from "../site";
import { coverLossFrac, fillSnowCover } from "../snow";
import { fillKimber } from "../soiling";
import { pressurePa, type SunColumns } from "../sun";
import { dayBins } from "../time";
import type { FilledWeather } from "../weather";

/** Snowfall of one step that covers an array, cm. Source: Marion et al., 2013 (a daily 2.54 cm; here by step, as depth gauges report it). */
export const COVERING_CM = 1;
/** Albedo of fresh snow, what old snow tends to, and the days in which most of the way is gone. Source: Warren, 1982, Optical properties of snow. */
const FRESH_SNOW_ALBEDO = 0.85;
const OLD_SNOW_ALBEDO = 0.4;
const SNOW_AGEING_DAYS = 8;
/** Rows of cells along the slant of a usual module in portrait, in three substrings. */
export const STRINGS_ALONG_SLANT = 3;

/** New snow of each step, cm: rises of the snow depth. Missing depth is no news. */
export function snowfallCm(depthCm: Float64Array): Float64Array {
  const out = new Float64Array(depthCm.length);
  let last = Number.NaN;
  for (let i = 0; i < out.length; i++) {
    const depth = depthCm[i]!;
    if (Number.isNaN(depth)) continue;
    if (depth > last) out[i] = depth - last;
    last = depth;
  }
  return out;
}

/** Share of light lost to dirt that builds up, on every step of the axis; a cleaning cleans the whole of its local date. */
export function soilingByStep(site: Site, weather: FilledWeather, cleanings: readonly string[]): Float64Array {
  const days = dayBins(weather.axis, site.place.timeZone);
  const rain = new Float64Array(days.keys.length);
  if (weather.rainMm) for (let i = 0; i < weather.axis.count; i++) if (weather.rainMm[i]! > 0) rain[days.binOf[i]!]! += weather.rainMm[i]!;
  const cleaned = Float64Array.from(days.keys, (day) => (cleanings.includes(day) ? 1 : 0));
  const byDay = fillKimber(rain, cleaned, site.soiling, 0, new Float64Array(days.keys.length));
  return Float64Array.from(days.binOf, (day) => byDay[day]!);
}

/** Share of an array's power lost to sliding snow, on every step of the axis. */
export function snowByStep(site: Site, array: PvArray, weather: FilledWeather, sun: SunColumns): Float64Array {
  const { count, stepMinutes } = weather.axis;
  const plane = planeOf(array.tiltDeg, array.azimuthDeg);
  const sinTilt = Math.sqrt(Math.max(0, 1 - plane.up * plane.up));
  const poaWm2 = arrayLightWm2(site, array, { weather, sun });
  const cover = fillSnowCover(
    snowfallCm(weather.snowDepthCm!),
    poaWm2,
    weather.airTempC,
    { sinTilt, stepHours: stepMinutes / 60, coveringCm: COVERING_CM },
    new Float64Array(count),
  );
  for (let i = 0; i < count; i++) cover[i] = coverLossFrac(cover[i]!, STRINGS_ALONG_SLANT);
  return cover;
}

/** Light in the plane of an array on every step, W/m2: as measured there, else by the even sky with no shade. */
export const arrayLightWm2 = (
  site: Site,
  { tiltDeg, azimuthDeg }: Pick<PvArray, "tiltDeg" | "azimuthDeg">,
  { weather, sun }: Lit,
): Float64Array => weather.poaWm2 ?? planeLight(site, weather, sun, planeOf(tiltDeg, azimuthDeg));

interface Lit {
  readonly weather: FilledWeather;
  readonly sun: SunColumns;
}

function planeLight(site: Site, weather: FilledWeather, sun: SunColumns, plane: ReturnType<typeof planeOf>): Float64Array {
  const { count } = weather.axis;
  const column = (from: Float64Array | null): Float64Array => from?.slice() ?? new Float64Array(count).fill(Number.NaN);
  const sky = { ghiWm2: column(weather.ghiWm2), dniWm2: column(weather.dniWm2), dhiWm2: column(weather.dhiWm2) };
  fillHorizontal(sky, sun, site.models.decomposition, pressurePa(site.place.elevationM) / 101_325, count);
  const out = {
    cosIncidence: new Float64Array(count),
    directionalWm2: new Float64Array(count),
    skyWm2: new Float64Array(count),
    groundWm2: new Float64Array(count),
  };
  fillPlane({ ...sky, ...sun, albedo: new Float64Array(count).fill(site.albedo) }, plane, "isotropic", count, out);
  for (let i = 0; i < count; i++) out.directionalWm2[i]! += out.skyWm2[i]! + out.groundWm2[i]!;
  return out.directionalWm2;
}

/** Albedo of every step where it is more than a number a month: as measured, else fresh or ageing snow where snow lies. Null otherwise. */
export function albedoByStep(weather: FilledWeather): Float64Array | null {
  const { albedo, snowDepthCm, axis } = weather;
  if (!albedo && !snowDepthCm) return null;
  const out = albedo?.slice() ?? new Float64Array(axis.count).fill(Number.NaN);
  if (!snowDepthCm) return out;
  const fresh = snowfallCm(snowDepthCm);
  const fade = Math.exp(-axis.stepMinutes / (1440 * SNOW_AGEING_DAYS));
  let young = 0;
  let lies = false;
  for (let i = 0; i < axis.count; i++) {
    young = fresh[i]! >= COVERING_CM ? 1 : young * fade;
    if (!Number.isNaN(snowDepthCm[i])) lies = snowDepthCm[i]! >= COVERING_CM;
    if (lies && Number.isNaN(out[i])) out[i] = OLD_SNOW_ALBEDO + (FRESH_SNOW_ALBEDO - OLD_SNOW_ALBEDO) * young;
  }
  return out;
}
