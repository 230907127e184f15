/**
 * A solid thing that can stand in the sun's way, in the site's plan: metres east and north, up from the ground. Upright boxes and round
 * columns stand on `fromM`; a crown is an ellipsoid between `fromM` and `toM`.
 */
export interface Body {
  readonly shape: "box" | "column" | "crown";
  readonly eastM: number;
  readonly northM: number;
  readonly fromM: number;
  readonly toM: number;
  /** Half sizes across and along its facing; equal for round bodies. */
  readonly halfWidthM: number;
  readonly halfDepthM: number;
  /** Where the broad side looks, clockwise from north, as sine and cosine. */
  readonly sinFacing: number;
  readonly cosFacing: number;
  /** Share of the beam that passes, January first. */
  readonly through: readonly number[];
}

export interface Point {
  readonly eastM: number;
  readonly northM: number;
  readonly upM: number;
}

export interface Direction {
  readonly east: number;
  readonly north: number;
  readonly up: number;
}

export const middleUpM = (body: Body): number => (body.fromM + body.toM) / 2;
export const halfHeightM = (body: Body): number => (body.toM - body.fromM) / 2;
