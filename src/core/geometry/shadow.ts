import { degToRad } from "../units";
import { type SunDirection, sunAtSolarTime } from "./day";

/** Shadow of an upright thing on level ground: its length, m, and the bearing in which it falls; null with the sun down. */
export function shadowOf(heightM: number, sun: SunDirection): { lengthM: number; bearingDeg: number } | null {
  if (!(sun.elevationDeg > 0)) return null;
  return { lengthM: heightM / Math.tan(degToRad(sun.elevationDeg)), bearingDeg: (sun.azimuthDeg + 180) % 360 };
}

export interface Rows {
  readonly latitudeDeg: number;
  readonly tiltDeg: number;
  readonly surfaceAzimuthDeg: number;
  readonly slantLengthM: number;
  readonly declinationDeg: number;
  /** Solar hours through which no row may shade the next. */
  readonly windowStartH: number;
  readonly windowEndH: number;
}

export interface RowSpacing {
  readonly rowHeightM: number;
  readonly gapM: number;
  readonly pitchM: number;
}

const SAMPLES = 480;

/**
 * Gap between rows on level ground that keeps the window free of shade; null when the sun is not up throughout it.
 * Source: Iqbal, 1983 (sun's direction); projection of the shadow on the rows' azimuth.
 */
export function rowSpacing(rows: Rows): RowSpacing | null {
  const tilt = degToRad(rows.tiltDeg);
  const rowHeightM = rows.slantLengthM * Math.sin(tilt);
  let gapM = 0;
  for (let k = 0; k <= SAMPLES; k++) {
    const solarTimeH = rows.windowStartH + ((rows.windowEndH - rows.windowStartH) * k) / SAMPLES;
    const sun = sunAtSolarTime(rows.latitudeDeg, rows.declinationDeg, solarTimeH);
    if (!(sun.elevationDeg > 0)) return null;
    const along = Math.max(0, Math.cos(degToRad(sun.azimuthDeg - rows.surfaceAzimuthDeg)));
    gapM = Math.max(gapM, (rowHeightM * along) / Math.tan(degToRad(sun.elevationDeg)));
  }
  return { rowHeightM, gapM, pitchM: rows.slantLengthM * Math.cos(tilt) + gapM };
}
