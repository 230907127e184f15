import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { type MoneyReport, USUAL_DOUBTS } from "@/core/money";
import { expectedUncertainty } from "@/core/yield";
import { paybackDoubts } from "./payback-doubts";

const plant = site();
const sources = { weatherColumns: ["ghi_w_m2"], assumedColumns: [] };
const doubts = (monthsUsed: number) =>
  paybackDoubts(
    { site: plant, report: { sources } } as never,
    {
      energies: (["metered", "expected"] as const).map((basis) => ({ basis, monthsUsed, firstYearKwh: 1 })),
    } as unknown as MoneyReport,
  );

describe("the doubt of a payback's energy", () => {
  it("is the one budget's where the energy is expected, and the meter's where it is metered", () => {
    const budget = expectedUncertainty(plant, { inPlane: false, ageYears: 0, assumed: { air: false, wind: false }, months: 120 });
    expect(doubts(1200).expected.yieldFrac).toBeCloseTo(Math.hypot(budget.standardFrac, 0.005), 6);
    expect(doubts(1200).metered.yieldFrac).toBeCloseTo(Math.hypot(0.01, 0.005), 6);
    expect(doubts(12).promise.yieldFrac).toBeGreaterThan(doubts(1200).expected.yieldFrac);
  });

  it("is wide with one year and narrows with more: a single year may have been a good one", () => {
    expect(doubts(12).metered.yieldFrac).toBeCloseTo(Math.hypot(0.01, USUAL_DOUBTS.weatherFrac), 9);
    expect(doubts(48).metered.yieldFrac).toBeLessThan(0.6 * doubts(12).metered.yieldFrac);
  });
});
