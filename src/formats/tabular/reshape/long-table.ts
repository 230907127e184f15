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
const MOST_QUANTITIES = 1000;
export const LONG_TABLE_MOST_ROWS = 4_000_000;

interface Long {
  readonly time: number;
  /** Null where the header of the numbers says what they are, and rows differ by device alone. */
  readonly quantity: number | null;
  readonly device: number | null;
  readonly value: number;
  /** What the numbers are where no column says it. */
  readonly header: string;
}

/** What a time tells, and the row that told it first. */
interface SpreadRow {
  readonly row: number;
  readonly cells: string[];
}

/**
 * A long table has one number a row, and says beside it of what: a quantity, and a device where there are several. It becomes a column for each and a row
 * a time; the rows are held, since a table that is sorted by device names its last one at the end.
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
    if (count > LONG_TABLE_MOST_ROWS) throw new UnreadableText("too-many-long-rows", { facts: { most: LONG_TABLE_MOST_ROWS } });
    block.rows.forEach((row, k) => {
      if (block.firstRow - 1 + k < look.shape.firstRow) return;
      const name = nameOf(row, long);
      if (name !== "" && !names.has(name)) names.set(name, names.size);
    });
    if (names.size > MOST_QUANTITIES)
      throw new UnreadableText("too-many-columns", { facts: { columns: names.size, most: MOST_QUANTITIES } });
  }
  // A table of one device is a plain one.
  if (long.quantity === null && names.size < 2) return { ...source, blocks: of(held) };
  const columns = [...names].map(([name]) => name);
  log.add("long-table", "notice", { row: look.shape.firstRow }, { columns: columns.join(", ").slice(0, 200), count: columns.length });
  const byTime = rowsByTime(held, look, long, names);
  const above = source.head.slice(0, look.shape.firstRow - 1).map((): string[] => []);
  async function* blocks(): AsyncGenerator<RecordBlock> {
    yield { firstRow: 1, rows: [...above, ["time", ...columns]] };
    for (const { row, cells } of byTime) yield { firstRow: row, rows: [cells] };
  }
  return {
    dialect: source.dialect,
    head: [...above, ["time", ...columns], ...byTime.slice(0, HEAD_TIMES).map(({ cells }) => cells)],
    blocks: blocks(),
  };
}

/**
 * A row a time, in the order in which times first come, with the number of the row that brought each first. A quantity that a time tells again takes a row of its own after all others: which
 * of two holds is asked where all repeated rows are, and an hour that the clock gives twice stays two.
 */
function rowsByTime(held: readonly RecordBlock[], { shape }: Look, long: Long, names: ReadonlyMap<string, number>): SpreadRow[] {
  const all: SpreadRow[] = [];
  const again: SpreadRow[] = [];
  const byTime = new Map<string, SpreadRow[]>();
  for (const block of held)
    block.rows.forEach((row, k) => {
      const at = names.get(nameOf(row, long));
      if (block.firstRow - 1 + k < shape.firstRow || at === undefined) return;
      const time = row[long.time] ?? "";
      const known = byTime.get(time);
      let own = known?.find(({ cells }) => cells[at + 1] === "");
      if (!own) {
        own = { row: block.firstRow + k, cells: [time, ...new Array<string>(names.size).fill("")] };
        (known ? again : all).push(own);
        if (known) known.push(own);
        else byTime.set(time, [own]);
      }
      own.cells[at + 1] = row[long.value] ?? "";
    });
  return [...all, ...again];
}

/** Times to look at. */
const HEAD_TIMES = 400;

/** Its rows hold more words than numbers, so that it is known by its header alone. */
function longLook({ head }: TableSource): Look | null {
  const at = head.slice(0, HEADER_ROWS).findIndex(isLongHeader);
  if (at < 0) return null;
  const headers = head[at]!.map((cell) => cell.trim());
  return {
    shape: { firstRow: at + 1, headers, width: headers.length },
    rows: head.slice(at + 1).filter((row) => row.some((cell) => cell.trim() !== "")),
  };
}

const HEADER_ROWS = 20;

const isLongHeader = (row: readonly string[]): boolean =>
  row.some((cell) => QUANTITY.test(cell.trim()) || DEVICE.test(cell.trim())) &&
  row.some((cell) => VALUE.test(cell.trim()) || meaningOf(cell, null) !== null);

async function* of(held: readonly RecordBlock[]): AsyncGenerator<RecordBlock> {
  yield* held;
}

const nameOf = (row: readonly string[], { quantity, device, header }: Long): string =>
  [device === null ? "" : (row[device] ?? ""), quantity === null ? header : (row[quantity] ?? "")]
    .map((cell) => cell.trim())
    .filter(Boolean)
    .join(" ");

/** Columns of a long table by their names and what they hold; null where it is none. */
function longOf(look: Look): Long | null {
  const { headers } = look.shape;
  const find = (name: RegExp): number => headers.findIndex((header) => name.test(header.trim()));
  const value = find(VALUE);
  const time = headers.findIndex((_, index) => index !== value && isTime(column(look, index)));
  const found = find(DEVICE);
  const device = found >= 0 && found !== time ? found : null;
  if (value < 0) return device === null ? null : byDevice(look, time, device);
  const named = find(QUANTITY);
  const quantity =
    named >= 0 ? named : headers.findIndex((_, index) => index !== value && index !== time && namesQuantities(column(look, index)));
  if (time < 0 || quantity < 0 || !isText(column(look, quantity))) return null;
  return { time, quantity, value, device: device === quantity ? null : device, header: "" };
}

/** A table whose rows differ by device alone: one column of numbers, at times that come again for each device. */
function byDevice(look: Look, time: number, device: number): Long | null {
  const { headers } = look.shape;
  const told = headers.flatMap((header, index) => (index !== time && index !== device && meaningOf(header, null) !== null ? [index] : []));
  const [value] = told;
  const devices = new Set(column(look, device));
  if (time < 0 || value === undefined || told.length > 1 || devices.has("") || devices.size > MOST_QUANTITIES) return null;
  return { time, quantity: null, value, device, header: headers[value] ?? "" };
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
