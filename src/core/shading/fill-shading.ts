import type { Direction } from "./body";
import { underHorizon } from "./horizon-line";
import type { ShadeScene } from "./scene";
import { shadedLight } from "./shade-rules";
import { mayMeet, veil } from "./veil";

/** The moments that shading reads and changes: the sun's direction, in-plane light by its parts, their sum, and the power it makes. */
export interface ShadedColumns {
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly up: Float64Array;
  readonly directionalWm2: Float64Array;
  readonly skyWm2: Float64Array;
  readonly groundWm2: Float64Array;
  readonly poaWm2: Float64Array;
}

const through = new Float64Array(1024);
const light = new Float64Array(1024);
/** One direction, aimed anew for every moment of the loop. */
const aimed = { east: 0, north: 0, up: 0 };

function aim(east: number, north: number, up: number): Direction {
  aimed.east = east;
  aimed.north = north;
  aimed.up = up;
  return aimed;
}

/**
 * Takes the shade of horizon and obstacles from the first `count` moments: the beam by patch, the even sky by what is left of it, and
 * power by the array's rule. Light is left as its mean over the array. Returns what it took, W summed. `month` 0 to 11.
 */
export function fillShading(columns: ShadedColumns, scene: ShadeScene, powerW: Float64Array, month: number, count: number): number {
  const { directionalWm2, skyWm2, groundWm2, poaWm2 } = columns;
  const skyRetained = scene.skyRetained[month]!;
  const { patches, rule } = scene;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const directional = directionalWm2[i]!;
    const even = skyWm2[i]! * skyRetained + groundWm2[i]!;
    const whole = directional + skyWm2[i]! + groundWm2[i]!;
    const beamRetained = directional > 0 ? beamThrough(scene, aim(columns.east[i]!, columns.north[i]!, columns.up[i]!), month) : 1;
    let power = directional * beamRetained + even;
    if (beamRetained < 1 && rule !== "module-level") {
      for (let p = 0; p < patches.count; p++) light[p] = directional * Math.min(through[2 * p]!, through[2 * p + 1]!) + even;
      power = Math.min(power, shadedLight(rule, patches.strings, light));
    }
    const after = (before * power) / whole;
    directionalWm2[i] = directional * beamRetained;
    skyWm2[i] = skyWm2[i]! * skyRetained;
    poaWm2[i] = directional * beamRetained + even;
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}

/** Mean share of the beam that reaches the array; where it is under 1, `through` holds the share at each point. */
function beamThrough({ horizon, wedges, bodies, patches }: ShadeScene, toward: Direction, month: number): number {
  const { east, north, up } = toward;
  const count = 2 * patches.count;
  if (horizon && underHorizon(horizon, east, north, up)) {
    through.fill(0, 0, count);
    return 0;
  }
  const lit = { points: patches.points, count, through };
  const flat = Math.sqrt(east * east + north * north);
  let met = false;
  for (let b = 0; b < bodies.length; b++) {
    if (!mayMeet(wedges, b, toward, flat)) continue;
    if (!met) through.fill(1, 0, count);
    met = true;
    const body = bodies[b]!;
    veil(body, body.through[month]!, toward, lit);
  }
  if (!met) return 1;
  let sum = 0;
  for (let p = 0; p < count; p++) sum += through[p]!;
  return sum / count;
}

/** Share of the beam from a direction that reaches an array, 0 to 1; for single moments. */
export const beamRetainedFrac = (scene: ShadeScene, sun: Direction, month: number): number =>
  sun.up > 0 ? beamThrough(scene, sun, month) : 0;
