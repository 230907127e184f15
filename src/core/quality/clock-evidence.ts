import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { medianOf, quantileOf, selected } from "../statistics";
import { runSun } from "../sun";
import { zoneOffset } from "../time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";
import { clearYear } from "./clear-year";
import { bestOf, LIT_FRAC, litEdges } from "./lit-edges";

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
const TRACE_FRAC = 0.0008;
/** Days that tell the time: whole, bright, and neither polar nor cut. */
const MISSING_FRAC = 0.02;
const DULL_FRAC = 0.3;
const SHORTEST_HOURS = 5;
const LONGEST_HOURS = 19;
/** Labels that stand this far beyond sunrise or sunset break a reading, minutes. */
const BEYOND_MINUTES = 3;
const NO_LIGHT = { first: 0, last: 0 };

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
  // What stands beyond the horizon is sure. Else two readings of one zone differ by a step: the better one wins where it is better by half of that.
  const rival = readings.find((reading) => reading.zone === zone && reading.labels !== byFit[0]!.labels)!;
  const told = rival.misfitMin - byFit[0]!.misfitMin >= axis.stepMinutes / 2;
  const hint =
    limits.latestMin > BEYOND_MINUTES && limits.earliestMin > -BEYOND_MINUTES
      ? "end"
      : limits.earliestMin < -BEYOND_MINUTES && limits.latestMin < BEYOND_MINUTES
        ? "start"
        : null;
  const labels = hint ?? (told ? byFit[0]!.labels : "start");
  const best = readings.find((reading) => reading.zone === zone && reading.labels === labels)!;
  return {
    best,
    days: days.length,
    zoneSure: fits.length > 0,
    labelsSure: told || hint !== null,
    ...limits,
  };
}

const hasSummerTime = (timeZone: string): boolean => {
  const offset = zoneOffset(timeZone);
  return offset(Date.UTC(2023, 0, 1)) !== offset(Date.UTC(2023, 6, 1));
};

const missingIn = (values: Float64Array, from: number, count: number): number =>
  values.subarray(from, from + count).reduce((sum, value) => sum + (Number.isNaN(value) ? 1 : 0), 0);

function edgesByDay(axis: TimeAxis, values: Float64Array): DayEdges[] {
  const perDay = 1440 / axis.stepMinutes;
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const top = quantileOf(
    selected(values, (value) => value > 0),
    0.9,
  );
  const days: DayEdges[] = [];
  const lead = Math.round((DAY_MS - (axis.startUtcMs % DAY_MS)) / stepMs) % perDay;
  for (let from = lead; from + perDay <= values.length; from += perDay) {
    const best = bestOf(values, from, perDay);
    if (missingIn(values, from, perDay) > perDay * MISSING_FRAC || best < DULL_FRAC * top) continue;
    const lit = litEdges(values, from, perDay, best * LIT_FRAC);
    const traces = litEdges(values, from, perDay, top * TRACE_FRAC);
    if (!lit || !traces) continue;
    const hours = ((lit.last - lit.first) * stepMs) / HOUR_MS;
    if (hours < SHORTEST_HOURS || hours > LONGEST_HOURS) continue;
    const at = (k: number): number => axis.startUtcMs + (from + k) * stepMs;
    days.push({ utcMs: at(perDay / 2), middleMs: at((lit.first + lit.last) / 2), firstMs: at(traces.first), lastMs: at(traces.last) });
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
    const { first, last } = litEdges(clear.kwh, row, clear.perDay, bestOf(clear.kwh, row, clear.perDay) * LIT_FRAC) ?? NO_LIGHT;
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
