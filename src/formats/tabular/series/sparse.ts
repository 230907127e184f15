import type { ProblemLog } from "@/contracts/problems";
import { MISSING, toNumber } from "@/core/readings";
import { utcOfWall } from "@/core/time";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { TableSource } from "../tables";
import { clockOffset } from "./clock";
import { dividesDay } from "./grid";
import { isHeader, type Layout, shownColumns } from "./layout";
import { LIMITS } from "./limits";
import type { CounterReading, EnergySpan, SeriesFile, SeriesOptions } from "./series-file";
import { EARLIEST_MS, LATEST_MS, spanDays } from "./span-days";
import type { WrittenTime } from "./timestamp";

/** Whether a table holds days, months or hand-read counters rather than a series of equal steps. */
export const isSparse = ({ stepMinutes, mapping }: Layout): boolean =>
  mapping.layout === "months" || mapping.endColumn !== null || !dividesDay(stepMinutes);

interface Cell {
  readonly meterId: string | null;
  readonly quantity: string;
  /** Of a counter that begins anew every day. */
  readonly beginsAnew: boolean;
  readonly time: WrittenTime;
  /** End of the row's span, where it names one. */
  readonly end: WrittenTime | null;
  readonly value: number;
  readonly row: number;
}

const MONTH_DAYS = [27, 32] as const;

/** Reads days, months and counter readings; local dates are cut in the zone chosen, else the site's. */
export async function readSparse(layout: Layout, table: TableSource, options: SeriesOptions, log: ProblemLog): Promise<SeriesFile> {
  const cells: Cell[] = [];
  let rowCount = 0;
  for await (const block of table.blocks) {
    block.rows.forEach((row, k) => {
      const at = block.firstRow + k;
      if (at < layout.mapping.firstRow || row.every((cell) => cell.trim() === "")) return;
      rowCount++;
      takeRow(layout, row, at, cells, log);
    });
  }
  const offset = clockOffset(options.zone ?? options.siteZone ?? "UTC+00:00");
  const utc = ({ wallMs, offsetMinutes }: WrittenTime): number =>
    offsetMinutes === null ? utcOfWall(wallMs, offset) : wallMs - offsetMinutes * MINUTE_MS;
  const isCounter = ({ quantity, beginsAnew }: Cell): boolean => quantity === "counter_kwh" && !beginsAnew;
  const counters = cells.filter(isCounter).map(({ meterId, time, value }): CounterReading => ({ meterId, atUtcMs: utc(time), kwh: value }));
  const energies = cells.filter(({ quantity }) => quantity !== "counter_kwh");
  const spans = [
    ...spansOf(layout, energies, utc, log),
    ...dayCounterSpans(
      cells.filter(({ beginsAnew }) => beginsAnew),
      utc,
    ),
  ].sort((a, b) => a.fromUtcMs - b.fromUtcMs);
  const times = [...counters.map(({ atUtcMs }) => atUtcMs), ...spans.flatMap(({ fromUtcMs, toUtcMs }) => [fromUtcMs, toUtcMs])];
  const [first, last] = [Math.min(...times), Math.max(...times)];
  if (times.length === 0) log.add("no-rows", "error");
  else if (first < EARLIEST_MS || last > LATEST_MS) log.add("far-span", "error", {}, spanDays(first, last));
  if (layout.kind === "weather") log.add("weather-too-coarse", "error", {}, { minutes: layout.stepMinutes });
  counters.sort((a, b) => a.atUtcMs - b.atUtcMs);
  return {
    kind: layout.kind,
    dialect: layout.dialect,
    columns: shownColumns(layout),
    ignored: layout.ignored,
    stepMinutes: null,
    hasOffsets: layout.hasOffsets,
    rowCount,
    valueCount: cells.length,
    firstUtcMs: times.length > 0 ? first : null,
    lastUtcMs: times.length > 0 ? last : null,
    series: [],
    sparse: { spans, counters },
    proposal: null,
    problems: log.list(),
  };
}

function takeRow(layout: Layout, row: readonly string[], at: number, cells: Cell[], log: ProblemLog): void {
  const { mapping, columns, slots, headers } = layout;
  const timeText = mapping.timeColumns.map((index) => (row[index] ?? "").trim()).join(" ");
  const year = mapping.layout === "months" ? yearOf(timeText) : null;
  const time = mapping.layout === "months" ? null : layout.timeOf(timeText);
  if (year === null && !time) {
    if (isHeader(row, headers)) log.add("repeated-header", "notice", { row: at });
    else if (row.some((cell) => /total|sum|summe|mean|average/i.test(cell)))
      log.add("summary-row", "notice", { row: at, value: row.join(" ").slice(0, 60) });
    else log.add("bad-time", "error", { row: at, column: "time", value: timeText.slice(0, 40) });
    return;
  }
  const endText = mapping.endColumn === null ? "" : (row[mapping.endColumn] ?? "").trim();
  const end = endText === "" ? null : layout.timeOf(endText);
  if (mapping.endColumn !== null && !end) {
    log.add("bad-time", "error", { row: at, column: headers[mapping.endColumn] ?? "end", value: endText.slice(0, 40) });
    return;
  }
  columns.forEach((column, k) => {
    const plain = (row[column.index] ?? "").trim();
    const raw = toNumber(plain, mapping);
    if (Number.isNaN(raw)) {
      if (!MISSING.has(plain.toLowerCase()))
        log.add("not-a-number", "error", { row: at, column: column.header, value: plain.slice(0, 40) });
      return;
    }
    const value = raw * column.factor + column.offset;
    const limit = LIMITS[column.quantity];
    if (value < 0 || value > limit.most) {
      log.add(
        "out-of-range",
        "error",
        { row: at, column: column.header, value: plain },
        { expected: limit.expected, remedy: limit.remedy },
      );
      return;
    }
    const own = time ?? { wallMs: monthStart(layout, year!, Number(mapping.across[k])), offsetMinutes: null };
    const { meterId, beginsAnew } = slots[column.slot]!;
    cells.push({ meterId, quantity: column.quantity, beginsAnew, time: own, end, value, row: at });
  });
}

/** "2021", "FY2021", "2020/21" (the year it ends in). */
function yearOf(text: string): number | null {
  const pair = /(\d{4})\s*[/–-]\s*(\d{2,4})/.exec(text);
  if (pair) return Number(pair[1]) + 1;
  const year = /(?:^|\D)(\d{4})(?:\D|$)/.exec(text);
  return year ? Number(year[1]) : null;
}

function monthStart({ mapping }: Layout, year: number, month: number): number {
  const first = Number(mapping.across[0]);
  if (first === 1) return Date.UTC(year, month - 1, 1);
  const starts = mapping.yearNames === "start" ? year : year - 1;
  return Date.UTC(month < first ? starts + 1 : starts, month - 1, 1);
}

function spansOf(layout: Layout, cells: readonly Cell[], utc: (time: WrittenTime) => number, log: ProblemLog): EnergySpan[] {
  const monthly = layout.mapping.layout === "months" || isMonthly(layout.stepMinutes);
  const daily = layout.stepMinutes === 1440;
  const seen = new Map<string, number>();
  const spans: EnergySpan[] = [];
  let lastEnd: WrittenTime | null = null;
  const dayAfter = endsWithin(cells) ? DAY_MS : 0;
  for (const { meterId, time, end, value, row } of cells) {
    const at = new Date(time.wallMs);
    let [from, to]: [number, number] = [lastEnd?.wallMs ?? time.wallMs - layout.stepMinutes * MINUTE_MS, time.wallMs];
    if (end) [from, to] = [time.wallMs, end.wallMs + dayAfter];
    else if (monthly)
      [from, to] = [Date.UTC(at.getUTCFullYear(), at.getUTCMonth(), 1), Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + 1, 1)];
    else if (daily) [from, to] = [time.wallMs - (time.wallMs % DAY_MS), time.wallMs - (time.wallMs % DAY_MS) + DAY_MS];
    lastEnd = time;
    const key = `${meterId} ${from}`;
    const existing = seen.get(key);
    seen.set(key, value);
    if (existing !== undefined) {
      log.add(existing === value ? "duplicate-rows" : "conflicting-rows", existing === value ? "notice" : "error", {
        row,
        value: String(value),
      });
      continue;
    }
    if (to <= from) log.add("out-of-order", "notice", { row });
    else spans.push({ meterId, fromUtcMs: utc({ ...time, wallMs: from }), toUtcMs: utc({ ...time, wallMs: to }), kwh: value });
  }
  return spans;
}

/** Whether an end names the last day of its span, and the next span begins a day later. */
function endsWithin(cells: readonly Cell[]): boolean {
  const steps = cells.slice(1).flatMap(({ time }, k) => (cells[k]!.end ? [time.wallMs - cells[k]!.end.wallMs] : []));
  return steps.length > 0 && 2 * steps.filter((ms) => ms === DAY_MS).length > steps.length;
}

/** What a counter that begins anew every day says: its day's energy up to the time of its last reading, or the whole day's where no time was written. */
function dayCounterSpans(cells: readonly Cell[], utc: (time: WrittenTime) => number): EnergySpan[] {
  const lastOf = new Map<string, Cell>();
  for (const cell of cells) {
    const key = `${cell.meterId} ${Math.floor(cell.time.wallMs / DAY_MS)}`;
    const held = lastOf.get(key);
    if (!held || cell.time.wallMs >= held.time.wallMs) lastOf.set(key, cell);
  }
  return [...lastOf.values()].map(({ meterId, time, value }) => {
    const from = time.wallMs - (time.wallMs % DAY_MS);
    const to = time.wallMs > from ? time.wallMs : from + DAY_MS;
    return { meterId, fromUtcMs: utc({ ...time, wallMs: from }), toUtcMs: utc({ ...time, wallMs: to }), kwh: value };
  });
}

const isMonthly = (stepMinutes: number): boolean => stepMinutes > MONTH_DAYS[0] * 1440 && stepMinutes < MONTH_DAYS[1] * 1440;
