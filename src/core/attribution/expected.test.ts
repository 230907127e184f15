import { handMadeFrame } from "@test/hand-made-frame";
import { near } from "@test/near";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { AttributionFrame } from ".";
import { ageAtStartOf, ageingRateOf, beforeCeiling, capped, ceilingKwhOf, expectedSoFar, rated, unbroken } from "./expected";
import { noHeat } from "./heat/detect";

const plant = site({ losses: { acWiringFrac: 0.02 } });
const frame = { ...handMadeFrame({ days: 800 }), site: plant } as AttributionFrame;
const soiling = { lostFracByDay: new Float64Array(800).fill(0.1) };
const string = {
  from: 24 * 10,
  to: 24 * 20,
  lostFrac: 0.25,
  measuredFrac: 0.25,
  part: { kind: "strings" as const, out: 1, of: 4 },
  restored: true,
};
const noon = (day: number): number => 24 * day + 12;

describe("what each hour is expected to give", () => {
  it("has ageing, dirt and strings in it", () => {
    const expected = expectedSoFar({ frame, soiling, strings: [string] }, 2, 0.01);
    expect(expected[noon(0)]).toBeCloseTo(4 * (1 - 0.02) * 0.9, 12);
    expect(expected[noon(15)]).toBeCloseTo(4 * (1 - 0.01 * (2 + 15 / 365.2425)) * 0.9 * 0.75, 12);
    expect(expected[noon(20)]).toBeCloseTo(4 * (1 - 0.01 * (2 + 20 / 365.2425)) * 0.9, 12);
    expect(expected[2]).toBe(0);
    expect(frame.openKwh[noon(15)]).toBe(4);
  });

  it("does not age before the plant was there", () => {
    const expected = expectedSoFar({ frame, soiling, strings: [] }, -1, 0.01);
    expect(expected[noon(100)]).toBeCloseTo(4 * 0.9, 12);
    expect(expected[noon(500)]).toBeCloseTo(4 * (1 - 0.01 * (500 / 365.2425 - 1)) * 0.9, 12);
  });

  it("with no string out, at the level that was read", () => {
    expect(unbroken({ frame, soiling }, 0, 0, new Float64Array(frame.axis.count).fill(0.98))[noon(15)]).toBeCloseTo(4 * 0.9 * 0.98, 12);
  });

  it("goes by the load to the level, and no higher than the ceiling", () => {
    const curve = { retained: new Float64Array(20).fill(0.95), levelFrac: 1 };
    const retained = rated(Float64Array.of(0, 2, 8), curve, 4);
    expect([...retained]).toEqual([1, 0.95, 0.95]);
    expect([...capped(Float64Array.of(0, 2, 8), retained, 4)]).toEqual([0, 1.9, 4]);
  });

  it("before the ceiling is not told while something stands in its way", () => {
    const count = 7;
    const zeros = (): Float64Array => new Float64Array(count);
    const [downFrac, snow, shade] = [zeros(), zeros(), zeros()];
    downFrac[0] = 0.1;
    snow[3] = 0.5;
    shade[4] = 0.2;
    const touched = Uint8Array.of(0, 1, 0, 0, 0, 0, 0);
    const hot = Uint8Array.of(0, 0, 0, 0, 0, 0, 1);
    const told = beforeCeiling(
      {
        strings: [{ ...string, from: 5, to: 6 }],
        snow: { lostFrac: snow, covered: new Uint8Array(count), spells: [] },
        outages: { downFrac, outages: [] },
        curtailed: { lostFrac: zeros(), touched, spells: [] },
        heat: { ...noHeat(count), touched: hot },
        shade: { lostFrac: shade, isSeen: true },
        ratingRetained: zeros().fill(0.9),
      },
      zeros().fill(10),
    );
    expect([...told]).toEqual([Number.NaN, Number.NaN, 9, 4.5, near(7.2, 12), Number.NaN, Number.NaN]);
  });
});

describe("what it rests on", () => {
  it("the rate that was read, else the book's", () => {
    const read = (parts: object) => ageingRateOf({ isTooSoon: false, perYearFrac: 0.007, firstStep: null, ...parts }, plant);
    expect(read({})).toBe(0.007);
    expect(read({ isTooSoon: true })).toBe(plant.ageing.perYearFrac);
    expect(read({ perYearFrac: Number.NaN })).toBe(plant.ageing.perYearFrac);
  });

  it("the flat top that was seen, else the rating at the meter", () => {
    expect(ceilingKwhOf(frame, { powerW: 3000, heldFrac: 0, heldSteps: 0 })).toBe(3);
    expect(ceilingKwhOf(frame, null)).toBeCloseTo(4 * 0.98, 12);
    const quarters = { ...frame, axis: { ...frame.axis, stepMinutes: 15 } };
    expect(ceilingKwhOf(quarters, { powerW: 3000, heldFrac: 0, heldSteps: 0 })).toBe(0.75);
  });

  it("the plant's age where the book says when it began", () => {
    expect(ageAtStartOf(frame)).toBeCloseTo(3, 1);
    expect(ageAtStartOf({ ...frame, site: { ...plant, commissioned: null } })).toBe(0);
  });
});
