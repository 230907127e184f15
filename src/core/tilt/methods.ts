import { equatorAzimuthDeg, spencerDeclinationDeg } from "@/core/geometry";
import { clampTiltDeg, type TiltStep } from "./schedule";

/** Positions a year that a rack may take. */
export const POSITIONS = [1, 2, 4, 12] as const;
export type Positions = (typeof POSITIONS)[number];
export type TiltMethod = "latitude" | "latitude-15" | "polynomial";

/**
 * Best fixed tilt by latitude alone, degrees. Source: Jacobson & Jadhav, 2018, World estimates of PV optimal tilt angles and ratios of
 * sunlight incident upon tilted and tracked PV panels relative to horizontal panels, eq. 1 and 2.
 */
export function polynomialTiltDeg(latitudeDeg: number): number {
  const p = latitudeDeg;
  const north = 1.3793 + p * (1.2011 + p * (-0.014404 + p * 0.000080509));
  const south = -0.41657 + p * (1.4216 + p * (0.024051 + p * 0.00021828));
  return clampTiltDeg(p >= 0 ? north : -south);
}

const SEASONS_NORTH = { spring: "03-21", summer: "05-06", autumn: "09-22", late: "08-08", winter: "11-07", end: "02-04" } as const;

/**
 * Tilts of a rule of thumb; null where the school says nothing of that many positions. The latitude school follows the sun's noon height:
 * the latitude for one position, the latitude less the declination in the middle of each span for more. Rules of thumb: Duffie & Beckman, 2013, Solar engineering of thermal processes, ch. 2.
 */
export function methodSchedule(method: TiltMethod, positions: Positions, latitudeDeg: number): TiltStep[] | null {
  const high = Math.abs(latitudeDeg);
  const south = equatorAzimuthDeg(latitudeDeg) === 0;
  if (method === "polynomial") return positions === 1 ? [{ from: "01-01", tiltDeg: polynomialTiltDeg(latitudeDeg) }] : null;
  if (method === "latitude") return byDeclination(positions, latitudeDeg);
  const [flat, steep] = [clampTiltDeg(high - 15), clampTiltDeg(high + 15)];
  const { spring, summer, autumn, late, winter, end } = SEASONS_NORTH;
  if (positions === 2) {
    return [
      { from: spring, tiltDeg: south ? steep : flat },
      { from: autumn, tiltDeg: south ? flat : steep },
    ];
  }
  if (positions === 4) {
    return [
      { from: end, tiltDeg: clampTiltDeg(high) },
      { from: summer, tiltDeg: south ? steep : flat },
      { from: late, tiltDeg: clampTiltDeg(high) },
      { from: winter, tiltDeg: south ? flat : steep },
    ];
  }
  return null;
}

/** First days and middles (day of the year) of equal spans that hold the solstices in their middles. */
const SPANS: Readonly<Record<Exclude<Positions, 1>, readonly (readonly [from: string, middle: number])[]>> = {
  2: [
    ["03-21", 172],
    ["09-22", 355],
  ],
  4: [
    ["02-04", 80],
    ["05-06", 172],
    ["08-08", 266],
    ["11-07", 355],
  ],
  12: Array.from({ length: 12 }, (_, m) => [`${String(m + 1).padStart(2, "0")}-01`, Math.round(m * 30.42 + 15)] as const),
};

function byDeclination(positions: Positions, latitudeDeg: number): TiltStep[] {
  if (positions === 1) return [{ from: "01-01", tiltDeg: clampTiltDeg(Math.abs(latitudeDeg)) }];
  const side = latitudeDeg < 0 ? -1 : 1;
  // With two or four positions a span's mean declination is about two thirds of a solstice's.
  const mean = positions === 12 ? 1 : 0.64;
  return SPANS[positions].map(([from, middle]) => ({
    from,
    tiltDeg: clampTiltDeg(Math.abs(latitudeDeg) - side * mean * spencerDeclinationDeg(middle)),
  }));
}
