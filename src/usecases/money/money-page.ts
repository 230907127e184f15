import type { AttributionView } from "@/contracts/attribution";
import type { BillDocument } from "@/contracts/bills";
import type { BillsReport, PlanComparison } from "@/contracts/money";
import type { SiteDocument } from "@/contracts/site";
import { type CaseFacts, type EnergyBasis, type MoneyReport, moneyOf, type PaybackDoubts } from "@/core/money";
import { YEAR_MS } from "@/core/units";
import type { OpenLedger } from "../ledger";
import { billsReport } from "./bills-report";
import { planComparison } from "./compare-plans";
import { paybackDoubts } from "./payback-doubts";
import { NO_SUN_HOURS, sunHours } from "./sun-hours";

export interface MoneyPage {
  readonly report: MoneyReport;
  readonly billsReport: BillsReport | null;
  readonly comparison: PlanComparison | null;
  readonly facts: CaseFacts;
  /** How far a payback's ground may be off, by whose energy it counts. */
  readonly doubts: Readonly<Record<EnergyBasis, PaybackDoubts>>;
  /** Ageing was read from the readings, not taken from the book. */
  readonly isAgeingRead: boolean;
}

interface Ground {
  readonly site: SiteDocument;
  readonly ledger: OpenLedger;
  readonly bills: readonly BillDocument[];
  /** What was read of causes and ageing; null where nothing was sought. */
  readonly causes: AttributionView | null;
  readonly basis?: EnergyBasis | null;
}

/** A rate read less surely than this a year, one side, is left to the book: money should not swing on it. */
const SURE_FRAC = 0.005;

/** Ageing as the Ageing chapter reads it, where it can tell; null leaves it to the book. */
function ageingRead({ ageing }: AttributionView): number | null {
  const { isTooSoon, perYearFrac, low, high } = ageing;
  if (isTooSoon || perYearFrac === null || low === null || high === null || (high - low) / 2 > SURE_FRAC) return null;
  return Math.max(0, perYearFrac);
}

/** All that the Money chapter shows of a book. Ageing is the Ageing chapter's where it can tell, else the book's. */
export function moneyPage({ site, ledger, bills, causes, basis = null }: Ground): MoneyPage {
  const ageingPerYearFrac = causes && ageingRead(causes);
  const hours = bills.length > 0 ? sunHours(ledger, site.money.plans) : NO_SUN_HOURS;
  const fromBills = bills.length > 0 ? billsReport({ site, ledger, bills, ageingPerYearFrac, hours }) : null;
  const end = ledger.weather ? ledger.weather.axis.startUtcMs + ledger.weather.axis.count * ledger.weather.axis.stepMinutes * 60_000 : null;
  const soiling = causes?.soiling;
  const report = moneyOf(site, ledger.report.months, ledger.promise, {
    basis,
    ageingPerYearFrac,
    selfUsedFrac: fromBills?.shares?.selfConsumptionFrac ?? null,
  });
  return {
    report,
    doubts: paybackDoubts({ site, report: ledger.report }, report),
    billsReport: fromBills,
    comparison: bills.length > 0 ? planComparison(site, ledger, bills, hours) : null,
    isAgeingRead: ageingPerYearFrac !== null,
    facts: {
      ageYears: site.commissioned && end ? Math.max(0, (end - Date.parse(site.commissioned)) / YEAR_MS) : 0,
      ageingPerYearFrac: ageingPerYearFrac ?? site.ageing.perYearFrac,
      soiling: soiling?.isSeen
        ? { ratePerDayFrac: soiling.ratePerDayFrac, cleaningRainMm: soiling.washing.thresholdMm + soiling.washing.scaleMm }
        : null,
    },
  };
}
