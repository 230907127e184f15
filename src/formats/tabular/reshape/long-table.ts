import type { ProblemLog } from "@/contracts/problems";
import { readForeignTime } from "../tables/cell-time";
import { meaningOf } from "../tables/column-words";
import type { TableSource } from "../tables/source";
import { type RecordBlock, UnreadableText } from "../text";
import { column, type Look, lookOf } from "./recut";

const QUANTITY =
  /^(quantity|parameter|measure(ment)?|variable|channel|metric|signal|tag|point|sensor|register|messgr[öo][ßs]+e|kanal|gr[öo][ßs]+e|grandeur|magnitud|grandezza)( name)?$/i;
const DEVICE =
  /^(device|inverter|meter|logger|unit id|serial|serial number|id|ger[äa]t|wechselrichter|z[äa]hler|appareil|equipo|dispositivo)( (id|name))?$/i;
const VALUE = /^(value|reading|wert|messwert|valeur|valor|valore)s?$/i;
/** More quantities than this are no quantities, and more rows of a long table than this are too many to hold. */
const MOST_QUANTITIES = 200;
const MOST_ROWS = 4_000_000;

interface Long {
  readonly time: number;
  readonly quantity: number;
  readonly device: number | null;
  readonly value: number;
}

/**
 * A long table has one number a row, and says beside it of what: a quantity, and a device where there are several. It becomes a column for each. Every row stays a row, with one cell filled, so
 * that a fault is told where it stands; the rows are held, since a table that is sorted by device names its last one at the end.
 */
export async function spreadLong(source: TableSource, log: ProblemLog): Promise<TableSource> {
  const look = longLook(source) ?? lookOf(source);
  const long = look && longOf(look);
  if (!look || !long) return source;
  const held: RecordBlock[] = [];
  const names = new Map<string, number>();
  let count = 0;
  for await (const block of source.blocks) {
    held.push(block);
    count += block.rows.length;
    if (count > MOST_ROWS) throw new UnreadableText("too-many-rows");
    block.rows.forEach((row, k) => {
      if (block.firstRow - 1 + k < look.shape.firstRow) return;
      const name = nameOf(row, long);
      if (name !== "" && !names.has(name)) names.set(name, names.size);
    });
    if (names.size > MOST_QUANTITIES) return { ...source, blocks: again(held, source.blocks) };
  }
  const columns = [...names].map(([name]) => name);
  log.add("long-table", "notice", { row: look.shape.firstRow }, { columns: columns.join(", ").slice(0, 200), count: columns.length });
  const ofRow = (row: string[], index: number): string[] => {
    if (index < look.shape.firstRow) return index === look.shape.firstRow - 1 ? ["time", ...columns] : [];
    if (row.every((cell) => cell.trim() === "")) return [];
    const cells = new Array<string>(columns.length + 1).fill("");
    cells[0] = row[long.time] ?? "";
    const at = names.get(nameOf(row, long));
    if (at !== undefined) cells[at + 1] = row[long.value] ?? "";
    return cells;
  };
  const rowsOf = ({ firstRow, rows }: RecordBlock): string[][] => rows.map((row, k) => ofRow(row, firstRow - 1 + k));
  async function* blocks(): AsyncGenerator<RecordBlock> {
    for (const block of held) yield { firstRow: block.firstRow, rows: rowsOf(block) };
  }
  return { dialect: source.dialect, head: headOf(held.flatMap(rowsOf), look.shape.firstRow), blocks: blocks() };
}

/** Its rows hold more words than numbers, so that it is known by its header alone. */
function longLook({ head }: TableSource): Look | null {
  const at = head
    .slice(0, HEADER_ROWS)
    .findIndex(
      (row) => row.some((cell) => VALUE.test(cell.trim())) && row.some((cell) => QUANTITY.test(cell.trim()) || DEVICE.test(cell.trim())),
    );
  if (at < 0) return null;
  const headers = head[at]!.map((cell) => cell.trim());
  return {
    shape: { firstRow: at + 1, headers, width: headers.length },
    rows: head.slice(at + 1).filter((row) => row.some((cell) => cell.trim() !== "")),
  };
}

const HEADER_ROWS = 20;

/** Rows to look at: the first, and of each quantity some of its own, or a table sorted by device would show one column alone. */
function headOf(rows: readonly string[][], firstRow: number): string[][] {
  const shown = new Map<number, number>();
  return rows.filter((row, index) => {
    if (index < firstRow) return true;
    const at = row.findIndex((cell, k) => k > 0 && cell.trim() !== "");
    const seen = shown.get(at) ?? 0;
    shown.set(at, seen + 1);
    return seen < HEAD_ROWS_EACH;
  });
}

const HEAD_ROWS_EACH = 60;

async function* again(held: readonly RecordBlock[], rest: AsyncIterable<RecordBlock>): AsyncGenerator<RecordBlock> {
  yield* held;
  yield* rest;
}

const nameOf = (row: readonly string[], { quantity, device }: Long): string =>
  [device === null ? "" : (row[device] ?? ""), row[quantity] ?? ""]
    .map((cell) => cell.trim())
    .filter(Boolean)
    .join(" ");

/** Columns of a long table by their names and what they hold; null where it is none. */
function longOf(look: Look): Long | null {
  const { headers } = look.shape;
  const find = (name: RegExp): number => headers.findIndex((header) => name.test(header.trim()));
  const value = find(VALUE);
  const time = headers.findIndex((_, index) => index !== value && isTime(column(look, index)));
  const named = find(QUANTITY);
  const quantity =
    named >= 0 ? named : headers.findIndex((_, index) => index !== value && index !== time && namesQuantities(column(look, index)));
  if (value < 0 || time < 0 || quantity < 0 || !isText(column(look, quantity))) return null;
  const device = find(DEVICE);
  return { time, quantity, value, device: device >= 0 && device !== quantity && device !== time ? device : null };
}

const isTime = (cells: readonly string[]): boolean =>
  cells.length > 0 &&
  (["ymd", "dmy", "mdy", "unix"] as const).some((order) => cells.every((cell) => readForeignTime(cell, order) !== null));

const isText = (cells: readonly string[]): boolean => cells.every((cell) => cell !== "" && Number.isNaN(Number(cell)));

/** Whether the cells are a few texts, and one of them at least is a quantity by its words. */
function namesQuantities(cells: readonly string[]): boolean {
  const texts = new Set(cells);
  return (
    isText(cells) &&
    texts.size <= MOST_QUANTITIES &&
    texts.size <= cells.length / 2 &&
    [...texts].some((text) => meaningOf(text, null) !== null)
  );
}
