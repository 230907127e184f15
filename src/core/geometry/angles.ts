import { degToRad, radToDeg } from "../units";

/** Tilt from horizontal of an angle that was read from the vertical, and back. */
export const fromVerticalDeg = (angleDeg: number): number => 90 - angleDeg;

/** Slope of a roof as rise over run, in one unit. */
export const tiltOfRise = (rise: number, run: number): number => radToDeg(Math.atan2(rise, run));
export const riseOfTilt = (tiltDeg: number, run: number): number => run * Math.tan(degToRad(tiltDeg));

/**
 * A carpenter's square with one arm flat on the module and the other standing off it: a plumb line hung from the standing arm, `drop`
 * from the corner, crosses the flat arm `offset` from the corner. In one unit.
 */
export const tiltOfPlumb = (offset: number, drop: number): number => radToDeg(Math.atan2(offset, drop));

/** Level of a phone: mean of a reading and of the one with the phone turned round on the spot, which takes its zero error out. */
export const tiltOfPhone = (firstDeg: number, turnedDeg: number | null): number =>
  turnedDeg === null ? Math.abs(firstDeg) : (Math.abs(firstDeg) + Math.abs(turnedDeg)) / 2;

/** The azimuth that looks to the equator; on the equator itself south is taken. */
export const equatorAzimuthDeg = (latitudeDeg: number): 0 | 180 => (latitudeDeg < 0 ? 0 : 180);

/** How far a plane looks away from the equator: west positive, -180 to 180. */
export function fromEquatorDeg(latitudeDeg: number, azimuthDeg: number): number {
  const off = ((azimuthDeg - equatorAzimuthDeg(latitudeDeg) + 540) % 360) - 180;
  // With north as the equator's side, clockwise is to the east.
  return latitudeDeg < 0 ? -off : off;
}

const POINTS = ["north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"] as const;

/** The nearest of eight points of the compass. */
export const compassPoint = (azimuthDeg: number): string => POINTS[Math.round((((azimuthDeg % 360) + 360) % 360) / 45) % 8]!;

/** Whether the noon sun of a declination stands before a plane rather than behind it: on the equator's side, unless it has passed the zenith. */
export function noonInFront(latitudeDeg: number, azimuthDeg: number, declinationDeg: number): boolean {
  const pastZenith = latitudeDeg < 0 ? declinationDeg < latitudeDeg : declinationDeg > latitudeDeg;
  return Math.abs(fromEquatorDeg(latitudeDeg, azimuthDeg)) <= 90 !== pastZenith;
}
