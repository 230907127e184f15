import { modulePlaces, type Site } from "../site";
import { dayBins, zoneOffset } from "../time";
import { HOUR_MS } from "../units";
import { CELLS, hourBins } from "./bins";
import { peersKwh } from "./peers";
import type { ModuleReadings } from "./readings";
import { binned, LEAST_PAINTED_FRAC, sharesOf } from "./shares";

/** One module through the hours of the year and the days of the record, as shares of its peers; NaN where nothing tells. */
export interface ModuleDetail {
  /** Month of the year x hour of the day. */
  readonly cellShares: Float64Array;
  readonly days: readonly string[];
  readonly dayShares: Float64Array;
}

/** What each module gave in the hours of one local day, and as a share of its peers. */
export interface DayOfModules {
  readonly hours: readonly number[];
  readonly modules: readonly { readonly id: string; readonly wholeShare: number; readonly shares: readonly number[] }[];
}

/** Columns of one array, in the order of their places. */
function columnsOf(site: Site, { ids, kwh }: ModuleReadings, array: string): { readonly id: string; readonly own: Float32Array }[] {
  const own = modulePlaces(site, ids).filter((place) => place.array === array);
  return own.map(({ id }) => ({ id, own: kwh[ids.indexOf(id)]! }));
}

/** Null for a module that has no place in an array. */
export function moduleDetail(site: Site, readings: ModuleReadings, id: string): ModuleDetail | null {
  const place = modulePlaces(site, readings.ids).find((candidate) => candidate.id === id);
  if (!place) return null;
  const columns = columnsOf(site, readings, place.array);
  const peers = peersKwh(columns.map(({ own }) => own));
  const { own } = columns.find((column) => column.id === id)!;
  const { timeZone } = site.place;
  const days = dayBins(readings.axis, timeZone);
  return {
    cellShares: sharesOf(binned(own, peers, hourBins(readings.axis, timeZone).cellOf, CELLS), LEAST_PAINTED_FRAC),
    days: days.keys,
    dayShares: sharesOf(binned(own, peers, days.binOf, days.keys.length), LEAST_PAINTED_FRAC),
  };
}

/** Null for a day outside the record. */
export function dayOfModules(site: Site, readings: ModuleReadings, date: string): DayOfModules | null {
  const { axis } = readings;
  const { timeZone } = site.place;
  const days = dayBins(axis, timeZone);
  const day = days.keys.indexOf(date);
  if (day < 0) return null;
  const from = days.binOf.indexOf(day);
  const to = days.binOf.lastIndexOf(day) + 1;
  const offset = zoneOffset(timeZone);
  const hours = Array.from({ length: to - from }, (_, k) => {
    const utcMs = axis.startUtcMs + (from + k) * HOUR_MS;
    return new Date(utcMs + offset(utcMs)).getUTCHours();
  });
  const hourOf = Uint16Array.from(hours.keys());
  const modules = site.arrays.flatMap(({ id: array }) => {
    const columns = columnsOf(site, readings, array).map(({ id, own }) => ({ id, own: own.slice(from, to) }));
    const peers = peersKwh(columns.map(({ own }) => own));
    return columns.map(({ id, own }) => ({
      id,
      wholeShare: sharesOf(binned(own, peers, new Uint8Array(own.length), 1))[0]!,
      shares: [...sharesOf(binned(own, peers, hourOf, hours.length), LEAST_PAINTED_FRAC)],
    }));
  });
  return { hours, modules };
}
