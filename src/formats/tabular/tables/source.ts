import type { ProblemLog } from "@/contracts/problems";
import { isZip, sheetRows } from "../../xlsx";
import {
  type Bytes,
  type Dialect,
  decodeText,
  peek,
  type RecordBlock,
  records,
  sniffDialect,
  type TextNotes,
  UnreadableText,
} from "../text";
import { jsonBlocks, looksLikeJson } from "./json-rows";
import { isParquet, parquetRows } from "./parquet-rows";

/** A table whatever it was written in: its first rows to look at, and all of its rows block by block. */
export interface TableSource {
  /** Null of a spreadsheet, whose cells need no delimiter. */
  readonly dialect: Dialect | null;
  readonly head: readonly string[][];
  readonly blocks: AsyncIterable<RecordBlock>;
}

const HEAD_CHARS = 64 * 1024;
const HEAD_ROWS = 500;

/** Opens CSV text (packed or not), objects in JSON, an XLSX sheet or a Parquet file; what is odd about the writing goes to the log, what can't be read throws UnreadableText. */
export async function openTable(bytes: Bytes, log: ProblemLog): Promise<TableSource> {
  const { first, all } = await firstChunk(bytes);
  if (first && isZip(first)) {
    const rows = await sheetRows(all, log);
    return { dialect: null, head: rows.slice(0, HEAD_ROWS), blocks: once({ firstRow: 1, rows }) };
  }
  if (first && isParquet(first)) {
    const rows = await parquetRows(all);
    return { dialect: null, head: rows.slice(0, HEAD_ROWS), blocks: once({ firstRow: 1, rows }) };
  }
  const notes: TextNotes = { encoding: "utf-8" };
  const { head, whole } = await peek(decodeText(all, notes), HEAD_CHARS);
  if (looksLikeJson(head)) return { dialect: null, ...(await jsonBlocks(head, whole, log)) };
  if (head.length >= HEAD_CHARS && !/[\r\n]/.test(head)) throw new UnreadableText("line-too-long");
  if (notes.encoding !== "utf-8") log.add("other-encoding", "notice", {}, { encoding: notes.encoding });
  const dialect = sniffDialect(head);
  return { dialect, head: await headRows(head, dialect), blocks: records(whole, dialect.delimiter) };
}

/** Whole rows of the head; its last line may be cut and is left out unless it is the only one. */
async function headRows(head: string, dialect: Dialect): Promise<string[][]> {
  async function* text(): AsyncGenerator<string> {
    const end = head.length < HEAD_CHARS ? head.length : Math.max(head.lastIndexOf("\n"), head.lastIndexOf("\r"));
    yield end > 0 ? head.slice(0, end) : head;
  }
  const rows: string[][] = [];
  for await (const block of records(text(), dialect.delimiter)) rows.push(...block.rows);
  return rows.slice(0, HEAD_ROWS);
}

async function* once(block: RecordBlock): AsyncGenerator<RecordBlock> {
  yield block;
}

async function firstChunk(bytes: Bytes): Promise<{ first: Uint8Array | null; all: Bytes }> {
  const source = bytes[Symbol.asyncIterator]();
  const next = await source.next();
  if (next.done) return { first: null, all: none() };
  const first = next.value;
  async function* all(): Bytes {
    yield first;
    for (let more = await source.next(); !more.done; more = await source.next()) yield more.value;
  }
  return { first, all: all() };
}

async function* none(): Bytes {}
