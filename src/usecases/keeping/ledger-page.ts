import type { AttributionView } from "@/contracts/attribution";
import type { Keeping } from "@/contracts/keeping";
import { type LedgerLine, lineWithTransfers, totalLine } from "@/core/ledger";
import { yearName } from "@/core/time";
import type { OpenLedger } from "../ledger";

export interface LedgerPageInput {
  readonly ledger: Pick<OpenLedger, "report">;
  readonly causes: AttributionView | null;
  readonly keeping: Keeping;
  readonly posting: "evidence" | "budget";
  /** Month in which the owner's year begins, 1 to 12. */
  readonly fiscalStart: number;
  readonly year: string | undefined;
}

export interface LedgerPageLines {
  readonly years: readonly string[];
  readonly selected: string;
  readonly lines: readonly LedgerLine[];
  readonly months: readonly LedgerLine[];
  readonly sum: LedgerLine;
  readonly posting: "evidence" | "budget" | null;
  /** How far closed months are from what would be posted today, in words; empty when they agree. */
  readonly drift: readonly ClosedDrift[];
}

/** A page of the ledger: months of a year, calendar or fiscal, or all years; by evidence with what the analyst moved, or by the book. */
export function ledgerPage({ ledger, causes, keeping, posting, fiscalStart, year }: LedgerPageInput): LedgerPageLines {
  const planned = ledger.report.months;
  const byEvidence = posting === "evidence" && causes !== null;
  const today = byEvidence
    ? planned.map((line) =>
        lineWithTransfers(
          causes.months.find(({ key }) => key === line.key) ?? line,
          keeping.transfers.filter(({ month }) => month === line.key),
        ),
      )
    : planned;
  // A closed month stands as it was closed; what would stand today is told as its drift.
  const frozen = new Map(keeping.closed.map(({ month, line }) => [month, line]));
  const months = byEvidence ? today.map((line) => frozen.get(line.key) ?? line) : today;
  const nameOf = (key: string): string => yearName(key, fiscalStart);
  const years = [...new Set(months.map(({ key }) => nameOf(key)))];
  const selected = year === "all" || (year !== undefined && years.includes(year)) ? year : (years.at(-1) ?? "all");
  const ofYear = (name: string): LedgerLine[] => months.filter(({ key }) => nameOf(key) === name);
  const lines = selected === "all" ? years.map((name) => totalLine(name, ofYear(name))) : ofYear(selected);
  return {
    years,
    selected,
    lines,
    months,
    sum: totalLine(selected, lines),
    posting: causes ? (byEvidence ? "evidence" : "budget") : null,
    drift: byEvidence ? driftOf(today, keeping) : [],
  };
}

const TELLABLE_FRAC = 0.002;

/** What a closed month would explain otherwise if it were posted today. */
export interface ClosedDrift {
  readonly month: string;
  readonly offKwh: number;
}

function driftOf(months: readonly LedgerLine[], { closed }: Keeping): ClosedDrift[] {
  return closed.flatMap((kept) => {
    const now = months.find(({ key }) => key === kept.month);
    const off = now ? now.expectedKwh - kept.line.expectedKwh : 0;
    return now && Math.abs(off) > TELLABLE_FRAC * kept.line.expectedKwh ? [{ month: kept.month, offKwh: off }] : [];
  });
}
