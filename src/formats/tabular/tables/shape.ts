import { MISSING } from "@/core/readings";
import { readForeignTime, readTimeOfDay } from "./cell-time";
import { isUnit } from "./column-words";
import { isTimeOfDay } from "./time-of-day";

/** Where the parts of a table lie: rows count from 0 here. */
export interface TableShape {
  /** First row of data. */
  readonly firstRow: number;
  readonly headers: readonly string[];
  readonly width: number;
}

const NUMBER = /^[+-]?[\d.,'\s\u00a0\u202f]*\d[\d.,'\s\u00a0\u202f]*(e[+-]?\d+)?\s*(k|M)?(W|Wh)?$/iu;

export const looksLikeTime = (cell: string): boolean => {
  const text = cell.trim();
  return (["ymd", "dmy", "mdy"] as const).some((order) => readForeignTime(text, order) !== null);
};

const isValue = (cell: string): boolean => {
  const text = cell.trim();
  return MISSING.has(text.toLowerCase()) || NUMBER.test(text) || looksLikeTime(text) || readTimeOfDay(text) !== null;
};

const filled = (row: readonly string[]): number => row.filter((cell) => cell.trim() !== "").length;

/** Finds preamble, header rows, a row of units and the first row of data; null when no row holds data. */
export function shapeOf(head: readonly string[][]): TableShape | null {
  const full = head.findIndex((row, i) => isData(row) && (i + 1 >= head.length || filled(head[i + 1]!) === 0 || isData(head[i + 1]!)));
  if (full < 0) return null;
  // A logger that was not read yet writes its times alone.
  let first = full;
  while (first > 0 && isTimeAlone(head[first - 1]!, head[full]!)) first--;
  const width = Math.max(...head.slice(first, first + 50).map((row) => row.length));
  const above: string[][] = [];
  for (let i = first - 1; i >= 0 && above.length < 3; i--) {
    const row = head[i]!;
    if (filled(row) < 1 || row.length < Math.max(2, width / 2)) break;
    above.unshift([...row]);
  }
  if (above.length === 0 && first > 0 && width === 1) above.push([...head[first - 1]!]);
  return { firstRow: first, headers: merged(above, width), width };
}

/** A row of data: something in its first cells that is a time or a number, and nothing but values. */
function isData(row: readonly string[]): boolean {
  const cells = row.filter((cell) => cell.trim() !== "");
  if (cells.length < 2) return false;
  const values = cells.filter(isValue).length;
  const numeric = cells.filter((cell) => NUMBER.test(cell.trim())).length;
  const across = cells.slice(1);
  // A row that begins with its own time is no header of times, though 1234.5 reads as a month.
  const timesAcross = !looksLikeTime(row[0] ?? "") && (across.every(looksLikeTime) || isTimeOfDay(across));
  return values >= cells.length - 1 && values >= cells.length * 0.6 && numeric >= 1 && !timesAcross;
}

const isTimeAlone = (row: readonly string[], { length }: readonly string[]): boolean =>
  row.length === length && length > 1 && filled(row) === 1 && looksLikeTime(row[0] ?? "");

/** Header rows column by column as one text; a device's name over several columns is carried to the right, units come last. */
function merged(rows: readonly string[][], width: number): string[] {
  const carried = rows.map((row, k) => {
    if (k === rows.length - 1 || row.filter((cell) => cell.trim() !== "").every(isUnit)) return row;
    let last = "";
    return Array.from({ length: width }, (_, c) => {
      if (row[c]?.trim()) last = row[c];
      return last;
    });
  });
  return Array.from({ length: width }, (_, c) =>
    carried
      .map((row) => (row[c] ?? "").trim())
      .filter((cell, k, cells) => cell !== "" && cells.indexOf(cell) === k)
      .join(" "),
  );
}
