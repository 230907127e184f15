import type { MeterSeries } from "../../ledger";
import { energyKwh } from "../../readings";
import { medianOf } from "../../statistics";
import { MINUTE_MS } from "../../units";
import { fillSpread } from "../../yield";
import type { AttributionFrame } from "../record/frame";
import {
  AT_CEILING_FRAC,
  FROM_LOAD,
  LEAST_HOURS,
  LEAST_SCALE,
  LEAST_SWING,
  LEAST_UNCUT_HOURS,
  MOST_DAY_OFF,
  MOST_SCALE,
  QUARTER_HOUR_GAIN,
  QUARTERS,
  TO_LOAD,
  UNCUT_LOAD,
} from "./thresholds";

/** The one meter's readings inside each hour, kWh each; NaN outside its record. */
export interface InsideHours {
  readonly perHour: number;
  readonly kwhAt: (hour: number, k: number) => number;
}

const COARSEST_MINUTES = 20;

/** Readings finer than the hours of the search; null where there are none, or where several meters would have to be added up. */
export function insideHours({ axis }: AttributionFrame, meters: readonly MeterSeries[]): InsideHours | null {
  const meter = meters[0];
  if (!meter || meters.length > 1 || meter.axis.stepMinutes > COARSEST_MINUTES || axis.stepMinutes !== 60) return null;
  const perHour = Math.round(60 / meter.axis.stepMinutes);
  const kwh = energyKwh(meter.values, meter.quantity, meter.axis.stepMinutes);
  const shift = Math.round((axis.startUtcMs - meter.axis.startUtcMs) / (meter.axis.stepMinutes * MINUTE_MS));
  return { perHour, kwhAt: (hour, k) => kwh[shift + hour * perHour + k] ?? Number.NaN };
}

/**
 * Share of each hour's output that the ceiling cut, as the readings inside the hour tell it: nothing where none lay on the ceiling; all above
 * it where all did; else what the hour owes less what it gave, since an hour of broken clouds swings wider than any law. NaN where an hour was
 * not read whole. `expectedKwh` has every cause in it but the ceiling.
 */
export function cutFracSeen(frame: AttributionFrame, inside: InsideHours, expectedKwh: Float64Array, ceilingKwh: number): Float64Array {
  const { axis, days, read, meteredKwh } = frame;
  const { perHour, kwhAt } = inside;
  const out = new Float64Array(axis.count).fill(Number.NaN);
  const onCeiling = new Uint8Array(axis.count);
  for (let i = 0; i < axis.count; i++)
    for (let k = 0; k < perHour; k++) if (kwhAt(i, k) * perHour > AT_CEILING_FRAC * ceilingKwh) onCeiling[i]!++;
  const dayOff = lightOffByDay(frame, expectedKwh, onCeiling, ceilingKwh);
  for (let i = 0; i < axis.count; i++) {
    const expected = expectedKwh[i]! * dayOff[days.binOf[i]!]!;
    if (read[i] === 0 || !(expected > 0)) continue;
    const most = onCeiling[i] === perHour ? ceilingKwh : meteredKwh[i]!;
    out[i] = onCeiling[i] === 0 ? 0 : Math.max(0, 1 - most / expected);
  }
  return out;
}

/** What each day gave of what it owed in the hours in which nothing was cut: its light was off by that much. */
function lightOffByDay(frame: AttributionFrame, expectedKwh: Float64Array, onCeiling: Uint8Array, ceilingKwh: number): Float64Array {
  const { days, read, meteredKwh } = frame;
  const [due, metered, hours] = [0, 0, 0].map(() => new Float64Array(days.keys.length)) as [Float64Array, Float64Array, Float64Array];
  for (let i = 0; i < expectedKwh.length; i++) {
    if (read[i] === 0 || onCeiling[i]! > 0 || !(expectedKwh[i]! > UNCUT_LOAD * ceilingKwh)) continue;
    const day = days.binOf[i]!;
    due[day]! += expectedKwh[i]!;
    metered[day]! += meteredKwh[i]!;
    hours[day]!++;
  }
  return due.map((kwh, day) =>
    hours[day]! < LEAST_UNCUT_HOURS ? 1 : Math.min(1 + MOST_DAY_OFF, Math.max(1 - MOST_DAY_OFF, metered[day]! / kwh)),
  );
}

/** How power swings inside the hours of a plant. */
export interface Swing {
  /** Deviation of the readings inside each hour, as a share of its mean. */
  readonly readFrac: Float64Array;
  /** Swing of five-minute power against what the sky model says. */
  readonly scale: number;
}

/** The sky model's swing, scaled as the readings have it. Null where too few tell. */
export function swingInside(frame: AttributionFrame, { perHour, kwhAt }: InsideHours, ceilingKwh: number): Swing | null {
  const { axis, weather, sun, meteredKwh, read } = frame;
  if (!weather.ghiWm2) return null;
  const column = (): Float64Array => new Float64Array(axis.count);
  const model = fillSpread({ up: sun.up, ghiWm2: weather.ghiWm2 }, axis.count, column(), column());
  const ratios: number[] = [];
  for (let i = 0; i < axis.count; i++) {
    const load = meteredKwh[i]! / ceilingKwh;
    if (!(load > FROM_LOAD && load < TO_LOAD) || read[i] === 0 || !(model[i]! > LEAST_SWING)) continue;
    const mean = meteredKwh[i]! / perHour;
    let square = 0;
    for (let k = 0; k < perHour; k++) square += (kwhAt(i, k) - mean) ** 2;
    if (!Number.isNaN(square)) ratios.push(Math.sqrt(square / perHour) / mean / model[i]!);
  }
  if (ratios.length < LEAST_HOURS) return null;
  const scale = Math.max(LEAST_SCALE, Math.min(MOST_SCALE, medianOf(ratios)));
  return { readFrac: model.map((swing) => swing * scale), scale: perHour > QUARTERS ? scale : scale * QUARTER_HOUR_GAIN };
}
