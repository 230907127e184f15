import { plainNumbers } from "@/wording/format";

/** A cell as every spreadsheet reads it: no marks for thousands, a decimal point, a plain minus sign. */
export function cellText(shown: string): string {
  const plain = plainNumbers(shown).replaceAll("\u202f", "").replaceAll("\u2212", "-").replace(/\s+/g, " ").trim();
  return plain === "–" ? "" : plain;
}

interface ShownCell {
  readonly textContent: string | null;
  readonly colSpan: number;
}

interface ShownRow {
  readonly cells: Iterable<ShownCell>;
}

/** What a table shows, row by row; a cell over several columns fills the first of them. */
export const shownTable = ({ rows }: { readonly rows: Iterable<ShownRow> }): string[][] =>
  [...rows].map(({ cells }) =>
    [...cells].flatMap(({ textContent, colSpan }) => [cellText(textContent ?? ""), ...Array<string>(Math.max(0, colSpan - 1)).fill("")]),
  );
