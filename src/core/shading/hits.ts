import { type Body, halfHeightM, middleUpM } from "./body";

/**
 * Whether a body stands between a point and a far light in a direction (unit vector). A point inside the body is shaded.
 * Rays against a slab, an upright cylinder and an ellipsoid. Source: Kay & Kajiya, 1986, Ray tracing complex scenes (slabs).
 */
export function hits(body: Body, e: number, n: number, u: number, east: number, north: number, up: number): boolean {
  const de = e - body.eastM;
  const dn = n - body.northM;
  if (body.shape === "crown") {
    const h = halfHeightM(body);
    return hitsBall(
      de / body.halfWidthM,
      dn / body.halfWidthM,
      (u - middleUpM(body)) / h,
      east / body.halfWidthM,
      north / body.halfWidthM,
      up / h,
    );
  }
  if (body.shape === "column") return hitsColumn(body, de, dn, u, east, north, up);
  return hitsBox(body, de, dn, u, east, north, up);
}

function hitsBall(x: number, y: number, z: number, dx: number, dy: number, dz: number): boolean {
  const c = x * x + y * y + z * z - 1;
  if (c <= 0) return true;
  const b = x * dx + y * dy + z * dz;
  return b < 0 && b * b >= (dx * dx + dy * dy + dz * dz) * c;
}

function hitsColumn(body: Body, de: number, dn: number, u: number, east: number, north: number, up: number): boolean {
  const a = east * east + north * north;
  const b = de * east + dn * north;
  const c = de * de + dn * dn - body.halfWidthM * body.halfWidthM;
  if (a < 1e-12) return c <= 0 && u < body.toM;
  const root = b * b - a * c;
  if (root < 0) return false;
  const reach = Math.sqrt(root);
  return crossesHeights(body, u, up, (-b - reach) / a, (-b + reach) / a);
}

function hitsBox(body: Body, de: number, dn: number, u: number, east: number, north: number, up: number): boolean {
  const { sinFacing, cosFacing, halfWidthM, halfDepthM } = body;
  // Across the broad side and along its facing.
  const across = de * cosFacing - dn * sinFacing;
  const along = de * sinFacing + dn * cosFacing;
  const dAcross = east * cosFacing - north * sinFacing;
  const dAlong = east * sinFacing + north * cosFacing;
  let near = Number.NEGATIVE_INFINITY;
  let far = Number.POSITIVE_INFINITY;
  for (let k = 0; k < 2; k++) {
    const [x, d, half] = k === 0 ? [across, dAcross, halfWidthM] : [along, dAlong, halfDepthM];
    if (Math.abs(d) < 1e-12) {
      if (Math.abs(x) > half) return false;
      continue;
    }
    const t1 = (-half - x) / d;
    const t2 = (half - x) / d;
    near = Math.max(near, Math.min(t1, t2));
    far = Math.min(far, Math.max(t1, t2));
  }
  return far >= near && crossesHeights(body, u, up, near, far);
}

/** Whether a ray that is over the body's ground plan for t of [near, far] is then between its foot and its top. */
function crossesHeights(body: Body, u: number, up: number, near: number, far: number): boolean {
  let from = Math.max(0, near);
  let to = far;
  if (Math.abs(up) < 1e-12) return u >= body.fromM && u <= body.toM && to >= from;
  const t1 = (body.fromM - u) / up;
  const t2 = (body.toM - u) / up;
  from = Math.max(from, Math.min(t1, t2));
  to = Math.min(to, Math.max(t1, t2));
  return to >= from;
}
