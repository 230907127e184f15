import type { ProblemLog } from "@/contracts/problems";
import { toNumber } from "@/core/readings";
import { readForeignTime } from "../tables/cell-time";
import { meaningOf } from "../tables/column-words";
import type { TableSource } from "../tables/source";
import type { RecordBlock } from "../text";
import { column, type Look, lookOf } from "./recut";

const ORDERS = ["ymd", "dmy", "mdy", "unix"] as const;
const LEAST_ROWS = 5;
type How = "mean" | "sum" | "last";

/** A log of seconds becomes one of minutes: powers and weather by their mean, energy by its sum, counters by their last reading. */
export function toMinutes(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  const time = look && secondsColumn(look);
  if (!look || time === null) return source;
  log.add("seconds-to-minutes", "notice", { row: look.shape.firstRow }, {});
  const decimal = source.dialect?.decimal ?? ".";
  const hows = look.shape.headers.map(howOf);
  async function* blocks(): AsyncGenerator<RecordBlock> {
    let open: Minute | null = null;
    for await (const block of source.blocks) {
      const rows: string[][] = [];
      for (const [k, row] of block.rows.entries()) {
        if (block.firstRow - 1 + k < look!.shape.firstRow) {
          rows.push(row);
          continue;
        }
        const minute = minuteOf(row[time!.index] ?? "", time!.order);
        if (open && open.minute !== minute) {
          rows.push(open.close());
          open = null;
        }
        open ??= new Minute(minute, block.firstRow + k, time!.index, hows, decimal);
        open.take(row);
      }
      if (rows.length > 0) yield { firstRow: block.firstRow, rows };
    }
    if (open) yield { firstRow: open.row, rows: [open.close()] };
  }
  const head = source.head.slice(0, look.shape.firstRow);
  let open: Minute | null = null;
  for (const [k, row] of source.head.slice(look.shape.firstRow).entries()) {
    const minute = minuteOf(row[time.index] ?? "", time.order);
    if (open && open.minute !== minute) {
      head.push(open.close());
      open = null;
    }
    open ??= new Minute(minute, k, time.index, hows, decimal);
    open.take(row);
  }
  if (open) head.push(open.close());
  return { dialect: source.dialect, head, blocks: blocks() };
}

/** The rows of one minute. */
class Minute {
  private cells: string[] | null = null;
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
      const value = toNumber(cell.trim(), { decimal: this.decimal, thousands: "" });
      if (index === this.time || Number.isNaN(value)) return;
      this.sums[index] = this.hows[index] === "last" ? value : this.sums[index]! + value;
      this.counts[index] = this.hows[index] === "mean" ? this.counts[index]! + 1 : 1;
    });
  }

  close(): string[] {
    return (this.cells ?? []).map((cell, index) => {
      if (index === this.time) return this.minute;
      if (!this.counts[index]) return cell;
      const text = String(Number((this.sums[index]! / this.counts[index]).toPrecision(9)));
      return this.decimal === "," ? text.replace(".", ",") : text;
    });
  }
}

function howOf(header: string): How {
  const quantity = meaningOf(header, null)?.quantity;
  return quantity === "counter_kwh" ? "last" : quantity === "energy_kwh" || quantity === "rain_mm" ? "sum" : "mean";
}

/** The column of times that stand seconds apart; null where there is none. */
function secondsColumn(look: Look): { index: number; order: (typeof ORDERS)[number] } | null {
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
  return text.replace(/(\d{1,2}[:.]\d{2})[:.]\d{2}([.,]\d+)?/, (_, minutes: string) => `${minutes}:00`);
};
