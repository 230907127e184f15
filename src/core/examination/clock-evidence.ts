import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { runSun } from "../sun";
import { zoneOffset } from "../time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";
import { clearYear } from "./clear-year";
import { medianOf, quantileOf } from "./robust";

/** A reading of a file's clock: whose time it shows, and which end of an interval its labels mark. */
export interface ClockReading {
  /** An IANA zone, or "UTC+01:00". */
  readonly zone: string;
  readonly labels: "start" | "end";
  /** Median distance of the days' middles from where this reading puts them, minutes. */
  readonly misfitMin: number;
  /** Share of days that stand more than half an hour off. */
  readonly badFrac: number;
}

export interface ClockEvidence {
  readonly best: ClockReading;
  readonly others: readonly ClockReading[];
  readonly days: number;
  /** Whether the zone follows from the readings alone. */
  readonly zoneSure: boolean;
  readonly labelsSure: boolean;
  /** Minutes by which the earliest labels stand before sunrise and the latest after sunset, under the best reading with start labels. */
  readonly earliestMin: number;
  readonly latestMin: number;
}

const BAD_MINUTES = 30;
/** Coarse steps put dawn and dusk on a grid: a day may stand this many steps off by that alone. */
const BAD_STEPS = 0.8;
const LEAST_DAYS = 20;
/** A clock that fits all but this share of the days fits throughout; snow and hourly steps put some days off by themselves. */
const THROUGHOUT_FRAC = 0.12;
const LIT_FRAC = 0.02;
const TRACE_FRAC = 0.0008;

const fixedName = (minutes: number): string => {
  const all = Math.abs(minutes);
  return `UTC${minutes < 0 ? "-" : "+"}${String(Math.floor(all / 60)).padStart(2, "0")}:${String(all % 60).padStart(2, "0")}`;
};

interface DayEdges {
  /** First and last productive label and their middle, minutes of the written clock as if it were UTC. */
  readonly utcMs: number;
  readonly middleMs: number;
  readonly firstMs: number;
  readonly lastMs: number;
}

/**
 * Tells a file's clock from its sunlight: written times (taken as if they were UTC) are set against dawn and dusk of the model under each likely
 * reading. Null with too few whole days. `values` may be power or energy; only their shape is used.
 */
export function clockEvidence(axis: TimeAxis, values: Float64Array, site: Site): ClockEvidence | null {
  const days = edgesByDay(axis, values);
  if (days.length < LEAST_DAYS) return null;
  const offsets = middles(axis, site, days);
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const zoneOf = zoneOffset(site.place.timeZone);
  const standard = Math.min(zoneOf(Date.UTC(2023, 0, 1)), zoneOf(Date.UTC(2023, 6, 1))) / MINUTE_MS;
  const zones: [string, (utcMs: number) => number][] = [[site.place.timeZone, zoneOf]];
  if (hasSummerTime(site.place.timeZone)) zones.push([fixedName(standard), () => standard * MINUTE_MS]);
  if (standard !== 0) zones.push(["UTC+00:00", () => 0]);
  const bad = Math.max(BAD_MINUTES, BAD_STEPS * axis.stepMinutes);
  const readings = zones.flatMap(([zone, offset]) =>
    (["start", "end"] as const).map((labels): ClockReading => {
      const off = days.map((day, k) => (offsets[k]! - offset(day.utcMs) - (labels === "end" ? stepMs : 0)) / MINUTE_MS);
      return { zone, labels, misfitMin: medianOf(off.map(Math.abs)), badFrac: off.filter((o) => Math.abs(o) > bad).length / off.length };
    }),
  );
  return judged(readings, days, axis, site, zones);
}

function judged(
  readings: readonly ClockReading[],
  days: readonly DayEdges[],
  axis: TimeAxis,
  site: Site,
  zones: readonly [string, (utcMs: number) => number][],
): ClockEvidence {
  const fits = readings.filter((reading) => reading.badFrac <= THROUGHOUT_FRAC);
  // Where no clock fits throughout, the site's own is taken, and the examination will show the part that is wrong.
  const pool = fits.length > 0 ? fits : readings.filter((reading) => reading.zone === site.place.timeZone);
  const byFit = [...pool].sort((a, b) => a.badFrac - b.badFrac || a.misfitMin - b.misfitMin);
  const zone = byFit[0]!.zone;
  const offset = zones.find(([name]) => name === zone)![1];
  const limits = againstHorizon(days, site, offset);
  const coarse = axis.stepMinutes >= 30;
  const hint = limits.latestMin > 3 && limits.earliestMin > -3 ? "end" : limits.earliestMin < -3 && limits.latestMin < 3 ? "start" : null;
  const labels = coarse ? byFit[0]!.labels : (hint ?? "start");
  const best = readings.find((reading) => reading.zone === zone && reading.labels === labels)!;
  return {
    best,
    others: byFit.filter((reading) => reading !== best),
    days: days.length,
    zoneSure: fits.length > 0,
    labelsSure: coarse ? fits.filter((reading) => reading.zone === zone).length === 1 : hint !== null,
    ...limits,
  };
}

const hasSummerTime = (timeZone: string): boolean => {
  const offset = zoneOffset(timeZone);
  return offset(Date.UTC(2023, 0, 1)) !== offset(Date.UTC(2023, 6, 1));
};

function edgesByDay(axis: TimeAxis, values: Float64Array): DayEdges[] {
  const perDay = 1440 / axis.stepMinutes;
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const top = quantileOf(
    values.filter((value) => value > 0),
    0.9,
  );
  const days: DayEdges[] = [];
  const lead = Math.round((DAY_MS - (axis.startUtcMs % DAY_MS)) / stepMs) % perDay;
  for (let from = lead; from + perDay <= values.length; from += perDay) {
    let best = 0;
    let missing = 0;
    for (let i = from; i < from + perDay; i++) {
      if (Number.isNaN(values[i])) missing++;
      else if (values[i]! > best) best = values[i]!;
    }
    if (missing > perDay * 0.02 || best < 0.3 * top) continue;
    const lit = (least: number): [number, number] => {
      let [first, last] = [from, from + perDay - 1];
      while (first < last && !(values[first]! > least)) first++;
      while (last > first && !(values[last]! > least)) last--;
      return [axis.startUtcMs + first * stepMs, axis.startUtcMs + last * stepMs];
    };
    const [first, last] = lit(best * LIT_FRAC);
    if (last - first < 5 * HOUR_MS || last - first > 19 * HOUR_MS) continue;
    const [firstMs, lastMs] = lit(top * TRACE_FRAC);
    days.push({ utcMs: axis.startUtcMs + (from + perDay / 2) * stepMs, middleMs: (first + last) / 2, firstMs, lastMs });
  }
  return days;
}

/** Written middle of each day minus the model's in UTC, ms: what the clock's offset and labels must explain. */
function middles(axis: TimeAxis, site: Site, days: readonly DayEdges[]): number[] {
  const clear = clearYear(axis, site);
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const zero = axis.startUtcMs + clear.firstIndex * stepMs;
  const shiftMs = zoneOffset(site.place.timeZone)(days[0]!.utcMs);
  return days.map(({ utcMs, middleMs }) => {
    const day = Math.floor((utcMs - shiftMs - zero) / DAY_MS);
    const row = clear.rowOf(day) * clear.perDay;
    let best = 0;
    for (let k = 0; k < clear.perDay; k++) best = Math.max(best, clear.kwh[row + k]!);
    let [first, last] = [0, clear.perDay - 1];
    while (first < last && !(clear.kwh[row + first]! > best * LIT_FRAC)) first++;
    while (last > first && !(clear.kwh[row + last]! > best * LIT_FRAC)) last--;
    return middleMs - (zero + day * DAY_MS + ((first + last) / 2) * stepMs);
  });
}

/** How far the earliest labels stand before sunrise (negative) and the latest after sunset (positive), minutes. */
function againstHorizon(
  days: readonly DayEdges[],
  site: Site,
  offset: (utcMs: number) => number,
): { earliestMin: number; latestMin: number } {
  const fine = { startUtcMs: 0, stepMinutes: 1, count: 1440 };
  const early: number[] = [];
  const late: number[] = [];
  const every = Math.max(1, Math.floor(days.length / 240));
  for (let k = 0; k < days.length; k += every) {
    const day = days[k]!;
    const shift = offset(day.utcMs);
    const start = day.utcMs - shift - DAY_MS / 2;
    const { up } = runSun({ ...fine, startUtcMs: start - (start % MINUTE_MS) }, site.place);
    let [rise, set] = [0, 1439];
    while (rise < 1439 && !(up[rise]! > 0)) rise++;
    while (set > rise && !(up[set]! > 0)) set--;
    if (rise === 0 || set === 1439) continue;
    early.push((day.firstMs - shift - start) / MINUTE_MS - rise);
    late.push((day.lastMs - shift - start) / MINUTE_MS - set);
  }
  return { earliestMin: quantileOf(early, 0.03), latestMin: quantileOf(late, 0.97) };
}
