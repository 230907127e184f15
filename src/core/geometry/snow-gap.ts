import { degToRad } from "../units";

/** Angle at which slid snow comes to rest, and its shrinking on the way. Source: McClung & Schaerer, 2006, The avalanche handbook (dry to moist snow, 38 deg; slab to debris about 0.7). */
const REPOSE_DEG = 38;
const SETTLED_FRAC = 0.7;

export interface SlidSnow {
  /** Height of the heap at the foot of the row, above the ground's own snow. */
  readonly heapM: number;
  /** Half of the heap's foot: how far it reaches in front of the row's lower edge. */
  readonly reachM: number;
  /** Lower edge that stays free: the ground's snow and the heap. */
  readonly edgeM: number;
  /** Between the foot of an upper row and the head of a lower one in the same plane, so that the slab passes over the gap's edge. */
  readonly slotM: number;
}

/** Where the snow of a row goes: a slab of the snow's depth slides off and rests as a heap of two slopes. */
export function slidSnow(slantM: number, tiltDeg: number, snowDepthM: number): SlidSnow {
  const slope = Math.tan(degToRad(REPOSE_DEG));
  // Snow falls on the plan: the slab's cross section is the depth over the row's ground plan.
  const areaM2 = snowDepthM * slantM * Math.cos(degToRad(tiltDeg)) * SETTLED_FRAC;
  const heapM = Math.sqrt(areaM2 * slope);
  return { heapM, reachM: heapM / slope, edgeM: snowDepthM * SETTLED_FRAC + heapM, slotM: snowDepthM * Math.cos(degToRad(tiltDeg)) };
}
