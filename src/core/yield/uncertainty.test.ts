import { near } from "@test/near";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import { LIGHT_DOUBTS, LIGHT_SOURCES, type Site } from "../site";
import { expectedUncertainty, levelStandardFrac, typicalYear, type UncertaintyTerms } from "./uncertainty";

const plant = site();
const TERMS: UncertaintyTerms = { inPlane: false, ageYears: 0, assumed: { air: false, wind: false }, months: 12 };
const budget = (of: Site = plant, terms: Partial<UncertaintyTerms> = {}) => expectedUncertainty(of, { ...TERMS, ...terms });
const partsOf = (of?: Site, terms?: Partial<UncertaintyTerms>): Record<string, number> =>
  Object.fromEntries(budget(of, terms).parts.map(({ name, standardFrac }) => [name, standardFrac]));

describe("the budget of an expectation", () => {
  it("turning the light grows with the tilt, from half a hundredth flat to four upright, weighed by modules", () => {
    const tilted = (...tilts: [tiltDeg: number, count: number][]) =>
      partsOf({ ...plant, arrays: tilts.map(([tiltDeg, count]) => ({ ...plant.arrays[0]!, tiltDeg, count })) }).transposition;
    expect([tilted([0, 5]), tilted([90, 5]), tilted([45, 5])]).toEqual([0.005, 0.04, 0.0225].map((value) => near(value, 12)));
    expect(tilted([0, 30], [90, 10])).toBeCloseTo(0.005 + 0.035 / 4, 12);
  });

  it("light in the plane needs no turning, age scatters, a guess of dirt may be nothing or twice as much", () => {
    const inPlane = partsOf(plant, { inPlane: true, ageYears: 5 });
    expect(inPlane).toMatchObject({ irradiance: 0.015, ageing: 0.01 });
    expect([inPlane.transposition, inPlane["transposition-month"]]).toEqual([undefined, undefined]);
    expect(partsOf(plant, { ageYears: -2 })).toMatchObject({ irradiance: 0.02, rating: 0.015, temperature: 0.008, inverter: 0.005 });
    expect(partsOf(plant, { ageYears: -2 }).ageing).toBeUndefined();
    const dirty = (soilingFrac: number) => partsOf({ ...plant, losses: { ...plant.losses, soilingFrac } }).soiling!;
    expect(dirty(0.03)).toBeCloseTo(Math.hypot(0.005, 0.03 / Math.sqrt(3)), 12);
    expect(dirty(0)).toBe(0.005);
  });

  it("what was not measured is a row of its own, in its own unit", () => {
    const rows = budget(plant, { assumed: { air: true, wind: true } }).parts;
    expect(rows.find(({ name }) => name === "air")).toMatchObject({ amount: 5, unit: "K", standardFrac: near(5 * 0.0035, 9) });
    expect(rows.find(({ name }) => name === "wind")).toMatchObject({ amount: 1, unit: "m/s" });
    expect(partsOf().air).toBeUndefined();
  });

  it("shade, snow and rear light are there where the site has them", () => {
    const own = (parts: Partial<SiteInput>) => Object.keys(partsOf(site(parts)));
    const array = { id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180 };
    const pole = { kind: "pole" as const, azimuthDeg: 180, distanceM: 5, heightM: 6, widthM: 0.2 };
    expect(own({})).not.toContain("shading");
    expect(own({ arrays: [{ ...array, obstacles: [pole] }] })).toContain("shading");
    expect(own({ arrays: [{ ...array, obstacles: [pole] }], models: { shading: "none" } })).not.toContain("shading");
    const sliding = site({ models: { snow: "sliding" } });
    const snow = (air: boolean) => partsOf(sliding, { assumed: { air, wind: false } }).snow!;
    expect(snow(true) / snow(false)).toBeCloseTo(5, 9);
    expect([own({}).includes("snow"), own({ models: { snow: "sliding" } }).includes("snow")]).toEqual([false, true]);
    expect(own({ modules: { m: { pmpW: 400, bifacialityFrac: 0.7 } }, arrays: [{ ...array, mounting: "open-rack" }] })).toContain("rear");
  });

  it("every source of light has its doubt, and a class A station the least", () => {
    const of = LIGHT_SOURCES.map((lightSource) => budget({ ...plant, lightSource }).standardFrac);
    expect(Math.min(...of)).toBe(of[LIGHT_SOURCES.indexOf("station-a")]);
    expect(Math.max(...of)).toBe(of[LIGHT_SOURCES.indexOf("reanalysis")]);
    expect(LIGHT_DOUBTS.unknown).toEqual(LIGHT_DOUBTS["station-b"]);
  });

  it("what months or years do not share averages out, the rest stays", () => {
    const [month, year, decade] = [1, 12, 120].map((months) => partsOf(plant, { months }));
    expect(month!["irradiance-month"]! / year!["irradiance-month"]!).toBeCloseTo(Math.sqrt(12), 12);
    expect(month!.soiling).toBe(year!.soiling);
    expect(year!.soiling! / decade!.soiling!).toBeCloseTo(Math.sqrt(10), 12);
    expect(decade!.rating).toBe(month!.rating);
  });

  it("is the root of the squares, and nine of ten lie within 1.645 of it", () => {
    const { parts, standardFrac, halfWidth90Frac } = budget(plant, { ageYears: 3 });
    expect(standardFrac).toBeCloseTo(Math.hypot(...parts.map((part) => part.standardFrac)), 12);
    expect(halfWidth90Frac / standardFrac).toBeCloseTo(1.644854, 9);
  });

  it("of the modules' level leaves out what is asked: rating and ageing", () => {
    const { parts } = budget();
    const without = parts.filter(({ name }) => name !== "rating").map(({ standardFrac }) => standardFrac);
    expect(levelStandardFrac(plant, TERMS)).toBeCloseTo(Math.hypot(0.005, ...without), 12);
  });
});

describe("a typical year", () => {
  const expected = budget();

  it("is the mean, and less by what model and few years leave open", () => {
    const year = typicalYear([1000, 1100, 900], expected)!;
    expect([year.p50Kwh, year.years]).toEqual([1000, 3]);
    const years = 0.1 * 1.471 * Math.sqrt(4 / 3);
    expect(year.uncertainty.parts.at(-1)).toMatchObject({ name: "years", standardFrac: near(years, 9) });
    const all = Math.hypot(expected.standardFrac, years);
    for (const [kwh, z] of [
      [year.p75Kwh, 0.6745],
      [year.p90Kwh, 1.2816],
      [year.p99Kwh, 2.3263],
    ] as const)
      expect(kwh).toBeCloseTo(1000 * (1 - z * all), 6);
    // Over ten years the weather's scatter shrinks to what ten and three years leave of it.
    const ten = Math.hypot(expected.standardFrac, 0.1 * 1.471 * Math.sqrt(1 / 10 + 1 / 3));
    expect(year.tenYearP90Kwh).toBeCloseTo(1000 * (1 - 1.2816 * ten), 6);
  });

  it("needs two years, and widens few by Student's t", () => {
    expect(typicalYear([1000], expected)).toBeNull();
    expect(typicalYear([1000, 1000], expected)!.p90Kwh).toBeCloseTo(1000 * (1 - 1.2816 * expected.standardFrac), 6);
    const many = (n: number) =>
      typicalYear(
        Array.from({ length: n }, (_, k) => (k % 2 === 0 ? 900 : 1100)),
        expected,
      )!.uncertainty.parts.at(-1)!.standardFrac;
    const deviation = (n: number) => 0.1 * Math.sqrt(n / (n - 1)) * Math.sqrt(1 + 1 / n);
    expect(many(10) / deviation(10)).toBeCloseTo(1.079, 9);
    expect(many(20) / deviation(20)).toBeCloseTo(1.05, 9);
  });
});
