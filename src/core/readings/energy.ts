import { kwhFromMeanW } from "../units";

/** What a production file holds: energy of the interval, mean power, or a lifetime counter read at the interval's start. */
export type ProductionQuantity = "energy_kwh" | "power_w" | "counter_kwh";

/**
 * Energy of each interval, kWh, from what was recorded; energies are handed on as they are, not copied. A counter that falls (a reset) leaves its
 * interval missing.
 */
export function energyKwh(values: Float64Array, quantity: ProductionQuantity, stepMinutes: number): Float64Array {
  if (quantity === "energy_kwh") return values;
  const out = new Float64Array(values.length);
  for (let i = 0; i < values.length; i++) {
    if (quantity === "power_w") out[i] = kwhFromMeanW(values[i]!, stepMinutes);
    else out[i] = counterStep(values[i]!, i + 1 < values.length ? values[i + 1]! : Number.NaN);
  }
  return out;
}

const counterStep = (now: number, next: number): number => (next >= now ? next - now : Number.NaN);
