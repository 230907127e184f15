import { type EfficiencyPoint, efficiencyAt } from "./inverter";

/** Efficiency at equal steps of the load, for the hot loop. */
export interface CurveTable {
  readonly efficiency: Float64Array;
  readonly stepsPerUnit: number;
}

const STEPS_PER_UNIT = 1000;
const MOST_LOAD = 2;

/** Samples a curve from no load to twice the rating; beyond, it holds. */
export function curveTable(points: readonly EfficiencyPoint[]): CurveTable {
  const efficiency = new Float64Array(MOST_LOAD * STEPS_PER_UNIT + 2);
  for (let k = 0; k < efficiency.length; k++) efficiency[k] = efficiencyAt(points, k / STEPS_PER_UNIT);
  return { efficiency, stepsPerUnit: STEPS_PER_UNIT };
}

/** Turns DC power into AC power in place, before the rating is applied; returns what it took, W summed. Between two samples a straight line. */
export function fillCurve(powerW: Float64Array, ratedDcW: number, { efficiency, stepsPerUnit }: CurveTable, count: number): number {
  const toPlace = stepsPerUnit / ratedDcW;
  const last = efficiency.length - 2;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const place = before * toPlace;
    const k = place < last ? place | 0 : last;
    const share = place < last ? place - k : 0;
    const after = before * (efficiency[k]! + (efficiency[k + 1]! - efficiency[k]!) * share);
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}
