import { billsHouseBills, billsHouseFile, billsHousePlans, billsHouseSite, billsHouseTruth } from "@test/bills-house";
import { describe, expect, it } from "vitest";
import { ledgerFromFiles } from "@/cli/read-files";
import { billMonths, Exact, naiveSavingPerYear, runRate } from "@/core/money";
import { billOf, slicesOfTotals } from "@/core/money/tariff";
import { billsReport, planComparison } from ".";

const { finance, assumptions } = billsHouseTruth;

interface Charged {
  readonly from: string;
  readonly to: string;
  readonly importByBandKwh: Readonly<Record<string, number>>;
  readonly exportKwh: number | null;
}

function charged({ from, to, importByBandKwh, exportKwh }: Charged, plans = billsHousePlans): Exact {
  const importKwh = Object.values(importByBandKwh).reduce((a, b) => a + b, 0);
  const slices = slicesOfTotals(plans, { from, to, importKwh, importByBandKwh, exportKwh: exportKwh ?? 0 });
  if (slices.kind !== "slices") throw new Error(slices.kind);
  return billOf(slices.slices, "USD").total;
}

describe("the bills house against its truth", () => {
  it("runs all sixty printed bills again to the cent", async () => {
    const off = (await billsHouseBills()).filter((bill) => charged(bill).toFixed(2) !== bill.amount);
    expect(off).toEqual([]);
  });

  it("with the true use, savings and the day of payback are the truth's exactly", async () => {
    const bills = new Map((await billsHouseBills()).map((bill) => [bill.from.slice(0, 7), bill]));
    const saved = finance.months.map((month) => {
      const { from, to, amount } = bills.get(month.month)!;
      const peak = Math.round(month.load_peak_kwh);
      return {
        key: month.month,
        saving: charged({
          from,
          to,
          importByBandKwh: { peak, "off-peak": Math.round(month.load_kwh - month.load_peak_kwh) },
          exportKwh: 0,
        }).minus(amount),
      };
    });
    const rate = runRate({
      saved,
      netCost: new Exact(finance.net_cost),
      rises: (yearsOn) => (1 + assumptions.price_escalation_pct_per_year / 100) ** yearsOn,
      ageingPerYearFrac: assumptions.degradation_pct_per_year / 100,
      season: new Array<number>(12).fill(1),
      horizonYears: 40,
    })!;
    expect([rate.savedToDate.toNumber(), rate.paidBackOn, rate.years!.toFixed(3)]).toEqual([
      finance.total_saving,
      finance.payback_date,
      finance.payback_years.toFixed(3),
    ]);
  });

  it("bills before less bills after is the truth's naive figure", async () => {
    const months = billMonths(await billsHouseBills());
    const naive = naiveSavingPerYear(
      months.filter(({ key }) => key < "2020-06"),
      months.filter(({ key }) => key >= "2020-06"),
    )!;
    expect(naive.toNumber()).toBeCloseTo(finance.naive_mean_bill_before_minus_after_per_year, 2);
  });

  it("from the owner's files alone savings come within one percent, payback within a month, the interval holds the truth", async () => {
    const ledger = await ledgerFromFiles({
      site: billsHouseFile("bills-house.site.json"),
      weather: billsHouseFile("weather.csv.gz"),
      production: billsHouseFile("production.csv.gz"),
      promise: billsHouseFile("promise.csv"),
    });
    const site = billsHouseSite();
    const bills = await billsHouseBills();
    const report = billsReport({ site, ledger, bills, ageingPerYearFrac: null });
    const reRun = report.methods.find(({ method }) => method === "re-run")!;
    expect(Math.abs(Number(reRun.total) / finance.total_saving - 1)).toBeLessThan(0.01);
    expect(Number(reRun.low)).toBeLessThan(finance.total_saving);
    expect(Number(reRun.high)).toBeGreaterThan(finance.total_saving);
    const paidBackOn = Date.parse(report.runRates.find(({ method }) => method === "re-run")!.paidBackOn!);
    expect(Math.abs(paidBackOn - Date.parse(finance.payback_date)) / 86_400_000).toBeLessThan(31);
    expect(report.months.find(({ key }) => key === "2021-10")!.isFilled).toBe(true);
    const comparison = planComparison(site, ledger, bills)!;
    const own = comparison.rows.find(({ isOwn }) => isOwn)!;
    // The plan in force at the end, over all twelve months, on the printed kWh.
    const latest = [{ ...billsHousePlans[1]!, from: "2000-01-01" }];
    const expected = bills.slice(-12).reduce((sum, bill) => sum + charged(bill, latest).toNumber(), 0);
    expect(Math.abs(Number(own.withArray) / expected - 1)).toBeLessThan(0.001);
  });
});
