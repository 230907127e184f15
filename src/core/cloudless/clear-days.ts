import type { AttributionFrame } from "../attribution";
import { medianOf, quantileOf } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import {
  BELOW_CEILING_FRAC,
  BENEATH_LOG,
  BESIDE_DAYS,
  BRIGHT_FRAC,
  HIGH_SUN,
  LEAST_BESIDE,
  LEAST_HOURS,
  OUT_LOG,
  ROUGH_FRAC,
  UPPER_SHARE,
} from "./thresholds";

/**
 * Log of what a plant gave on clear days over what a cloudless sky would have made it give, by day; NaN on all others. Clear days are told by the meter alone: their hours
 * follow on each other without a bend, and they give about as much as the best days of their season. `frame` is of a cloudless sky.
 */
export function clearDayLog(frame: AttributionFrame, ceilingKwh: number): Float64Array {
  const smooth = smoothDayLog(frame, ceilingKwh);
  return withoutOutages(
    smooth.map((own, day) => {
      const beside = smooth.slice(Math.max(0, day - BESIDE_DAYS), day + BESIDE_DAYS + 1).filter((value) => !Number.isNaN(value));
      return beside.length >= LEAST_BESIDE && own > quantileOf(beside, UPPER_SHARE) - BENEATH_LOG ? own : Number.NaN;
    }),
  );
}

/** Leaves out days that lie far under those of their season in all years. */
function withoutOutages(log: Float64Array): Float64Array {
  const season = (day: number): number => day % DAYS_PER_YEAR;
  const known = [...log.keys()].filter((day) => !Number.isNaN(log[day]!));
  const isBeside = (a: number, b: number): boolean => {
    const off = Math.abs(season(a) - season(b));
    return Math.min(off, DAYS_PER_YEAR - off) <= BESIDE_DAYS;
  };
  return log.map((own, day) => {
    if (Number.isNaN(own)) return own;
    return own > medianOf(known.filter((other) => isBeside(day, other)).map((other) => log[other]!)) - OUT_LOG ? own : Number.NaN;
  });
}

/** The same of all days whose curve has no bend, thin high cloud among them. */
function smoothDayLog({ axis, days, sun, openKwh, meteredKwh, read, ratedKwh }: AttributionFrame, ceilingKwh: number): Float64Array {
  const log = new Float64Array(days.keys.length).fill(Number.NaN);
  const counts = (i: number): boolean => sun.up[i]! > HIGH_SUN && openKwh[i]! > BRIGHT_FRAC * ratedKwh;
  for (let from = 0; from < axis.count; ) {
    const day = days.binOf[from]!;
    let to = from;
    while (to < axis.count && days.binOf[to] === day) to++;
    const hours: number[] = [];
    let isWhole = true;
    for (let i = from; i < to; i++) {
      if (!counts(i)) continue;
      if (read[i] === 0) isWhole = false;
      else if (Math.max(openKwh[i]!, meteredKwh[i]!) < BELOW_CEILING_FRAC * ceilingKwh) hours.push(i);
    }
    if (isWhole && hours.length >= LEAST_HOURS) log[day] = levelOf(hours, openKwh, meteredKwh);
    from = to;
  }
  return log;
}

/** Log of the level of hours; NaN where one bends out of those around it. */
function levelOf(hours: readonly number[], openKwh: Float64Array, meteredKwh: Float64Array): number {
  let [given, owed] = [0, 0];
  for (const i of hours) {
    given += meteredKwh[i]!;
    owed += openKwh[i]!;
  }
  const level = given / owed;
  const ratioAt = (i: number): number => meteredKwh[i]! / openKwh[i]! / level;
  for (let k = 1; k + 1 < hours.length; k++) {
    const [before, at, after] = [hours[k - 1]!, hours[k]!, hours[k + 1]!];
    if (at - before !== 1 || after - at !== 1) continue;
    if (Math.abs(ratioAt(at) - (ratioAt(before) + ratioAt(after)) / 2) > ROUGH_FRAC) return Number.NaN;
  }
  return level > 0 ? Math.log(level) : Number.NaN;
}
