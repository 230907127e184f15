import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { valueSoFar } from "./value-so-far";

const months = (first: string, kwh: readonly (number | null)[]) =>
  kwh.map((meteredKwh, k) => {
    const month = Number(first.slice(5)) - 1 + k;
    return { key: `${Number(first.slice(0, 4)) + Math.floor(month / 12)}-${String((month % 12) + 1).padStart(2, "0")}`, meteredKwh };
  });
const priced = (tariff: object, commissioned: string | null = "2023-01-01") =>
  site({ commissioned, money: { tariff: { importPerKwh: "0.30", priceRisePerYearFrac: 0, selfUsedFrac: 1, ...tariff } } });

describe("what was counted so far is worth", () => {
  it("its kilowatt-hours at the price, and a month that nobody read adds nothing", () => {
    const value = valueSoFar(priced({}), months("2023-01", [100, null, 200]))!;
    expect(value).toMatchObject({ from: "2023-01", to: "2023-03", months: 2, kwh: 300 });
    expect(value.worth).toBeCloseTo(90, 9);
  });

  it("the price of its own year, where prices rise", () => {
    const value = valueSoFar(priced({ priceRisePerYearFrac: 0.1 }), months("2023-12", [100, 100]))!;
    expect(value.worth).toBeCloseTo(100 * 0.3 + 100 * 0.33, 9);
  });

  it("what is used and what is sold, by the bills where these tell", () => {
    const both = priced({ exportPerKwh: "0.10", selfUsedFrac: 0.5 });
    expect(valueSoFar(both, months("2023-01", [100]))!.worth).toBeCloseTo(20, 9);
    expect(valueSoFar(both, months("2023-01", [100]), 0.25)!.worth).toBeCloseTo(15, 9);
  });

  it("nothing that could be told without a price or a reading", () => {
    expect(valueSoFar(site({}), months("2023-01", [100]))).toBeNull();
    expect(valueSoFar(priced({}), months("2023-01", [null]))).toBeNull();
    expect(valueSoFar(priced({}, null), months("2024-05", [10]))!.worth).toBeCloseTo(3, 9);
  });
});
