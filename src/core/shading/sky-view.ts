import type { Plane } from "../irradiance";
import { degToRad } from "../units";
import type { Body } from "./body";
import { hits } from "./hits";
import { type HorizonLine, underHorizon } from "./horizon-line";

const STEP_DEG = 5;

/**
 * Share of an even sky's light on a plane that horizon and bodies leave, as seen from some points: the cosine of incidence summed over
 * the sky above the horizontal, with and without them. 1 where the plane sees no sky. `month` 0 to 11 chooses the leaves.
 */
export function skyKeptFrac(
  plane: Plane,
  points: Float64Array,
  bodies: readonly Body[],
  horizon: HorizonLine | null,
  month: number,
): number {
  let whole = 0;
  let kept = 0;
  const count = points.length / 3;
  for (let elevation = STEP_DEG / 2; elevation < 90; elevation += STEP_DEG) {
    const flat = Math.cos(degToRad(elevation));
    const up = Math.sin(degToRad(elevation));
    for (let azimuth = STEP_DEG / 2; azimuth < 360; azimuth += STEP_DEG) {
      const east = flat * Math.sin(degToRad(azimuth));
      const north = flat * Math.cos(degToRad(azimuth));
      const weight = flat * Math.max(0, plane.east * east + plane.north * north + plane.up * up);
      if (weight === 0) continue;
      whole += weight;
      if (horizon && underHorizon(horizon, east, north, up)) continue;
      let passed = 0;
      for (let k = 0; k < count; k++) passed += throughAll(bodies, points, k * 3, east, north, up, month);
      kept += (weight * passed) / count;
    }
  }
  return whole > 0 ? kept / whole : 1;
}

/** Share of the light from a direction that reaches a point past all bodies. */
export function throughAll(
  bodies: readonly Body[],
  points: Float64Array,
  at: number,
  east: number,
  north: number,
  up: number,
  month: number,
): number {
  let kept = 1;
  for (let b = 0; b < bodies.length; b++) {
    const body = bodies[b]!;
    if (hits(body, points[at]!, points[at + 1]!, points[at + 2]!, east, north, up)) {
      kept *= body.through[month]!;
      if (kept === 0) return 0;
    }
  }
  return kept;
}
