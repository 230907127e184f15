import type { Obstacle, ObstacleShape, PlacedArray, SiteObstacle } from "../site";
import { degToRad, radToDeg } from "../units";
import type { Body } from "./body";

/** Light through a crown in leaf and bare. Source: Konarska et al., 2014, Transmissivity of solar radiation through crowns of single urban trees. */
export const LEAFED_THROUGH_FRAC = 0.03;
export const BARE_THROUGH_FRAC = 0.46;
/** Share of a tree's height that is trunk, where the book does not say. */
const USUAL_TRUNK_FRAC = 0.25;
const TRUNK_WIDTH_FRAC = 0.08;
const THIN_M = 0.2;

const NOTHING: readonly number[] = new Array<number>(12).fill(0);
const LEAFED: readonly number[] = new Array<number>(12).fill(LEAFED_THROUGH_FRAC);

/** Months of leaf of a deciduous tree as the light that passes, January first; from and until count in. In the south the summer is at the other end. */
export const deciduousThrough = (firstMonth: number, lastMonth: number): number[] =>
  Array.from({ length: 12 }, (_, m) => {
    const month = m + 1;
    const leafed = firstMonth <= lastMonth ? month >= firstMonth && month <= lastMonth : month >= firstMonth || month <= lastMonth;
    return leafed ? LEAFED_THROUGH_FRAC : BARE_THROUGH_FRAC;
  });

/** Where an obstacle that is told by bearing and distance stands in the plan. */
export function placeByBearing(array: PlacedArray, obstacle: Obstacle): SiteObstacle {
  const bearing = degToRad(obstacle.azimuthDeg);
  const { azimuthDeg, distanceM, ...shape } = obstacle;
  return {
    ...shape,
    id: `${array.array.id}@${azimuthDeg},${distanceM}`,
    facingDeg: obstacle.facingDeg ?? (azimuthDeg + 180) % 360,
    eastM: array.eastM + distanceM * Math.sin(bearing),
    northM: array.northM + distanceM * Math.cos(bearing),
  };
}

/** Bearing and distance of a place in the plan, from an array's middle. */
export function bearingOf(
  array: { eastM: number; northM: number },
  at: { eastM: number; northM: number },
): { azimuthDeg: number; distanceM: number } {
  const [east, north] = [at.eastM - array.eastM, at.northM - array.northM];
  return { azimuthDeg: (radToDeg(Math.atan2(east, north)) + 360) % 360, distanceM: Math.hypot(east, north) };
}

const usualDepth = ({ kind, widthM }: ObstacleShape): number => (kind === "wall" || kind === "row" ? Math.min(THIN_M, widthM) : widthM);

/** An obstacle as the solids that it is made of: a tree is a crown on a trunk. */
export function bodiesOf(obstacle: SiteObstacle): Body[] {
  const { kind, heightM, widthM, eastM, northM } = obstacle;
  const facing = degToRad(obstacle.facingDeg ?? 0);
  const common = { eastM, northM, sinFacing: Math.sin(facing), cosFacing: Math.cos(facing) };
  const round = { ...common, halfWidthM: widthM / 2, halfDepthM: widthM / 2 };
  if (kind === "tree") {
    const trunkM = obstacle.baseM ?? heightM * USUAL_TRUNK_FRAC;
    const through = obstacle.lightThroughMonthlyFrac ?? LEAFED;
    const crown: Body = { ...round, shape: "crown", fromM: trunkM, toM: heightM, through };
    if (trunkM <= 0) return [crown];
    const half = (widthM * TRUNK_WIDTH_FRAC) / 2;
    // The trunk goes up into the crown, whose foot is a point.
    const top = Math.min(heightM, trunkM + (heightM - trunkM) * 0.15);
    return [crown, { ...round, halfWidthM: half, halfDepthM: half, shape: "column", fromM: 0, toM: top, through: NOTHING }];
  }
  const through = obstacle.lightThroughMonthlyFrac ?? NOTHING;
  const heights = { fromM: obstacle.baseM ?? 0, toM: heightM, through };
  if (kind === "pole") return [{ ...round, ...heights, shape: "column" }];
  return [{ ...common, ...heights, shape: "box", halfWidthM: widthM / 2, halfDepthM: (obstacle.depthM ?? usualDepth(obstacle)) / 2 }];
}
