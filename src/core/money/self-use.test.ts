import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { paybackSpread, tornado, USUAL_DOUBTS } from "./cash-flow";
import { priceTermsOf } from "./kwh-worth";
import { selfUseOf } from "./self-use";
import { valueSoFar } from "./value-so-far";

const priced = (tariff: object) =>
  site({
    commissioned: "2020-01-01",
    money: { tariff: { importPerKwh: "0.30", exportPerKwh: "0.06", priceRisePerYearFrac: 0, ...tariff } },
  });
const SURE = { yieldFrac: 0, weatherFrac: 0, priceRiseFrac: 0, ageingFrac: 0, upkeepFrac: 0 };
const termsOf = (tariff: object) => ({
  ...priceTermsOf(priced(tariff))!,
  costs: ["9000"],
  incentives: [],
  firstYearKwh: 6000,
  ageing: { firstYearFrac: 0, perYearFrac: 0 },
  horizonYears: 40,
});

describe("the share that is used on the spot", () => {
  it("is what was told, and all where no export has a price", () => {
    expect(selfUseOf({ selfUsedFrac: 0, exportPerKwh: "0.06" })).toEqual({ frac: 0, halfWidthFrac: 0, isTold: true });
    expect(selfUseOf({ selfUsedFrac: null, exportPerKwh: null })).toEqual({ frac: 1, halfWidthFrac: 0, isTold: false });
    expect(selfUseOf({ selfUsedFrac: null, exportPerKwh: "0.06" })).toEqual({ frac: 0.5, halfWidthFrac: 0.5, isTold: false });
  });

  it("leaves the interval open from all sold to all used where it is not told, and bills close it", () => {
    const { low, high } = paybackSpread(termsOf({}), SURE);
    // By hand: 9,000 over 6,000 kWh at 0.30 and at 0.06; an even draw's outer twentieth is left off.
    expect(low).toBeCloseTo(9000 / (6000 * (0.06 + 0.24 * 0.975)), 1);
    expect(high).toBeCloseTo(9000 / (6000 * (0.06 + 0.24 * 0.025)), 0);
    for (const selfUsedFrac of [0.05, 0.3, 0.8]) {
      const told = paybackSpread(termsOf({ selfUsedFrac }), USUAL_DOUBTS).middle;
      expect(told).toBeGreaterThan(low);
      expect(told).toBeLessThan(high);
    }
    const billed = { ...termsOf({}), ...priceTermsOf(priced({}), { selfUsedFrac: 0.4 })! };
    expect(paybackSpread(billed, SURE)).toMatchObject({ low: 9000 / (6000 * 0.156), high: 9000 / (6000 * 0.156) });
  });

  it("moves the day most of all where it is not told", () => {
    expect(tornado(termsOf({}), USUAL_DOUBTS)[0]).toMatchObject({ term: "self-use", by: 0.5, higherYears: 5 });
    expect(tornado(termsOf({ selfUsedFrac: 1 }), USUAL_DOUBTS)[0]!.term).not.toBe("self-use");
  });

  it("makes what was earned so far a range", () => {
    const months = [{ key: "2020-03", meteredKwh: 100 }];
    expect(valueSoFar(priced({}), months)).toMatchObject({ worth: 18, low: 6, high: 30 });
    expect(valueSoFar(priced({ selfUsedFrac: 0.5 }), months)).toMatchObject({ worth: 18, low: 18, high: 18 });
  });
});

describe("a cost of a day that is written down", () => {
  const told = termsOf({ selfUsedFrac: 1 });
  const roof = { what: "roof", afterYears: 3, amount: "1800.00" };

  it("is no guess: it is not drawn with the replacements, and moves with the costs", () => {
    const doubts = { ...SURE, upkeepFrac: 0.25 };
    const dated = paybackSpread({ ...told, later: [{ ...roof, isDated: true }] }, doubts);
    expect(dated.low).toBeCloseTo(6, 9);
    expect(dated.high).toBeCloseTo(6, 9);
    expect(paybackSpread({ ...told, later: [roof] }, doubts).high).toBeGreaterThan(6.1);
    const bars = tornado({ ...told, later: [{ ...roof, isDated: true }] }, doubts);
    expect(bars.find(({ term }) => term === "upkeep")).toMatchObject({ lowerYears: 6, higherYears: 6 });
    // A tenth of 9,000 and of 1,800 over 1,800 a year.
    expect(bars.find(({ term }) => term === "cost")!.higherYears).toBeCloseTo(6.6, 9);
  });
});
