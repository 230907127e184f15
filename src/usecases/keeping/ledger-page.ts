import type { CauseReport } from "@/contracts/causes";
import type { Keeping } from "@/contracts/keeping";
import { type LedgerLine, lineWithTransfers, totalLine } from "@/core/reconcile";
import type { OpenLedger } from "../ledger";

export interface LedgerPageInput {
  readonly ledger: OpenLedger;
  readonly causes: CauseReport | null;
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
  readonly drift: string;
}

/** A page of the ledger: months of a year, calendar or fiscal, or all years; by evidence with what the analyst moved, or by the book. */
export function ledgerPage({ ledger, causes, keeping, posting, fiscalStart, year }: LedgerPageInput): LedgerPageLines {
  const budget = ledger.report.months;
  const byEvidence = posting === "evidence" && causes !== null;
  const months = byEvidence
    ? budget.map((line) =>
        lineWithTransfers(
          causes.months.find(({ key }) => key === line.key) ?? line,
          keeping.transfers.filter(({ month }) => month === line.key),
        ),
      )
    : budget;
  const nameOf = (key: string): string => fiscalName(key, fiscalStart);
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
    drift: byEvidence ? driftWords(months, keeping) : "",
  };
}

/** "2023", or "FY2023" for the year that ends in 2023. */
function fiscalName(key: string, startMonth: number): string {
  const [year, month] = [Number(key.slice(0, 4)), Number(key.slice(5, 7))];
  if (startMonth === 1) return String(year);
  return `FY${month >= startMonth ? year + 1 : year}`;
}

const TELLABLE_FRAC = 0.002;

function driftWords(months: readonly LedgerLine[], { closed }: Keeping): string {
  const drifted = closed.flatMap((kept) => {
    const now = months.find(({ key }) => key === kept.month);
    const off = now ? now.expectedKwh - kept.explainedKwh : 0;
    return now && Math.abs(off) > TELLABLE_FRAC * kept.explainedKwh
      ? [`${kept.month} by ${off > 0 ? "+" : "\u2212"}${Math.abs(off).toFixed(0)} kWh`]
      : [];
  });
  if (drifted.length === 0) return "";
  return `The model has changed since these months were closed: today they would explain ${drifted.join(", ")} otherwise. Their closed figures stand until they are reopened.`;
}
