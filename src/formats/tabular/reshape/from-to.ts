import type { ProblemLog } from "@/contracts/problems";
import { DAY_MS } from "@/core/units";
import { readForeignTime } from "../tables/cell-time";
import type { TableSource } from "../tables/source";
import { asItStands, column, type Look, lookOf, recut } from "./recut";

const FROM = /^(from|start|begin|beginning|von|ab|de|desde|d[ée]but|da|inizio|interval start|start (time|date))$/i;
const TO = /^(to|until|end|ending|bis|à|a|au|hasta|fin|fine|interval end|end (time|date))$/i;
const ORDERS = ["ymd", "dmy", "mdy"] as const;

/** Rows of equal intervals with a beginning and an end keep the beginning; ends of unequal ones are kept under a name that the reader of spans knows. */
export function dropEnds(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  if (!look) return source;
  const [from, to] = [FROM, TO].map((name) => look.shape.headers.findIndex((header) => name.test(header.trim()))) as [number, number];
  if (from < 0 || to < 0 || !isEven(look, from, to)) return source;
  log.add("interval-ends", "notice", { row: look.shape.firstRow }, { column: look.shape.headers[to]! });
  return recut(
    source,
    look,
    look.shape.headers.flatMap((_, index) => (index === to ? [] : [asItStands(look, index, index === from ? "time" : undefined)])),
  );
}

/** Whether ends stand as far from their beginnings as the next row does, in nearly all rows. */
function isEven(look: Look, from: number, to: number): boolean {
  const order = ORDERS.find((one) => column(look, from).every((cell) => readForeignTime(cell, one) !== null));
  if (!order) return false;
  const at = (cells: readonly string[]): number[] => cells.map((cell) => readForeignTime(cell, order)?.wallMs ?? Number.NaN);
  const [starts, ends] = [at(column(look, from)), at(column(look, to))];
  const even = starts.filter(
    (start, k) => k + 1 < starts.length && Math.abs(ends[k]! - starts[k + 1]!) <= DAY_MS && ends[k]! > start,
  ).length;
  return starts.length > 1 && even >= 0.9 * (starts.length - 1);
}
