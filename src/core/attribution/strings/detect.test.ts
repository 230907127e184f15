import { handMadeFrame } from "@test/hand-made-frame";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import type { AttributionFrame } from "..";
import type { DayIndex } from "../record/day-index";
import { backAgain, stringsOut } from "./detect";

const DAYS = 200;
const NONE: ReadonlySet<number> = new Set();
const array = { id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180 };
const FOUR: Partial<SiteInput> = { arrays: [{ ...array, modulesPerString: 5 }] };
/** A plant whose meter reads a share of what it owes each hour; levels by day are those of the hours. */
function plantOf(share: (i: number) => number, parts: Partial<SiteInput> = FOUR, rainMm?: (i: number) => number) {
  const own = handMadeFrame({ days: DAYS, metered: (i, kwh) => share(i) * kwh, ...(rainMm ? { rainMm } : {}) });
  const frame = { ...own, site: site(parts) } as AttributionFrame;
  const ratio = Float64Array.from({ length: DAYS }, (_, d) => {
    const hours = Array.from({ length: 12 }, (_, k) => share(24 * d + 6 + k));
    return hours.reduce((a, b) => a + b, 0) / 12;
  });
  const index: DayIndex = { ratio, weight: new Float64Array(DAYS).fill(1), cloud: new Float64Array(DAYS) };
  return { frame, index };
}
/** A scatter that comes back each week, so that medians are steady. */
const scatter = (i: number): number => 1 + 0.004 * [0, 1, -1, 0.5, -0.5, 0.8, -0.8][Math.floor(i / 24) % 7]!;
const hour = (day: number, h = 0): number => 24 * day + h;
const out =
  (lost: number, from: number, to = hour(DAYS)) =>
  (i: number): number =>
    scatter(i) * (i >= from && i < to ? 1 - lost : 1);
const read = (share: (i: number) => number, parts: Partial<SiteInput> = FOUR, cleaned = NONE, rain?: (i: number) => number) => {
  const { frame, index } = plantOf(share, parts, rain);
  return stringsOut(frame, index, cleaned);
};

describe("a string that is out", () => {
  it("is the nearest whole part of the plant, from its hour to the hour it is back", () => {
    const [found, ...rest] = read(out(0.25, hour(80, 12), hour(130, 9)));
    expect(rest).toEqual([]);
    expect(found).toMatchObject({
      from: hour(80, 12),
      to: hour(130, 9),
      lostFrac: 0.25,
      part: { kind: "strings", out: 1, of: 4 },
      restored: true,
    });
    expect(found!.measuredFrac).toBeCloseTo(0.25, 2);
  });

  it("that is not mended is out to the end", () => {
    expect(read(out(0.25, hour(80)))).toMatchObject([{ from: hour(80, 6), to: hour(DAYS), restored: false }]);
  });

  it("two of four are half", () => {
    expect(read(out(0.5, hour(80), hour(130)))).toMatchObject([{ lostFrac: 0.5, part: { out: 2, of: 4 } }]);
  });

  it("is none where the plant has one string, or the book does not say", () => {
    expect(read(out(0.25, hour(80)), { arrays: [{ ...array, modulesPerString: 20 }] })).toEqual([]);
    expect(read(out(0.25, hour(80)), {})).toEqual([]);
  });

  it("is none where what is lost is no whole part", () => {
    expect(read(out(0.13, hour(80), hour(130)))).toEqual([]);
    expect(read(out(0.19, hour(80), hour(130)))).toHaveLength(1);
  });

  it("of many strings a small share is a string, as long as it stands out", () => {
    const many: Partial<SiteInput> = {
      arrays: [{ ...array, count: 150, modulesPerString: 5 }],
      inverters: [{ id: "i", arrays: ["a"], acRatedW: 60_000, ratedEfficiencyFrac: 0.97 }],
    };
    expect(read(out(1 / 30, hour(80), hour(130)), many)).toMatchObject([{ part: { out: 1, of: 30 } }]);
    expect(read(out(0.02, hour(80), hour(130)), many)).toEqual([]);
  });

  it("is an inverter where there are several, by its own share", () => {
    const two: Partial<SiteInput> = {
      arrays: [
        { ...array, count: 12 },
        { ...array, id: "b", count: 8 },
      ],
      inverters: [
        { id: "one", arrays: ["a"], acRatedW: 4000, ratedEfficiencyFrac: 0.97 },
        { id: "two", arrays: ["b"], acRatedW: 3000, ratedEfficiencyFrac: 0.97 },
      ],
      meters: [{ id: "main", point: "ac", arrays: ["a", "b"] }],
    };
    expect(read(out(0.4, hour(80), hour(130)), two)).toMatchObject([{ lostFrac: 0.4, part: { kind: "inverter" } }]);
    expect(read(out(0.6, hour(80), hour(130)), two)).toMatchObject([{ lostFrac: 0.6, part: { kind: "inverter" } }]);
  });

  it("is a module where each has electronics of its own", () => {
    const each: Partial<SiteInput> = { inverters: [{ id: "i", arrays: ["a"], acRatedW: 300, ratedEfficiencyFrac: 0.96, perModule: true }] };
    expect(read(out(0.1, hour(80), hour(130)), each)).toMatchObject([{ part: { kind: "modules", out: 2, of: 20 } }]);
  });

  it("is sudden: what goes slowly is dirt or age", () => {
    const slow = (i: number): number => scatter(i) * (1 - 0.25 * Math.max(0, Math.min(1, (i / 24 - 60) / 40)));
    expect(read(slow)).toEqual([]);
  });

  it("lasts three days at least", () => {
    expect(read(out(0.25, hour(80), hour(82)))).toEqual([]);
    expect(read(out(0.25, hour(80), hour(90)))).toHaveLength(1);
  });

  it("days that hardly tell are not asked", () => {
    const { frame, index } = plantOf(out(0.25, hour(80), hour(130)));
    const weak = {
      ...index,
      weight: index.weight.map((_, d) => (d % 2 === 0 ? 1 : 0.1)),
      ratio: index.ratio.map((value, d) => (d % 2 === 0 ? value : 0.9)),
    };
    expect(stringsOut(frame, weak, NONE)).toMatchObject([{ lostFrac: 0.25, restored: true }]);
    const dark = { ...index, ratio: index.ratio.map((value, d) => (d % 10 === 3 ? 0.1 : value)) };
    expect(stringsOut(frame, dark, NONE)).toMatchObject([{ lostFrac: 0.25, restored: true }]);
    expect(stringsOut(frame, { ...index, ratio: index.ratio.map((value, d) => (d < 180 ? Number.NaN : value)) }, NONE)).toEqual([]);
  });

  it("falls and rises by as much: a fall of an eighth that ends in a rise of a half is none", () => {
    const lame = (i: number): number => scatter(i) * (i >= hour(50) && i < hour(80) ? 0.75 + (0.2 * (i - hour(50))) / hour(30) : 1);
    expect(read(lame).filter(({ restored }) => restored)).toEqual([]);
  });

  it("has to stand out of what weeks part by on any day", () => {
    const restless = (i: number): number => out(0.25, hour(50), hour(80))(i) * (1 + 0.03 * Math.sin(i / 24 / 2.2));
    expect(read(restless)).toHaveLength(1);
    const small = (i: number): number => out(0.05, hour(50), hour(80))(i) * (1 + 0.03 * Math.sin(i / 24 / 2.2));
    expect(read(small, { arrays: [{ ...array, count: 60, modulesPerString: 4 }] })).toEqual([]);
  });

  it("is not told where one part alone would not stand out: every step is some number of them", () => {
    const of = (strings: number) =>
      read(out(2 / strings, hour(50), hour(80)), { arrays: [{ ...array, count: strings * 4, modulesPerString: 4 }] }).length;
    expect([of(38), of(42)]).toEqual([1, 0]);
  });

  it("two of them after each other are two", () => {
    const twice = (i: number): number => scatter(i) * (i >= hour(50) && i < hour(80) ? 0.75 : i >= hour(120) && i < hour(150) ? 0.5 : 1);
    expect(read(twice).map(({ lostFrac }) => lostFrac)).toEqual([0.25, 0.5]);
  });
});

describe("a part that was out", () => {
  const back = (share: (i: number) => number, from = 100, cleaned = NONE) => {
    const { frame, index } = plantOf(share);
    return backAgain(frame, index, { lostFrac: 0.25 }, from, cleaned);
  };
  /** Out from the start, mended at noon of a day. */
  const mended =
    (day: number, level = 1) =>
    (i: number): number =>
      scatter(i) * (i < hour(day, 12) ? 0.75 : 0.75 + 0.25 * level);

  it("is back from the hour on at which its level rises", () => {
    expect(back(mended(120))).toBe(hour(120, 12));
  });

  it("is not while it stays away, nor by less than six tenths of what was lost", () => {
    expect(back(() => 0.75)).toBeNull();
    expect(back(mended(120, 0.65))).toBe(hour(120, 12));
    expect(back(mended(120, 0.55))).toBeNull();
  });

  it("is not by a cleaning", () => {
    expect(back(mended(120), 100, new Set([121]))).toBeNull();
    expect(back(mended(120), 100, new Set([110]))).toBe(hour(120, 12));
  });

  it("is not by a few good days", () => {
    expect(back((i) => scatter(i) * (i >= hour(120) && i < hour(123) ? 1 : 0.75))).toBeNull();
  });

  it("needs to be known as it stood before", () => {
    expect(back(mended(120), 2)).toBeNull();
    expect(back(mended(120), 3)).toBe(hour(120, 12));
  });
});
