import { monthName } from "@/wording/format";

/** A number as people type it: "10 482", "1.234,5", "412.5"; null where it is none. */
export function typedNumber(text: string): number | null {
  const bare = text.replace(/[\s\u202f\u00a0']/g, "");
  if (bare === "") return null;
  const comma = bare.lastIndexOf(",") > bare.lastIndexOf(".");
  const plain = comma ? bare.replaceAll(".", "").replace(",", ".") : bare.replaceAll(",", "");
  return /^[+-]?\d*\.?\d+$/.test(plain) ? Number(plain) : null;
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
  let [sum, isAny] = [0, false];
  return cells.map((row) => {
    const value = typedNumber(row[1] ?? "");
    if (value === null) return null;
    sum += value;
    isAny = true;
    return isAny ? sum : null;
  });
}

/** What a counter has counted since the row above it that holds a number; null for the first. */
export function sinceRowAbove(cells: readonly (readonly string[])[]): (number | null)[] {
  let above: number | null = null;
  return cells.map((row) => {
    const value = typedNumber(row[1] ?? "");
    if (value === null) return null;
    const since = above === null ? null : value - above;
    above = value;
    return since;
  });
}
