import type { BatteryKind } from "../site";

const REFERENCE_C = 25;
const KELVIN = 273.15;
/** Lead: half the life for so many kelvin more. Source: IEEE Std 1188-2005, Recommended practice for maintenance, testing, and replacement of valve-regulated lead-acid batteries (8.3 K). */
const LEAD_HALVING_K = 8.3;
/** Lithium iron phosphate: activation energy, J/mol, and the power of time in its loss. Source: Wang et al., 2011, Cycle-life model for graphite-LiFePO4 cells, J. Power Sources 196. */
const LITHIUM_J_MOL = 31_700;
const LITHIUM_POWER = 0.55;
const GAS_J_MOL_K = 8.314;

/** How much faster than at 25 C a battery ages at a temperature. */
export function ageingSpeed(kind: BatteryKind, tempC: number): number {
  if (kind === "lead") return 2 ** ((tempC - REFERENCE_C) / LEAD_HALVING_K);
  const coldness = 1 / (REFERENCE_C + KELVIN) - 1 / (tempC + KELVIN);
  return Math.exp((LITHIUM_J_MOL / (LITHIUM_POWER * GAS_J_MOL_K)) * coldness);
}

/** Life over that at 25 C of a battery that goes through these temperatures. No longer than at 25 C: what is rated there is not promised beyond. */
export function lifeFrac(kind: BatteryKind, tempC: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < tempC.length; i++) sum += ageingSpeed(kind, tempC[i]!);
  return tempC.length > 0 && sum > 0 ? Math.min(1, tempC.length / sum) : 1;
}
