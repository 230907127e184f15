import type { ProblemLog } from "@/contracts/problems";
import { MISSING, toNumber } from "@/core/readings";
import { MINUTE_MS } from "@/core/units";
import { readTimeOfDay } from "../tables";
import type { RecordBlock } from "../text";
import { FileClock } from "./clock";
import { dayEnergies } from "./day-energies";
import { isHeader, type Layout, type ReadColumn, shownColumns } from "./layout";
import { LIMITS } from "./limits";
import { type PagedSeries, place } from "./pages";
import type { SeriesFile, SeriesOptions } from "./series-file";
import { EARLIEST_MS, LATEST_MS, spanDays } from "./span-days";

const SUMMARY = /^\s*("|#|\/\/|;)|total|summe|gesamt|\bsum\b|average|mean|mittel|\bmax|\bmin\b|end of|generated|exported/i;

const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === "");

/** Reads the rows of a layout into day pages; every fault with its place goes to the log. */
export class SeriesReader {
  rowCount = 0;
  private valueCount = 0;
  private firstUtcMs = Number.POSITIVE_INFINITY;
  private lastUtcMs = Number.NEGATIVE_INFINITY;
  private series: PagedSeries[] | null = null;
  private readonly clock: FileClock;
  private readonly shiftMs: number;
  /** Sum of a row's columns by slot; null columns of one slot leave it missing. */
  private readonly sums: Float64Array;

  constructor(
    private readonly layout: Layout,
    private readonly options: SeriesOptions,
    private readonly log: ProblemLog,
  ) {
    this.clock = new FileClock(options.zone, log);
    this.shiftMs = options.labels === "end" ? layout.stepMinutes * MINUTE_MS : 0;
    this.sums = new Float64Array(layout.slots.length);
  }

  take(block: RecordBlock): void {
    const { firstRow, layout } = this.layout.mapping;
    const { rows } = block;
    for (let k = 0; k < rows.length; k++) {
      const cells = rows[k]!;
      const row = block.firstRow + k;
      if (row < firstRow || (cells[0]!.trim() === "" && isBlank(cells))) continue;
      if (layout === "rows") this.takeRow(cells, row);
      else this.takeWide(cells, row);
    }
  }

  private takeRow(cells: string[], row: number): void {
    this.rowCount++;
    const { mapping, columns, width } = this.layout;
    if (cells.length < width) {
      if (this.isAside(cells, row)) return;
      this.log.add("short-row", "error", { row, value: cells.join(" ").slice(0, 60) });
      return;
    }
    const [first = 0, second] = mapping.timeColumns;
    const text = second === undefined ? cells[first]! : `${cells[first]!.trim()} ${cells[second]!.trim()}`;
    const utcMs = this.instant(text, cells, row);
    if (utcMs !== null) this.store(cells, columns, utcMs, row);
  }

  /** A row of a wide table is as many readings as it has cells. */
  private takeWide(cells: string[], row: number): void {
    const { mapping, columns } = this.layout;
    const down = (cells[mapping.timeColumns[0]!] ?? "").trim();
    if (mapping.layout === "times-by-day" && readTimeOfDay(down) === null) {
      if (!this.isAside(cells, row)) this.log.add("bad-time", "error", { row, column: "time", value: down.slice(0, 40) });
      return;
    }
    columns.forEach((column, k) => {
      if (cells[column.index] === undefined || cells[column.index]!.trim() === "") return;
      this.rowCount++;
      const text = mapping.layout === "days-by-time" ? `${down} ${mapping.across[k]}` : `${mapping.across[k]} ${down}`;
      const utcMs = this.instant(text, cells, row);
      if (utcMs !== null) this.store(cells, [column], utcMs, row);
    });
  }

  /** Rows that are no readings: sums at the end, comments, a header that comes again. */
  private isAside(cells: readonly string[], row: number): boolean {
    if (isHeader(cells, this.layout.headers)) this.log.add("repeated-header", "notice", { row });
    else if (cells.some((cell) => SUMMARY.test(cell))) this.log.add("summary-row", "notice", { row, value: cells.join(" ").slice(0, 60) });
    else return false;
    this.rowCount--;
    return true;
  }

  private instant(text: string, cells: readonly string[], row: number): number | null {
    const time = this.layout.timeOf(text);
    if (!time) {
      if (!this.isAside(cells, row)) this.log.add("bad-time", "error", { row, column: "time", value: text.slice(0, 40) });
      return null;
    }
    if (this.layout.hasOffsets && time.offsetMinutes === null) {
      this.log.add("mixed-offsets", "error", { row, column: "time", value: text });
      return null;
    }
    const utcMs = this.clock.utcMs(time, row);
    return utcMs === null ? null : utcMs - this.shiftMs;
  }

  private openSeries(utcMs: number): PagedSeries[] {
    const { stepMinutes, slots } = this.layout;
    const phaseMinutes = (((utcMs / MINUTE_MS) % stepMinutes) + stepMinutes) % stepMinutes;
    return slots.map(({ quantity, meterId }) => ({ quantity, meterId, stepMinutes, phaseMinutes, days: new Map() }));
  }

  private store(cells: string[], columns: readonly ReadColumn[], utcMs: number, row: number): void {
    this.series ??= this.openSeries(utcMs);
    if ((utcMs - this.series[0]!.phaseMinutes * MINUTE_MS) % (this.layout.stepMinutes * MINUTE_MS) !== 0) {
      const { timeColumns } = this.layout.mapping;
      this.log.add("off-grid", "error", { row, column: "time", value: cells[timeColumns[0]!] ?? "" }, { minutes: this.layout.stepMinutes });
      return;
    }
    this.firstUtcMs = Math.min(this.firstUtcMs, utcMs);
    this.lastUtcMs = Math.max(this.lastUtcMs, utcMs);
    this.sums.fill(0);
    for (const column of columns) this.sums[column.slot] = this.sums[column.slot]! + this.number(cells[column.index]!, column, row);
    this.placeSums(columns, cells, utcMs, row);
  }

  private placeSums(columns: readonly ReadColumn[], cells: readonly string[], utcMs: number, row: number): void {
    let repeats = 0;
    let conflict: ReadColumn | null = null;
    for (let c = 0; c < columns.length; c++) {
      const column = columns[c]!;
      const value = this.sums[column.slot]!;
      if (Number.isNaN(value) || (c > 0 && columns[c - 1]!.slot === column.slot)) continue;
      const placed = place(this.series![column.slot]!, utcMs, value, this.options.conflicts === "last");
      if (placed === "new") this.valueCount++;
      else repeats++;
      if (placed === "other") conflict = column;
    }
    if (conflict) {
      const severity = this.options.conflicts === "refuse" ? "error" : "notice";
      this.log.add("conflicting-rows", severity, { row, column: conflict.header, value: cells[conflict.index]! });
    } else if (repeats > 0) this.log.add("duplicate-rows", "notice", { row });
  }

  /** A cell's number in the ledger's unit, or NaN: missing silently, faulty with a finding. */
  private number(cell: string, column: ReadColumn, row: number): number {
    const plain = cell.trim();
    const raw = toNumber(plain, this.layout.mapping);
    if (Number.isNaN(raw)) {
      if (!MISSING.has(plain.toLowerCase()))
        this.log.add("not-a-number", "error", { row, column: column.header, value: plain.slice(0, 40) });
      return raw;
    }
    const value = raw * column.factor + column.offset;
    const limit = LIMITS[column.quantity];
    if (value < limit.least || value > limit.most) {
      const facts = { expected: limit.expected, remedy: limit.remedy };
      this.log.add("out-of-range", "error", { row, column: column.header, value: plain }, facts);
      return Number.NaN;
    }
    if (value < 0 && column.quantity.endsWith("_w_m2")) {
      this.log.add("night-offset", "notice", { row, column: column.header, value: plain });
      return 0;
    }
    if (value < 0 && limit.belowZero) this.log.add("below-zero", "notice", { row, column: column.header, value: plain });
    return value;
  }

  close(): SeriesFile {
    const { kind, dialect, ignored, stepMinutes, hasOffsets } = this.layout;
    if (this.rowCount === 0) this.log.add("no-rows", "error");
    if (this.rowCount > 0 && !hasOffsets && this.options.zone === null) this.log.add("zone-needed", "error");
    const seen = this.firstUtcMs <= this.lastUtcMs;
    if (seen && (this.firstUtcMs < EARLIEST_MS || this.lastUtcMs > LATEST_MS))
      this.log.add("far-span", "error", {}, spanDays(this.firstUtcMs, this.lastUtcMs));
    return {
      kind,
      dialect,
      columns: shownColumns(this.layout),
      ignored,
      stepMinutes,
      hasOffsets,
      rowCount: this.rowCount,
      valueCount: this.valueCount,
      firstUtcMs: seen ? this.firstUtcMs : null,
      lastUtcMs: seen ? this.lastUtcMs : null,
      series: (this.series ?? []).map((pages, slot) => (this.layout.slots[slot]!.beginsAnew ? dayEnergies(pages) : pages)),
      sparse: null,
      proposal: null,
      problems: this.log.list(),
    };
  }
}
