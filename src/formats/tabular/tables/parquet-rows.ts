import { parquetReadObjects } from "hyparquet";
import { UnreadableText } from "../text";

/** "PAR1": the first and the last four bytes of such a file. */
const MAGIC = [0x50, 0x41, 0x52, 0x31];
/** A file of columns is read at its end first, and so is held whole. */
const MOST_BYTES = 256 * 1024 * 1024;
const MOST_ROWS = 4_000_000;

export const isParquet = (first: Uint8Array): boolean => MAGIC.every((byte, k) => first[k] === byte);

/** The rows of a Parquet file as text, the names of its columns first; times in ISO 8601. */
export async function parquetRows(bytes: AsyncIterable<Uint8Array>): Promise<string[][]> {
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of bytes) {
    length += part.length;
    if (length > MOST_BYTES) throw new UnreadableText("too-large");
    parts.push(part);
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  const rows = await objectsOf(whole.buffer);
  if (rows.length > MOST_ROWS) throw new UnreadableText("too-many-rows");
  const names = Object.keys(rows[0] ?? {});
  return [names, ...rows.map((row) => names.map((name) => textOf(row[name])))];
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
