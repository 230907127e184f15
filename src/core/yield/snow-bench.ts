import { planeOf } from "../irradiance";
import { type PvArray, partOfSite, type Site } from "../site";
import { CLEARED_AFTER_HOURS, lying, type SnowRecord, type Storm, storms } from "../snow";
import { medianOf } from "../statistics";
import { dayBins, monthBins } from "../time";
import { MINUTE_MS } from "../units";
import { asleep } from "./moment";
import { monthSums } from "./month-sums";
import type { PreparedWeather } from "./prepare";
import { runPrepared } from "./run-yield";
import { arrayLightWm2, COVERING_CM, STRINGS_ALONG_SLANT } from "./varying";
import { applyWhatIf } from "./what-if";

export type StormReport = Omit<Storm, "from" | "to"> & { readonly fromUtcMs: number; readonly toUtcMs: number };

/** The book with one array alone and no snow on its modules. */
const bareOf = (site: Site, array: PvArray): Site => ({
  ...asleep(partOfSite(site, [array.id])),
  models: { ...site.models, snow: "none" },
});

/** Hours over which a depth gauge's flicker is taken out: each value becomes the middle one around it. */
const STEADY_HOURS = 7;

/** A depth gauge without its flicker; missing values stay out. */
function steady(depthCm: Float64Array, stepHours: number): Float64Array {
  const half = Math.max(0, Math.floor(STEADY_HOURS / stepHours / 2));
  return Float64Array.from(depthCm, (_, i) => medianOf(depthCm.subarray(Math.max(0, i - half), i + half + 1)));
}

/** New snow lies above all that lay in the hours before. */
const BEFORE_HOURS = 6;

/** New snow of each step, cm, by a gauge that flickers: how far it rises over the deepest of the hours before. */
function freshSnowCm(depthCm: Float64Array, stepHours: number): Float64Array {
  const calm = steady(depthCm, stepHours);
  const before = Math.max(1, Math.round(BEFORE_HOURS / stepHours));
  return calm.map((depth, i) => {
    let deepest = i === 0 ? depth : 0;
    for (let k = Math.max(0, i - before); k < i; k++) if (calm[k]! > deepest) deepest = calm[k]!;
    return depth > deepest ? depth - deepest : 0;
  });
}

function recordOf(site: Site, array: PvArray, prepared: PreparedWeather): SnowRecord | null {
  const { snowDepthCm, axis } = prepared.weather;
  return snowDepthCm && { ...bareRecordOf(site, array, prepared), newSnowCm: freshSnowCm(snowDepthCm, axis.stepMinutes / 60) };
}

/** The array in weather of which no snow is known. */
function bareRecordOf(site: Site, array: PvArray, { weather, sun }: PreparedWeather): SnowRecord {
  const plane = planeOf(array.tiltDeg, array.azimuthDeg);
  const run = runPrepared(bareOf(site, array), { weather, sun }, monthBins(weather.axis, site.place.timeZone));
  return {
    newSnowCm: new Float64Array(weather.axis.count),
    airTempC: weather.airTempC,
    poaWm2: arrayLightWm2(site, array, { weather, sun }),
    openKwh: run.expectedKwh,
    stepHours: weather.axis.stepMinutes / 60,
    sinTilt: Math.sqrt(Math.max(0, 1 - plane.up * plane.up)),
    stringsAlongSlant: STRINGS_ALONG_SLANT,
    coveringCm: COVERING_CM,
  };
}

/** Every fall of snow on an array in a weather record, with what clearing it would have brought at the meter; null without a depth gauge. */
export function stormReport(site: Site, array: PvArray, prepared: PreparedWeather): StormReport[] | null {
  const record = recordOf(site, array, prepared);
  if (!record) return null;
  const { axis } = prepared.weather;
  const utcOf = (i: number): number => axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
  return storms(record).map(({ from, to, ...storm }) => ({ ...storm, fromUtcMs: utcOf(from), toUtcMs: utcOf(to) }));
}

/** A fall of snow as somebody remembers it. */
export interface TypedStorm {
  /** Day of the year on which it ended, "02-12". */
  readonly on: string;
  readonly depthCm: number;
  readonly kind: "wet" | "dry";
  /** Mean air of the days after, C; null: as the weather has it. */
  readonly afterTempC: number | null;
}

/** From the evening of its day a fall lies; the sun of the next morning finds it. */
const FELL_BY_HOUR = 18;
/** Air while it falls, where nobody says, C: wet about freezing, dry well under it. Source: Judson & Doesken, 2000, Density of freshly fallen snow in the central Rocky Mountains. */
const FALL_TEMP_C = { wet: 0, dry: -6 } as const;
/** So long the air after a fall is what was said of it, hours. */
const SAID_AIR_HOURS = 72;

/** Falls that somebody typed, each followed until its cover is gone or the next one comes, under the sun that there is: means over its years. Any weather will do. */
export function typedStorms(site: Site, array: PvArray, prepared: PreparedWeather, typed: readonly TypedStorm[]): StormReport[] {
  const record = bareRecordOf(site, array, prepared);
  const { axis } = prepared.weather;
  const days = dayBins(axis, site.place.timeZone);
  const perHour = 1 / record.stepHours;
  const startsOf = ({ on }: TypedStorm): number[] =>
    days.keys.flatMap((key, d) => (key.slice(5) === on ? [days.binOf.indexOf(d) + Math.round(FELL_BY_HOUR * perHour)] : []));
  const starts = typed.flatMap(startsOf);
  return typed.flatMap((storm): StormReport[] => {
    if (storm.depthCm < COVERING_CM) return [];
    const years = startsOf(storm).map((from) => {
      const next = Math.min(axis.count, ...starts.filter((other) => other > from));
      const air = Float64Array.from({ length: axis.count }, (_, i) => record.airTempC[i]!);
      if (storm.afterTempC !== null) air.fill(storm.afterTempC, from, Math.min(axis.count, from + Math.round(SAID_AIR_HOURS * perHour)));
      const own = { ...record, airTempC: air };
      const left = lying(own, from, next, 1);
      const cleared = lying(own, from, Math.min(next, from + Math.round(CLEARED_AFTER_HOURS * perHour)), 1);
      return { from, hours: left.hours, lostKwh: left.lostKwh, clearingKwh: Math.max(0, left.lostKwh - cleared.lostKwh) };
    });
    if (years.length === 0) return [];
    const mean = (of: (year: (typeof years)[number]) => number): number => years.reduce((sum, year) => sum + of(year), 0) / years.length;
    const fromUtcMs = axis.startUtcMs + years[0]!.from * axis.stepMinutes * MINUTE_MS;
    return [
      {
        fromUtcMs,
        toUtcMs: fromUtcMs,
        depthCm: storm.depthCm,
        kind: storm.kind,
        fallTempC: FALL_TEMP_C[storm.kind],
        afterTempC: storm.afterTempC ?? Number.NaN,
        lyingHours: mean(({ hours }) => hours),
        lostKwh: mean(({ lostKwh }) => lostKwh),
        clearingKwh: mean(({ clearingKwh }) => clearingKwh),
      },
    ];
  });
}

export interface ClearingNow {
  /** One figure for each year of the record, kWh, from this day of the year on. */
  readonly byYear: readonly { readonly year: string; readonly gainKwh: number; readonly days: number }[];
  readonly meanKwh: number;
}

/**
 * What clearing a covered array on a day of the year ("02-12") brings: energy until the snow would have slid off by itself or the next
 * fall covers the array anyway, in the weather of each year of the record.
 */
export function clearingNow(site: Site, array: PvArray, prepared: PreparedWeather, dayOfYear: string): ClearingNow | null {
  const record = recordOf(site, array, prepared);
  if (!record) return null;
  const { axis } = prepared.weather;
  const days = dayBins(axis, site.place.timeZone);
  const byYear = days.keys.flatMap((key, d) => {
    if (key.slice(5) !== dayOfYear) return [];
    const from = days.binOf.indexOf(d) + Math.round(9 / record.stepHours);
    let next = from;
    while (next < axis.count && !(record.newSnowCm[next]! >= record.coveringCm)) next++;
    const { hours, lostKwh } = lying(record, from, next, 1);
    return [{ year: key.slice(0, 4), gainKwh: lostKwh, days: hours / 24 }];
  });
  if (byYear.length === 0) return null;
  return { byYear, meanKwh: byYear.reduce((sum, { gainKwh }) => sum + gainKwh, 0) / byYear.length };
}

export interface AlbedoGain {
  readonly tiltDeg: number;
  /** January first, kWh at the meter that snow on the ground adds, and the month's energy without it. */
  readonly gainKwh: readonly number[];
  readonly bareKwh: readonly number[];
}

/** What snow on the ground throws back onto an array by month, for some tilts, with none on the modules: two runs of the chain, computed and not guessed. */
export function albedoGain(
  site: Site,
  array: PvArray,
  prepared: PreparedWeather,
  tiltsDeg: readonly number[],
  snowAlbedo: readonly number[] | null,
): AlbedoGain[] {
  const bare = bareOf(site, array);
  const dull: PreparedWeather = { ...prepared, weather: { ...prepared.weather, snowDepthCm: null } };
  return tiltsDeg.map((tiltDeg) => {
    const tilted = applyWhatIf(bare, { arrayId: array.id, tiltDeg });
    const without = monthSums(tilted, dull).expectedKwh;
    const white = snowAlbedo ? monthSums({ ...tilted, albedoMonthly: [...snowAlbedo] }, dull) : monthSums(tilted, prepared);
    return { tiltDeg, gainKwh: white.expectedKwh.map((kwh, m) => kwh - without[m]!), bareKwh: without };
  });
}
