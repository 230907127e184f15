import { bill } from "@test/bill-builder";
import { near } from "@test/near";
import { describe, expect, it } from "vitest";
import { type BillLine, billFaults, billMonths, energyShares, estimateMissing, promiseProgress } from ".";
import { averagePrice, later, monthNumber } from "./bill-months";

const month = (m: number, parts: Partial<BillLine> = {}, year = 2023): BillLine => {
  const key = `${year}-${String(m).padStart(2, "0")}`;
  return bill(`${key}-01`, new Date(Date.UTC(year, m, 0)).toISOString().slice(0, 10), parts);
};
const kinds = (...bills: BillLine[]): string[] => billFaults(bills).map(({ kind }) => kind);

describe("what is odd about bills", () => {
  it("days that two bills hold, and days that none does", () => {
    const january = bill("2023-01-01", "2023-01-31");
    expect(kinds(january, bill("2023-02-01", "2023-02-28"))).toEqual([]);
    expect(billFaults([bill("2023-01-31", "2023-02-28"), january])).toEqual([
      { kind: "overlap", row: 1, other: 2, from: "2023-01-31", to: "2023-01-31", isFatal: true },
    ]);
    expect(billFaults([january, bill("2023-02-03", "2023-02-28")])).toEqual([
      { kind: "missing", from: "2023-02-01", to: "2023-02-02", isFatal: false },
    ]);
  });

  it("a bill that ends before it starts, and one of a day does not", () => {
    expect(kinds(bill("2023-01-02", "2023-01-01"))).toEqual(["ends-before-it-starts"]);
    expect(kinds(bill("2023-01-02", "2023-01-02"))).toEqual([]);
  });

  it.each(["importKwh", "exportKwh", "productionKwh"] as const)("%s is never negative", (field) => {
    const fault = billFaults([bill("2023-01-01", "2023-01-31", { [field]: -1 })]);
    expect(fault).toMatchObject([{ kind: "negative-energy", kwh: -1, field: field.replace("Kwh", "_kwh") }]);
    expect(kinds(bill("2023-01-01", "2023-01-31", { [field]: 0 }))).toEqual([]);
  });

  it("figures that contradict each other by more than their rounding", () => {
    const one = (parts: Partial<BillLine>) => kinds(bill("2023-01-01", "2023-01-31", parts));
    expect([one({ exportKwh: 101.5, productionKwh: 100 }), one({ exportKwh: 101.6, productionKwh: 100 })]).toEqual([
      [],
      ["export-above-production"],
    ]);
    expect([one({ exportKwh: 500, productionKwh: null }), one({ exportKwh: null, productionKwh: 0 })]).toEqual([[], []]);
    expect([one({ usageKwh: 298.5 }), one({ usageKwh: 298.4 }), one({ usageKwh: 900 })]).toEqual([[], ["usage-below-import"], []]);
    const bands = (day: number, night: number) => one({ importByBandKwh: { day, night } });
    expect([bands(200, 103), bands(200, 103.1), bands(200, 97), bands(200, 96.9)]).toEqual([
      [],
      ["bands-miss-import"],
      [],
      ["bands-miss-import"],
    ]);
  });

  it("a price twenty times the usual one, or a twentieth, of four bills or more", () => {
    const year = (amount: string, count = 5) =>
      billFaults([...Array.from({ length: count - 1 }, (_, m) => month(m + 1)), month(count, { amount })]);
    expect(year("1200.00")).toEqual([]);
    expect(year("1200.10")).toMatchObject([{ kind: "price-far-off", row: 5, usualPerKwh: 0.2 }]);
    expect(year("3.00")).toEqual([]);
    expect(year("2.99")).toMatchObject([{ kind: "price-far-off" }]);
    expect(year("9000.00", 4)).toHaveLength(1);
    expect(year("9000.00", 3)).toEqual([]);
    // Neither a credit nor a month without energy has a price.
    expect(year("-50.00")).toEqual([]);
    expect(billFaults([...[1, 2, 3, 4].map((m) => month(m)), month(5, { importKwh: 0, amount: "900.00" })])).toEqual([]);
  });
});

describe("bills as months", () => {
  it("a bill is spread over its days, energies and amount alike", () => {
    const [january, february] = billMonths([
      bill("2023-01-22", "2023-02-10", {
        importKwh: 200,
        amount: "50.00",
        exportKwh: 20,
        productionKwh: 40,
        importByBandKwh: { day: 150, night: 50 },
      }),
    ]);
    expect(january).toMatchObject({
      key: "2023-01",
      days: 31,
      billedDays: 10,
      importKwh: 100,
      exportKwh: 10,
      productionKwh: 20,
      isEstimated: false,
    });
    expect(january!.importByBandKwh).toEqual({ day: 75, night: 25 });
    expect(january!.amount.toString()).toBe("25");
    expect(february).toMatchObject({ key: "2023-02", days: 28, billedDays: 10 });
  });

  it("two bills of a month add up, what one does not say is left to the other", () => {
    const [only] = billMonths([bill("2023-01-01", "2023-01-15", { exportKwh: 5 }), bill("2023-01-16", "2023-01-31")]);
    expect(only).toMatchObject({ importKwh: 600, exportKwh: 5, productionKwh: null, billedDays: 31 });
    expect(only!.amount.toString()).toBe("120");
  });

  it("months are counted, not compared as text, at the end of all years too", () => {
    expect([later("9999-12", 1), later("0999-12", 1), later("2023-01", -1)]).toEqual(["10000-01", "1000-01", "2022-12"]);
    expect([monthNumber("10000-01") - monthNumber("9999-12"), monthNumber("2024-03")]).toEqual([1, 2024 * 12 + 2]);
    const ends = estimateMissing(billMonths([bill("9999-11-01", "9999-12-31")]));
    expect(ends.map(({ key }) => key)).toEqual(["9999-11", "9999-12"]);
  });

  it("a missing month is the mean of its namesakes, day for day", () => {
    const bills = [
      month(1, { importKwh: 310 }),
      month(2, { importKwh: 280 }),
      month(3, { importKwh: 100 }),
      month(1, { importKwh: 620 }, 2025),
      month(2, { importKwh: 560 }, 2025),
    ];
    const filled = estimateMissing(billMonths(bills));
    expect(filled.map(({ key }) => key)).toEqual([
      "2023-01",
      "2023-02",
      "2023-03",
      "2023-04",
      "2024-01",
      "2024-02",
      "2024-03",
      "2024-12",
      "2025-01",
      "2025-02",
    ]);
    const of = (key: string) => filled.find((each) => each.key === key)!;
    // January 2024 lies between both, February has a day more than either; December 2024 has a neighbour alone.
    expect(of("2024-01")).toMatchObject({ importKwh: near((310 + 620) / 2, 9), isEstimated: true, billedDays: 0 });
    expect(of("2024-02").importKwh).toBeCloseTo(((10 + 20) / 2) * 29, 9);
    expect(of("2024-12").importKwh).toBeCloseTo(620, 9);
    expect(of("2023-04").importKwh).toBeCloseTo((100 / 31) * 30, 9);
    expect(of("2024-01").amount.toFixed(2)).toBe("60.00");
  });

  it("a month that is billed in part is stretched to its days", () => {
    const [part] = estimateMissing(
      billMonths([bill("2023-01-01", "2023-01-10", { importKwh: 100, exportKwh: 10, importByBandKwh: { day: 100 } })]),
    );
    expect(part).toMatchObject({
      importKwh: near(310, 9),
      exportKwh: near(31, 9),
      productionKwh: null,
      isEstimated: true,
    });
    expect(part!.importByBandKwh.day).toBeCloseTo(310, 9);
    expect(estimateMissing([])).toEqual([]);
  });

  it("a band or an export that one namesake lacks is none, or not known", () => {
    const bills = [month(1, { importByBandKwh: { day: 310 }, exportKwh: 31 }), month(1, { importByBandKwh: { night: 310 } }, 2025)];
    const between = estimateMissing(billMonths(bills)).find(({ key }) => key === "2024-01")!;
    expect(between.importByBandKwh.day).toBeCloseTo(155, 9);
    expect(between.importByBandKwh.night).toBeCloseTo(155, 9);
    expect(between.exportKwh).toBeNull();
  });

  it("months are counted over the new year, and a price has all charges in", () => {
    expect([later("2023-12", 1), later("2023-01", -1), later("2023-05", 12), later("2023-11", 14)]).toEqual([
      "2024-01",
      "2022-12",
      "2024-05",
      "2025-01",
    ]);
    expect(averagePrice(billMonths([month(1), month(2, { importKwh: 100, amount: "40.00" })]))!.toNumber()).toBeCloseTo(100 / 400, 12);
    expect(averagePrice(billMonths([month(1, { importKwh: 0 })]))).toBeNull();
  });
});

describe("shares of what is used", () => {
  it("are sums over sums, and unknown over nothing", () => {
    expect(
      energyShares([
        { importKwh: 100, exportKwh: 50, productionKwh: 200 },
        { importKwh: 200, exportKwh: 30, productionKwh: 20 },
      ]),
    ).toEqual({
      productionKwh: 220,
      exportKwh: 80,
      importKwh: 300,
      selfUsedKwh: 150,
      loadKwh: 450,
      selfConsumptionFrac: 150 / 220,
      selfSufficiencyFrac: 150 / 450,
      offsetFrac: 220 / 450,
    });
    expect(energyShares([])).toMatchObject({ selfConsumptionFrac: null, selfSufficiencyFrac: null, offsetFrac: null });
  });

  it("progress is against what those months should bring", () => {
    const promise = [10, 20, 30, 40, 50, 60, 60, 50, 40, 30, 20, 10];
    expect(
      promiseProgress(
        [
          { month: 1, kwh: 9 },
          { month: 12, kwh: 9 },
        ],
        promise,
      ),
    ).toEqual({
      monthsRead: 2,
      meteredKwh: 18,
      dueKwh: 20,
      yearKwh: 420,
      frac: 0.9,
      onCourseKwh: 378,
      naiveYearKwh: 108,
    });
    expect(promiseProgress([], promise)).toMatchObject({ frac: null, onCourseKwh: null, naiveYearKwh: null, dueKwh: 0 });
  });
});
