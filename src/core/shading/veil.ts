import type { PlacedArray } from "../site";
import { type Body, type Direction, halfHeightM, middleUpM } from "./body";

/**
 * Where in the sky a body can stand before any point of an array: a wedge of azimuth around a middle, up to a height. Everything else of
 * the sky is free of it, which is told without a ray.
 */
export interface Wedges {
  /** Per body: east and north of the wedge's middle, cosine of its half width (-2: all around), tangent of its top. */
  readonly of: Float64Array;
}

export const WEDGE = 4;

export function wedgesOf(place: PlacedArray, points: Float64Array, bodies: readonly Body[]): Wedges {
  const of = new Float64Array(bodies.length * WEDGE);
  bodies.forEach((body, b) => {
    const middle = Math.atan2(body.eastM - place.eastM, body.northM - place.northM);
    const radius = body.shape === "box" ? Math.hypot(body.halfWidthM, body.halfDepthM) : body.halfWidthM;
    let half = 0;
    let top = 0;
    for (let at = 0; at < points.length; at += 3) {
      const [east, north] = [body.eastM - points[at]!, body.northM - points[at + 1]!];
      const distance = Math.hypot(east, north);
      const turned = Math.abs(((Math.atan2(east, north) - middle + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
      half = distance > radius ? Math.max(half, turned + Math.asin(radius / distance)) : Math.PI;
      top = distance > radius ? Math.max(top, (body.toM - points[at + 2]!) / (distance - radius)) : Number.POSITIVE_INFINITY;
      if (half >= Math.PI || top === Number.POSITIVE_INFINITY) break;
    }
    const around = half >= Math.PI || top === Number.POSITIVE_INFINITY;
    of.set([Math.sin(middle), Math.cos(middle), around ? -2 : Math.cos(half), around ? Number.POSITIVE_INFINITY : top], b * WEDGE);
  });
  return { of };
}

/** Whether a body may be met in a direction; `flat` is the direction's horizontal length. */
export function mayMeet({ of }: Wedges, body: number, { east, north, up }: Direction, flat: number): boolean {
  const k = body * WEDGE;
  return up <= of[k + 3]! * flat && of[k]! * east + of[k + 1]! * north >= of[k + 2]! * flat;
}

const nudge = (d: number): number => (Math.abs(d) < 1e-9 ? 1e-9 : d);

/** Points, [east, north, up] one after another, and the share of the light that reaches each. */
export interface LitPoints {
  readonly points: Float64Array;
  readonly count: number;
  readonly through: Float64Array;
}

/**
 * Multiplies `through` by the share of the light that a body lets pass to each point, from one direction: the law `hits` with the
 * direction's constants taken out of the loop (tested against it).
 */
export function veil(body: Body, share: number, toward: Direction, lit: LitPoints): void {
  if (body.shape === "crown") veilOfCrown(body, share, toward, lit);
  else if (body.shape === "column") veilOfColumn(body, share, toward, lit);
  else veilOfBox(body, share, toward, lit);
}

function veilOfCrown(body: Body, share: number, { east, north, up }: Direction, { points, count, through }: LitPoints): void {
  const perWidth = 1 / body.halfWidthM;
  const perHeight = 1 / halfHeightM(body);
  const middle = middleUpM(body);
  const [dx, dy, dz] = [east * perWidth, north * perWidth, up * perHeight];
  const squared = dx * dx + dy * dy + dz * dz;
  for (let p = 0, at = 0; p < count; p++, at += 3) {
    const x = (points[at]! - body.eastM) * perWidth;
    const y = (points[at + 1]! - body.northM) * perWidth;
    const z = (points[at + 2]! - middle) * perHeight;
    const c = x * x + y * y + z * z - 1;
    const b = x * dx + y * dy + z * dz;
    if (c <= 0 || (b < 0 && b * b >= squared * c)) through[p] = through[p]! * share;
  }
}

function veilOfColumn(body: Body, share: number, { east, north, up }: Direction, { points, count, through }: LitPoints): void {
  const a = nudge(east * east + north * north);
  const perUp = 1 / nudge(up);
  const radius2 = body.halfWidthM * body.halfWidthM;
  for (let p = 0, at = 0; p < count; p++, at += 3) {
    const de = points[at]! - body.eastM;
    const dn = points[at + 1]! - body.northM;
    const b = de * east + dn * north;
    const root = b * b - a * (de * de + dn * dn - radius2);
    if (root < 0) continue;
    const reach = Math.sqrt(root);
    const u = points[at + 2]!;
    const low = (body.fromM - u) * perUp;
    const high = (body.toM - u) * perUp;
    const from = Math.max(0, (-b - reach) / a, Math.min(low, high));
    if (Math.min((-b + reach) / a, Math.max(low, high)) >= from) through[p] = through[p]! * share;
  }
}

function veilOfBox(body: Body, share: number, { east, north, up }: Direction, { points, count, through }: LitPoints): void {
  const { sinFacing, cosFacing, halfWidthM, halfDepthM } = body;
  const perAcross = 1 / nudge(east * cosFacing - north * sinFacing);
  const perAlong = 1 / nudge(east * sinFacing + north * cosFacing);
  const perUp = 1 / nudge(up);
  const width = halfWidthM * Math.abs(perAcross);
  const depth = halfDepthM * Math.abs(perAlong);
  for (let p = 0, at = 0; p < count; p++, at += 3) {
    const de = points[at]! - body.eastM;
    const dn = points[at + 1]! - body.northM;
    const u = points[at + 2]!;
    const across = (dn * sinFacing - de * cosFacing) * perAcross;
    const along = -(de * sinFacing + dn * cosFacing) * perAlong;
    const low = (body.fromM - u) * perUp;
    const high = (body.toM - u) * perUp;
    const from = Math.max(0, across - width, along - depth, Math.min(low, high));
    if (Math.min(across + width, along + depth, Math.max(low, high)) >= from) through[p] = through[p]! * share;
  }
}
