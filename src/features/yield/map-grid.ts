/** Planes of the orientation map: tilts from flat to upright, azimuths all around. */
export const STEP_DEG = 5;
export const TILTS = 19;
export const AZIMUTHS = 72;
/** The first picture takes every third tilt and every sixth azimuth. */
export const COARSE_TILT = 3;
export const COARSE_AZIMUTH = 6;

/** A map with holes (a coarse part) with every hole filled from the coarse cell it lies in. */
export function withoutHoles(kwh: Float64Array): Float64Array {
  const out = kwh.slice();
  for (let t = 0; t < TILTS; t++) {
    for (let a = 0; a < AZIMUTHS; a++) {
      const cell = t * AZIMUTHS + a;
      if (!Number.isNaN(out[cell])) continue;
      const coarseT = Math.min(TILTS - 1, Math.round(t / COARSE_TILT) * COARSE_TILT);
      const coarseA = (Math.round(a / COARSE_AZIMUTH) * COARSE_AZIMUTH) % AZIMUTHS;
      out[cell] = kwh[coarseT * AZIMUTHS + coarseA]!;
    }
  }
  return out;
}

/** The plane with the most energy. */
export function bestPlane(kwh: Float64Array): { tiltDeg: number; azimuthDeg: number; kwh: number } {
  let best = 0;
  for (let cell = 1; cell < kwh.length; cell++) if (kwh[cell]! > kwh[best]!) best = cell;
  return { tiltDeg: Math.floor(best / AZIMUTHS) * STEP_DEG, azimuthDeg: (best % AZIMUTHS) * STEP_DEG, kwh: kwh[best]! };
}
