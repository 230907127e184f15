import type { ProblemLog } from "@/contracts/problems";
import { DAY_MS } from "@/core/units";
import { readForeignTime } from "../tables/cell-time";
import type { TableSource } from "../tables/source";
import { BEGINNING, ENDING } from "../tables/span-ends";
import { asItStands, column, type Look, lookOf, recut } from "./recut";

const ORDERS = ["ymd", "dmy", "mdy"] as const;
/** Rows of one length: an hour of summer time, a last row that is cut, may be of another. */
const EVEN_FRAC = 0.9;

/** Rows of one length, a day at most, keep their beginning; spans of unequal length, or longer ones, keep both ends for the reader of spans. */
export function dropEnds(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  if (!look) return source;
  const [from, to] = [BEGINNING, ENDING].map((name) => look.shape.headers.findIndex((header) => name.test(header.trim()))) as [
    number,
    number,
  ];
  if (from < 0 || to < 0 || !isEven(look, from, to)) return source;
  log.add("interval-ends", "notice", { row: look.shape.firstRow }, { column: look.shape.headers[to]! });
  const kept = look.shape.headers.flatMap((_, index) =>
    index === to ? [] : [asItStands(look, index, index === from ? "time" : undefined)],
  );
  return recut(source, look, () => kept);
}

function isEven(look: Look, from: number, to: number): boolean {
  const order = ORDERS.find((one) => column(look, from).every((cell) => readForeignTime(cell, one) !== null));
  if (!order) return false;
  const at = (cell: string): number => readForeignTime(cell, order)?.wallMs ?? Number.NaN;
  const ends = column(look, to).map(at);
  const lengths = column(look, from).map((cell, k) => ends[k]! - at(cell));
  const [first] = lengths;
  return first !== undefined && first >= 0 && first <= DAY_MS && lengths.filter((ms) => ms === first).length >= EVEN_FRAC * lengths.length;
}
