import { medianOf, quantileOf } from "../statistics";
import { MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { Finding } from "./finding";

/** Factors by which units and steps are mistaken: W for kW and Wh for kWh, minutes for hours, five minutes and a quarter for an hour. */
const FACTORS = [1000, 60, 12, 4, 1 / 4, 1 / 12, 1 / 60, 1 / 1000] as const;
/** Days scatter around the usual ratio by this much (natural logarithm). */
const TOLERANCE = 0.35;
/** Against a cloudless sky a dull day falls short by as much as this; no other factor lies so near to a thousand. */
const DULL = 1.6;
/** Factors from here on lift any day with output above all that a plant gives. */
const LARGE = 60;
/** No plant gives so many times its usual share of what it owes, on any day. */
const MOST_RATIO = 3;
/** A good plant meters near what the model owes. */
const USUAL_RATIO = 0.93;
/** Small factors can be weather or snow for a few days; large ones can't. */
const leastDays = (factor: number): number => (factor >= 12 ? 1 : factor > 1 ? 3 : 6);

/** Stretches, or the whole series, whose energy stands a unit factor off what the sky allows. */
export function findUnitFactors(x: Examined): Finding[] {
  const { ratio, byWeather } = x.days;
  const level = byWeather ? medianOf(ratio) : quantileOf(ratio, 0.85);
  if (!(level > 0)) return [];
  const whole = factorOf(level / (byWeather ? USUAL_RATIO : 1), 0.25);
  const base = whole === null ? level : level / whole;
  const found = whole === null ? [] : [findingOf(x, 0, x.days.count, whole, 0.85)];
  let from = -1;
  let factor: number | null = null;
  for (let d = 0; d <= x.days.count; d++) {
    const own = d < x.days.count && !Number.isNaN(ratio[d]) ? factorOf(ratio[d]! / base, TOLERANCE, byWeather ? TOLERANCE : DULL) : null;
    const missing = d < x.days.count && Number.isNaN(ratio[d]);
    // A dark or snowed day in the midst of a large factor lies nowhere near it, and still is far more than any plant gives.
    const isBeyondPlant = d < x.days.count && factor !== null && factor >= LARGE && ratio[d]! / base > MOST_RATIO;
    if (own === factor || (missing && factor !== null) || isBeyondPlant) continue;
    if (factor !== null && factor !== whole && isSteady(x, from, d, factor) && !isLump(x, from, d))
      found.push(findingOf(x, from, d, factor, 0.95));
    from = own !== null && own >= LARGE ? firstBeyondPlant(d) : d;
    factor = own;
  }
  return found;

  function firstBeyondPlant(day: number): number {
    let first = day;
    while (first > 0 && ratio[first - 1]! / base > MOST_RATIO) first--;
    return first;
  }
}

/** `dull` is how far a day may fall short of a factor of a thousand. */
function factorOf(ratio: number, tolerance: number, dull = tolerance): number | null {
  const off = Math.log(ratio);
  for (const factor of FACTORS) {
    const beyond = off - Math.log(factor);
    if (beyond < tolerance && beyond > (factor === 1000 || factor === 1 / 1000 ? -dull : -tolerance)) return factor;
  }
  return null;
}

/** Long enough for its factor, and, where energy is too small, as steady as a unit is and weather or snow is not. */
function isSteady({ days }: Examined, from: number, to: number, factor: number): boolean {
  const ratios = [...days.ratio.subarray(from, to)].filter((ratio) => !Number.isNaN(ratio));
  if (ratios.length < leastDays(factor)) return false;
  if (factor > 1) return true;
  const middle = medianOf(ratios);
  return ratios.filter((ratio) => Math.abs(ratio / middle - 1) < 0.2).length >= 0.9 * ratios.length;
}

/** Most of a stretch's energy, from which on one reading alone makes it. */
const LUMP_FRAC = 0.8;

/** One reading after a hole that brings what the hole kept: a unit lifts every reading of its days alike. */
function isLump({ days, energyKwh }: Examined, fromDay: number, toDay: number): boolean {
  const from = Math.max(0, days.firstIndex + fromDay * days.perDay);
  const own = energyKwh.subarray(from, Math.min(energyKwh.length, days.firstIndex + toDay * days.perDay));
  let [sum, highest] = [0, 0];
  own.forEach((kwh, i) => {
    if (Number.isNaN(kwh)) return;
    sum += kwh;
    if (Number.isNaN(own[highest]) || kwh > own[highest]!) highest = i;
  });
  const before = from + highest - 1;
  return before >= 0 && Number.isNaN(energyKwh[before]) && own[highest]! > LUMP_FRAC * sum;
}

function findingOf(x: Examined, fromDay: number, toDay: number, factor: number, confidenceFrac: number): Finding {
  const { firstIndex, perDay } = x.days;
  const last = x.energyKwh.length;
  const from = Math.max(0, firstIndex + fromDay * perDay);
  const to = Math.min(last, firstIndex + toDay * perDay);
  const stretch = { fromUtcMs: startOf(x, from), toUtcMs: startOf(x, to) };
  const kwh = x.energyKwh.subarray(from, to).reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : value), 0);
  const days = Math.round((stretch.toUtcMs - stretch.fromUtcMs) / (1440 * MINUTE_MS));
  return {
    kind: "unit-factor",
    ...stretch,
    count: to - from,
    kwh,
    confidenceFrac,
    facts: { factor, days, stepMinutes: x.axis.stepMinutes, whole: fromDay === 0 && toDay === x.days.count ? 1 : 0 },
    remedy: { op: "scale", factor: 1 / factor, ...stretch },
  };
}
