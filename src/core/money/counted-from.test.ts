import { describe, expect, it } from "vitest";
import { payback, yearsToReturn } from ".";
import { countedFrom } from "./counted-from";

const sum = (on: string, amount: string, what = "") => ({ on, amount, what });
const site = (commissioned: string | null, costs: ReturnType<typeof sum>[], incentives: ReturnType<typeof sum>[] = []) => ({
  commissioned,
  money: { costs, incentives },
});

describe("from when a payback counts", () => {
  it("is the plant's first day where the first cost belongs to it, an invoice of its first year among what belongs", () => {
    const counted = countedFrom(site("2021-05-01", [sum("2021-04-01", "9000"), sum("2022-04-29", "300")], [sum("2022-04-30", "500")]));
    expect(counted).toEqual({
      on: "2021-05-01",
      because: "commissioned",
      ageYears: 0,
      costs: ["9000", "300"],
      incentives: ["500"],
      later: [],
    });
  });

  it("is the day of the first cost where that comes in a later year: what was earned before pays nothing back", () => {
    const counted = countedFrom(site("2021-05-01", [sum("2026-05-01", "4000", "new modules")]));
    expect(counted).toMatchObject({ on: "2026-05-01", because: "first-cost", costs: ["4000"], later: [] });
    expect(counted.ageYears).toBeCloseTo(5, 2);
  });

  it("puts a roof of the sixth year, and a grant for it, into their own years", () => {
    const { costs, later } = countedFrom(
      site("2020-01-01", [sum("2020-01-01", "10000"), sum("2025-07-01", "3000", "roof")], [sum("2026-07-02", "400", "grant")]),
    );
    expect(costs).toEqual(["10000"]);
    expect(later.map(({ what, amount }) => [what, amount])).toEqual([
      ["roof", "3000"],
      ["grant", "-400"],
    ]);
    expect(later[0]!.afterYears).toBeCloseTo(5.5, 1);
  });

  it("is the first cost's day where nobody said when the plant began, and unknown without either", () => {
    expect(countedFrom(site(null, [sum("2024-02-03", "1")]))).toMatchObject({ on: "2024-02-03", ageYears: 0 });
    expect(countedFrom(site(null, []))).toMatchObject({ on: null, because: null });
    expect(countedFrom(site("2024-02-03", [])).because).toBe("commissioned");
  });
});

describe("a cost of its own year", () => {
  // 1,000 a year, nothing rises, ages or is spent besides: hand-worked.
  const terms = {
    costs: ["5000"],
    incentives: [],
    firstYearKwh: 10_000,
    importPerKwh: "0.10",
    exportPerKwh: null,
    selfUsedFrac: 1,
    priceRisePerYearFrac: 0,
    ageing: { firstYearFrac: 0, perYearFrac: 0 },
    horizonYears: 12,
  };
  const roof = { what: "roof", afterYears: 5.5, amount: "3000" };

  it("comes back from its own day on, and sinks the balance of the whole in its own year", () => {
    expect(yearsToReturn(terms, roof)).toBeCloseTo(3, 12);
    const whole = payback({ ...terms, later: [roof] });
    expect([whole.netCost, whole.risingYears, whole.staysPaidYears]).toEqual(["5000.00", 5, 8]);
  });

  it("does not come back where the years that are looked at end first", () => {
    expect(yearsToReturn(terms, { ...roof, amount: "6500" })).toBeCloseTo(6.5, 12);
    expect(yearsToReturn(terms, { ...roof, amount: "6500.01" })).toBeNull();
  });

  it("takes an old plant's ageing at its age: the first year's step is behind it", () => {
    const ageing = { firstYearFrac: 0.03, perYearFrac: 0.01 };
    const young = payback({ ...terms, ageing }).years;
    const old = payback({ ...terms, ageing, ageYears: 5 }).years;
    // At 0.5 and 1.5 years 98.5 and 96.5 % are left; at 5.5 and 6.5 years 92.5 and 91.5 %.
    expect(young[1]!.energyKwh / young[0]!.energyKwh).toBeCloseTo(0.965 / 0.985, 12);
    expect(old[1]!.energyKwh / old[0]!.energyKwh).toBeCloseTo(0.915 / 0.925, 12);
  });
});
