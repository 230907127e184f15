import { bill } from "@test/bill-builder";
import { oneBand, plan } from "@test/tariff-builder";
import { describe, expect, it } from "vitest";
import { billMonths, Exact, estimateMissing, loanSchedule, methodTotal, payback, type SavingInput, sumOf, yearsToReturn } from "..";
import { methodGap, savingsOf } from ".";

/** Households worked out by hand; the sums stand beside them. */

const DAYS = { "2024-01": 31, "2024-02": 29, "2024-03": 31, "2024-04": 30 } as const;

interface Printed {
  readonly key?: keyof typeof DAYS;
  readonly importKwh: number;
  readonly exportKwh: number;
  readonly productionKwh: number;
  readonly amount: string;
  readonly bands?: Record<string, number>;
  readonly self?: Record<string, number>;
}

const month = ({ key = "2024-03", amount, bands = {}, self = {}, ...kwh }: Printed): SavingInput => ({
  ...{ key, days: DAYS[key], billedDays: DAYS[key], isEstimated: false, isFilled: false },
  ...{ importByBandKwh: bands, selfByBandKwh: self, amount: new Exact(amount) },
  ...kwh,
});
const savedBy = (plans: ReturnType<typeof plan>[], ...months: Printed[]) =>
  savingsOf(months.map(month), { plans, currency: "EUR", before: [], flatPerKwh: null }).map((row) => [
    row.without?.toFixed(2),
    row.reRun?.toFixed(2),
  ]);

describe("households worked out by hand", () => {
  it("one price: what the sun covered and what it earned", () => {
    // Use 200 + 150 - 60 = 290; 290 x 0.20 = 58.00; billed 200 x 0.20 - 60 x 0.07 = 35.80.
    const own = plan({ credit: { kind: "feed-in", perKwh: "0.07" } });
    expect(savedBy([own], { importKwh: 200, exportKwh: 60, productionKwh: 150, amount: "35.80" })).toEqual([["58.00", "22.20"]]);
  });

  it("a minimum bill: what the sun covered below it saved nothing", () => {
    // Use 140: 28.00. Bought 40: 8.00, raised to 15.00.
    const own = plan({ minimumPerMonth: "15.00" });
    expect(savedBy([own], { importKwh: 40, exportKwh: 0, productionKwh: 100, amount: "15.00" })).toEqual([["28.00", "13.00"]]);
  });

  it("a credit larger than the bill: it is paid out, and counts", () => {
    // Use 100 + 500 - 400 = 200: 40.00. Billed 20.00 - 40.00 = -20.00.
    const own = plan({ credit: { kind: "feed-in", perKwh: "0.10" } });
    expect(savedBy([own], { importKwh: 100, exportKwh: 400, productionKwh: 500, amount: "-20.00" })).toEqual([["40.00", "60.00"]]);
  });

  it("net metering from a move-in in summer: the bank that others filled is not theirs", () => {
    // March: use 100 + 320 - 300 = 120: 24.00, billed 0. April: use 250 + 200 - 50 = 400: 80.00; 250 - 50 - 200 of the bank: billed 0.
    const own = plan({ from: "2024-03-01", credit: { kind: "net-metering", trueUpMonth: 2 } });
    expect(
      savedBy(
        [own],
        { importKwh: 100, exportKwh: 300, productionKwh: 320, amount: "0.00" },
        { key: "2024-04", importKwh: 250, exportKwh: 50, productionKwh: 200, amount: "0.00" },
      ),
    ).toEqual([
      ["24.00", "24.00"],
      ["80.00", "80.00"],
    ]);
  });

  it("a winter plan with two peaks: each band at its own price", () => {
    const winter = plan({
      fixedPerMonth: "9.00",
      seasons: [
        {
          name: "winter",
          months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
          bands: [
            { name: "morning", days: "weekdays", hours: [[7, 9]], tiers: [{ perKwh: "0.38" }] },
            { name: "evening", days: "weekdays", hours: [[17, 20]], tiers: [{ perKwh: "0.46" }] },
            { name: "rest", tiers: [{ perKwh: "0.14" }] },
          ],
        },
      ],
    });
    // 9 + (30 + 10) x 0.38 + 80 x 0.46 + (190 + 90) x 0.14 = 9 + 15.20 + 36.80 + 39.20; billed 9 + 11.40 + 36.80 + 26.60.
    expect(
      savedBy([winter], {
        ...{ importKwh: 300, exportKwh: 0, productionKwh: 100, amount: "83.80" },
        ...{ bands: { morning: 30, evening: 80, rest: 190 }, self: { morning: 10, rest: 90 } },
      }),
    ).toEqual([["100.20", "16.40"]]);
  });

  it("tiers: the sun takes the dear end of the use", () => {
    // Use 250: 100 x 0.15 + 150 x 0.25 = 52.50. Bought 120: 100 x 0.15 + 20 x 0.25 = 20.00.
    const own = plan({
      seasons: [{ ...oneBand("0.15")[0]!, bands: [{ name: "all day", tiers: [{ upToKwh: 100, perKwh: "0.15" }, { perKwh: "0.25" }] }] }],
    });
    expect(savedBy([own], { importKwh: 120, exportKwh: 0, productionKwh: 130, amount: "20.00" })).toEqual([["52.50", "32.50"]]);
  });

  it("a plan that changed in the middle of a month: each for its days", () => {
    // 310 kWh over 31 days: 150 x 0.20 + 160 x 0.30 = 78.00, and 15/31 of 10 with 16/31 of 12 = 11.03.
    const before = plan({ id: "a", to: "2024-03-15", fixedPerMonth: "10.00" });
    const after = plan({ id: "b", from: "2024-03-16", fixedPerMonth: "12.00", seasons: oneBand("0.30") });
    // Billed for 155: 75 x 0.20 + 80 x 0.30 + 11.03 = 50.03.
    expect(savedBy([before, after], { importKwh: 155, exportKwh: 0, productionKwh: 155, amount: "50.03" })).toEqual([["89.03", "39.00"]]);
  });

  it("tax lies on what is bought and not on what is sold", () => {
    // Use 240: (6 + 48) x 1.2 = 64.80. Billed (6 + 20) x 1.2 - 60 x 0.09 = 25.80.
    const own = plan({ fixedPerMonth: "6.00", taxes: [{ name: "tax", frac: 0.2 }], credit: { kind: "feed-in", perKwh: "0.09" } });
    expect(savedBy([own], { importKwh: 100, exportKwh: 60, productionKwh: 200, amount: "25.80" })).toEqual([["64.80", "39.00"]]);
  });

  it("one month's bills of four years: three months of saving, and none of the months between", () => {
    const julys = [
      bill("2020-07-01", "2020-07-31", { importKwh: 300, amount: "60.00" }),
      ...["30.00", "28.00", "31.00"].map((amount, k) =>
        bill(`202${k + 1}-07-01`, `202${k + 1}-07-31`, { importKwh: 150, exportKwh: 100, productionKwh: 250, amount }),
      ),
    ];
    const since = estimateMissing(billMonths(julys)).filter(({ key }) => key >= "2021-07");
    // June and August stand beside a July, and are estimated from it: they are shown, not counted.
    expect(since.filter(({ isEstimated }) => isEstimated).length).toBeGreaterThan(0);
    const savings = savingsOf(
      since.map(
        (own): SavingInput => ({
          ...own,
          exportKwh: own.exportKwh!,
          productionKwh: own.productionKwh!,
          selfByBandKwh: {},
          isFilled: false,
        }),
      ),
      { plans: [plan()], currency: "EUR", before: [], flatPerKwh: null },
    );
    // 300 kWh at 0.20 each: 60 - 30, 60 - 28, 60 - 31.
    expect([savings.filter(({ isEstimated }) => !isEstimated).length, String(methodTotal(savings, "reRun"))]).toEqual([3, "91"]);
  });

  it("a solar plan that costs more a bought kWh: dearer imports, and what exports earn over them", () => {
    // On the old plan 240 kWh would cost 5 + 240 x 0.24 = 62.60. On the solar plan 240 cost 5 + 240 x 0.30 = 77.00, and what is left after the sun
    // 5 + 90 x 0.30 - 110 x 0.20 = 10.00.
    const solar = plan({ fixedPerMonth: "5.00", seasons: oneBand("0.30"), credit: { kind: "feed-in", perKwh: "0.20" } });
    const printed = { importKwh: 90, exportKwh: 110, productionKwh: 260, amount: "10.00" };
    expect(savedBy([solar], printed)).toEqual([["77.00", "67.00"]]);
    const before = { ...printed, importKwh: 240, exportKwh: 0, productionKwh: 0, amount: "62.60" };
    expect(savedBy([plan({ fixedPerMonth: "5.00", seasons: oneBand("0.24") })], before)).toEqual([["62.60", "0.00"]]);
  });

  it("a new roof in year six on a loan: it comes back from its own day, and the loan is paid beside it", () => {
    // 1,200 a year saved since 2019 paid the first 6,000 by the end of 2023. The roof of 2024-07-01 costs 2,400: 100 a month, two years.
    const terms = {
      costs: ["6000"],
      incentives: [],
      firstYearKwh: 6000,
      importPerKwh: "0.20",
      exportPerKwh: null,
      selfUsedFrac: 1,
      priceRisePerYearFrac: 0,
      ageing: { firstYearFrac: 0, perYearFrac: 0 },
      horizonYears: 20,
    };
    const roof = { what: "roof", afterYears: 5.5, amount: "2400" };
    const whole = payback({ ...terms, later: [roof] });
    expect([whole.risingYears, whole.staysPaidYears, yearsToReturn(terms, roof)]).toEqual([5, 7, 2]);
    // 2,400 at 6 % over two years: 2,400 x 0.005 / (1 - 1.005^-24) = 106.37 a month, 152.88 of interest less the last month's rounding.
    const schedule = loanSchedule({ principal: "2400.00", ratePerYearFrac: 0.06, termYears: 2, fee: "0.00", refinance: null }, "EUR");
    expect([schedule.length, schedule[0]!.paid.toFixed(2)]).toEqual([24, "106.37"]);
    expect(
      sumOf(schedule.map(({ interest }) => interest))
        .minus("152.88")
        .abs()
        .toNumber(),
    ).toBeLessThan(0.15);
  });

  it("two bills, one before and one since: the average prices before and since, with and without what exports earned", () => {
    // Before 300 kWh for 66.00. Since 120 kWh for 14.40, in which 90 exported at 0.10 earned 9.00: 23.40 were charged for 120.
    const since = month({ importKwh: 120, exportKwh: 90, productionKwh: 250, amount: "14.40" });
    const [before] = billMonths([bill("2024-01-01", "2024-01-31", { importKwh: 300, amount: "66.00" })]);
    const { oldPerKwh, netPerKwh, grossPerKwh } = methodGap([before!], [since], [], new Exact("0.10"));
    expect([oldPerKwh, netPerKwh, grossPerKwh].map(String)).toEqual(["0.22", "0.12", "0.195"]);
  });
});
