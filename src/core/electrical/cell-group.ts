import { type DiodeParameters, diodeAt, type ReferenceParameters } from "../module";

/** Cells under one bypass diode: a share of a module's circuit. */
export interface CellGroup extends DiodeParameters {
  /** Voltage at which its bypass diode conducts, V (positive). */
  readonly bypassDropV: number;
}

/** A module in a string: its circuit, the light on each of its groups, its cells' temperature. */
export interface StringModule {
  readonly reference: ReferenceParameters;
  readonly groupIrradianceWm2: readonly number[];
  readonly cellTempC: number;
}

/** The groups of a module; voltage, series and shunt resistance are shared out evenly. Source: De Soto, Klein & Beckman, 2006, scaled to cells in series. */
export function groupsOf(module: StringModule, bypassDropV: number): CellGroup[] {
  const groups = module.groupIrradianceWm2.length;
  return module.groupIrradianceWm2.map((irradianceWm2) => {
    const whole = diodeAt(module.reference, irradianceWm2, module.cellTempC);
    return {
      ...whole,
      modifiedIdealityV: whole.modifiedIdealityV / groups,
      seriesOhm: whole.seriesOhm / groups,
      shuntOhm: whole.shuntOhm / groups,
      bypassDropV,
    };
  });
}

const STEPS = 100;

/** Voltage of a group at a current, V: by its cells, or held by the bypass diode where they would go into reverse. Falls with the current. */
export function groupVoltageV(group: CellGroup, currentA: number): number {
  const { photocurrentA, saturationCurrentA, modifiedIdealityV: a, shuntOhm, seriesOhm, bypassDropV } = group;
  // In the dark no shunt carries what the light does not drive: the bypass diode takes it all.
  if (!Number.isFinite(shuntOhm) && currentA > photocurrentA + saturationCurrentA * 0.999) return -bypassDropV;
  const driven = Math.max(photocurrentA, photocurrentA - currentA);
  let junction = a * Math.log1p(Math.max(0, driven) / saturationCurrentA);
  for (let k = 0; k < STEPS; k++) {
    const exp = Math.exp(junction / a);
    const error = currentA - photocurrentA + saturationCurrentA * (exp - 1) + junction / shuntOhm;
    const step = error / ((saturationCurrentA * exp) / a + 1 / shuntOhm);
    junction -= step;
    if (Math.abs(step) < 1e-12 * Math.max(1, Math.abs(junction))) break;
  }
  return Math.max(junction - currentA * seriesOhm, -bypassDropV);
}

const CLOSE_V = 1e-9;

/**
 * Adds `count` times a group's voltage at each of some rising currents: each root is sought from the one before, which lies to its right,
 * and past the knee the bypass diode holds. The same law as groupVoltageV (tested), some ten times as fast along a curve.
 */
export function fillGroupVoltage(group: CellGroup, count: number, currentsA: Float64Array, out: Float64Array): Float64Array {
  const { photocurrentA, saturationCurrentA, modifiedIdealityV: a, shuntOhm, seriesOhm, bypassDropV } = group;
  const perShunt = 1 / shuntOhm;
  let junction = a * Math.log1p(Math.max(0, photocurrentA) / saturationCurrentA);
  let held = false;
  for (let i = 0; i < currentsA.length; i++) {
    const current = currentsA[i]!;
    if (!held && perShunt === 0 && current > photocurrentA + saturationCurrentA * 0.999) held = true;
    if (!held) {
      for (let k = 0; k < STEPS; k++) {
        const exp = saturationCurrentA * Math.exp(junction / a);
        const step = (current - photocurrentA + exp - saturationCurrentA + junction * perShunt) / (exp / a + perShunt);
        junction -= step;
        if (step < CLOSE_V && step > -CLOSE_V) break;
      }
      if (junction - current * seriesOhm <= -bypassDropV) held = true;
    }
    out[i] = out[i]! + count * (held ? -bypassDropV : junction - current * seriesOhm);
  }
  return out;
}
