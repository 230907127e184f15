import { hits } from "./hits";
import { underHorizon } from "./horizon-line";
import type { ShadeScene } from "./scene";
import { shadedLight } from "./shade-rules";

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
const near = new Int32Array(1024);

/**
 * Takes the shade of horizon and obstacles from the first `count` moments: the beam by patch, the even sky by what is left of it, and
 * power by the array's rule. Light is left as its mean over the array. Returns what it took, W summed. `month` 0 to 11.
 */
export function fillShading(columns: ShadedColumns, scene: ShadeScene, powerW: Float64Array, month: number, count: number): number {
  const { directionalWm2, skyWm2, groundWm2, poaWm2 } = columns;
  const skyKept = scene.skyKept[month]!;
  const { patches, rule } = scene;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const directional = directionalWm2[i]!;
    const even = skyWm2[i]! * skyKept + groundWm2[i]!;
    const whole = directional + skyWm2[i]! + groundWm2[i]!;
    const beamKept = directional > 0 ? beamThrough(scene, columns.east[i]!, columns.north[i]!, columns.up[i]!, month) : 1;
    let power = directional * beamKept + even;
    if (beamKept < 1 && rule !== "module-level") {
      for (let p = 0; p < patches.count; p++) light[p] = directional * Math.min(through[2 * p]!, through[2 * p + 1]!) + even;
      power = Math.min(power, shadedLight(rule, patches.strings, light));
    }
    const after = (before * power) / whole;
    directionalWm2[i] = directional * beamKept;
    skyWm2[i] = skyWm2[i]! * skyKept;
    poaWm2[i] = directional * beamKept + even;
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}

/** Mean share of the beam that reaches the array; where it is under 1, `through` holds the share at each point. */
function beamThrough(scene: ShadeScene, east: number, north: number, up: number, month: number): number {
  const { horizon, balls, bodies, patches } = scene;
  if (horizon && underHorizon(horizon, east, north, up)) {
    through.fill(0, 0, 2 * patches.count);
    return 0;
  }
  let met = 0;
  for (let b = 0, k = 0; b < bodies.length; b++, k += 4) {
    const e = balls[k]!;
    const n = balls[k + 1]!;
    const u = balls[k + 2]!;
    const along = e * east + n * north + u * up;
    const squared = e * e + n * n + u * u;
    const radius2 = balls[k + 3]!;
    if (squared - along * along > radius2 || (along < 0 && along * along > radius2)) continue;
    near[met++] = b;
  }
  return met === 0 ? 1 : throughPoints(scene, met, east, north, up, month);
}

function throughPoints({ bodies, patches }: ShadeScene, met: number, east: number, north: number, up: number, month: number): number {
  const { points, count } = patches;
  let sum = 0;
  for (let p = 0, at = 0; p < 2 * count; p++, at += 3) {
    let kept = 1;
    for (let k = 0; k < met && kept > 0; k++) {
      const body = bodies[near[k]!]!;
      if (hits(body, points[at]!, points[at + 1]!, points[at + 2]!, east, north, up)) kept *= body.through[month]!;
    }
    through[p] = kept;
    sum += kept;
  }
  return sum / (2 * count);
}

/** Share of the beam from a direction that reaches an array, 0 to 1; for single moments. */
export const beamKeptFrac = (scene: ShadeScene, sun: { east: number; north: number; up: number }, month: number): number =>
  sun.up > 0 ? beamThrough(scene, sun.east, sun.north, sun.up, month) : 0;
