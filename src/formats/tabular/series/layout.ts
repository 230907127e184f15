import type { MappingProposal, TableMapping } from "@/contracts/mapping";
import type { ProblemLog } from "@/contracts/problems";
import { readForeignTime, readTimeOfDay, type TableSource } from "../tables";
import type { Dialect } from "../text";
import { canonicalHeader, kindOf, type Quantity, type SeriesColumn, type SeriesKind } from "./columns";
import { dividesDay, usualStepMinutes } from "./grid";
import { readTime, type WrittenTime } from "./timestamp";

/** A column that is read into a slot; columns of one slot are added up. */
export interface ReadColumn {
  readonly index: number;
  readonly slot: number;
  readonly header: string;
  readonly quantity: Quantity;
  readonly factor: number;
  readonly offset: number;
}

/** What columns are added up into. */
interface Slot {
  readonly quantity: Quantity;
  readonly meterId: string | null;
  /** Whether the counter begins anew every day. */
  readonly beginsAnew: boolean;
}

export interface Layout {
  readonly mapping: TableMapping;
  readonly headers: readonly string[];
  readonly dialect: Dialect;
  readonly kind: SeriesKind;
  /** Number of cells that a row must reach. */
  readonly width: number;
  readonly columns: readonly ReadColumn[];
  readonly slots: readonly Slot[];
  readonly ignored: readonly string[];
  readonly stepMinutes: number;
  readonly hasOffsets: boolean;
  readonly timeOf: (text: string) => WrittenTime | null;
}

export const shownColumns = ({ columns, slots }: Layout): SeriesColumn[] =>
  columns.slice(0, 40).map(({ index, header, quantity, slot }) => ({ index, header, quantity, meterId: slots[slot]!.meterId }));

/** What a mapping makes of a table: slots, step and clock; null (with the reasons logged) when it can't be read so. */
export function layoutOf(proposal: MappingProposal, table: TableSource, log: ProblemLog): Layout | null {
  const { mapping, headers } = proposal;
  const slots: Slot[] = [];
  const columns = mapping.values.map(({ column, header, quantity, factor, offset, meterId, beginsAnew }): ReadColumn => {
    let slot = slots.findIndex((held) => held.quantity === quantity && held.meterId === meterId && held.beginsAnew === beginsAnew);
    if (slot < 0) slot = slots.push({ quantity, meterId, beginsAnew }) - 1;
    return { index: column, slot, header, quantity, factor, offset };
  });
  const kinds = new Set(slots.map(({ quantity }) => kindOf(quantity)));
  if (kinds.size > 1) log.add("mixed-kinds", "error", { row: 1 });
  if (log.hasErrors) return null;
  const ignored = headers.filter(
    (header, index) =>
      header !== "" &&
      !mapping.timeColumns.includes(index) &&
      index !== mapping.endColumn &&
      !columns.some((column) => column.index === index),
  );
  if (ignored.length > 0) log.add("ignored-columns", "notice", { row: 1 }, { columns: ignored.join(", ").slice(0, 300) });
  const timeOf = timeReader(mapping);
  const times = timesOf(table.head, mapping, timeOf);
  const step = stepOf(mapping, times, table, log);
  if (step === null) return null;
  if (mapping.of === "modules" && HOUR_MINUTES % step !== 0) {
    log.add("modules-need-hours", "error", { row: mapping.firstRow }, { minutes: step });
    return null;
  }
  return {
    mapping,
    headers,
    dialect: table.dialect ?? { delimiter: ",", decimal: mapping.decimal },
    kind: mapping.of === "modules" ? "modules" : [...kinds][0]!,
    width: Math.max(...mapping.timeColumns, ...columns.map((column) => column.index)) + 1,
    columns,
    slots,
    ignored,
    stepMinutes: step,
    hasOffsets: times.some((time) => time.offsetMinutes !== null),
    timeOf,
  };
}

/** The fast reader of ISO times where the file keeps to them, else the one for every form. */
function timeReader({ timeOrder }: TableMapping): (text: string) => WrittenTime | null {
  if (timeOrder !== "ymd") return (text) => readForeignTime(text, timeOrder);
  return (text) => readTime(text) ?? readForeignTime(text, timeOrder);
}

function timesOf(head: readonly string[][], { firstRow, timeColumns, layout }: TableMapping, timeOf: Layout["timeOf"]): WrittenTime[] {
  if (layout === "months") return [];
  const rows = head.slice(firstRow - 1, firstRow + 499);
  return rows.map((row) => timeOf(timeColumns.map((index) => (row[index] ?? "").trim()).join(" "))).filter((time) => time !== null);
}

const DAY_MINUTES = 1440;
const HOUR_MINUTES = 60;

function stepOf(mapping: TableMapping, times: readonly WrittenTime[], { head }: TableSource, log: ProblemLog): number | null {
  if (mapping.layout === "months") return 30 * DAY_MINUTES;
  const step = mapping.layout === "rows" ? usualStepMinutes(times) : acrossStep(mapping, head);
  const sparse = mapping.endColumn !== null || mapping.values.every(({ quantity }) => quantity === "counter_kwh");
  if (step === null) {
    // A counter's single reading is a reading, and so is a span that names its end; anything else needs two times.
    if (sparse && times.length > 0) return DAY_MINUTES;
    const first = head[mapping.firstRow - 1];
    log.add(
      times.length === 0 && first ? "bad-time" : "step-unknown",
      "error",
      first ? { row: mapping.firstRow, value: first.join(" ").slice(0, 60) } : {},
    );
    return null;
  }
  if (dividesDay(step) || sparse || step >= DAY_MINUTES) return step;
  log.add("odd-step", "error", { row: mapping.firstRow }, { minutes: step });
  return null;
}

/** Step between the times of day that stand across, or down the first column. */
function acrossStep({ layout, across, firstRow }: TableMapping, head: readonly string[][]): number | null {
  const clocks = (layout === "days-by-time" ? across : head.slice(firstRow - 1).map((row) => row[0] ?? ""))
    .map(readTimeOfDay)
    .filter((minutes) => minutes !== null);
  const steps = clocks.slice(1).map((minutes, k) => minutes - clocks[k]!);
  return steps.find((minutes) => minutes > 0) ?? null;
}

/** Whether a row repeats the header, as files glued together have it. */
export const isHeader = (cells: readonly string[], headers: readonly string[]): boolean =>
  cells.length > 1 && cells.every((cell, k) => canonicalHeader(cell) === canonicalHeader(headers[k] ?? ""));
