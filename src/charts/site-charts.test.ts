import { site } from "@test/site-builder";
import { createElement, type FunctionComponent, type ReactNode } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { monthDates, sunArc, YEAR_BANDS } from "@/core/geometry";
import { SKY_STEPS } from "@/core/shading";
import { arrayPlace, type SiteObstacle } from "@/core/site";
import {
  DatedLine,
  frameOf,
  OneLine,
  type OneLineInverter,
  oneLineHeight,
  planPath,
  RowsSide,
  SideView,
  SitePlan,
  SkyBands,
  SunDot,
  SunPath,
  skyFrame,
  skyFromPx,
  skyToPx,
  TiltYear,
  toMetres,
  toPx,
  WayCurves,
} from ".";

function drawn<P extends object>(mark: FunctionComponent<P>, props: P): string {
  return renderToStaticMarkup(createElement("svg", null, createElement(mark, props)));
}
const numbersOf = (markup: string, attribute: string): number[] =>
  [...markup.matchAll(new RegExp(` ${attribute}="(-?[\\d.]+)"`, "g"))].map((match) => Number(match[1]));
const textsOf = (markup: string): string[] => [...markup.matchAll(/<text[^>]*>([^<]*)</g)].map((match) => match[1]!);

const stood = site({
  arrays: [
    { id: "a", name: "East rack", module: "m", count: 12, tiltDeg: 30, azimuthDeg: 180, eastM: 0, northM: 0 },
    { id: "b", name: "West rack", module: "m", count: 12, tiltDeg: 30, azimuthDeg: 250, eastM: -20, northM: 5 },
  ],
  inverters: [],
  meters: [],
});
const places = stood.arrays.map((array) => arrayPlace(stood, array.id));
const thing = (parts: Partial<SiteObstacle>): SiteObstacle => ({
  id: "t",
  kind: "tree",
  name: "Oak",
  heightM: 8,
  widthM: 6,
  depthM: null,
  facingDeg: null,
  baseM: null,
  lightThroughMonthlyFrac: null,
  eastM: 4,
  northM: -11,
  ...parts,
});

describe("the plan", () => {
  const frame = frameOf(500, 300, places, [thing({})]);

  it("holds every array and obstacle, and leaves a border", () => {
    for (const spot of [...places, thing({})]) {
      const { x, y } = toPx(frame, spot.eastM, spot.northM);
      expect(x > 20 && x < 480 && y > 20 && y < 280).toBe(true);
    }
  });

  it("metres and pixels are each other's inverse, with north up and east right", () => {
    const { x, y } = toPx(frame, 3, 7);
    const back = toMetres(frame, x, y);
    expect(back.eastM).toBeCloseTo(3, 9);
    expect(back.northM).toBeCloseTo(7, 9);
    expect(toPx(frame, 0, 10).y).toBeLessThan(toPx(frame, 0, 0).y);
    expect(toPx(frame, 10, 0).x).toBeGreaterThan(toPx(frame, 0, 0).x);
  });

  const plan = (obstacles: SiteObstacle[], ground: ReactNode = null) =>
    drawn(SitePlan, { frame, arrays: places, obstacles, ground, outlines: [], selected: "t", grip: (_id, _label, children) => children });

  it("draws arrays to scale and turns them to where they look", () => {
    const markup = plan([]);
    const widths = numbersOf(markup, "width");
    expect(widths.some((w) => Math.abs(w - places[0]!.widthM * frame.pxPerM) < 0.01)).toBe(true);
    expect(markup).toContain("rotate(0)");
    expect(markup).toContain("rotate(70)");
    expect(textsOf(markup)).toEqual(expect.arrayContaining(["East rack", "West rack", "N"]));
  });

  it.each(["tree", "pole", "wall", "building", "row", "box"] as const)("names a %s, and marks the one in hand in clay", (kind) => {
    const markup = plan([thing({ kind, name: "" })]);
    expect(textsOf(markup)).toContain(kind);
    expect(markup).toContain("var(--clay)");
  });

  it("lays shadows on the ground, under the things", () => {
    const d = planPath(frame, [
      [0, 0],
      [1, 0],
      [1, 1],
    ]);
    expect(d).toMatch(/^M[\d.]+ [\d.]+L.*Z$/);
    expect(planPath(frame, [])).toBe("");
    const markup = plan([thing({})], createElement("path", { d, id: "shadow" }));
    expect(markup.indexOf('id="shadow"')).toBeLessThan(markup.indexOf("East rack"));
  });

  it("a site of one small thing is not blown up beyond sixty pixels a metre", () => {
    expect(frameOf(800, 800, places.slice(0, 1), []).pxPerM).toBeLessThanOrEqual(60);
  });
});

describe("the sky", () => {
  const arcs = monthDates(2025).map((date) => ({
    label: date.slice(5, 7),
    points: sunArc({ latitudeDeg: 40, longitudeDeg: 0 }, date),
    strong: true,
  }));
  const frame = skyFrame(600, 320, 180, arcs);
  const bare = { openKwhM2: new Float64Array(YEAR_BANDS * SKY_STEPS), lostKwhM2: new Float64Array(YEAR_BANDS * SKY_STEPS) };

  it("azimuth and elevation are read back from where they are drawn", () => {
    for (const [azimuth, elevation] of [
      [180, 30],
      [95, 12],
      [262, 55],
    ] as const) {
      const { x, y } = skyToPx(frame, azimuth, elevation);
      const back = skyFromPx(frame, x, y);
      expect(back.azimuthDeg).toBeCloseTo(azimuth, 6);
      expect(back.elevationDeg).toBeCloseTo(elevation, 6);
    }
  });

  it("is read back around north for a southern sheet", () => {
    const south = skyFrame(600, 320, 0, [{ points: sunArc({ latitudeDeg: -40, longitudeDeg: 0 }, "2025-12-21") }]);
    const { x, y } = skyToPx(south, 350, 20);
    expect(skyFromPx(south, x, y).azimuthDeg).toBeCloseTo(350, 6);
    expect(skyToPx(south, 350, 20).x).toBeLessThan(skyToPx(south, 10, 20).x);
  });

  it("the sun's year is painted where it shines, darker the more is lost, and says so", () => {
    const sky = { openKwhM2: bare.openKwhM2.slice(), lostKwhM2: bare.lostKwhM2.slice() };
    [0, 3, 9].forEach((lost, k) => {
      sky.openKwhM2[3 * SKY_STEPS + 35 + k] = 10;
      sky.lostKwhM2[3 * SKY_STEPS + 35 + k] = lost;
    });
    const markup = drawn(SkyBands, { frame, arcs, sky, sayCell: (band, step) => `${band} at ${step}` });
    expect(textsOf(markup)).toEqual([]);
    expect([...markup.matchAll(/<title>([^<]*)/g)].map((match) => match[1])).toEqual(["3 at 35", "3 at 36", "3 at 37"]);
    const dark = [...markup.matchAll(/account-shading\)" fill-opacity="([\d.]+)"/g)].map((match) => Number(match[1]));
    expect(dark).toHaveLength(2);
    expect(dark[1]!).toBeGreaterThan(dark[0]!);
    const [x, y] = markup
      .match(/points="([\d.]+),([\d.]+)/)!
      .slice(1)
      .map(Number) as [number, number];
    const march = skyToPx(frame, arcs[2]!.points[70]!.azimuthDeg, arcs[2]!.points[70]!.elevationDeg);
    expect(Math.abs(x - march.x)).toBeLessThan(1);
    expect(Math.abs(y - march.y)).toBeLessThan(1);
  });

  it("draws an arc a month, the horizon, and every outline with its name", () => {
    const markup = drawn(SunPath, {
      frame,
      arcs,
      silhouettes: [
        {
          id: "oak",
          label: "Oak",
          thin: false,
          points: [
            [150, 0],
            [170, 0],
            [160, 30],
          ],
        },
      ],
      sky: bare,
      sayCell: () => "",
      horizonAt: () => 7,
      plane: { tiltDeg: 30, azimuthDeg: 180 },
      hourOf: (utcMs) => (utcMs / 3_600_000) % 24,
    });
    expect(markup.match(/stroke="var\(--ink-soft\)"/g)!.length).toBeGreaterThanOrEqual(12);
    expect(textsOf(markup)).toContain("Oak");
    expect(markup).toContain("behind-modules");
    expect(textsOf(markup)).toEqual(expect.arrayContaining(["E", "S", "W"]));
  });

  it("shows the sun of a moment, and none at night", () => {
    expect(drawn(SunDot, { frame, now: { azimuthDeg: 180, elevationDeg: 20 } })).toContain("<circle");
    expect(drawn(SunDot, { frame, now: { azimuthDeg: 180, elevationDeg: -1 } })).not.toContain("<circle");
  });
});

describe("side views", () => {
  const side = (tiltDeg: number, elevationDeg = 30) =>
    drawn(SideView, {
      width: 300,
      height: 200,
      tiltDeg,
      slantM: 2,
      baseHeightM: 0.5,
      suns: [{ label: "noon", elevationDeg, front: true }],
      front: "south",
    });

  it("tell the height of the head, and keep a sun that is down out of the picture", () => {
    expect(textsOf(side(30)).join(" ")).toContain("head 1.50\u00a0m up");
    expect(textsOf(side(0)).join(" ")).toContain("head 0.50\u00a0m up");
    expect(textsOf(side(30))).toContain("noon");
    expect(textsOf(side(30, -3))).not.toContain("noon");
  });

  it("a low sun on either side stays in the picture with its label", () => {
    for (const front of [true, false]) {
      const markup = drawn(SideView, {
        width: 300,
        height: 200,
        tiltDeg: 20,
        slantM: 4,
        baseHeightM: 0.5,
        suns: [{ label: "21 June", elevationDeg: 8, front }],
        front: "north",
      });
      const [x] = numbersOf(markup, "cx");
      expect(x!).toBeGreaterThan(60);
      expect(x!).toBeLessThan(240);
    }
  });

  it("rows stand apart by the gap they name", () => {
    const markup = drawn(RowsSide, {
      width: 600,
      height: 250,
      tiltDeg: 30,
      slantM: 2,
      gapM: 2.31,
      edgeM: 0.5,
      heap: { heapM: 0.3, reachM: 0.4 },
      sunDeg: 22,
    });
    expect(textsOf(markup)).toContain("gap 2.31\u00a0m");
    expect(markup).toContain("var(--account-snow)");
    expect(
      drawn(RowsSide, { width: 600, height: 250, tiltDeg: 30, slantM: 2, gapM: 2.31, edgeM: 0.5, heap: null, sunDeg: 22 }),
    ).not.toContain("var(--account-snow)");
  });
});

describe("one line", () => {
  const inverters: OneLineInverter[] = [
    {
      id: "hall",
      title: "hall",
      lines: ["8.0 kW AC"],
      arrays: [
        { id: "a", name: "East rack", strings: "2 strings of 9", state: "holds" },
        { id: "b", name: "West rack", strings: "1 string of 10", state: "broken" },
      ],
    },
    { id: "shed", title: "shed", lines: [], arrays: [{ id: "c", name: "Shed", strings: "6 on their own", state: "unknown" }] },
  ];

  it("says of every array whether its limits hold, in words too", () => {
    const markup = drawn(OneLine, { width: 900, inverters, meters: [{ id: "main", point: "ac" }] });
    for (const words of ["limits hold", "a limit is broken", "limits not known"]) expect(markup).toContain(words);
    expect(textsOf(markup)).toEqual(expect.arrayContaining(["East rack", "hall", "main, AC", "grid"]));
  });

  it("grows with its inverters, and keeps every box inside", () => {
    const height = oneLineHeight(inverters);
    expect(height).toBeGreaterThan(oneLineHeight(inverters.slice(0, 1)));
    const markup = drawn(OneLine, { width: 900, inverters, meters: [] });
    const tops = [...markup.matchAll(/translate\(([\d.]+),([\d.]+)\)/g)].map((match) => Number(match[2]));
    expect(Math.max(...tops)).toBeLessThan(height);
  });

  it("sets a DC meter before the inverter and a net meter at the grid", () => {
    const at = (point: "dc" | "ac" | "net"): number => {
      const markup = drawn(OneLine, { width: 900, inverters, meters: [{ id: "main", point }] });
      return Number(/translate\(([\d.]+),[\d.]+\)"[^>]*>(?:<title>[^<]*<\/title>)?<circle r="12"/.exec(markup)![1]);
    };
    expect(at("dc")).toBeLessThan(at("ac"));
    expect(at("ac")).toBeLessThan(at("net"));
  });

  it("a meter is a button only where it may be moved", () => {
    const meters = [{ id: "main", point: "ac" as const }];
    expect(drawn(OneLine, { width: 900, inverters, meters })).not.toContain('role="button"');
    expect(drawn(OneLine, { width: 900, inverters, meters, onMeter: () => {} })).toContain("move it on along the line");
  });
});

describe("years in pictures", () => {
  it("tilts step on their dates, the chosen plan strong", () => {
    const markup = drawn(TiltYear, {
      width: 400,
      height: 200,
      lines: [
        { label: "as it is", strong: false, steps: [{ from: "01-01", tiltDeg: 30 }] },
        {
          label: "best",
          strong: true,
          steps: [
            { from: "03-20", tiltDeg: 15 },
            { from: "09-22", tiltDeg: 50 },
          ],
        },
      ],
    });
    const paths = [...markup.matchAll(/<path d="([^"]+)"[^>]*stroke-width="([\d.]+)"/g)];
    expect(paths).toHaveLength(2);
    expect(Number(paths[1]![2])).toBeGreaterThan(Number(paths[0]![2]));
    const heights = new Set(
      paths[1]![1]!
        .split(/[ML]/)
        .slice(1)
        .map((point) => point.split(",")[1]),
    );
    expect(heights.size).toBe(2);
  });

  it("dates stand in their order on the line, and the last day is its end", () => {
    const markup = drawn(DatedLine, {
      width: 600,
      height: 96,
      until: "2026-01-01",
      selected: "2023-05-01",
      marks: [
        { on: "2020-01-01", label: "commissioned", kind: "start" },
        { on: "2023-05-01", label: "turned", kind: "revision" },
      ],
    });
    const [first, second] = numbersOf(markup, "cx");
    expect(first!).toBeLessThan(second!);
    expect(second! / 600).toBeCloseTo(0.56, 1);
    expect(markup).toContain("var(--clay)");
  });

  it("names of curves that end together keep their distance", () => {
    const markup = drawn(WayCurves, {
      width: 600,
      height: 200,
      months: ["Jan", "Feb"],
      label: String,
      curves: ["one", "two", "three"].map((label) => ({ label, values: [1, 2] })),
    });
    const ys = [...markup.matchAll(/<text x="458" y="([\d.]+)"/g)].map((match) => Number(match[1])).sort((a, b) => a - b);
    expect(ys).toHaveLength(3);
    expect(ys[1]! - ys[0]!).toBeGreaterThanOrEqual(15);
    expect(ys[2]! - ys[1]!).toBeGreaterThanOrEqual(15);
  });
});
