import { arrayNameplateW, type Site } from "../../site";
import { degToRad } from "../../units";
import type { ShadedField } from "./field";
import { FIELD_AZIMUTH_DEG, FIELD_ELEVATION_DEG } from "./thresholds";

/** Width of the sky's pieces, degrees. */
const PIECE_DEG = 1;

/**
 * Share of the sky's even light that an obstacle takes from the arrays: what stands in the sun's way stands before the sky as well, from the ground up to the highest
 * place at which it shades. Isotropic sky. Source: Liu & Jordan, 1963, The long-term average performance of flat-plate solar-energy collectors.
 */
export function skyTakenFrac(site: Site, fields: readonly ShadedField[]): number {
  const total = site.arrays.reduce((sum, array) => sum + arrayNameplateW(site, array), 0);
  if (fields.length === 0 || !(total > 0)) return 0;
  const columns = columnsOf(fields);
  return site.arrays.reduce(
    (sum, array) => sum + (takenFrom(degToRad(array.tiltDeg), degToRad(array.azimuthDeg), columns) * arrayNameplateW(site, array)) / total,
    0,
  );
}

interface Column {
  readonly azimuthDeg: number;
  readonly topDeg: number;
  /** Share of the light behind it that the obstacle keeps. */
  readonly keptFrac: number;
}

/** The obstacle by azimuth: how high it stands there, with the share of its highest field that is dark. */
function columnsOf(fields: readonly ShadedField[]): Column[] {
  const byAzimuth = new Map<number, ShadedField[]>();
  for (const field of fields) byAzimuth.set(field.azimuthDeg, [...(byAzimuth.get(field.azimuthDeg) ?? []), field]);
  return [...byAzimuth].map(([azimuthDeg, own]) => {
    const keptFrac = 1 - Math.min(1, ...own.map(({ ratio }) => ratio));
    const highest = own.reduce((a, b) => (b.elevationDeg > a.elevationDeg ? b : a));
    const dark = keptFrac > 0 ? Math.min(1, (1 - highest.ratio) / keptFrac) : 0;
    return { azimuthDeg, keptFrac, topDeg: highest.elevationDeg + (dark - 0.5) * FIELD_ELEVATION_DEG };
  });
}

/** Share of what a plane has of an even sky that stands behind the columns. */
function takenFrom(tilt: number, azimuth: number, columns: readonly Column[]): number {
  const whole = (Math.PI * (1 + Math.cos(tilt))) / 2;
  let taken = 0;
  for (const { azimuthDeg, topDeg, keptFrac } of columns)
    for (let across = 0.5 * PIECE_DEG; across < FIELD_AZIMUTH_DEG; across += PIECE_DEG)
      for (let up = 0.5 * PIECE_DEG; up < topDeg; up += PIECE_DEG) {
        const [bearing, height] = [degToRad(azimuthDeg - FIELD_AZIMUTH_DEG / 2 + across), degToRad(up)];
        const straight = Math.sin(height) * Math.cos(tilt) + Math.cos(height) * Math.sin(tilt) * Math.cos(bearing - azimuth);
        taken += keptFrac * Math.max(0, straight) * Math.cos(height) * degToRad(PIECE_DEG) ** 2;
      }
  return taken / whole;
}
