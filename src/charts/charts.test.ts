import fc from "fast-check";
import { createElement, type FunctionComponent } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import {
  AccountBar,
  accountFill,
  DifferenceBar,
  Hatches,
  IndexDots,
  MonthBars,
  OrientationMap,
  PowerCurves,
  placeOnMap,
  planeAtPoint,
  ReadingsOnCurve,
  SHARE_BOUNDS,
  SideBars,
  YearGlance,
} from ".";

/** A mark as the printed statement would get it. */
function drawn<P extends object>(mark: FunctionComponent<P>, props: P): string {
  return renderToStaticMarkup(createElement("svg", null, createElement(mark, props)));
}
const numbersOf = (markup: string, attribute: string): number[] =>
  [...markup.matchAll(new RegExp(` ${attribute}="(-?[\\d.]+)"`, "g"))].map((match) => Number(match[1]));

describe("an account", () => {
  it("has a hatch and a code of its own", () => {
    const patterns = [...renderToStaticMarkup(createElement(Hatches)).matchAll(/<pattern id="([^"]+)".*?<path d="([^"]*)"/g)];
    expect(patterns).toHaveLength(Object.keys(ACCOUNT_NAMES).length);
    const strokes = patterns.map(([, , path]) => path).filter((path) => path !== "");
    expect(new Set(strokes).size).toBe(strokes.length);
    expect(new Set(Object.values(ACCOUNT_NAMES).map(({ code }) => code)).size).toBe(Object.keys(ACCOUNT_NAMES).length);
  });
});

describe("a ledger bar", () => {
  const bar = (losses: { account: "soiling" | "temperature"; kwh: number }[]) =>
    drawn(AccountBar, { expectedKwh: 700, losses, mostKwh: 1000, width: 100, height: 20, label: "x" });

  it("is as long as the energies it stands for", () => {
    const widths = numbersOf(
      bar([
        { account: "soiling", kwh: 100 },
        { account: "temperature", kwh: 200 },
      ]),
      "width",
    );
    expect(widths.slice(-3)).toEqual([70, 9.5, 19.5]);
  });

  it("gives a gain no width", () => {
    expect(bar([{ account: "temperature", kwh: -50 }])).not.toContain(accountFill("temperature"));
  });
});

describe("the spine", () => {
  const bar = (parts: Partial<Parameters<typeof DifferenceBar>[0]>) =>
    drawn(DifferenceBar, {
      found: [],
      unexplainedKwh: 0,
      dataGapKwh: 0,
      mostShortKwh: 100,
      mostOverKwh: 50,
      toCheck: false,
      width: 72,
      height: 28,
      ...parts,
    });
  const zero = (markup: string): number => numbersOf(markup, "x1")[0]!;
  const lefts = (markup: string): number[] => numbersOf(markup, "x");

  it("draws what is short to the left and what is over to the right of its line, on one scale", () => {
    const [short, over] = [bar({ unexplainedKwh: 100 }), bar({ unexplainedKwh: -50 })];
    expect(lefts(short)[0]).toBeLessThan(zero(short) - 10);
    expect(lefts(over)[0]).toBeCloseTo(zero(over), 6);
    expect(numbersOf(short, "width").at(-1)! / numbersOf(over, "width").at(-1)!).toBeCloseTo(2, 6);
  });

  it("stacks what was found in its hatches, then the gap, then the unexplained", () => {
    const markup = bar({
      found: [
        { account: "downtime", kwh: 30 },
        { account: "soiling", kwh: -10 },
      ],
      dataGapKwh: 20,
      unexplainedKwh: 10,
    });
    expect(markup).toContain(accountFill("downtime"));
    const [downtime, soiling, gap, left] = lefts(markup);
    expect(downtime).toBeGreaterThan(gap!);
    expect(gap).toBeGreaterThan(left!);
    expect(soiling).toBeCloseTo(zero(markup), 6);
  });

  it("fills the unexplained in clay only where it is to be checked", () => {
    expect(bar({ unexplainedKwh: 40 })).not.toContain('fill="var(--clay)"');
    expect(bar({ unexplainedKwh: 40, toCheck: true })).toContain('fill="var(--clay)"');
  });
});

it("months draw metered in clay only outside the interval", () => {
  const bars = (meteredKwh: number | null) =>
    drawn(MonthBars, { bars: [{ name: "May 2025", expectedKwh: 100, halfKwh: 5, meteredKwh }], width: 300, height: 120, label: String });
  expect(bars(97)).not.toContain("var(--clay)");
  expect(bars(90)).toContain("var(--clay)");
  expect(bars(null)).toContain("metered nothing");
});

describe("the map of planes", () => {
  it("finds the plane under the point where it drew it", () => {
    const plane = fc.record({ tiltDeg: fc.integer({ min: 2, max: 90 }), azimuthDeg: fc.integer({ min: 0, max: 359 }) });
    fc.assert(
      fc.property(plane, ({ tiltDeg, azimuthDeg }) => {
        const { x, y } = placeOnMap(344, tiltDeg, azimuthDeg);
        expect(planeAtPoint(344, x, y)).toEqual({ tiltDeg, azimuthDeg });
      }),
    );
    expect(planeAtPoint(344, 0, 0)).toBeNull();
  });

  it("has north up and east right, and closes its contours around north", () => {
    expect(placeOnMap(344, 90, 0).y).toBeLessThan(placeOnMap(344, 90, 180).y);
    expect(placeOnMap(344, 90, 90).x).toBeGreaterThan(placeOnMap(344, 90, 270).x);
    const kwh = Float64Array.from(
      { length: 19 * 72 },
      (_, cell) => 1000 - Math.abs((cell % 72) - 36) * 10 - Math.abs(Math.floor(cell / 72) - 6) * 20,
    );
    const markup = drawn(OrientationMap, {
      kwh,
      tilts: 19,
      azimuths: 72,
      stepDeg: 5,
      size: 344,
      marks: [{ tiltDeg: 10, azimuthDeg: 180, label: "South roof", kind: "array" }],
    });
    expect(markup).toContain("South roof");
    expect(markup).not.toContain("NaN");
    expect(markup.match(/var\(--sun-\d\)/g)!.length).toBeGreaterThanOrEqual(8);
  });
});

describe("the year at a glance", () => {
  const days = Array.from({ length: 3 }, (_, k) => `2025-03-0${k + 1}`);
  it("paints each hour once, by its class, and leaves unknown hours to the ground", () => {
    const ratios = Array.from({ length: 72 }, (_, cell) => (cell % 24 === 12 ? 0.9 : null));
    const markup = drawn(YearGlance, {
      days,
      ratios,
      width: 90,
      height: 24,
      firstHour: 10,
      lastHour: 14,
      bounds: SHARE_BOUNDS,
      palette: "sun",
    });
    const painted = [...markup.matchAll(/<path d="([^"]*)" fill="var\(--sun-(\d)\)"/g)].filter(([, d]) => d !== "");
    expect(painted).toHaveLength(1);
    expect(painted[0]![2]).toBe("7");
    expect(painted[0]![1]!.match(/M/g)).toHaveLength(3);
  });
});

it("a day's curves break where nothing was read", () => {
  const at = Array.from({ length: 24 }, (_, h) => Date.UTC(2025, 5, 1, h));
  const curve = (kw: (number | null)[]) => ({ stepMinutes: 60, startUtcMs: at, kw });
  const whole = drawn(PowerCurves, {
    expected: curve(at.map(() => 2)),
    metered: curve(at.map(() => 1)),
    clockShiftMs: 0,
    width: 600,
    height: 200,
  });
  const broken = drawn(PowerCurves, {
    expected: curve(at.map(() => 2)),
    metered: curve(at.map((_, h) => (h === 12 ? null : 1))),
    clockShiftMs: 0,
    width: 600,
    height: 200,
  });
  const moves = (markup: string) =>
    [...markup.matchAll(/<path d="([^"]*)"/g)].reduce((count, [, d]) => count + (d!.match(/M/g)?.length ?? 0), 0);
  expect(moves(broken)).toBe(moves(whole) + 1);
});

describe("readings on their curve", () => {
  const curve = [0, 10, 20, 30, 40].map((voltageV) => ({ voltageV, currentA: 8 * (1 - (voltageV / 40) ** 6) }));
  const picture = (readings: { label: string; voltageV: number; currentA: number; isOff: boolean }[]) =>
    drawn(ReadingsOnCurve, { curve, readings, peaks: [{ voltageV: 30, currentA: 7 }], width: 400, height: 240 });

  it("are crosses in clay where they are off, dots where they are not", () => {
    expect(picture([{ label: "Isc", voltageV: 0, currentA: 3, isOff: true }])).toContain('stroke="var(--clay)"');
    const fine = picture([{ label: "Isc", voltageV: 0, currentA: 8, isOff: false }]);
    expect(fine).not.toContain('stroke="var(--clay)"');
    expect(fine).toContain('fill="var(--moss)"');
  });

  it("lie inside the frame even where they are beyond the curve", () => {
    const [x, y] = /translate\(([\d.]+),([\d.]+)\)/
      .exec(picture([{ label: "Voc", voltageV: 55, currentA: 12, isOff: true }]))!
      .slice(1)
      .map(Number);
    expect(x!).toBeGreaterThan(0);
    expect(x!).toBeLessThan(400);
    expect(y!).toBeGreaterThan(0);
  });
});

describe("bars of a trial", () => {
  it("go up for more and down for less, and leave out what is not paired", () => {
    const bars = [
      { key: "a", label: "a", frac: 0.04 },
      { key: "b", label: "b", frac: -0.02 },
      { key: "c", label: "c", frac: null },
    ];
    const markup = drawn(SideBars, { bars, mean: 0.01, width: 300, height: 150 });
    const heights = [...markup.matchAll(/<rect[^>]* height="([\d.]+)"[^>]* fill="([^"]+)"/g)].map(
      ([, height, fill]) => [Number(height), fill] as const,
    );
    expect(heights).toHaveLength(2);
    expect(heights[0]![0] / heights[1]![0]).toBeCloseTo(2, 1);
    expect(heights.map(([, fill]) => fill)).toEqual(["var(--moss)", "var(--brass)"]);
  });
});

it("days before and after a change are told apart, each side with its level", () => {
  const days = Array.from({ length: 20 }, (_, d) => ({ date: `2024-03-${String(d + 1).padStart(2, "0")}`, index: d < 10 ? 0.9 : 1 }));
  const markup = drawn(IndexDots, { days, on: "2024-03-11", levels: { before: 0.9, after: 1 }, width: 400, height: 200 });
  expect(markup.match(/<circle/g)).toHaveLength(20);
  expect(markup.match(/fill="var\(--moss\)"/g)).toHaveLength(10);
});
