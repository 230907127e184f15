import { plainPayback } from "@test/payback-builder";
import { describe, expect, it } from "vitest";
import { ageingFactor } from "../module";
import { type PaybackTerms, payback, paybackSpread } from ".";

const terms: PaybackTerms = {
  currency: "EUR",
  costs: ["800.00", "200.00"],
  incentives: ["100.00"],
  firstYearKwh: 1000,
  importPerKwh: "0.50",
  exportPerKwh: "0.10",
  selfUsedFrac: 0.6,
  priceRisePerYearFrac: 0.1,
  exportRisePerYearFrac: 0.1,
  ageing: { firstYearFrac: 0.02, perYearFrac: 0.01 },
  horizonYears: 5,
  perYear: [
    { what: "upkeep", amount: "20.00", risePerYearFrac: 0.05 },
    { what: "insurance", amount: "10.00", risePerYearFrac: 0 },
  ],
  later: [
    { what: "part", afterYears: 1.5, amount: "50.00" },
    { what: "late", afterYears: 99, amount: "7.00" },
  ],
  scrap: "30.00",
  discountFrac: 0.04,
  interestTaxFrac: 0.25,
};

/** The same table in plain numbers. */
function byHand() {
  const perKwh = 0.6 * 0.5 + 0.4 * 0.1;
  return [1, 2, 3, 4, 5].map((year) => {
    const energyKwh = (1000 * ageingFactor(year - 0.5, terms.ageing)) / ageingFactor(0.5, terms.ageing);
    const value = perKwh * 1.1 ** (year - 1) * energyKwh;
    const upkeep = 20 * 1.05 ** (year - 1) + 10;
    const once = (year === 2 ? 50 : 0) + (year === 5 ? 7 - 30 : 0);
    return { energyKwh, value, upkeep, once, net: value - upkeep - once };
  });
}

describe("a payback with everything in it", () => {
  const found = payback(terms);
  const rows = byHand();

  it("has each year's energy, value, upkeep and sums", () => {
    found.years.forEach((year, k) => {
      const row = rows[k]!;
      expect(year.year).toBe(k + 1);
      expect(year.energyKwh).toBeCloseTo(row.energyKwh, 9);
      for (const part of ["value", "upkeep", "once", "net"] as const) expect(Number(year[part])).toBeCloseTo(row[part], 1.9);
      expect(Number(year.valuePerKwh)).toBeCloseTo(0.34 * 1.1 ** k, 4);
    });
    expect(rows[0]!.energyKwh).toBe(1000);
    expect(rows[1]!.energyKwh).toBeLessThan(1000);
  });

  it("adds them up, plain and in money of the first day", () => {
    let [balance, discounted] = [-900, -900];
    found.years.forEach(({ balance: own, discountedBalance, simpleBalance }, k) => {
      balance += rows[k]!.net;
      discounted += rows[k]!.net / 1.04 ** (k + 1);
      expect(Number(own)).toBeCloseTo(balance, 1.9);
      expect(Number(discountedBalance)).toBeCloseTo(discounted, 1.9);
      expect(Number(simpleBalance)).toBeCloseTo(340 * (k + 1) - 900, 9);
    });
    expect(Number(found.netPresentValue)).toBeCloseTo(discounted, 1.9);
  });

  it("is back at the crossing within the year", () => {
    const sums = rows.map((_, k) => rows.slice(0, k + 1).reduce((sum, { net }) => sum + net, -900));
    const k = sums.findIndex((sum) => sum >= 0);
    expect(found.risingYears).toBeCloseTo(k + -(sums[k - 1] ?? -900) / rows[k]!.net, 4);
    expect(found.staysPaidYears).toBeCloseTo(found.risingYears!, 9);
    expect(found.discountedYears!).toBeGreaterThan(found.risingYears!);
    expect(found.simpleYears).toBeCloseTo(900 / 340, 9);
    expect([found.netCost, found.firstYearValue, found.valuePerKwh]).toEqual(["900.00", "340.00", "0.3400"]);
  });

  it("its return brings the present value to nothing, and a deposit pays tax on it", () => {
    const [rate] = found.returnPerYear.rates;
    expect(rows.reduce((sum, { net }, k) => sum + net / (1 + rate!) ** (k + 1), -900)).toBeCloseTo(0, 1);
    expect(found.depositFrac).toBeCloseTo(rate! / 0.75, 9);
  });

  it("a kilowatt-hour costs all costs over all energy, both discounted", () => {
    const costs = rows.reduce((sum, { upkeep, once }, k) => sum + (upkeep + once) / 1.04 ** (k + 1), 900);
    const energy = rows.reduce((sum, { energyKwh }, k) => sum + energyKwh / 1.04 ** (k + 1), 0);
    expect(Number(found.levelisedPerKwh)).toBeCloseTo(costs / energy, 3.9);
  });

  it("a later sum may sink it again: it is back twice, and stays from the second time on", () => {
    const sunk = payback({
      ...plainPayback,
      costs: ["1500.00"],
      later: [{ what: "part", afterYears: 2, amount: "2000.00" }],
      horizonYears: 6,
    });
    expect(sunk.risingYears).toBeCloseTo(1.5, 9);
    expect(sunk.staysPaidYears).toBeCloseTo(3.5, 9);
    const lost = payback({
      ...plainPayback,
      costs: ["1500.00"],
      later: [{ what: "part", afterYears: 2, amount: "9000.00" }],
      horizonYears: 6,
    });
    expect([lost.risingYears, lost.staysPaidYears]).toEqual([1.5, null]);
  });

  it("what costs nothing is back at once", () => {
    const free = payback({ ...plainPayback, costs: ["0.00"] });
    expect([free.risingYears, free.staysPaidYears, free.simpleYears, free.discountedYears]).toEqual([0, 0, 0, 0]);
    expect(payback({ ...plainPayback, importPerKwh: "0" })).toMatchObject({ simpleYears: null, risingYears: null, depositFrac: null });
    expect(payback({ ...plainPayback, firstYearKwh: 0 }).levelisedPerKwh).toBeNull();
  });
});

describe("its interval", () => {
  const none = { yieldFrac: 0, weatherFrac: 0, priceRiseFrac: 0, ageingFrac: 0, upkeepFrac: 0 };
  const spread = (doubts: Partial<typeof none>, parts: Partial<PaybackTerms> = {}) =>
    paybackSpread({ ...plainPayback, ...parts }, { ...none, ...doubts }, { draws: 4000, seed: 3 });

  it("of a doubt of the yield alone is the payback of a better and a worse plant", () => {
    const { low, middle, high, paidFrac } = spread({ yieldFrac: 0.1 });
    expect(middle).toBeCloseTo(10, 0.9);
    expect(low).toBeGreaterThan(10 / 1.23);
    expect(low).toBeLessThan(10 / 1.17);
    expect(high).toBeGreaterThan(10 / 0.83);
    expect(high).toBeLessThan(10 / 0.77);
    expect(paidFrac).toBe(1);
  });

  it("weather goes to and fro and makes less of it than a standing doubt", () => {
    const [weather, standing] = [spread({ weatherFrac: 0.1 }), spread({ yieldFrac: 0.1 })];
    expect(weather.high - weather.low).toBeLessThan(0.5 * (standing.high - standing.low));
    expect(weather.high - weather.low).toBeGreaterThan(0.2 * (standing.high - standing.low));
  });

  it("rising prices shorten the low end, ageing lengthens the high one, dearer upkeep both", () => {
    const price = spread({ priceRiseFrac: 0.02 });
    expect(price.low).toBeLessThan(9.2);
    expect(price.high).toBeGreaterThan(11);
    const ageing = spread({ ageingFrac: 0.01 });
    expect(ageing.low).toBeCloseTo(10, 9);
    expect(ageing.high).toBeGreaterThan(10.8);
    const upkeep = spread({ upkeepFrac: 0.3 }, { perYear: [{ what: "upkeep", amount: "200.00", risePerYearFrac: 0 }] });
    expect(upkeep.middle).toBeCloseTo(12.5, 0.8);
    expect(upkeep.low).toBeLessThan(11.6);
    expect(upkeep.high).toBeGreaterThan(13.5);
  });

  it("without doubt it is the plain answer, with all that comes in between", () => {
    for (const parts of [
      {},
      { later: [{ what: "part", afterYears: 4, amount: "1500.00" }] },
      { perYear: [{ what: "upkeep", amount: "50.00", risePerYearFrac: 0.03 }] },
      { exportPerKwh: "0.10", selfUsedFrac: 0.5 },
      { incentives: ["2500.00"] },
      { priceRisePerYearFrac: 0.03, ageing: { firstYearFrac: 0.02, perYearFrac: 0.006 } },
    ]) {
      const plain = payback({ ...plainPayback, ...parts }).risingYears!;
      const { low, middle, high } = spread({}, parts);
      for (const value of [low, middle, high]) expect(value).toBeCloseTo(plain, 4);
    }
  });

  it("what never pays back is counted as such", () => {
    const { paidFrac, middle, high } = spread({ yieldFrac: 0.2 }, { horizonYears: 10 });
    expect(paidFrac).toBeGreaterThan(0.45);
    expect(paidFrac).toBeLessThan(0.55);
    expect(high).toBe(Number.POSITIVE_INFINITY);
    expect(middle).toBeGreaterThan(9);
    expect(spread({}, { costs: ["0.00"] })).toMatchObject({ low: 0, high: 0, paidFrac: 1 });
  });
});
