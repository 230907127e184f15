import type { ProblemLog } from "@/contracts/problems";
import { MISSING, toNumber } from "@/core/readings";
import { readForeignTime } from "../tables/cell-time";
import { meaningOf } from "../tables/column-words";
import type { TableSource } from "../tables/source";
import type { RecordBlock } from "../text";
import { column, type Look, lookOf } from "./recut";

const ORDERS = ["ymd", "dmy", "mdy", "unix"] as const;
const LEAST_ROWS = 5;
/** A column without a quantity keeps the mean of its numbers and is not told. */
type How = "mean" | "sum" | "last" | "text";

interface SecondsColumn {
  readonly index: number;
  readonly order: (typeof ORDERS)[number];
}

/** A log of seconds becomes one of minutes: powers and weather by their mean, energy by its sum, counters by their last reading. */
export function toMinutes(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  const time = look && secondsColumn(look);
  if (!look || time === null) return source;
  log.add("seconds-to-minutes", "notice", { row: look.shape.firstRow }, {});
  const decimal = source.dialect?.decimal ?? ".";
  const hows = look.shape.headers.map((header, index) => howOf(header, column(look, index).map(numberIn(decimal))));
  const folding = (): Folding => new Folding(look.shape.firstRow, time, hows, decimal);
  async function* blocks(): AsyncGenerator<RecordBlock> {
    const minutes = folding();
    for await (const block of source.blocks) {
      const rows = block.rows.flatMap((row, k) => minutes.take(row, block.firstRow + k));
      if (rows.length > 0) yield { firstRow: block.firstRow, rows };
    }
    if (minutes.open) yield { firstRow: minutes.open.row, rows: [minutes.open.close()] };
  }
  const minutes = folding();
  const head = source.head.flatMap((row, k) => minutes.take(row, k + 1));
  return { dialect: source.dialect, head: minutes.open ? [...head, minutes.open.close()] : head, blocks: blocks() };
}

/** Takes rows as they come and gives each minute's once the next begins; rows above the data go through. */
class Folding {
  open: Minute | null = null;

  constructor(
    private readonly firstRow: number,
    private readonly time: SecondsColumn,
    private readonly hows: readonly How[],
    private readonly decimal: "." | ",",
  ) {}

  take(row: string[], number: number): string[][] {
    if (number <= this.firstRow) return [row];
    const minute = minuteOf(row[this.time.index] ?? "", this.time.order);
    const done = this.open && this.open.minute !== minute ? [this.open.close()] : [];
    if (done.length > 0) this.open = null;
    this.open ??= new Minute(minute, number, this.time.index, this.hows, this.decimal);
    this.open.take(row);
    return done;
  }
}

/** The rows of one minute. */
class Minute {
  private cells: string[] | null = null;
  /** Cells that hold something and no number: the minute shows them as they stand, so that the reader tells them. */
  private readonly garbled = new Map<number, string>();
  private readonly sums: number[];
  private readonly counts: number[];

  constructor(
    readonly minute: string,
    readonly row: number,
    private readonly time: number,
    private readonly hows: readonly How[],
    private readonly decimal: "." | ",",
  ) {
    this.sums = hows.map(() => 0);
    this.counts = hows.map(() => 0);
  }

  take(row: readonly string[]): void {
    this.cells ??= [...row];
    row.forEach((cell, index) => {
      if (index === this.time) return;
      const value = numberIn(this.decimal)(cell);
      if (Number.isNaN(value)) {
        if (this.hows[index] !== "text" && !MISSING.has(cell.trim().toLowerCase())) this.garbled.set(index, cell);
        return;
      }
      this.sums[index] = this.hows[index] === "last" ? value : this.sums[index]! + value;
      this.counts[index] = this.hows[index] === "mean" || this.hows[index] === "text" ? this.counts[index]! + 1 : 1;
    });
  }

  close(): string[] {
    return (this.cells ?? []).map((cell, index) => {
      if (index === this.time) return this.minute;
      const garbled = this.garbled.get(index);
      if (garbled !== undefined || !this.counts[index]) return garbled ?? cell;
      const text = String(Number((this.sums[index]! / this.counts[index]).toPrecision(9)));
      return this.decimal === "," ? text.replace(".", ",") : text;
    });
  }
}

const numberIn =
  (decimal: "." | ",") =>
  (cell: string): number =>
    toNumber(cell.trim(), { decimal, thousands: "" });

/** How the seconds of a column become a minute, by its words; energy that never falls counts on, whatever it is called. */
function howOf(header: string, values: readonly number[]): How {
  const quantity = meaningOf(header, null)?.quantity;
  if (quantity === undefined) return "text";
  if (quantity === "counter_kwh") return "last";
  if (quantity !== "energy_kwh") return quantity === "rain_mm" ? "sum" : "mean";
  const known = values.filter((value) => !Number.isNaN(value));
  const grows = known.at(-1)! > known[0]! && known[0]! > 0;
  return grows && known.every((value, k) => k === 0 || value >= known[k - 1]!) ? "last" : "sum";
}

/** The column of times that stand seconds apart; null where there is none. */
function secondsColumn(look: Look): SecondsColumn | null {
  for (const index of look.shape.headers.keys()) {
    const cells = column(look, index).slice(0, 120);
    const order = ORDERS.find((one) => cells.length >= LEAST_ROWS && cells.every((cell) => readForeignTime(cell, one) !== null));
    if (!order) continue;
    const times = cells.map((cell) => readForeignTime(cell, order)!.wallMs);
    const steps = times.slice(1).map((at, k) => at - times[k]!);
    const short = steps.filter((ms) => ms > 0 && ms < 60_000).length;
    return 2 * short > steps.length ? { index, order } : null;
  }
  return null;
}

/** The written time of a reading's minute. */
const minuteOf = (cell: string, order: (typeof ORDERS)[number]): string => {
  const text = cell.trim();
  if (order === "unix") {
    const isMs = text.length > 11;
    return String(Math.floor(Number(text) / (isMs ? 60_000 : 60)) * (isMs ? 60_000 : 60));
  }
  return text.replace(/((?:^|[T\s])\d{1,2}[:.]\d{2})[:.]\d{2}(?!\d)([.,]\d+)?/, (_, minutes: string) => `${minutes}:00`);
};
