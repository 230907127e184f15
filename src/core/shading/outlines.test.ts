import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { SiteObstacle } from "../site";
import { type FlatPoint, outlineOf } from "./hull";
import { bodiesOf } from "./obstacle-bodies";
import { groundShadow, outermostShadow, skyOutline } from "./outlines";
import { surfaceOf } from "./surface";

const point = fc.tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true }));
const thing = (parts: Partial<SiteObstacle>): SiteObstacle => ({
  id: "o",
  kind: "building",
  name: "",
  heightM: 6,
  widthM: 4,
  depthM: null,
  facingDeg: 25,
  baseM: null,
  lightThroughMonthlyFrac: null,
  eastM: 3,
  northM: -14,
  ...parts,
});
const turn = ([ax, ay]: FlatPoint, [bx, by]: FlatPoint, [cx, cy]: FlatPoint): number => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

describe("an outermost outline", () => {
  it("turns one way, holds every point, and is made of them", () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 40 }), (points) => {
        const outline = outlineOf(points);
        for (const corner of outline) expect(points).toContainEqual(corner);
        if (outline.length < 3) return;
        outline.forEach((corner, k) => {
          const next = outline[(k + 1) % outline.length]!;
          for (const each of points) expect(turn(corner, next, each)).toBeGreaterThanOrEqual(-1e-6);
        });
      }),
    );
  });

  it("does not depend on the order of its points", () => {
    const points: FlatPoint[] = [
      [0, 0],
      [2, 0],
      [1, 1],
      [2, 3],
      [0, 3],
    ];
    expect(outlineOf([...points].reverse())).toEqual(outlineOf(points));
  });
});

describe("surfaces and shadows", () => {
  it.each(["tree", "pole", "wall", "building", "row", "box"] as const)("every point of a %s lies within its size", (kind) => {
    const obstacle = thing({ kind, widthM: 3, depthM: 2 });
    for (const body of bodiesOf(obstacle)) {
      for (const { eastM, northM, upM } of surfaceOf(body)) {
        expect(Math.hypot(eastM - obstacle.eastM, northM - obstacle.northM)).toBeLessThan(2.2);
        expect(upM >= -1e-9 && upM <= obstacle.heightM + 1e-9).toBe(true);
      }
    }
  });

  it("a shadow under the zenith is the ground plan, and grows as the sun sinks", () => {
    const [body] = bodiesOf(thing({}));
    const area = (outline: FlatPoint[]): number =>
      Math.abs(
        outline.reduce((sum, [x, y], k) => sum + x * outline[(k + 1) % outline.length]![1] - y * outline[(k + 1) % outline.length]![0], 0),
      ) / 2;
    const at = (elevation: number) => groundShadow(body!, { east: 0, north: -Math.cos(elevation), up: Math.sin(elevation) })!;
    expect(area(at(Math.PI / 2))).toBeCloseTo(16, 6);
    expect(area(at(0.8))).toBeGreaterThan(area(at(1.2)));
    expect(area(at(0.3))).toBeGreaterThan(area(at(0.8)));
  });

  it("the outermost shadow holds each single one", () => {
    const [body] = bodiesOf(thing({ kind: "pole", widthM: 0.3 }));
    const suns = [0.4, 0.7, 1].map((elevation) => ({ east: -0.3, north: -Math.cos(elevation), up: Math.sin(elevation) }));
    const all = outermostShadow(body!, suns);
    for (const sun of suns) {
      for (const corner of groundShadow(body!, sun)!) {
        all.forEach((a, k) => {
          expect(turn(a, all[(k + 1) % all.length]!, corner)).toBeGreaterThanOrEqual(-1e-6);
        });
      }
    }
  });

  it("has no outline from within, and one that spans its width from afar", () => {
    const [body] = bodiesOf(thing({ kind: "pole", widthM: 2 }));
    expect(skyOutline(body!, { eastM: 3, northM: -14, upM: 0 })).toBeNull();
    const seen = skyOutline(body!, { eastM: 3, northM: 6, upM: 0 })!;
    const azimuths = seen.map(([azimuth]) => azimuth);
    expect(Math.max(...azimuths) - Math.min(...azimuths)).toBeCloseTo((2 * Math.asin(1 / 20) * 180) / Math.PI, 0);
    expect(Math.max(...seen.map(([, elevation]) => elevation))).toBeCloseTo((Math.atan(6 / 19) * 180) / Math.PI, 1);
  });
});
