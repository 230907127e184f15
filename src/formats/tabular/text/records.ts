import Papa from "papaparse";
import { UnreadableText } from "./decode";

export interface Dialect {
  readonly delimiter: "," | ";" | "\t" | "|";
  readonly decimal: "." | ",";
}

/** Rows of one block of text, with the file's row number of the first (from 1). */
export interface RecordBlock {
  readonly firstRow: number;
  readonly rows: string[][];
}

const quotes = (text: string): number => text.split('"').length - 1;

/** A quote that is still open after this many letters was never closed. */
const LONGEST_RECORD = 1_000_000;
/** Twenty years of minutes; more is no record of one site, or a file that unpacks without end. */
const MOST_ROWS = 12_000_000;

/** A line of more cells is no row of anything; what has too many columns for readings is told further on. */
const MOST_CELLS_A_ROW = 50_000;

/**
 * Cuts decoded text into whole records and parses them block by block, so that memory stays flat however long the file is.
 * A block ends at a line end outside quotes; throws UnreadableText when none comes.
 */
export async function* records(text: AsyncIterable<string>, delimiter: Dialect["delimiter"]): AsyncGenerator<RecordBlock> {
  let carry = "";
  let row = 1;
  const parse = (block: string): RecordBlock => {
    // Told, not guessed: guessing looks through every block.
    const newline = block.includes("\r\n") ? "\r\n" : "\n";
    const { data } = Papa.parse<string[]>(block, { delimiter, newline, header: false, skipEmptyLines: false });
    const firstRow = row;
    row += data.length;
    if (row > MOST_ROWS) throw new UnreadableText("too-many-rows");
    if (data.some((cells) => cells.length > MOST_CELLS_A_ROW)) throw new UnreadableText("row-too-wide");
    return { firstRow, rows: data };
  };
  for await (const chunk of withLineFeeds(text)) {
    carry += chunk;
    const cut = carry.lastIndexOf("\n");
    const block = cut < 0 ? "" : carry.slice(0, cut);
    if (cut < 0 || quotes(block) % 2 !== 0) {
      if (carry.length - Math.max(0, carry.indexOf("\n")) > LONGEST_RECORD)
        throw new UnreadableText(cut < 0 ? "line-too-long" : "open-quote");
      continue;
    }
    carry = carry.slice(cut + 1);
    yield parse(block);
  }
  if (carry.trim() === "") return;
  if (quotes(carry) % 2 !== 0) throw new UnreadableText("open-quote");
  yield parse(carry);
}

/** Files of a bygone system end their lines with a carriage return alone. */
async function* withLineFeeds(text: AsyncIterable<string>): AsyncGenerator<string> {
  let returnsAlone: boolean | null = null;
  for await (const chunk of text) {
    if (returnsAlone === null && /[\r\n]/.test(chunk)) returnsAlone = chunk.includes("\r") && !chunk.includes("\n");
    yield returnsAlone ? chunk.replaceAll("\r", "\n") : chunk;
  }
}

const DELIMITERS = [",", ";", "\t", "|"] as const;
const SNIFFED_LINES = 60;

/**
 * The dialect of a CSV file from its first lines: the delimiter that cuts the most lines into the same number of cells, the header's own
 * where that leaves a doubt, and a decimal comma where cells look so.
 */
export function sniffDialect(head: string): Dialect {
  const lines = head.split(/\r\n|\n|\r/, SNIFFED_LINES).filter((line) => line.trim() !== "");
  const scored = DELIMITERS.map((delimiter) => ({ delimiter, score: evenness(lines, delimiter) }));
  const delimiter = scored.reduce((best, next) => (next.score > best.score ? next : best)).delimiter;
  const cells = delimiter === "," ? [] : lines.slice(1).flatMap((line) => line.split(delimiter).slice(1));
  const decimal = cells.some((cell) => /^\s*"?-?\d+,\d+"?\s*$/.test(cell)) ? "," : ".";
  return { delimiter, decimal };
}

/** Lines that share the most common number of cells, and that number: a decimal comma cuts lines unevenly, a delimiter does not. */
function evenness(lines: readonly string[], delimiter: string): number {
  const counts = new Map<number, number>();
  for (const line of lines) {
    const cells = cut(line, delimiter);
    if (cells > 1) counts.set(cells, (counts.get(cells) ?? 0) + 1);
  }
  let best = 0;
  for (const [cells, count] of counts) best = Math.max(best, count + Math.min(cells, 50) / 1000);
  // A semicolon or tab is never part of a number; where it cuts as well as a comma does, it is the delimiter.
  return delimiter === "," ? best : best * 1.2;
}

function cut(line: string, delimiter: string): number {
  if (!line.includes('"')) return line.split(delimiter).length;
  let [count, quoted] = [1, false];
  for (const letter of line) {
    if (letter === '"') quoted = !quoted;
    else if (letter === delimiter && !quoted) count++;
  }
  return count;
}
