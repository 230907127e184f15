import type { Plane } from "../irradiance";
import { degToRad, radToDeg } from "../units";
import type { Body } from "./body";
import type { HorizonLine } from "./horizon-line";
import { mayMeet, veil, type Wedges } from "./veil";

/** Directions of the sky, from above the horizon to the top: [east, north, up, flat] one after another. */
const ROWS = 18;
const COLUMNS = 48;
const SKY = Float64Array.from(
  Array.from({ length: ROWS * COLUMNS }, (_, k) => {
    const elevation = degToRad(((Math.floor(k / COLUMNS) + 0.5) / ROWS) * 90);
    const azimuth = degToRad((((k % COLUMNS) + 0.5) / COLUMNS) * 360);
    const flat = Math.cos(elevation);
    return [flat * Math.sin(azimuth), flat * Math.cos(azimuth), Math.sin(elevation), flat];
  }).flat(),
);

const through = new Float64Array(64);
const ROW_DEG = 90 / ROWS;

/** Share of a row's height that lies above the horizon, so that a smooth line is not read in steps. */
function aboveFrac(horizon: HorizonLine | null, row: number, column: number): number {
  if (!horizon) return 1;
  const line = radToDeg(Math.atan(horizon.tangent[Math.round(((column + 0.5) / COLUMNS) * 360)]!));
  return Math.min(1, Math.max(0, row + 1 - line / ROW_DEG));
}

/**
 * Share of an even sky's light on a plane that horizon and bodies leave, as seen from some points (at most 64): the cosine of incidence
 * summed over the sky, with and without them. 1 where the plane sees no sky. `month` 0 to 11 chooses the leaves.
 */
export function skyRetainedFrac(
  plane: Plane,
  points: Float64Array,
  { bodies, wedges, horizon }: { readonly bodies: readonly Body[]; readonly wedges: Wedges; readonly horizon: HorizonLine | null },
  month: number,
): number {
  const count = points.length / 3;
  let whole = 0;
  let kept = 0;
  for (let k = 0; k < SKY.length; k += 4) {
    const east = SKY[k]!;
    const north = SKY[k + 1]!;
    const up = SKY[k + 2]!;
    const flat = SKY[k + 3]!;
    const weight = flat * Math.max(0, plane.east * east + plane.north * north + plane.up * up);
    if (weight === 0) continue;
    whole += weight;
    const above = weight * aboveFrac(horizon, Math.floor(k / 4 / COLUMNS), (k / 4) % COLUMNS);
    if (above === 0) continue;
    const toward = { east, north, up };
    let met = false;
    for (let b = 0; b < bodies.length; b++) {
      if (!mayMeet(wedges, b, toward, flat)) continue;
      if (!met) through.fill(1, 0, count);
      met = true;
      veil(bodies[b]!, bodies[b]!.through[month]!, toward, { points, count, through });
    }
    if (!met) kept += above;
    else for (let p = 0; p < count; p++) kept += (above * through[p]!) / count;
  }
  return whole > 0 ? kept / whole : 1;
}
