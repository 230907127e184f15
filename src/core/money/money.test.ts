import { plainPayback as terms } from "@test/payback-builder";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { type LedgerLine, NOTHING_FOUND } from "../ledger";
import { firstYearEnergy, moneyOf, payback } from ".";

describe("payback", () => {
  it("is cost over yearly value when nothing changes, in both readings", () => {
    const result = payback(terms);
    expect([result.simpleYears, result.risingYears]).toEqual([10, 10]);
    expect(result.years[9]!.balance).toBe("0.00");
  });

  it("comes sooner when prices rise, later when modules age", () => {
    expect(payback({ ...terms, priceRisePerYearFrac: 0.03 }).risingYears).toBeLessThan(9);
    expect(payback({ ...terms, ageing: { firstYearFrac: 0.02, perYearFrac: 0.01 } }).risingYears).toBeGreaterThan(10);
  });

  it("agrees with the sum of a geometric series", () => {
    const rise = 0.03;
    const { years } = payback({ ...terms, priceRisePerYearFrac: rise });
    const saved = (1000 * ((1 + rise) ** 20 - 1)) / rise;
    expect(Number(years[19]!.balance)).toBeCloseTo(saved - 10_000, 1);
  });

  it("weighs self-used and exported energy", () => {
    expect(payback({ ...terms, exportPerKwh: "0.05", selfUsedFrac: 0.4 }).valuePerKwh).toBe("0.1100");
  });

  it("takes incentives off the cost, and adds several costs up without binary rounding", () => {
    expect(payback({ ...terms, costs: ["0.10", "0.20"], incentives: ["0.05"] }).netCost).toBe("0.25");
  });

  it("says never rather than a number when it does not come", () => {
    expect(payback({ ...terms, importPerKwh: "0" }).simpleYears).toBeNull();
    expect(payback({ ...terms, importPerKwh: "0.01" }).risingYears).toBeNull();
  });
});

const line = (key: string, meteredKwh: number | null, readFrac = 1): LedgerLine => ({
  key,
  meteredKwh,
  readFrac,
  expectedKwh: 100,
  splitKwh: 0,
  dataGapKwh: 100 * (1 - readFrac),
  promiseKwh: 90,
  planeKwhM2: 0,
  referenceKwh: 120,
  unmatchedKwh: 0,
  usualKwh: 0,
  usualReadKwh: 0,
  unexplainedKwh: 0,
  filledReferenceKwh: 0,
  referenceGapKwh: 0,
  accountsKwh: {} as LedgerLine["accountsKwh"],
  foundKwh: NOTHING_FOUND,
  isSought: false,
});
const months = (year: number, kwh: number): LedgerLine[] =>
  Array.from({ length: 12 }, (_, m) => line(`${year}-${String(m + 1).padStart(2, "0")}`, kwh));
const ageless = { ageing: { firstYearFrac: 0, perYearFrac: 0 }, commissioned: null };

describe("energy of the first year", () => {
  it("weighs each calendar month once, however often it was read", () => {
    const lines = [...months(2022, 100), ...months(2023, 100), line("2024-06", 160)];
    expect(firstYearEnergy(lines, "metered", ageless)!.firstYearKwh).toBeCloseTo(11 * 100 + 120, 9);
  });

  it("completes a month that was read in part, and leaves out one hardly read", () => {
    const lines = [...months(2022, 100), line("2023-01", 75, 0.75), line("2023-02", 1, 0.1)];
    const energy = firstYearEnergy(lines, "metered", ageless)!;
    expect(energy.firstYearKwh).toBeCloseTo(1200, 9);
    expect(energy.monthsUsed).toBe(13);
  });

  it("is not told from eleven months", () => {
    expect(firstYearEnergy(months(2022, 100).slice(1), "metered", ageless)).toBeNull();
  });

  it("takes the ageing of its time back", () => {
    const aged = { ageing: { firstYearFrac: 0.01, perYearFrac: 0.01 }, commissioned: "2012-01-01" };
    expect(firstYearEnergy(months(2022, 100), "metered", aged)!.firstYearKwh / 1200).toBeCloseTo(0.995 / 0.895, 3);
  });
});

describe("the money of a site", () => {
  it("names what is missing", () => {
    expect(moneyOf(site(), [], null)).toMatchObject({ missing: ["cost", "price", "energy"], payback: null });
  });

  it("counts metered energy first, and the promise when there is nothing else", () => {
    const rich = site({ money: { costs: [{ on: "2020-01-01", amount: "1000.00" }], tariff: { importPerKwh: "0.2" } } });
    expect(moneyOf(rich, months(2022, 100), null).basis).toBe("metered");
    const promised = moneyOf(rich, [], new Array<number>(12).fill(50));
    expect([promised.basis, promised.payback?.firstYearValue]).toEqual(["promise", "120.00"]);
  });
});
