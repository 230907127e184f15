import { near } from "@test/near";
import { describe, expect, it } from "vitest";
import type { ModuleType, PlacedArray, PvArray, SiteObstacle } from "../site";
import { hits } from "./hits";
import { BARE_THROUGH_FRAC, bearingOf, bodiesOf, deciduousThrough, LEAFED_THROUGH_FRAC, placeByBearing } from "./obstacle-bodies";
import { patchesOf } from "./patches";
import { shadedLight } from "./shade-rules";
import { surfaceOf } from "./surface";

const obstacle = (parts: Partial<SiteObstacle>): SiteObstacle => ({
  id: "o",
  kind: "box",
  name: "",
  heightM: 4,
  widthM: 6,
  depthM: 2,
  facingDeg: null,
  baseM: null,
  lightThroughMonthlyFrac: null,
  eastM: 0,
  northM: 0,
  ...parts,
});

describe("the solids of an obstacle", () => {
  it("a tree is a crown on a trunk that reaches into it", () => {
    const [crown, trunk] = bodiesOf(obstacle({ kind: "tree", heightM: 8, widthM: 5 }));
    expect(crown).toMatchObject({ shape: "crown", fromM: 2, toM: 8, halfWidthM: 2.5 });
    expect(crown!.through).toEqual(new Array(12).fill(LEAFED_THROUGH_FRAC));
    expect(trunk).toMatchObject({ shape: "column", fromM: 0, halfWidthM: 0.2 });
    expect(trunk!.toM).toBeCloseTo(2 + 6 * 0.15, 12);
    expect(trunk!.through).toEqual(new Array(12).fill(0));
    expect(bodiesOf(obstacle({ kind: "tree", baseM: 0 }))).toHaveLength(1);
    expect(bodiesOf(obstacle({ kind: "tree", baseM: 3 }))[0]!.fromM).toBe(3);
  });

  it("a wall is thin, a building as deep as it is wide, unless the book says", () => {
    const depth = (parts: Partial<SiteObstacle>) => bodiesOf(obstacle({ depthM: null, ...parts }))[0]!.halfDepthM;
    expect([
      depth({ kind: "wall" }),
      depth({ kind: "row" }),
      depth({ kind: "building" }),
      depth({ kind: "wall", widthM: 0.1 }),
      depth({ kind: "wall", depthM: 1 }),
    ]).toEqual([0.1, 0.1, 3, 0.05, 0.5]);
    expect(bodiesOf(obstacle({ kind: "pole", widthM: 0.3 }))[0]).toMatchObject({ shape: "column", fromM: 0, toM: 4, halfWidthM: 0.15 });
    expect(bodiesOf(obstacle({ baseM: 1 }))[0]).toMatchObject({ shape: "box", fromM: 1, toM: 4, halfWidthM: 3 });
  });

  it("a tree in leaf from May to October, or around the new year", () => {
    const leafed = (from: number, until: number) =>
      deciduousThrough(from, until).flatMap((through, m) => (through === LEAFED_THROUGH_FRAC ? [m + 1] : []));
    expect(leafed(5, 10)).toEqual([5, 6, 7, 8, 9, 10]);
    expect(leafed(11, 3)).toEqual([1, 2, 3, 11, 12]);
    expect(leafed(4, 4)).toEqual([4]);
    expect(deciduousThrough(5, 10)[0]).toBe(BARE_THROUGH_FRAC);
  });

  it("a bearing and a distance are a place, and back", () => {
    const array = { array: { id: "a" }, eastM: 10, northM: 20 } as PlacedArray;
    const placed = placeByBearing(array, { ...obstacle({}), azimuthDeg: 90, distanceM: 5 });
    expect([placed.eastM, placed.northM]).toEqual([near(15, 12), near(20, 12)]);
    expect(placed).toMatchObject({ id: "a@90,5", facingDeg: 270 });
    expect(bearingOf(array, placed)).toEqual({ azimuthDeg: near(90, 9), distanceM: near(5, 9) });
    expect(bearingOf(array, { eastM: 9, northM: 20 })).toEqual({ azimuthDeg: 270, distanceM: 1 });
    expect(placeByBearing(array, { ...obstacle({ facingDeg: 10 }), azimuthDeg: 200, distanceM: 5 }).facingDeg).toBe(10);
    expect(placeByBearing(array, { ...obstacle({}), azimuthDeg: 200, distanceM: 5 }).facingDeg).toBe(20);
  });
});

describe("a ray that meets", () => {
  const [box] = bodiesOf(obstacle({ eastM: 10, baseM: 1 }));
  const [pole] = bodiesOf(obstacle({ kind: "pole", eastM: 10, widthM: 1 }));
  const [crown] = bodiesOf(obstacle({ kind: "tree", eastM: 10, heightM: 5, baseM: 1, widthM: 4 }));
  const east = (body: typeof box, north: number, upM: number) => hits(body!, 0, north, upM, 1, 0, 0);

  it("a box, level and within its heights and its depth", () => {
    // It faces north: six metres from east to west, two from north to south.
    expect([east(box, 0.99, 2), east(box, 1.01, 2), east(box, -0.99, 2), east(box, -1.01, 2)]).toEqual([true, false, true, false]);
    expect([east(box, 0, 1), east(box, 0, 0.99), east(box, 0, 4), east(box, 0, 4.01)]).toEqual([true, false, true, false]);
    expect(hits(box!, 20, 0, 2, 1, 0, 0)).toBe(false);
    expect(hits(box!, 10, 0, 2, 1, 0, 0)).toBe(true);
    expect(hits(box!, 10, -5, 2, 0, 1, 0)).toBe(true);
    expect([hits(box!, 6.9, -5, 2, 0, 1, 0), hits(box!, 7.1, -5, 2, 0, 1, 0)]).toEqual([false, true]);
  });

  it("a box, over and under it on a slope", () => {
    const up = Math.SQRT1_2;
    // From 7 m before its near face a slope of one reaches 7 m there.
    expect(hits(box!, 0, 0, 0, up, 0, up)).toBe(false);
    expect([hits(box!, 3.01, 0, 0, up, 0, up), hits(box!, 2.99, 0, 0, up, 0, up)]).toEqual([true, false]);
    expect(hits(box!, 12.5, 0, 0, up, 0, up)).toBe(false);
    expect(hits(box!, 11.9, 0, 0, up, 0, up)).toBe(true);
  });

  it("a pole as wide as it is, and straight from above within it alone", () => {
    expect([east(pole, 0.49, 2), east(pole, 0.51, 2), east(pole, 0, 4.1)]).toEqual([true, false, false]);
    expect([hits(pole!, 10.4, 0, 0, 0, 0, 1), hits(pole!, 10.6, 0, 0, 0, 0, 1), hits(pole!, 10.4, 0, 5, 0, 0, 1)]).toEqual([
      true,
      false,
      false,
    ]);
  });

  it("a crown that is round", () => {
    expect([
      east(crown, 0, 3),
      east(crown, 1.99, 3),
      east(crown, 2.01, 3),
      east(crown, 0, 4.99),
      east(crown, 0, 5.01),
      east(crown, 1.5, 4.5),
    ]).toEqual([true, true, false, true, false, false]);
    expect(hits(crown!, 20, 0, 3, 1, 0, 0)).toBe(false);
    expect(hits(crown!, 10, 0, 3, 1, 0, 0)).toBe(true);
  });
});

describe("points of a surface", () => {
  it("lie on it, at its foot and its top", () => {
    const [box] = bodiesOf(obstacle({ eastM: 10, northM: 5, baseM: 1, facingDeg: 90 }));
    const points = surfaceOf(box!);
    expect(points).toHaveLength(2 * 24);
    expect(new Set(points.map(({ upM }) => upM))).toEqual(new Set([1, 4]));
    // Facing east: two metres from east to west, six from north to south.
    expect(Math.max(...points.map(({ eastM }) => eastM))).toBeCloseTo(11, 9);
    expect(Math.max(...points.map(({ northM }) => northM))).toBeCloseTo(8, 9);
    expect(
      points.every(({ eastM, northM }) => Math.abs(Math.abs(eastM - 10) - 1) < 1e-9 || Math.abs(Math.abs(northM - 5) - 3) < 1e-9),
    ).toBe(true);
  });

  it("a crown's are all over it, poles too", () => {
    const [crown] = bodiesOf(obstacle({ kind: "tree", heightM: 5, baseM: 1, widthM: 4 }));
    const points = surfaceOf(crown!);
    expect(points).toHaveLength(13 * 24);
    for (const { eastM, northM, upM } of points) expect((eastM / 2) ** 2 + (northM / 2) ** 2 + ((upM - 3) / 2) ** 2).toBeCloseTo(1, 9);
    expect([Math.max(...points.map(({ upM }) => upM)), Math.min(...points.map(({ upM }) => upM))]).toEqual([near(5, 9), near(1, 9)]);
  });
});

describe("patches of an array", () => {
  const place = (parts: Partial<PvArray> = {}, more: Partial<PlacedArray> = {}): PlacedArray => ({
    array: { id: "a", count: 12, modulesPerString: 6, orientation: "portrait", azimuthDeg: 180, tiltDeg: 0, ...parts } as PvArray,
    columns: 6,
    rows: 2,
    widthM: 6,
    slantM: 4,
    eastM: 100,
    northM: 50,
    upM: 3,
    ...more,
  });
  const module = { bypassDiodes: 3 } as ModuleType;
  const pointOf = (points: Float64Array, k: number): number[] => [...points.subarray(3 * k, 3 * k + 3)];

  it("are a module's thirds across, each looked at near both edges", () => {
    const { points, count, strings } = patchesOf(place(), module);
    expect(count).toBe(36);
    expect(points).toHaveLength(36 * 6);
    expect(strings.map((string) => string.length)).toEqual([18, 18]);
    expect(strings[1]![0]).toBe(18);
    // Seen from the south the first stands in the west: half a patch from the edge, 4 hundredths of a row from the foot.
    expect(pointOf(points, 0)).toEqual([97 + 6 / 36, 48 + 0.04 * 2, 3].map((value) => near(value, 9)));
    expect(pointOf(points, 1)).toEqual([97 + 6 / 36, 48 + 0.96 * 2, 3].map((value) => near(value, 9)));
    expect(pointOf(points, 71)).toEqual([103 - 6 / 36, 50 + 0.96 * 2, 3].map((value) => near(value, 9)));
  });

  it("lie on the slope, and turn with the array", () => {
    const [east, north, up] = pointOf(patchesOf(place({ tiltDeg: 30, azimuthDeg: 90 }), module).points, 0);
    const [side, slope] = [-3 + 6 / 36, -2 + 0.08];
    expect(up).toBeCloseTo(3 + slope * 0.5, 9);
    expect(east).toBeCloseTo(100 - slope * Math.cos(Math.PI / 6), 9);
    expect(north).toBeCloseTo(50 + side, 9);
  });

  it("landscape modules are one each, and large arrays have wider ones", () => {
    expect(patchesOf(place({ orientation: "landscape" }), module).count).toBe(12);
    expect(patchesOf(place({}, { columns: 40 }), module).count).toBe(48);
    expect(patchesOf(place({}, { columns: 6, rows: 12 }), module).count).toBe(48);
    expect(patchesOf(place({}, { columns: 40, rows: 1 }), module).count).toBe(24);
  });

  it("a rule makes of uneven light what the strings can carry", () => {
    const light = Float64Array.of(10, 10, 10, 2, 10, 10, 10, 10);
    const strings = [
      [0, 1, 2, 3],
      [4, 5, 6, 7],
    ];
    expect(shadedLight("module-level", strings, light)).toBe(72 / 8);
    expect(shadedLight("bypass-diodes", strings, light)).toBe((30 + 40) / 8);
    expect(shadedLight("worst-module", strings, light)).toBe((8 + 40) / 8);
    // Little shade on all is better carried than bypassed.
    expect(shadedLight("bypass-diodes", [[0, 1]], Float64Array.of(9, 10))).toBe(9);
  });
});
