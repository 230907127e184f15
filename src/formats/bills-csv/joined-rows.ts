import type { BillDocument } from "@/contracts/bills";
import type { ProblemLog } from "@/contracts/problems";
import { sumOf } from "@/core/money";

/** A bill, or the part of one, as a row has it. */
export interface BillRow extends Omit<BillDocument, "amount"> {
  readonly row: number;
  /** Null where another part of the same bill has it. */
  readonly amount: string | null;
  readonly band: string;
  readonly meter: string;
  /** Day on which it was printed; empty where the table has none. */
  readonly issued: string;
  /** Taken off the amount, a decimal numeral. */
  readonly credit: string;
}

/** Rows put together to bills: bands and meters of the same days add up, and what was issued last replaces what it corrects. */
export function joinedRows(rows: readonly BillRow[], log: ProblemLog): BillDocument[] {
  return grouped(withoutCorrected(rows, log)).flatMap((parts) => joined(parts, log) ?? []);
}

const daysOf = ({ from, to }: BillRow): string => `${from} ${to}`;

/** Of rows for the same days, meter and band the one that was issued last. */
function withoutCorrected(rows: readonly BillRow[], log: ProblemLog): BillRow[] {
  const latest = new Map<string, BillRow>();
  const others: BillRow[] = [];
  for (const row of rows) {
    const key = `${daysOf(row)} ${row.meter} ${row.band}`;
    const before = latest.get(key);
    if (!before) latest.set(key, row);
    else if (row.issued === before.issued) others.push(row);
    else {
      const later = row.issued > before.issued ? row : before;
      latest.set(key, later);
      log.add("bill-corrected", "notice", { row: later.row });
    }
  }
  return [...latest.values(), ...others].sort((a, b) => a.row - b.row);
}

/** Rows that are parts of one bill; a row without band and meter is a bill of its own. */
function grouped(rows: readonly BillRow[]): BillRow[][] {
  const groups: BillRow[][] = [];
  const byDays = new Map<string, BillRow[]>();
  for (const row of rows) {
    const isPart = row.band !== "" || row.meter !== "";
    const known = isPart ? byDays.get(daysOf(row)) : undefined;
    if (known) known.push(row);
    else {
      const group = [row];
      groups.push(group);
      if (isPart) byDays.set(daysOf(row), group);
    }
  }
  return groups;
}

/** One bill of its parts; null where none of them says what was paid. */
function joined(parts: readonly BillRow[], log: ProblemLog): BillDocument | null {
  const { from, to, row } = parts[0]!;
  const amounts = parts.map(({ amount }) => amount).filter((amount) => amount !== null);
  if (amounts.length === 0) {
    log.add("not-a-number", "error", { row, column: "amount", value: "" });
    return null;
  }
  const sum = (of: (row: BillRow) => number | null): number | null => {
    const known = parts.map(of).filter((kwh) => kwh !== null);
    return known.length > 0 ? known.reduce((a, b) => a + b, 0) : null;
  };
  const bands: Record<string, number> = {};
  for (const { importByBandKwh } of parts)
    for (const [band, kwh] of Object.entries(importByBandKwh)) bands[band] = (bands[band] ?? 0) + kwh;
  const credits = sumOf(parts.map(({ credit }) => credit));
  return {
    from,
    to,
    usageKwh: sum(({ usageKwh }) => usageKwh),
    importKwh: sum(({ importKwh }) => importKwh)!,
    importByBandKwh: bands,
    exportKwh: sum(({ exportKwh }) => exportKwh),
    productionKwh: sum(({ productionKwh }) => productionKwh),
    // As it was written, where nothing was added to it.
    amount: parts.length === 1 && credits.isZero() ? amounts[0]! : sumOf(amounts).minus(credits).toFixed(),
  };
}
