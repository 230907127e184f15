import type { TimeAxis } from "../series";
import { medianError, medianOf } from "../statistics";
import { runSun } from "../sun";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";
import { clearSkyWeather } from "../weather";

/** Which end of an interval the labels of a light column mark, told from its clear days. */
export interface LabelEvidence {
  readonly labels: "start" | "end";
  readonly isSure: boolean;
  /** Clear days that tell it. */
  readonly days: number;
}

interface Spot {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
}

const LEAST_DAYS = 10;
/** Hours with the sun this high tell (sine): lower the horizon and the air decide, higher the sun hardly climbs. */
const LOW_SINE = 0.17;
const HIGH_SINE = 0.75;
/** A day is clear where both its halves come this near the brightest days. */
const NEAR_BRIGHT = 0.88;
const BRIGHTEST = 0.9;
/** The reading that leaves the smaller difference has to win by so many errors. */
const ERRORS = 4;
/** And to come so many times nearer: a ridge that takes the mornings leaves both readings off, and then neither end is told. */
const NEARER = 3;

/**
 * The air over a place is as clear before noon as after it: under the right reading of the labels a clear day's light over a cloudless sky's is the same in
 * the morning and in the afternoon, under the wrong one half a step too little on one side and too much on the other. One rule for steps of any length.
 * `axis` is the one that start labels give, in UTC. Null with too few clear days.
 */
export function labelEvidence(axis: TimeAxis, ghiWm2: Float64Array, place: Spot): LabelEvidence | null {
  const asEnd = { ...axis, startUtcMs: axis.startUtcMs - axis.stepMinutes * MINUTE_MS };
  const [start, end] = [halvesByDay(axis, ghiWm2, place), halvesByDay(asEnd, ghiWm2, place)];
  const clear = clearDays(start).filter((day) => end.has(day));
  if (clear.length < LEAST_DAYS) return null;
  const off = (halves: ReadonlyMap<number, Halves>): number[] =>
    clear.map((day) => Math.log(halves.get(day)!.morning / halves.get(day)!.afternoon));
  const [byStart, byEnd] = [off(start), off(end)];
  const [a, b] = [Math.abs(medianOf(byStart)), Math.abs(medianOf(byEnd))];
  const error = Math.max(medianError(byStart), medianError(byEnd));
  const isSure = Math.abs(a - b) > ERRORS * error && NEARER * Math.min(a, b) < Math.max(a, b);
  return { labels: b < a ? "end" : "start", isSure, days: clear.length };
}

/** Light over a cloudless sky's, before and after solar noon. */
interface Halves {
  readonly morning: number;
  readonly afternoon: number;
}

function halvesByDay(axis: TimeAxis, ghiWm2: Float64Array, place: Spot): Map<number, Halves> {
  const sun = runSun(axis, place);
  const clear = clearSkyWeather(axis, place).ghiWm2!;
  const sums = new Map<number, [number, number, number, number]>();
  for (let i = 0; i < axis.count; i++) {
    const up = sun.up[i]!;
    if (!(up > LOW_SINE) || up > HIGH_SINE || Number.isNaN(ghiWm2[i]!)) continue;
    const solarMs = axis.startUtcMs + (i + 0.5) * axis.stepMinutes * MINUTE_MS + (place.longitudeDeg / 15) * HOUR_MS;
    const day = Math.floor(solarMs / DAY_MS);
    const sum = sums.get(day) ?? [0, 0, 0, 0];
    const half = sun.east[i]! > 0 ? 0 : 2;
    sum[half] += ghiWm2[i]!;
    sum[half + 1]! += clear[i]!;
    sums.set(day, sum);
  }
  const out = new Map<number, Halves>();
  for (const [day, [am, amClear, pm, pmClear]] of sums)
    if (amClear > 0 && pmClear > 0 && am > 0 && pm > 0) out.set(day, { morning: am / amClear, afternoon: pm / pmClear });
  return out;
}

/** Days on which both halves come near the brightest. */
function clearDays(halves: ReadonlyMap<number, Halves>): number[] {
  const means = [...halves.values()].map(({ morning, afternoon }) => (morning + afternoon) / 2).sort((a, b) => a - b);
  const bright = means[Math.floor(means.length * BRIGHTEST)] ?? Number.POSITIVE_INFINITY;
  return [...halves].filter(([, { morning, afternoon }]) => (morning + afternoon) / 2 > NEAR_BRIGHT * bright).map(([day]) => day);
}
