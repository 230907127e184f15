import type { ProblemLog } from "@/contracts/problems";
import { MOST_COLUMNS } from "../../xlsx/limits";
import type { RecordBlock } from "../text";
import { UnreadableText } from "../text";

/** A list is held whole while it is read, at some ten times its length; lines of objects may go on. */
export const JSON_MOST_CHARS = 60_000_000;
const LOOKED_AT = 500;
const BLOCK_ROWS = 5000;

type Flat = Readonly<Record<string, string>>;

/** Not every line that begins with a bracket: loggers head their files with "[Info]" too. */
export const looksLikeJson = (head: string): boolean => /^\s*(\{\s*"|\[\s*[{[])/.test(head);

/** Objects as the rows of a table: one a line, or a list of them, by itself or under a name; or lists of equal length, a column each. */
export async function jsonBlocks(
  head: string,
  text: AsyncIterable<string>,
  log: ProblemLog,
): Promise<{ head: string[][]; blocks: AsyncIterable<RecordBlock> }> {
  if (isLines(head)) {
    const first = head.split("\n").slice(0, LOOKED_AT).flatMap(parsedLine);
    const names = namesOf(first);
    return { head: [names, ...first.map((row) => cellsOf(row, names))], blocks: lineBlocks(text, names, log) };
  }
  let whole = "";
  for await (const part of text) {
    whole += part;
    if (whole.length > JSON_MOST_CHARS) throw new UnreadableText("json-too-long", { facts: { limitMb: JSON_MOST_CHARS / 1e6 } });
  }
  const objects = objectsIn(parsed(whole)).map(flat);
  const names = namesOf(objects);
  const rows = [names, ...objects.map((row) => cellsOf(row, names))];
  return { head: rows.slice(0, LOOKED_AT), blocks: inBlocks(rows) };
}

/** Whether the first line is an object by itself. */
function isLines(head: string): boolean {
  const line = head.trimStart().split("\n", 1)[0]!.trim();
  if (!line.startsWith("{") || !line.endsWith("}")) return false;
  try {
    const value: unknown = JSON.parse(line);
    return objectsIn(value).length === 0;
  } catch {
    return false;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new UnreadableText("broken-json");
  }
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null && !Array.isArray(value);

/** The list of objects in a document: itself, the longest under a name, or columns that are lists. */
function objectsIn(value: unknown): Record<string, unknown>[] {
  if (Array.isArray(value)) return value.filter(isObject);
  if (!isObject(value)) return [];
  const lists = Object.values(value).filter(Array.isArray);
  const objects = lists.map((list) => list.filter(isObject)).sort((a, b) => b.length - a.length)[0];
  if (objects && objects.length > 0) return objects;
  const columns = Object.entries(value).filter((entry): entry is [string, unknown[]] => Array.isArray(entry[1]));
  const length = Math.max(0, ...columns.map(([, list]) => list.length));
  return length < 2 ? [] : Array.from({ length }, (_, k) => Object.fromEntries(columns.map(([name, list]) => [name, list[k]])));
}

/** An object's values as text, those of an object within under both names. */
function flat(value: Record<string, unknown>): Flat {
  const out = Object.create(null) as Record<string, string>;
  for (const [name, own] of Object.entries(value)) {
    if (isObject(own)) for (const [inner, deep] of Object.entries(own)) out[`${name} ${inner}`] = textOf(deep);
    else out[name] = textOf(own);
  }
  return out;
}

function textOf(value: unknown): string {
  if (value === null || value === undefined) return "";
  if (typeof value === "string") return value;
  return typeof value === "number" || typeof value === "boolean" ? String(value) : JSON.stringify(value);
}

/** Names in the order in which they first come; more than a sheet may have columns are refused before a cell is made for each. */
function namesOf(rows: readonly Flat[]): string[] {
  const names = new Set<string>();
  for (const row of rows) {
    for (const name of Object.keys(row)) names.add(name);
    if (names.size > MOST_COLUMNS) throw new UnreadableText("row-too-wide");
  }
  return [...names];
}
const cellsOf = (row: Flat, names: readonly string[]): string[] => names.map((name) => row[name] ?? "");

function parsedLine(line: string): Flat[] {
  const text = line.trim();
  if (text === "") return [];
  try {
    const value: unknown = JSON.parse(text);
    return isObject(value) ? [flat(value)] : [];
  } catch {
    return [];
  }
}

/** Rows count from 2 in such a table: its names stand in no line of the file, and take the first. */
async function* lineBlocks(text: AsyncIterable<string>, names: readonly string[], log: ProblemLog): AsyncGenerator<RecordBlock> {
  const [known, late] = [new Set(names), new Set<string>()];
  yield { firstRow: 1, rows: [[...names]] };
  let [carry, row] = ["", 2];
  const rowOf = (line: string): string[] => {
    const [object] = parsedLine(line);
    for (const name of Object.keys(object ?? {})) if (!known.has(name) && late.size < MOST_COLUMNS) late.add(name);
    return object ? cellsOf(object, names) : line.trim() === "" ? [] : [line.slice(0, 60)];
  };
  for await (const part of text) {
    const lines = (carry + part).split("\n");
    carry = lines.pop()!;
    if (lines.length === 0) continue;
    yield { firstRow: row, rows: lines.map(rowOf) };
    row += lines.length;
  }
  if (carry.trim() !== "") yield { firstRow: row, rows: [rowOf(carry)] };
  if (late.size > 0) log.add("ignored-columns", "notice", { row: LOOKED_AT + 1 }, { columns: [...late].join(", ").slice(0, 300) });
}

async function* inBlocks(rows: readonly string[][]): AsyncGenerator<RecordBlock> {
  for (let from = 0; from < rows.length; from += BLOCK_ROWS) yield { firstRow: from + 1, rows: rows.slice(from, from + BLOCK_ROWS) };
}
