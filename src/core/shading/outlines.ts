import { radToDeg } from "../units";
import type { Body, Direction, Point } from "./body";
import { type FlatPoint, outlineOf } from "./hull";
import { surfaceOf } from "./surface";

/** Lowest sun for which a shadow is drawn; below it shadows have no end. */
const LOWEST_UP = Math.sin(Math.PI / 180);

/** Outline of a body's shadow on level ground, [east, north] m in the plan; null with the sun near or under the horizon. */
export function groundShadow(body: Body, sun: Direction): FlatPoint[] | null {
  if (sun.up < LOWEST_UP) return null;
  return outlineOf(
    surfaceOf(body).map(({ eastM, northM, upM }): FlatPoint => {
      const reach = upM / sun.up;
      return [eastM - reach * sun.east, northM - reach * sun.north];
    }),
  );
}

/** Outermost outline of a body's shadows under several suns. */
export const outermostShadow = (body: Body, suns: readonly Direction[]): FlatPoint[] =>
  outlineOf(suns.flatMap((sun) => groundShadow(body, sun) ?? []));

/**
 * Outline of a body as seen from a point: [azimuth, elevation] in degrees, azimuths running on past 0 or 360 rather than jumping.
 * Null from inside the body's ground plan, where it has no side.
 */
export function skyOutline(body: Body, from: Point): FlatPoint[] | null {
  const [east, north] = [body.eastM - from.eastM, body.northM - from.northM];
  if (Math.hypot(east, north) <= Math.max(body.halfWidthM, body.halfDepthM)) return null;
  const middle = radToDeg(Math.atan2(east, north));
  return outlineOf(
    surfaceOf(body).map(({ eastM, northM, upM }): FlatPoint => {
      const [e, n] = [eastM - from.eastM, northM - from.northM];
      const azimuth = radToDeg(Math.atan2(e, n));
      const turned = ((azimuth - middle + 540) % 360) - 180;
      return [middle + turned, radToDeg(Math.atan2(upM - from.upM, Math.hypot(e, n)))];
    }),
  );
}
