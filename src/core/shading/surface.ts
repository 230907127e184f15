import { type Body, halfHeightM, middleUpM, type Point } from "./body";

const ROUND = 24;
const ALONG_EDGE = 6;

/** Points of a body's surface, dense enough for its outline from anywhere. */
export function surfaceOf(body: Body): Point[] {
  if (body.shape === "crown") return crown(body);
  const ring = body.shape === "column" ? circle(body) : rectangle(body);
  return [body.fromM, body.toM].flatMap((upM) =>
    ring.map(([east, north]) => ({ eastM: body.eastM + east, northM: body.northM + north, upM })),
  );
}

const circle = ({ halfWidthM }: Body): [number, number][] =>
  Array.from({ length: ROUND }, (_, k) => {
    const angle = (2 * Math.PI * k) / ROUND;
    return [halfWidthM * Math.sin(angle), halfWidthM * Math.cos(angle)];
  });

/** The rim of a box's ground plan; long edges are straight in space, but not as seen in the sky. */
function rectangle({ halfWidthM, halfDepthM, sinFacing, cosFacing }: Body): [number, number][] {
  const corners = [
    [1, 1],
    [1, -1],
    [-1, -1],
    [-1, 1],
  ] as const;
  return corners.flatMap(([across, along], k) => {
    const [nextAcross, nextAlong] = corners[(k + 1) % 4]!;
    return Array.from({ length: ALONG_EDGE }, (_, j): [number, number] => {
      const gone = j / ALONG_EDGE;
      const a = halfWidthM * (across + (nextAcross - across) * gone);
      const d = halfDepthM * (along + (nextAlong - along) * gone);
      return [a * cosFacing + d * sinFacing, d * cosFacing - a * sinFacing];
    });
  });
}

function crown(body: Body): Point[] {
  const half = halfHeightM(body);
  const points: Point[] = [];
  for (let ring = 0; ring <= ROUND / 2; ring++) {
    const polar = (Math.PI * ring) / (ROUND / 2);
    for (const [east, north] of circle(body)) {
      points.push({
        eastM: body.eastM + east * Math.sin(polar),
        northM: body.northM + north * Math.sin(polar),
        upM: middleUpM(body) + half * Math.cos(polar),
      });
    }
  }
  return points;
}
