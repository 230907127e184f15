import { published } from "@/contracts/published-names";

const whole = new Intl.NumberFormat("en", { maximumFractionDigits: 0 });

/** Columns of text, the first to the left, the rest to the right. */
export function textTable(head: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  const cells = [
    head,
    ...rows.map((row) => row.map((cell) => (cell === null ? "-" : typeof cell === "number" ? whole.format(cell) : cell))),
  ];
  const widths = head.map((_, column) => Math.max(...cells.map((row) => (row[column] ?? "").length)));
  return cells
    .map((row) => row.map((cell, column) => (column === 0 ? cell.padEnd(widths[0]!) : cell.padStart(widths[column]!))).join("  "))
    .join("\n");
}

export const printJson = (value: unknown): void => void process.stdout.write(`${JSON.stringify(published(value), null, 2)}\n`);
export const printText = (text: string): void => void process.stdout.write(`${text}\n`);

/** What is worth knowing about the files, beside the result. */
export const printNotices = (notices: readonly string[]): void => {
  for (const notice of notices) process.stderr.write(`${notice}\n`);
};
