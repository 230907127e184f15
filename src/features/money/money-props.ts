import type { BillDocument } from "@/contracts/bills";
import type { BillsReport, PlanComparison } from "@/contracts/money";
import type { SiteDocument } from "@/contracts/site";
import type { LedgerLine } from "@/core/ledger";
import type { CaseFacts, EnergyBasis, MoneyReport, PaybackDoubts } from "@/core/money";

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
  /** Newest year with weather, for decision cases. */
  readonly year: string | null;
}
