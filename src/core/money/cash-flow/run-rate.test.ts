import { describe, expect, it } from "vitest";
import { Exact } from "../exact";
import { runRate } from "./run-rate";

/** Months from a first one on, each saving what its number says. */
const months = (first: string, count: number, saving: (month: number, k: number) => number) =>
  Array.from({ length: count }, (_, k) => {
    const at = Number(first.slice(0, 4)) * 12 + Number(first.slice(5)) - 1 + k;
    return { key: `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, "0")}`, saving: new Exact(saving((at % 12) + 1, k)) };
  });
const terms = {
  netCost: new Exact(1200),
  rises: () => 1,
  ageingPerYearFrac: 0,
  season: new Array<number>(12).fill(1),
  horizonYears: 30,
};

describe("payback at the rate of the bills, in time", () => {
  it("takes nothing that was saved before the first cost", () => {
    const saved = months("2021-01", 72, () => 100);
    expect(runRate({ ...terms, saved })!.paidBackOn).toBe("2021-12-31");
    const rate = runRate({ ...terms, netCost: new Exact(1210), saved, startsOn: "2026-01-16" })!;
    // 16 of January's 31 days, eleven months, and 58.39 more: 18.1 days of the next January.
    expect([rate.paidBackOn, rate.countsFrom]).toEqual(["2027-01-19", "2026-01-16"]);
    expect(rate.savedToDate.toNumber()).toBe(7200);
  });

  it("is the day from which it stays paid: a roof of the sixth year sinks it again", () => {
    const saved = months("2020-01", 72, () => 100);
    const roof = { on: "2025-06-10", amount: "6000" };
    // 65 months less 1,200 are 5,300 in hand at the end of May; June leaves it 600 short, six months more.
    expect(runRate({ ...terms, saved, laterSums: [roof] })!.paidBackOn).toBe("2025-12-31");
    expect(runRate({ ...terms, saved, laterSums: [{ ...roof, amount: "5400" }] })!.paidBackOn).toBe("2025-06-30");
    expect(runRate({ ...terms, saved, laterSums: [{ ...roof, on: "2030-06-10", amount: "1" }] })!.paidBackOn).toBe("2020-12-31");
  });

  it("lets a month without a bill save what its namesakes did, not what its neighbours lead to", () => {
    const season = [1, 1, 1, 1, 1, 9, 1, 1, 1, 1, 1, 1];
    const saved = months("2023-06", 3, (month) => (month === 6 ? 90 : 10)).map((month, k) => ({
      ...month,
      isEstimated: k === 1,
      saving: k === 1 ? new Exact(5000) : month.saving,
    }));
    const rate = runRate({ ...terms, season, saved })!;
    // 90 and 10 for shares of nine and one: a share is worth 10, a year twenty of them.
    expect([rate.perYear.toNumber(), rate.filledMonths]).toEqual([200, 10]);
    expect(rate.paidBackOn!.slice(0, 4)).toBe("2029");
  });
});

describe("the interval of a year's saving", () => {
  const halfWidth = (saved: ReturnType<typeof months>): number => {
    const rate = runRate({ ...terms, saved })!;
    return rate.perYearHigh.minus(rate.perYear).div(rate.perYear).toNumber();
  };

  it("holds the year's saving, and the days on which it pays back hold the day", () => {
    const rate = runRate({ ...terms, saved: months("2023-01", 3, () => 40) })!;
    expect(rate.perYearLow.lt(rate.perYear) && rate.perYear.lt(rate.perYearHigh)).toBe(true);
    expect(rate.paidBackFrom! < rate.paidBackOn! && rate.paidBackOn! < rate.paidBackBy!).toBe(true);
  });

  it("narrows from the first bill on with every calendar month and with every alike year", () => {
    const widths = [1, 2, 6, 12, 24, 48].map((count) => halfWidth(months("2023-01", count, () => 40)));
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    expect(new Set(widths).size).toBe(widths.length);
  });

  it("is as wide as twelve months of the usual spread leave it, hand-worked", () => {
    // 0.2 of each of twelve equal months: 0.2 ÷ √12, times 1.96.
    expect(halfWidth(months("2023-01", 12, () => 40))).toBeCloseTo((1.96 * 0.2) / Math.sqrt(12), 9);
    // One month of twelve: 0.2 of it twelve times, and 0.15 of the other eleven.
    expect(halfWidth(months("2023-01", 1, () => 40))).toBeCloseTo(1.96 * Math.hypot(0.2, (0.15 * 11) / 12), 9);
  });

  it("widens where namesakes differ by more than is usual", () => {
    const alike = halfWidth(months("2023-01", 36, () => 40));
    const apart = halfWidth(months("2023-01", 36, (_, k) => (k % 24 < 12 ? 60 : 20)));
    expect(apart).toBeGreaterThan(2 * alike);
  });
});
