import { type Problem, ProblemLog } from "@/contracts/problems";
import { type Bytes, decodeText, peek, records, sniffDialect, UnreadableText } from "../tabular/text";

export const MONTH_NAMES = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/** Twelve promised energies, January first, or the problems that keep the file out. */
export interface PromiseFile {
  readonly monthlyKwh: readonly number[] | null;
  readonly problems: readonly Problem[];
}

/** Reads a promise CSV: a month column (Jan to Dec or 1 to 12) and kwh (or expected_kwh). */
export async function readPromise(bytes: Bytes): Promise<PromiseFile> {
  const log = new ProblemLog();
  try {
    const { head, whole } = await peek(decodeText(bytes), 4096);
    if (head.trim() === "") log.add("empty-file", "error");
    const months = new Map<number, number>();
    const dialect = sniffDialect(head);
    let monthIndex = -1;
    let kwhIndex = -1;
    for await (const block of records(whole, dialect.delimiter)) {
      block.rows.forEach((cells, k) => {
        const row = block.firstRow + k;
        if (row === 1) {
          const headers = cells.map((cell) => cell.trim().toLowerCase());
          monthIndex = headers.indexOf("month");
          kwhIndex = headers.findIndex((header) => header === "kwh" || header === "expected_kwh");
        } else if (cells.some((cell) => cell.trim() !== "")) takeMonth(cells[monthIndex] ?? "", cells[kwhIndex] ?? "", row);
      });
    }
    function takeMonth(name: string, text: string, row: number): void {
      const month = monthOf(name);
      if (month === null || months.has(month)) {
        log.add("bad-month", "error", { row, column: "month", value: name });
        return;
      }
      const kwh = Number(dialect.decimal === "," ? text.replace(",", ".") : text);
      if (text.trim() === "" || !Number.isFinite(kwh)) log.add("not-a-number", "error", { row, column: "kwh", value: text });
      else if (kwh < 0)
        log.add(
          "out-of-range",
          "error",
          { row, column: "kwh", value: text },
          { expected: "A promise of 0 kWh or more.", remedy: "Correct the value." },
        );
      months.set(month, kwh);
    }
    if (!log.hasErrors && (monthIndex < 0 || kwhIndex < 0))
      log.add("no-value-column", "error", { row: 1 }, { columns: head.split(/\r?\n/, 1)[0] ?? "" });
    const missing = MONTH_NAMES.filter((_, month) => !months.has(month));
    if (!log.hasErrors && missing.length > 0) log.add("months-missing", "error", {}, { months: missing.join(", ") });
    return { monthlyKwh: log.hasErrors ? null : MONTH_NAMES.map((_, month) => months.get(month)!), problems: log.list() };
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    log.add(error.code, "error");
    return { monthlyKwh: null, problems: log.list() };
  }
}

/** Month of the year, 0 to 11, from its number or name; null when it is neither. */
export function monthOf(name: string): number | null {
  const plain = name.trim().toLowerCase();
  const number = Number(plain);
  if (Number.isInteger(number) && number >= 1 && number <= 12) return number - 1;
  const named = MONTH_NAMES.indexOf(plain.slice(0, 3));
  return plain.length >= 3 && named >= 0 ? named : null;
}
