import type { PreparedWeather } from "../../yield";
import type { AttributionFrame } from "../record/frame";
import { CLEAR, GRAZING_FRAC, LEAST_HOURS_A_DAY, LOW_SUN, MOST_DAYS, STEADY } from "./thresholds";

/** Clear days cut out of a record and laid end to end. */
export interface ClearDays {
  readonly prepared: PreparedWeather;
  readonly meteredKwh: Float64Array;
  /** 1 where an hour is used for the fit. */
  readonly use: Uint8Array;
  readonly dayOf: Int32Array;
  readonly days: number;
  /** Which of the spans each day lies in. */
  readonly spanOf: Int32Array;
}

/** Steps [from, to) of the axis. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Whole clear days, spread over the spans, laid end to end. */
export function clearDays(frame: AttributionFrame, spoilt: Uint8Array, ceilingKwh: number, spans: readonly Span[]): ClearDays {
  const { axis, days, openKwh, meteredKwh, read, lit, sun, clearness, weather } = frame;
  const good = (i: number): boolean =>
    read[i] === 1 &&
    lit[i] === 1 &&
    spoilt[i] === 0 &&
    sun.up[i]! > LOW_SUN &&
    clearness[i]! > CLEAR &&
    Math.abs(clearness[i]! - (clearness[i - 1] ?? 0)) < STEADY &&
    Math.abs(clearness[i]! - (clearness[i + 1] ?? 0)) < STEADY &&
    openKwh[i]! < 0.93 * ceilingKwh &&
    meteredKwh[i]! < 0.93 * ceilingKwh;
  const byDay = new Map<number, { first: number; last: number; good: number; span: number }>();
  spans.forEach(({ from, to }, span) => {
    for (let i = from; i < to; i++) {
      const day = days.binOf[i]!;
      const existing = byDay.get(day) ?? { first: i, last: i, good: 0, span };
      existing.last = i;
      if (good(i)) existing.good += axis.stepMinutes / 60;
      byDay.set(day, existing);
    }
  });
  const clear = [...byDay.values()].filter((day) => day.good >= LEAST_HOURS_A_DAY);
  const every = Math.max(1, clear.length / MOST_DAYS);
  const chosen = Array.from({ length: Math.min(clear.length, MOST_DAYS) }, (_, k) => clear[Math.floor(k * every)]!);
  const at: number[] = [];
  const dayOf: number[] = [];
  chosen.forEach((day, d) => {
    for (let i = day.first; i <= day.last; i++) {
      at.push(i);
      dayOf.push(d);
    }
  });
  const take = (column: Float64Array | null): Float64Array | null => column && Float64Array.from(at, (i) => column[i]!);
  const all = (column: Float64Array): Float64Array => Float64Array.from(at, (i) => column[i]!);
  const best = new Float64Array(chosen.length);
  at.forEach((i, k) => {
    if (meteredKwh[i]! > best[dayOf[k]!]!) best[dayOf[k]!] = meteredKwh[i]!;
  });
  const prepared: PreparedWeather = {
    sun: { ...sun, east: all(sun.east), north: all(sun.north), up: all(sun.up), extraterrestrialWm2: all(sun.extraterrestrialWm2) },
    weather: {
      axis: { ...axis, count: at.length },
      ghiWm2: take(weather.ghiWm2),
      dniWm2: take(weather.dniWm2),
      dhiWm2: take(weather.dhiWm2),
      poaWm2: take(weather.poaWm2),
      airTempC: all(weather.airTempC),
      windSpeedMs: all(weather.windSpeedMs),
      rainMm: null,
      snowDepthCm: null,
      moduleTempC: take(weather.moduleTempC),
      albedo: null,
      assumed: weather.assumed,
      filled: new Uint8Array(at.length),
      anyFilled: false,
    },
  };
  return {
    prepared,
    meteredKwh: all(meteredKwh),
    use: Uint8Array.from(at, (i, k) => (good(i) && meteredKwh[i]! > GRAZING_FRAC * best[dayOf[k]!]! ? 1 : 0)),
    dayOf: Int32Array.from(dayOf),
    days: chosen.length,
    spanOf: Int32Array.from(chosen, ({ span }) => span),
  };
}
