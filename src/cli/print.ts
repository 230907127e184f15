import { PRINTED_VERSION, printedFormat } from "@/contracts/printed";

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

/** A command's answer as JSON, with the name and the version of its form before it. */
export const printJson = (command: string, value: object): void =>
  void process.stdout.write(`${JSON.stringify({ format: printedFormat(command), version: PRINTED_VERSION, ...value }, null, 2)}\n`);
export const printText = (text: string): void => void process.stdout.write(`${text}\n`);

/** What is worth knowing about the files, beside the result. */
export const printNotices = (notices: readonly string[]): void => {
  for (const notice of notices) process.stderr.write(`${notice}\n`);
};
