import type { MeteredOnAxis } from "../../ledger";
import type { TimeAxis } from "../../series";
import type { Weather } from "../../weather";
import { HOUR_MINUTES } from "./thresholds";

/** Causes are sought hour by hour: finer weather is brought to hours first, coarser stays. */
export interface Hourly {
  readonly weather: Weather;
  readonly metered: MeteredOnAxis;
  /** Steps of the book's axis in one of these. */
  readonly steps: number;
}

/** Weather and meter by the hour. */
export function toHours(weather: Weather, metered: MeteredOnAxis): Hourly {
  const steps = weather.axis.stepMinutes < HOUR_MINUTES ? Math.round(HOUR_MINUTES / weather.axis.stepMinutes) : 1;
  if (steps === 1) return { weather, metered, steps };
  const axis: TimeAxis = {
    ...weather.axis,
    stepMinutes: weather.axis.stepMinutes * steps,
    count: Math.floor(weather.axis.count / steps),
  };
  const mean = (column: Float64Array | null | undefined): Float64Array | null =>
    column ? folded(column, axis.count, steps, "mean") : null;
  return {
    steps,
    weather: {
      axis,
      ghiWm2: mean(weather.ghiWm2),
      dniWm2: mean(weather.dniWm2),
      dhiWm2: mean(weather.dhiWm2),
      poaWm2: mean(weather.poaWm2),
      airTempC: mean(weather.airTempC),
      windSpeedMs: mean(weather.windSpeedMs),
      rainMm: weather.rainMm ? folded(weather.rainMm, axis.count, steps, "sum") : null,
      snowDepthCm: mean(weather.snowDepthCm),
      albedo: mean(weather.albedo),
      moduleTempC: mean(weather.moduleTempC),
    },
    metered: {
      ...metered,
      kwh: folded(metered.kwh, axis.count, steps, "sum"),
      readFrac: Float32Array.from(folded(metered.readFrac, axis.count, steps, "mean")),
      split: Uint8Array.from({ length: axis.count }, (_, i) => Math.max(...metered.split.subarray(i * steps, (i + 1) * steps))),
    },
  };
}

/** Groups of `steps` values as one; NaN where all are missing. */
function folded(values: Float64Array | Float32Array, count: number, steps: number, how: "mean" | "sum"): Float64Array {
  const out = new Float64Array(count).fill(Number.NaN);
  for (let i = 0; i < count; i++) {
    let [sum, known] = [0, 0];
    for (let k = i * steps; k < (i + 1) * steps; k++) {
      const value = values[k]!;
      if (Number.isNaN(value)) continue;
      sum += value;
      known++;
    }
    if (known > 0) out[i] = how === "mean" ? sum / known : sum;
  }
  return out;
}

/** A column by hours back on the book's finer axis. */
export function toSteps(hourly: Float64Array, steps: number, count: number): Float64Array {
  if (steps === 1 && hourly.length === count) return hourly;
  const out = new Float64Array(count);
  for (let i = 0; i < count; i++) out[i] = hourly[Math.min(hourly.length - 1, Math.floor(i / steps))]!;
  return out;
}
