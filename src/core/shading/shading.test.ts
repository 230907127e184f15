import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { site } from "../../../test/site-builder";
import { planeOf } from "../irradiance";
import { arrayPlace, type SiteObstacle } from "../site";
import { degToRad } from "../units";
import {
  beamRetainedFrac,
  bodiesOf,
  deciduousThrough,
  groundShadow,
  hits,
  horizonElevationDeg,
  horizonLine,
  shadedYear,
  shadeScene,
  skyOutline,
  skyRetainedFrac,
  underHorizon,
} from ".";
import { patchesOf } from "./patches";
import { shadedLight } from "./shade-rules";
import { mayMeet, veil, wedgesOf } from "./veil";

const toward = (azimuthDeg: number, elevationDeg: number) => ({
  east: Math.cos(degToRad(elevationDeg)) * Math.sin(degToRad(azimuthDeg)),
  north: Math.cos(degToRad(elevationDeg)) * Math.cos(degToRad(azimuthDeg)),
  up: Math.sin(degToRad(elevationDeg)),
});
const obstacle = (parts: Partial<SiteObstacle>): SiteObstacle => ({
  id: "o",
  kind: "wall",
  name: "",
  heightM: 5,
  widthM: 10,
  depthM: null,
  facingDeg: 0,
  baseM: null,
  lightThroughMonthlyFrac: null,
  eastM: 0,
  northM: -10,
  ...parts,
});
const blocked = (parts: Partial<SiteObstacle>, azimuthDeg: number, elevationDeg: number, at = { e: 0, n: 0, u: 0 }): boolean => {
  const { east, north, up } = toward(azimuthDeg, elevationDeg);
  return bodiesOf(obstacle(parts)).some((body) => hits(body, at.e, at.n, at.u, east, north, up));
};

describe("bodies in the sun's way", () => {
  it.each([
    ["a wall hides the sun under its top", {}, 180, 26, true],
    ["and not above it", {}, 180, 27.5, false],
    ["nor beside its end", {}, 180 + 27.5, 10, false],
    ["nor in the opposite direction", {}, 0, 10, false],
    ["a turned wall shows its narrow side", { facingDeg: 90 }, 183, 20, false],
    ["a pole hides what is behind its width", { kind: "pole", widthM: 0.4 }, 180.9, 20, true],
    ["and no more", { kind: "pole", widthM: 0.4 }, 181.4, 20, false],
    ["a crown hides the sky between its foot and its top", { kind: "tree", heightM: 8, widthM: 4, baseM: 4 }, 180, 31, true],
    ["light passes under it", { kind: "tree", heightM: 8, widthM: 4, baseM: 4 }, 184, 12, false],
    ["its trunk stands in the way there", { kind: "tree", heightM: 8, widthM: 4, baseM: 4 }, 180, 12, true],
    ["a building is as deep as it is wide", { kind: "building", eastM: 0, northM: -10 }, 180, 44, true],
  ] as const)("%s", (_, parts, azimuth, elevation, expected) => {
    expect(blocked(parts as Partial<SiteObstacle>, azimuth, elevation)).toBe(expected);
  });

  it("an outline in the sky holds every direction in which its body is met", () => {
    const kinds = fc.constantFrom("tree", "pole", "wall", "building", "row") as fc.Arbitrary<SiteObstacle["kind"]>;
    const size = fc.double({ min: 1, max: 9, noNaN: true });
    const place = fc.double({ min: -40, max: 40, noNaN: true });
    fc.assert(
      fc.property(
        kinds,
        size,
        size,
        place,
        place,
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        (kind, heightM, widthM, eastM, northM, aside, elevation) => {
          fc.pre(Math.hypot(eastM, northM) > 12);
          const [body] = bodiesOf(obstacle({ kind, heightM, widthM, eastM, northM }));
          const outline = skyOutline(body!, { eastM: 0, northM: 0, upM: 0 })!;
          const middle = (Math.atan2(eastM, northM) * 180) / Math.PI;
          const sun = toward(middle + aside, elevation);
          if (!hits(body!, 0, 0, 0, sun.east, sun.north, sun.up)) return;
          const [azimuths, elevations] = [outline.map(([a]) => a), outline.map(([, e]) => e)];
          const within = (value: number, all: number[]) => value > Math.min(...all) - 0.4 && value < Math.max(...all) + 0.4;
          expect(within(middle + aside, azimuths) && within(elevation, elevations)).toBe(true);
        },
      ),
      { numRuns: 400 },
    );
  });

  it("a point lies in the ground shadow exactly when the ray from it meets the body", () => {
    const [body] = bodiesOf(obstacle({ kind: "building", heightM: 6, widthM: 4, depthM: 3, facingDeg: 30, eastM: 2, northM: 1 }));
    const sun = toward(215, 33);
    const outline = groundShadow(body!, sun)!;
    const inside = (x: number, y: number) =>
      outline.every(([x1, y1], k) => {
        const [x2, y2] = outline[(k + 1) % outline.length]!;
        return (x2 - x1) * (y - y1) - (y2 - y1) * (x - x1) >= 0;
      });
    for (let e = -14; e < 16; e += 0.73) {
      for (let n = -14; n < 16; n += 0.73) expect(hits(body!, e, n, 0, sun.east, sun.north, sun.up)).toBe(inside(e, n));
    }
  });

  it("no shadow is drawn of a sun that is down", () => {
    expect(groundShadow(bodiesOf(obstacle({}))[0]!, toward(180, -3))).toBeNull();
  });
});

describe("horizon", () => {
  const line = [
    { azimuthDeg: 350, elevationDeg: 10 },
    { azimuthDeg: 30, elevationDeg: 20 },
    { azimuthDeg: 180, elevationDeg: 0 },
  ];
  it.each([
    [10, 15],
    [350, 10],
    [0, 12.5],
    [105, 10],
    [180, 0],
    [265, 5],
  ])("runs straight between its points, around north too: %d deg", (azimuth, elevation) => {
    expect(horizonElevationDeg(line, azimuth)).toBeCloseTo(elevation, 9);
  });

  it("hides the sun below and not above", () => {
    const held = horizonLine(line)!;
    for (const azimuth of [0, 12.3, 100, 200, 359.7]) {
      const elevation = horizonElevationDeg(line, azimuth);
      for (const [d, under] of [
        [-0.3, true],
        [0.3, false],
      ] as const) {
        const { east, north, up } = toward(azimuth, elevation + d);
        expect(underHorizon(held, east, north, up)).toBe(under);
      }
    }
  });

  it("takes the sky that it hides: a ring of e degrees leaves cos^2(e) of a level plane's", () => {
    for (const elevationDeg of [10, 20, 45]) {
      const ring = horizonLine([{ azimuthDeg: 0, elevationDeg }])!;
      const kept = skyRetainedFrac(
        planeOf(0, 180),
        new Float64Array(3),
        { bodies: [], wedges: { of: new Float64Array() }, horizon: ring },
        0,
      );
      expect(kept).toBeCloseTo(Math.cos(degToRad(elevationDeg)) ** 2, 2);
    }
  });
});

describe("the array and its strings", () => {
  const shaded = site({
    arrays: [{ id: "a", module: "m", count: 20, modulesPerString: 10, tiltDeg: 30, azimuthDeg: 180, eastM: 0, northM: 0 }],
    obstacles: [{ id: "wall", kind: "wall", heightM: 3, widthM: 40, facingDeg: 0, eastM: 0, northM: -6 }],
  });
  const scene = shadeScene(shaded, shaded.arrays[0]!)!;

  it("the foot of the array is shaded before its head", () => {
    const foot = beamRetainedFrac(scene, toward(180, 20), 0);
    expect(foot).toBeGreaterThan(0);
    expect(foot).toBeLessThan(1);
    expect(beamRetainedFrac(scene, toward(180, 5), 0)).toBe(0);
    expect(beamRetainedFrac(scene, toward(180, 40), 0)).toBe(1);
  });

  it("less of the beam is left the lower the sun stands behind a wall", () => {
    let before = 0;
    for (let elevation = 2; elevation < 45; elevation += 1) {
      const kept = beamRetainedFrac(scene, toward(180, elevation), 0);
      expect(kept).toBeGreaterThanOrEqual(before);
      before = kept;
    }
  });

  it("patches stand for the strings of their modules", () => {
    const strings = scene.patches.strings.flat();
    expect(scene.patches.strings).toHaveLength(2);
    expect(new Set(strings).size).toBe(scene.patches.count);
  });

  it("worst module takes most, bypass diodes less, module level least", () => {
    const light = fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 6, maxLength: 6 });
    fc.assert(
      fc.property(light, (values) => {
        const of = (rule: "module-level" | "bypass-diodes" | "worst-module") =>
          shadedLight(
            rule,
            [
              [0, 1, 2],
              [3, 4, 5],
            ],
            Float64Array.from(values),
          );
        expect(of("worst-module")).toBeLessThanOrEqual(of("bypass-diodes") + 1e-9);
        expect(of("bypass-diodes")).toBeLessThanOrEqual(of("module-level") + 1e-9);
      }),
    );
  });

  it("one dark part of ten: a tenth behind diodes, the dark part's light without", () => {
    const light = Float64Array.from({ length: 10 }, (_, k) => (k === 3 ? 100 : 1000));
    const string = [[0, 1, 2, 3, 4, 5, 6, 7, 8, 9]];
    expect(shadedLight("bypass-diodes", string, light)).toBeCloseTo(900, 9);
    expect(shadedLight("worst-module", string, light)).toBeCloseTo(100, 9);
    expect(shadedLight("module-level", string, light)).toBeCloseTo(910, 9);
  });

  it("an array's own obstacle stands where its bearing and distance say", () => {
    const own = site({
      arrays: [{ ...shaded.arrays[0]!, eastM: 5, obstacles: [{ kind: "pole", azimuthDeg: 90, distanceM: 10, heightM: 9, widthM: 1 }] }],
    });
    const there = shadeScene(own, own.arrays[0]!)!.bodies[0]!;
    expect(there.eastM).toBeCloseTo(15, 9);
    expect(there.northM).toBeCloseTo(0, 9);
  });

  it("unplaced arrays stand side by side", () => {
    const two = site({
      arrays: ["a", "b"].map((id) => ({ id, module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180 })),
      inverters: [],
      meters: [],
    });
    const [a, b] = [arrayPlace(two, "a"), arrayPlace(two, "b")];
    expect(b.eastM - a.eastM).toBeGreaterThan((a.widthM + b.widthM) / 2);
  });
});

describe("the fast way is the slow way", () => {
  it("wedges and veils meet what the rays meet, point by point, from all over the sky", () => {
    const kinds = ["tree", "pole", "wall", "building", "row"] as const;
    const around = kinds.flatMap((kind, k) =>
      bodiesOf(
        obstacle({
          kind,
          widthM: 0.5 + 2 * k,
          heightM: 4 + k,
          facingDeg: 40 * k,
          eastM: 9 * Math.sin(k * 1.3),
          northM: -4 + 11 * Math.cos(k * 1.3),
        }),
      ),
    );
    const stood = site({ arrays: [{ id: "a", module: "m", count: 12, tiltDeg: 35, azimuthDeg: 200, eastM: 0, northM: 0 }] });
    const place = arrayPlace(stood, "a");
    const { points } = patchesOf(place, stood.modules.m!);
    const wedges = wedgesOf(place, points, around);
    let [met, free] = [0, 0];
    for (let azimuth = 1.3; azimuth < 360; azimuth += 7) {
      for (let elevation = 0.7; elevation < 90; elevation += 5) {
        const { east, north, up } = toward(azimuth, elevation);
        around.forEach((body, b) => {
          const seen = new Float64Array(points.length / 3).fill(1);
          const may = mayMeet(wedges, b, { east, north, up }, Math.hypot(east, north));
          if (may) veil(body, 0, { east, north, up }, { points, count: seen.length, through: seen });
          seen.forEach((share, p) => {
            const hit = hits(body, points[3 * p]!, points[3 * p + 1]!, points[3 * p + 2]!, east, north, up);
            expect(share === 0).toBe(hit);
            if (hit) met++;
          });
          if (!may) free++;
        });
      }
    }
    // Both ways were taken often.
    expect(met).toBeGreaterThan(1000);
    expect(free).toBeGreaterThan(1000);
  });
});

describe("shaded hours", () => {
  it("a tree in the south costs winter hours in the north, and none once it is bare of consequence", () => {
    const wooded = site({ obstacles: [{ id: "t", kind: "tree", heightM: 9, widthM: 6, eastM: 0, northM: -14 }] });
    const { sunHours, partHours, fullHours } = shadedYear(wooded, "a", 2025).hours;
    expect(partHours[11]!).toBeGreaterThan(20);
    expect(partHours[5]!).toBe(0);
    fullHours.forEach((hours, m) => {
      expect(hours).toBeLessThanOrEqual(partHours[m]! + 1e-9);
      expect(partHours[m]!).toBeLessThanOrEqual(sunHours[m]! + 1e-9);
    });
  });

  it("leaves are on in the other half of the year in the south", () => {
    expect(deciduousThrough(5, 10)[6]).toBe(0.03);
    expect(deciduousThrough(11, 4)[6]).toBe(0.46);
    expect(deciduousThrough(11, 4)[0]).toBe(0.03);
  });
});
