import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { extraWorthAt, type PaybackTerms, type PriceTerms, payback, priceIn, priceRises, tariffRises, worthAt } from ".";

const terms: PriceTerms = { importPerKwh: "0.30", exportPerKwh: "0.10", selfUsedFrac: 0.25, priceRisePerYearFrac: 0.03 };
const price = (year: number, more: Partial<PriceTerms> = {}): number => priceIn({ ...terms, ...more }, year).toNumber();

describe("the worth of a kilowatt-hour through the years", () => {
  it("rises with bought energy for what is used alone: a fixed export price stands still", () => {
    expect(price(1)).toBeCloseTo(0.075 + 0.075, 12);
    expect(price(11)).toBeCloseTo(0.075 * 1.03 ** 10 + 0.075, 12);
    expect(price(11, { exportRisePerYearFrac: 0.03 })).toBeCloseTo(0.15 * 1.03 ** 10, 12);
  });

  it("changes where support ends, in that year by the share of the year", () => {
    const exportEnd = { afterYears: 2.25, thenPerKwh: "0.02" };
    const exported = (year: number): number => price(year, { selfUsedFrac: 0, exportEnd });
    expect([1, 2, 3, 4].map(exported)).toEqual(
      [0.1, 0.1, 0.25 * 0.1 + 0.75 * 0.02, 0.02].map((value): unknown => expect.closeTo(value, 12)),
    );
    expect(price(9, { selfUsedFrac: 0, exportEnd: { ...exportEnd, thenPerKwh: null } })).toBe(0);
  });

  it("over the first year's carries a worth on", () => {
    const rises = priceRises(terms, 3);
    expect(rises[0]).toBe(1);
    expect(rises[2]).toBeCloseTo(price(3) / price(1), 12);
    expect(priceRises({ ...terms, importPerKwh: "0", exportPerKwh: null }, 2)).toEqual([1, 1]);
  });

  it("is told from a plant's age on, and by bought energy alone where no price is known", () => {
    const tariff = { ...terms, exportRisePerYearFrac: 0, exportUntil: "2030-01-01", exportThenPerKwh: null };
    const site = (parts = {}) =>
      ({ commissioned: "2020-01-01", money: { tariff: { ...tariff, ...parts } } }) as Parameters<typeof tariffRises>[0];
    const later = tariffRises(site({ selfUsedFrac: 0 }), 4, { ageYears: 8 });
    expect(later.map((rise) => Number(rise.toFixed(2)))).toEqual([1, 1, 0, 0]);
    // A kilowatt-hour of today is worth what is paid today: support that has ended counts no more.
    expect(worthAt(site({ selfUsedFrac: 0, exportThenPerKwh: "0.02" }), 3, { ageYears: 12 })).toEqual({
      perKwh: "0.0200",
      rises: [1, 1, 1],
    });
    expect(worthAt(site(), 3, { ageYears: 0, selfUsedFrac: 1 })!.perKwh).toBe("0.3000");
    expect(worthAt(site({ importPerKwh: null }), 3, {})).toBeNull();
    expect(tariffRises(site({ importPerKwh: null }), 3)).toEqual([1, 1.03, 1.03 ** 2]);
  });
});

it("twenty years of a fixed export price are worth a tenth less than if it rose with bought energy", () => {
  const plant: PaybackTerms = {
    ...terms,
    costs: ["9000"],
    incentives: [],
    firstYearKwh: 6000,
    selfUsedFrac: 0.5,
    importPerKwh: "0.20",
    priceRisePerYearFrac: 0.02,
    ageing: { firstYearFrac: 0, perYearFrac: 0 },
    horizonYears: 20,
  };
  const value = (more: Partial<PaybackTerms>): number =>
    payback({ ...plant, ...more }).years.reduce((sum, year) => sum + Number(year.value), 0);
  const [fixed, rising] = [value({}), value({ exportRisePerYearFrac: 0.02 })];
  const risen = (1.02 ** 20 - 1) / 0.02;
  expect(fixed).toBeCloseTo(6000 * 0.5 * (0.2 * risen + 0.1 * 20), 0);
  expect(rising / fixed - 1).toBeGreaterThan(0.05);
});

describe("extra energy", () => {
  const own = (selfUsedFrac: number) => site({ money: { tariff: { importPerKwh: "0.30", exportPerKwh: "0.08", selfUsedFrac } } });
  const worth = (selfUsedFrac: number): number => Number(extraWorthAt(own(selfUsedFrac), 20, {})!.perKwh);

  it("is worth its export where nothing is used, the price where all is, and less than the mean between", () => {
    expect([worth(0), worth(1)]).toEqual([0.08, 0.3]);
    expect(worth(0.4)).toBeCloseTo(0.16 * 0.3 + 0.84 * 0.08, 4);
    expect(worth(0.4)).toBeLessThan(Number(worthAt(own(0.4), 20, {})!.perKwh));
  });
});
