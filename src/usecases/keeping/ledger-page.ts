import type { FoundMonth } from "@/contracts/attribution";
import type { Keeping } from "@/contracts/keeping";
import { type LedgerLine, totalLine } from "@/core/ledger";
import { yearName } from "@/core/time";
import type { OpenLedger } from "../ledger";
import { accountLines } from "./account-lines";

export interface LedgerPageInput {
  readonly ledger: Pick<OpenLedger, "report">;
  /** What was found beside the plan; null until causes were sought. */
  readonly found: readonly FoundMonth[] | null;
  readonly keeping: Keeping;
  /** Month in which the owner's year begins, 1 to 12. */
  readonly fiscalStart: number;
  readonly year: string | undefined;
}

export interface LedgerPageLines {
  readonly years: readonly string[];
  readonly selected: string;
  /** A year that was asked for and is not in the book. */
  readonly unknownYear: string | null;
  readonly lines: readonly LedgerLine[];
  readonly months: readonly LedgerLine[];
  readonly sum: LedgerLine;
  /** How far closed months are from what would be posted today. */
  readonly drift: readonly ClosedDrift[];
}

/** A page of the ledger: months of a year, calendar or fiscal, or all years, with what was found and what the analyst moved. */
export function ledgerPage({ ledger, found, keeping, fiscalStart, year }: LedgerPageInput): LedgerPageLines {
  const { months, asToday } = accountLines(ledger.report.months, { found, keeping });
  const nameOf = (key: string): string => yearName(key, fiscalStart);
  const years = [...new Set(months.map(({ key }) => nameOf(key)))];
  const isKnown = year === "all" || (year !== undefined && years.includes(year));
  const selected = isKnown ? year : (years.at(-1) ?? "all");
  const ofYear = (name: string): LedgerLine[] => months.filter(({ key }) => nameOf(key) === name);
  const lines = selected === "all" ? years.map((name) => totalLine(name, ofYear(name))) : ofYear(selected);
  return {
    years,
    selected,
    unknownYear: year === undefined || isKnown ? null : year,
    lines,
    months,
    sum: totalLine(selected, lines),
    drift: driftOf(asToday, keeping),
  };
}

const TELLABLE_FRAC = 0.002;

/** What a closed month would say otherwise if it were posted today. */
export interface ClosedDrift {
  readonly month: string;
  /** Expected energy today, less that of the closing. */
  readonly expectedOffKwh: number;
  /** Unexplained energy today, less that of the closing. */
  readonly unexplainedOffKwh: number;
}

function driftOf(months: readonly LedgerLine[], { closed }: Keeping): ClosedDrift[] {
  return closed.flatMap((kept) => {
    const now = months.find(({ key }) => key === kept.month);
    if (!now) return [];
    const expectedOffKwh = now.expectedKwh - kept.line.expectedKwh;
    const unexplainedOffKwh = (now.unexplainedKwh ?? 0) - (kept.line.unexplainedKwh ?? 0);
    const tellable = Math.max(Math.abs(expectedOffKwh), Math.abs(unexplainedOffKwh)) > TELLABLE_FRAC * kept.line.expectedKwh;
    return tellable ? [{ month: kept.month, expectedOffKwh, unexplainedOffKwh }] : [];
  });
}
