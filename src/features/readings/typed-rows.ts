import { sniffNumbers, toNumber } from "@/core/readings";
import { monthName } from "@/wording/format";

/** The numbers of the second column as the reader of files will take them: decimal and thousands marks by all cells together; null where a cell holds none. */
function typedNumbers(cells: readonly (readonly string[])[]): (number | null)[] {
  const column = cells.map((row) => (row[1] ?? "").trim());
  const grammar = sniffNumbers(column);
  return column.map((cell) => {
    const value = toNumber(cell, grammar);
    return Number.isNaN(value) ? null : value;
  });
}

/** What a row is called by what stands in its first cell: "March 2024", "21 March 2024"; nothing until it is a date. */
export function rowName(cell: string): string {
  const [, year, month, day] = /^\s*(\d{4})-(\d{1,2})(?:-(\d{1,2}))?\b/.exec(cell) ?? [];
  if (!year || !month || Number(month) < 1 || Number(month) > 12) return "";
  const name = `${monthName(`${year}-${month.padStart(2, "0")}`, "short")} ${year}`;
  return day ? `${Number(day)} ${name}` : name;
}

/** The energies of the rows added up, row by row; null where nothing can be added. */
export function runningTotals(cells: readonly (readonly string[])[]): (number | null)[] {
  let sum = 0;
  return typedNumbers(cells).map((value) => {
    if (value === null) return null;
    sum += value;
    return sum;
  });
}

/** What a counter has counted since the row above it that holds a number; null for the first. */
export function sinceRowAbove(cells: readonly (readonly string[])[]): (number | null)[] {
  let above: number | null = null;
  return typedNumbers(cells).map((value) => {
    if (value === null) return null;
    const since = above === null ? null : value - above;
    above = value;
    return since;
  });
}
