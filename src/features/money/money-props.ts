import type { BillDocument } from "@/contracts/bills";
import type { BillsReport, PlanComparison } from "@/contracts/money";
import type { SiteDocument } from "@/contracts/site";
import type { LedgerLine } from "@/core/ledger";
import type { CaseFacts, EnergyBasis, MoneyReport, PaybackDoubts } from "@/core/money";
import type { BenchSun } from "@/features/calculators/bench-sun";

/** What the money chapter's views are given. */
export interface MoneyProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  readonly months: readonly LedgerLine[];
  readonly promise: readonly number[] | null;
  readonly bills: readonly BillDocument[];
  /** Version of the bills, which a save must name. */
  readonly billsVersion: number;
  readonly report: MoneyReport;
  readonly billsReport: BillsReport | null;
  readonly comparison: PlanComparison | null;
  readonly facts: CaseFacts;
  readonly doubts: Readonly<Record<EnergyBasis, PaybackDoubts>>;
  /** Ageing was read from the readings. */
  readonly isAgeingRead: boolean;
  /** The sun of the book for decision cases; null: it has none, and one is chosen there. */
  readonly sun: BenchSun | null;
  /** What is past is told as past. */
  readonly today: string;
}
