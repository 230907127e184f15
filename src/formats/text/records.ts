import Papa from "papaparse";

export interface Dialect {
  readonly delimiter: "," | ";" | "\t";
  readonly decimal: "." | ",";
}

/** Rows of one block of text, with the file's row number of the first (from 1). */
export interface RecordBlock {
  readonly firstRow: number;
  readonly rows: string[][];
}

const quotes = (text: string): number => text.split('"').length - 1;

/**
 * Cuts decoded text into whole records and parses them block by block, so that memory stays flat however long the file is.
 * A block ends at a line end outside quotes.
 */
export async function* records(text: AsyncIterable<string>, delimiter: Dialect["delimiter"]): AsyncGenerator<RecordBlock> {
  let carry = "";
  let row = 1;
  const parse = (block: string): RecordBlock => {
    const { data } = Papa.parse<string[]>(block, { delimiter, header: false, skipEmptyLines: false });
    const firstRow = row;
    row += data.length;
    return { firstRow, rows: data };
  };
  for await (const chunk of text) {
    carry += chunk;
    const cut = carry.lastIndexOf("\n");
    if (cut < 0) continue;
    const block = carry.slice(0, cut);
    if (quotes(block) % 2 !== 0) continue;
    carry = carry.slice(cut + 1);
    yield parse(block);
  }
  if (carry.trim() !== "") yield parse(carry);
}

/** The dialect of a CSV file from its first lines: the delimiter that the header holds most, and a decimal comma where cells look so. */
export function sniffDialect(head: string): Dialect {
  const lines = head.split(/\r?\n/, 50);
  const header = lines[0] ?? "";
  const counted = ([",", ";", "\t"] as const).map((delimiter) => ({ delimiter, found: header.split(delimiter).length }));
  const delimiter = counted.reduce((best, next) => (next.found > best.found ? next : best)).delimiter;
  const cells = delimiter === "," ? [] : lines.slice(1).flatMap((line) => line.split(delimiter).slice(1));
  const decimal = cells.some((cell) => /^\s*-?\d+,\d+\s*$/.test(cell)) ? "," : ".";
  return { delimiter, decimal };
}
