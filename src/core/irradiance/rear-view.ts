import { degToRad } from "../units";

/** A row among equal rows, in lengths of its slope: from row to row, and its lower edge above the ground. */
export interface Rows {
  readonly tiltDeg: number;
  readonly pitch: number;
  readonly clearance: number;
}

/** What the rear of a row sees, as shares of its view, and where on the ground its view lies. */
export interface RearView {
  /** Open sky, past the row behind. */
  readonly skyFrac: number;
  /** All of the ground, and the ground weighted with the sky that each spot of it sees. */
  readonly groundFrac: number;
  readonly groundDiffuseFrac: number;
  /** View of the ground from one row to the next, summed up from its beginning; one more than there are spots. */
  readonly groundUpTo: Float64Array;
  readonly rows: Rows;
}

const SPOTS = 120;
const POINTS = 12;
const RAYS = 180;
/** Rows farther off hide nothing that nearer ones leave. */
const NEIGHBOURS = [-3, -2, -1, 1, 2, 3] as const;
const AROUND = [-4, -3, -2, -1, 0, 1, 2, 3, 4] as const;

const views = new Map<string, RearView>();
const CACHED_VIEWS = 500;

/** The view of a row's rear, remembered by its rows. Rows are endless and stand on level ground. */
export function rearView(rows: Rows): RearView {
  const key = `${rows.tiltDeg}/${rows.pitch}/${rows.clearance}`;
  const cached = views.get(key);
  if (cached) return cached;
  const made = lookBehind(rows);
  if (views.size >= CACHED_VIEWS) views.clear();
  views.set(key, made);
  return made;
}

/**
 * Rays from points of the rear, weighted with the cosine to its normal: each ends in the sky, on another row (dark: its own light is left
 * out) or on a spot of the ground. Source: Marion, MacAlpine, Deline et al., 2017, A practical irradiance model for bifacial PV modules.
 */
function lookBehind(rows: Rows): RearView {
  const { pitch, clearance } = rows;
  const [cos, sin] = [Math.cos(degToRad(rows.tiltDeg)), Math.sin(degToRad(rows.tiltDeg))];
  const seen = new Float64Array(SPOTS);
  let skyFrac = 0;
  for (let p = 0; p < POINTS; p++) {
    const along = (p + 0.5) / POINTS;
    const [x, z] = [-along * cos, clearance + along * sin];
    for (let r = 0; r < RAYS; r++) {
      const off = ((r + 0.5) / RAYS - 0.5) * Math.PI;
      const weight = ((Math.cos(off) / 2) * Math.PI) / RAYS / POINTS;
      // The rear looks along (-sin, -cos); a ray is turned by `off` from there.
      const dx = -sin * Math.cos(off) - cos * Math.sin(off);
      const dz = -cos * Math.cos(off) + sin * Math.sin(off);
      if (NEIGHBOURS.some((k) => meetsRow(rows, k, { x, z, dx, dz }))) continue;
      if (dz >= 0) skyFrac += weight;
      else seen[spotOf(x - (dx / dz) * z, pitch)]! += weight;
    }
  }
  const groundUpTo = new Float64Array(SPOTS + 1);
  let groundDiffuseFrac = 0;
  for (let s = 0; s < SPOTS; s++) {
    groundUpTo[s + 1] = groundUpTo[s]! + seen[s]!;
    groundDiffuseFrac += seen[s]! * skyOverSpot(rows, ((s + 0.5) / SPOTS) * pitch);
  }
  return { skyFrac, groundFrac: groundUpTo[SPOTS]!, groundDiffuseFrac, groundUpTo, rows };
}

interface Ray {
  readonly x: number;
  readonly z: number;
  readonly dx: number;
  readonly dz: number;
}

/** Whether a ray meets the row `k` pitches in front of this one. */
function meetsRow({ tiltDeg, pitch, clearance }: Rows, k: number, { x, z, dx, dz }: Ray): boolean {
  const [ex, ez] = [-Math.cos(degToRad(tiltDeg)), Math.sin(degToRad(tiltDeg))];
  const across = dx * ez - dz * ex;
  if (Math.abs(across) < 1e-12) return false;
  const [ox, oz] = [k * pitch - x, clearance - z];
  const far = (ox * ez - oz * ex) / across;
  const up = (ox * dz - oz * dx) / across;
  return far > 1e-9 && up >= 0 && up <= 1;
}

/** Share of an even sky's light that reaches a spot of the ground between the rows. */
function skyOverSpot(rows: Rows, at: number): number {
  let open = 0;
  for (let r = 0; r < RAYS; r++) {
    const angle = ((r + 0.5) / RAYS) * Math.PI;
    const ray = { x: at, z: 0, dx: Math.cos(angle), dz: Math.sin(angle) };
    if (!AROUND.some((k) => meetsRow(rows, k, ray))) open += ((Math.sin(angle) / 2) * Math.PI) / RAYS;
  }
  return open;
}

const wrap = (at: number, pitch: number): number => at - Math.floor(at / pitch) * pitch;
const spotOf = (at: number, pitch: number): number => Math.min(SPOTS - 1, Math.floor((wrap(at, pitch) / pitch) * SPOTS));

/**
 * View of the ground that lies in the shadow of the rows, as a share of the rear's view. `toFront` is the sun's direction along the way
 * that the front faces over its height: the cotangent of the profile angle.
 */
export function shadowedGroundFrac({ groundUpTo, rows: { tiltDeg, pitch, clearance } }: RearView, toFront: number): number {
  const tilt = degToRad(tiltDeg);
  const lower = -clearance * toFront;
  const upper = -Math.cos(tilt) - (clearance + Math.sin(tilt)) * toFront;
  const length = Math.abs(upper - lower);
  if (!(length < pitch)) return groundUpTo[SPOTS]!;
  const from = wrap(Math.min(lower, upper), pitch);
  const to = from + length;
  return to <= pitch
    ? upTo(groundUpTo, to / pitch) - upTo(groundUpTo, from / pitch)
    : groundUpTo[SPOTS]! - upTo(groundUpTo, from / pitch) + upTo(groundUpTo, to / pitch - 1);
}

function upTo(groundUpTo: Float64Array, frac: number): number {
  const at = Math.min(Math.max(frac, 0), 1) * SPOTS;
  const k = Math.min(SPOTS - 1, at | 0);
  return groundUpTo[k]! + (groundUpTo[k + 1]! - groundUpTo[k]!) * (at - k);
}
