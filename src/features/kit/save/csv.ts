import { unparse } from "papaparse";

/** Figures as CSV. Text that a spreadsheet would take for a formula is marked as text, so that opening a file never runs anything. */
export const csvOf = (table: readonly (readonly (string | number | null)[])[]): string =>
  unparse(table as unknown[][], { escapeFormulae: true });
