import type { MeterSeries } from "@/core/ledger";
import { energyKwh, mergeMeterEnergy, type ProductionQuantity } from "@/core/readings";
import { endUtcMs, type TimeAxis, unionAxis } from "@/core/series";
import type { Meter, Site } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { MINUTE_MS } from "@/core/units";
import { sliceWeather, type Weather } from "@/core/weather";
import type { StoredSeries } from "./ports";

/** Quantities that are light. */
export const IRRADIANCE = ["ghi_w_m2", "dni_w_m2", "dhi_w_m2", "poa_w_m2"];

/** Weather columns of the finest step there is, brought to one axis that ends where irradiance ends; null without irradiance. */
export function gatherWeather(stored: readonly StoredSeries[]): Weather | null {
  const irradiance = stored.filter((series) => IRRADIANCE.includes(series.quantity));
  if (irradiance.length === 0) return null;
  const step = Math.min(...irradiance.map((series) => series.axis.stepMinutes));
  const same = stored.filter((series) => series.axis.stepMinutes === step);
  const axis = irradiance
    .filter((series) => series.axis.stepMinutes === step)
    .map(trimmedAxis)
    .reduce(unionAxis);
  const column = (quantity: string): Float64Array | null => {
    const series = same.find((candidate) => candidate.quantity === quantity);
    return series ? onAxis(series, axis) : null;
  };
  return {
    axis,
    ghiWm2: column("ghi_w_m2"),
    dniWm2: column("dni_w_m2"),
    dhiWm2: column("dhi_w_m2"),
    poaWm2: column("poa_w_m2"),
    airTempC: column("air_temperature_c"),
    windSpeedMs: column("wind_speed_m_s"),
    rainMm: column("rain_mm"),
    snowDepthCm: column("snow_depth_cm"),
    albedo: column("albedo"),
    moduleTempC: column("module_temperature_c"),
  };
}

/** Before it was commissioned a plant owes nothing: weather from then on, or from the first reading where there is an earlier one. */
export function sinceCommissioned(weather: Weather | null, site: Site, firstReadUtcMs: number): Weather | null {
  if (!weather || !site.commissioned) return weather;
  const builtUtcMs = utcOfWall(Date.parse(`${site.commissioned}T00:00:00Z`), zoneOffset(site.place.timeZone));
  const { axis } = weather;
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const skip = Math.ceil((Math.min(builtUtcMs, firstReadUtcMs) - axis.startUtcMs) / stepMs);
  if (skip <= 0 || skip >= axis.count) return weather;
  return sliceWeather(weather, skip, axis.count);
}

/** Meters whose AC energy adds up to the site's: a meter of some arrays behind another that counts them too counts once. */
function countedMeters({ meters, arrays }: Site, read: ReadonlySet<string>): ReadonlySet<string> {
  const all = arrays.map(({ id }) => id);
  const ac = meters.filter(({ id, point }) => point === "ac" && read.has(id));
  const counts = ({ arrays }: Meter): readonly string[] => (arrays.length > 0 ? arrays : all);
  const isWithin = (inner: Meter, outer: Meter): boolean =>
    outer.id !== inner.id && counts(inner).length < counts(outer).length && counts(inner).every((id) => counts(outer).includes(id));
  return new Set(ac.filter((meter) => !ac.some((other) => isWithin(meter, other))).map(({ id }) => id));
}

/** Each meter that counts AC energy as one series. */
export const gatherMeters = (stored: readonly StoredSeries[], site: Site): MeterSeries[] =>
  seriesOf(stored, countedMeters(site, new Set(stored.map(({ meterId }) => meterId))));

/**
 * Meters of some arrays and not of all, the finest view there is of them: on their DC or AC side, within another meter or not. Of meters of
 * the same arrays one stands, on the AC side where there is one: a part is no rest to itself.
 */
export function gatherPartMeters(stored: readonly StoredSeries[], { meters, arrays }: Site): MeterSeries[] {
  const read = new Set(stored.map(({ meterId }) => meterId));
  const isPart = (meter: Meter): boolean => read.has(meter.id) && meter.arrays.length > 0 && meter.arrays.length < arrays.length;
  const byArrays = new Map<string, string>();
  for (const point of ["dc", "ac"] as const)
    for (const meter of meters) if (meter.point === point && isPart(meter)) byArrays.set([...meter.arrays].sort().join("\n"), meter.id);
  return seriesOf(stored, new Set(byArrays.values()));
}

/** One series a meter: where it was read by several, the finest stands and coarser ones fill what it leaves. */
function seriesOf(stored: readonly StoredSeries[], wanted: ReadonlySet<string>): MeterSeries[] {
  const meterIds = [...new Set(stored.map(({ meterId }) => meterId))].filter((meterId) => wanted.has(meterId));
  return meterIds.map((meterId) => {
    const own = stored.filter((series) => series.meterId === meterId);
    const [only] = own;
    const evenly = own.flatMap((series) => series.evenly ?? []);
    if (own.length === 1 && only)
      return { meterId, quantity: only.quantity as ProductionQuantity, axis: only.axis, values: only.values, evenly };
    const { axis, kwh } = mergeMeterEnergy(
      own.map(({ axis, quantity, values }) => ({ axis, kwh: energyKwh(values, quantity as ProductionQuantity, axis.stepMinutes) })),
    );
    return { meterId, quantity: "energy_kwh", axis, values: kwh, evenly };
  });
}

/** The axis from the first to the last value. */
export function trimmedAxis({ axis, values }: StoredSeries): TimeAxis {
  let first = 0;
  let end = values.length;
  while (first < end && Number.isNaN(values[first])) first++;
  while (end > first && Number.isNaN(values[end - 1])) end--;
  return { startUtcMs: axis.startUtcMs + first * axis.stepMinutes * MINUTE_MS, stepMinutes: axis.stepMinutes, count: end - first };
}

function onAxis(series: StoredSeries, axis: TimeAxis): Float64Array {
  const shift = Math.round((series.axis.startUtcMs - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS));
  // A column that covers the axis is shown, not copied: columns are never written to once they stand.
  if (shift <= 0 && series.values.length >= axis.count - shift) return series.values.subarray(-shift, axis.count - shift);
  const out = new Float64Array(axis.count).fill(Number.NaN);
  const from = Math.max(0, -shift);
  const to = Math.min(series.values.length, axis.count - shift);
  if (endUtcMs(series.axis) > axis.startUtcMs && to > from) out.set(series.values.subarray(from, to), from + shift);
  return out;
}
