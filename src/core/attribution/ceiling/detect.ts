import type { MeterSeries } from "../../ledger";
import { energyKwh } from "../../readings";
import { hoursOfStep } from "../../units";
import { COARSEST_MINUTES, CROWD, LEAST_STEPS, ON_FRAC } from "./thresholds";

/** A flat top in the readings of all meters together: the power at which the plant is held. */
export interface CeilingEvidence {
  readonly powerW: number;
  /** Share of the bright steps that lie on it. */
  readonly heldFrac: number;
  readonly heldSteps: number;
}

/** Finds a flat top at a constant power; null where there is none. The finest common step tells it best. */
export function ceilingEvidence(meters: readonly MeterSeries[]): CeilingEvidence | null {
  const step = meters[0]?.axis.stepMinutes;
  if (step === undefined || step > COARSEST_MINUTES || meters.some(({ axis }) => axis.stepMinutes !== step)) return null;
  const power = sumOfPowers(meters, step);
  const sorted = power.filter((value) => value > 0).sort();
  if (sorted.length < 20 * LEAST_STEPS) return null;
  // The very highest are gusts of the meter; the ceiling is where most of the top lies.
  const top = sorted[sorted.length - 1 - Math.floor(LEAST_STEPS / 2)]!;
  const within = (from: number, to: number): number => lower(sorted, to) - lower(sorted, from);
  let [best, powerW] = [0, 0];
  for (let level = top * (1 + ON_FRAC); level > top * 0.97; level *= 1 - ON_FRAC / 4) {
    const onTop = within(level * (1 - ON_FRAC), level * (1 + ON_FRAC));
    if (onTop > best) [best, powerW] = [onTop, level];
  }
  const beneath = within(powerW * (1 - 7 * ON_FRAC), powerW * (1 - 3 * ON_FRAC)) / 2;
  const above = within(powerW * (1 + 2 * ON_FRAC), powerW * 2);
  if (best < LEAST_STEPS || best < CROWD * beneath || above > 0.05 * best) return null;
  const onTop = sorted.subarray(lower(sorted, powerW * (1 - ON_FRAC)), lower(sorted, powerW * (1 + ON_FRAC)));
  const bright = sorted.length - lower(sorted, 0.3 * powerW);
  return { powerW: onTop[onTop.length >> 1]!, heldFrac: best / bright, heldSteps: best };
}

function sumOfPowers(meters: readonly MeterSeries[], step: number): Float64Array {
  const first = meters[0]!;
  const perWatt = 1000 / hoursOfStep(step);
  const out = energyKwh(first.values, first.quantity, step).map((kwh) => kwh * perWatt);
  for (const meter of meters.slice(1)) {
    const shift = Math.round((meter.axis.startUtcMs - first.axis.startUtcMs) / (step * 60_000));
    const own = energyKwh(meter.values, meter.quantity, step);
    for (let i = 0; i < out.length; i++) out[i] = out[i]! + (own[i - shift] ?? Number.NaN) * perWatt;
  }
  return out;
}

/** First index of a rising column whose value is not below a limit. */
function lower(sorted: Float64Array, limit: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < limit) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Hours on the ceiling: counted where readings are finer than hours, else 0. */
export function timeAtCeiling(ceiling: CeilingEvidence, meters: readonly MeterSeries[]): number {
  const step = meters[0]?.axis.stepMinutes ?? 60;
  return step < 60 ? (ceiling.heldSteps * step) / 60 : 0;
}
