import { endUtcMs } from "../series";
import { MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { Finding } from "./finding";

/** The sun this far down (sine of 18 deg) is astronomical night: not even a clock an hour wrong brings light here at middle latitudes. */
export const NIGHT_SINE = -0.309;
/** Output under this share of rated is a sensor's offset, not energy. */
const TRACE_FRAC = 0.004;
/** A battery works most evenings. */
const REGULAR_FRAC = 0.25;
/** An inverter's own draw at night stays under this share of rated output. */
const DRAW_FRAC = 0.01;

/** Output at night: a few times is a fault, evening after evening is a battery. */
export function findNight(x: Examined, caughtUp: readonly Finding[] = []): Finding[] {
  // A row that holds its gap is told as that; its own hour made none of it.
  const held = new Set(caughtUp.map(({ toUtcMs }) => Math.round((toUtcMs - x.axis.startUtcMs) / (x.axis.stepMinutes * MINUTE_MS)) - 1));
  const nights = new Map<number, number>();
  let count = 0;
  let kwh = 0;
  let [first, last] = [-1, 0];
  for (let i = 0; i < x.energyKwh.length; i++) {
    const value = x.energyKwh[i]!;
    if (!(value > TRACE_FRAC * x.ratedKwh) || x.sun.up[i]! > NIGHT_SINE || held.has(i)) continue;
    const night = Math.floor((i - x.days.firstIndex + x.days.perDay / 2) / x.days.perDay);
    nights.set(night, (nights.get(night) ?? 0) + value);
    count++;
    kwh += value;
    if (first < 0) first = i;
    last = i;
  }
  if (count === 0) return [];
  const stretch = { fromUtcMs: startOf(x, first), toUtcMs: startOf(x, last + 1) };
  const share = nights.size / Math.max(1, x.days.count);
  const regular = share >= REGULAR_FRAC;
  return [
    {
      kind: regular ? "battery" : "night-output",
      ...stretch,
      count,
      kwh,
      confidenceFrac: regular ? 0.9 : 0.95,
      facts: { nights: nights.size, nightsFrac: share },
      remedy: { op: "zero", only: "night", ...stretch },
    },
  ];
}

/** Values below zero: the inverter's own draw at night, or a meter that counts the net. */
export function findNegative(x: Examined): Finding[] {
  let [count, kwh, lit] = [0, 0, 0];
  let least = 0;
  for (let i = 0; i < x.energyKwh.length; i++) {
    const value = x.energyKwh[i]!;
    if (!(value < 0)) continue;
    count++;
    kwh += value;
    if (x.sun.up[i]! > 0) lit++;
    least = Math.min(least, value);
  }
  if (count === 0) return [];
  const stretch = { fromUtcMs: x.axis.startUtcMs, toUtcMs: endUtcMs(x.axis) };
  const read = x.energyKwh.reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : 1), 0);
  const net = -least > DRAW_FRAC * x.ratedKwh * 4 && count / read > 0.1;
  return [
    {
      kind: net ? "looks-net" : "negative",
      ...stretch,
      count,
      kwh,
      confidenceFrac: net ? 0.9 : 0.95,
      facts: { leastKwh: least, sunlitIntervals: lit, share: count / read },
      remedy: net ? null : { op: "zero", only: "negative", ...stretch },
    },
  ];
}
