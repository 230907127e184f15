import { createReadStream, readFileSync } from "node:fs";
import path from "node:path";
import type { SiteDocument } from "@/contracts/site";
import { type PlanDocument, planSchema } from "@/contracts/tariff";
import { readBills } from "@/formats/bills-csv";
import { parseSite } from "@/formats/site-json";

const folder = path.join(import.meta.dirname, "fixtures", "plants", "bills-house");
export const billsHouseFile = (name: string): string => path.join(folder, name);

interface TruthMonth {
  readonly month: string;
  readonly load_kwh: number;
  readonly load_peak_kwh: number;
  readonly bill_without_pv: number;
  readonly bill_with_pv: number;
}

/** What really was saved, and by which tariff and assumptions; never an input to the analysis. */
export const billsHouseTruth = JSON.parse(readFileSync(billsHouseFile("truth-money.json"), "utf8")) as {
  readonly finance: {
    readonly months: readonly TruthMonth[];
    readonly total_saving: number;
    readonly payback_date: string;
    readonly payback_years: number;
    readonly net_cost: number;
    readonly naive_mean_bill_before_minus_after_per_year: number;
  };
  readonly tariff: {
    readonly periods: readonly {
      readonly valid_from: string;
      readonly valid_to: string | null;
      readonly fixed_per_month: number;
      readonly export_credit_per_kwh: number;
      readonly seasons: readonly {
        name: string;
        months: number[];
        peak_hours: [number, number][];
        peak_per_kwh: number;
        offpeak_per_kwh: number;
      }[];
    }[];
  };
  readonly assumptions: {
    readonly incentive: number;
    readonly price_escalation_pct_per_year: number;
    readonly degradation_pct_per_year: number;
  };
};

/** The owner's tariff in our terms. */
export const billsHousePlans: readonly PlanDocument[] = billsHouseTruth.tariff.periods.map((period, k) =>
  planSchema.parse({
    id: `tou-${k}`,
    name: "Time of use",
    from: period.valid_from,
    to: period.valid_to,
    fixedPerMonth: String(period.fixed_per_month),
    credit: { kind: "net-billing", perKwh: String(period.export_credit_per_kwh) },
    seasons: period.seasons.map((season) => ({
      name: season.name,
      months: season.months,
      bands: [
        { name: "peak", days: "weekdays", hours: season.peak_hours, tiers: [{ perKwh: String(season.peak_per_kwh) }] },
        { name: "off-peak", tiers: [{ perKwh: String(season.offpeak_per_kwh) }] },
      ],
    })),
  }),
);

export const billsHouseBills = async () => (await readBills(createReadStream(billsHouseFile("bills.csv")))).bills;

/** The site as its owner believes it, with the money that the facts tell. */
export function billsHouseSite(): SiteDocument {
  const { assumptions } = billsHouseTruth;
  const document = JSON.parse(readFileSync(billsHouseFile("bills-house.site.json"), "utf8")) as { money: object };
  const reading = parseSite({
    ...document,
    ageing: { firstYearFrac: assumptions.degradation_pct_per_year / 100, perYearFrac: assumptions.degradation_pct_per_year / 100 },
    money: {
      ...document.money,
      incentives: [{ on: "2020-06-01", amount: assumptions.incentive.toFixed(2), what: "incentive" }],
      tariff: { priceRisePerYearFrac: assumptions.price_escalation_pct_per_year / 100 },
      plans: billsHousePlans,
    },
  });
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.document;
}
