import { sniffNumbers, toNumber } from "@/core/readings";

/** Numbers of a column or a row that came from a spreadsheet's clipboard, by marks that fit them all; null where it is a single cell, or a cell is no number. */
export function pastedNumbers(text: string): number[] | null {
  const cells = text
    .trim()
    .split(/[\t\r\n;]+/)
    .map((cell) => cell.trim())
    .filter((cell) => cell !== "");
  if (cells.length < 2) return null;
  const grammar = sniffNumbers(cells);
  const values = cells.map((cell) => toNumber(cell, grammar));
  return values.some(Number.isNaN) ? null : values;
}
