import { type FileMetaData, parquetMetadata, parquetReadObjects } from "hyparquet";
import { UnreadableText } from "../text";

/** "PAR1": the first and the last four bytes of such a file. */
const MAGIC = [0x50, 0x41, 0x52, 0x31];
/** A file of columns is read at its end first, and so is held whole. */
export const PARQUET_MOST_MB = 128;
/** Rows by columns, as the file tells them before any is unpacked. */
export const PARQUET_MOST_CELLS = 20_000_000;

export const isParquet = (first: Uint8Array): boolean => MAGIC.every((byte, k) => first[k] === byte);

/** The rows of a Parquet file as text, the names of its columns first; times in ISO 8601. */
export async function parquetRows(bytes: AsyncIterable<Uint8Array>): Promise<string[][]> {
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of bytes) {
    length += part.length;
    if (length > PARQUET_MOST_MB * 1e6) throw tooLarge();
    parts.push(part);
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  const { num_rows, schema } = metadataOf(whole.buffer);
  if (Number(num_rows) * schema.length > PARQUET_MOST_CELLS) throw tooLarge();
  const rows = await objectsOf(whole.buffer);
  const names = Object.keys(rows[0] ?? {});
  return [names, ...rows.map((row) => names.map((name) => textOf(row[name])))];
}

const tooLarge = (): UnreadableText =>
  new UnreadableText("parquet-too-large", { facts: { limitMb: PARQUET_MOST_MB, mostCells: PARQUET_MOST_CELLS } });

function metadataOf(file: ArrayBuffer): FileMetaData {
  try {
    return parquetMetadata(file);
  } catch {
    throw new UnreadableText("broken-parquet");
  }
}

async function objectsOf(file: ArrayBuffer): Promise<Record<string, unknown>[]> {
  try {
    return await parquetReadObjects({ file });
  } catch {
    throw new UnreadableText("broken-parquet");
  }
}

/** A cell's text; what is no single value stays as JSON has it. */
function textOf(value: unknown): string {
  if (value === null || value === undefined) return "";
  if (value instanceof Date) return value.toISOString().replace(".000Z", "Z");
  if (typeof value === "string") return value;
  return typeof value === "bigint" || typeof value === "number" || typeof value === "boolean" ? String(value) : JSON.stringify(value);
}
