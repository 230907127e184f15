import { type Problem, ProblemLog } from "@/contracts/problems";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { type Bytes, type Dialect, decodeText, peek, type RecordBlock, records, sniffDialect, UnreadableText } from "../text";
import { FileClock } from "./clock";
import { canonicalHeader, kindOf, readHeader, type SeriesColumn, type SeriesKind } from "./columns";
import { dividesDay, usualStepMinutes } from "./grid";
import { LIMITS } from "./limits";
import { type PagedSeries, place } from "./pages";
import { readTime, type WrittenTime } from "./timestamp";

export interface SeriesOptions {
  /** Zone of the clock that wrote times without offset; null when not chosen. */
  readonly zone: string | null;
  /** Whether a row's time marks the start or the end of its interval. */
  readonly labels: "start" | "end";
  readonly conflicts: "refuse" | "first" | "last";
  /** Called now and then with the rows read so far; throws to stop. */
  readonly onProgress?: (rows: number) => void;
}

/** What a series file holds, and what is wrong with it. With an error among the problems it must not be stored. */
export interface SeriesFile {
  readonly kind: SeriesKind | null;
  readonly dialect: Dialect | null;
  readonly columns: readonly SeriesColumn[];
  readonly ignored: readonly string[];
  readonly stepMinutes: number | null;
  readonly hasOffsets: boolean;
  readonly rowCount: number;
  readonly valueCount: number;
  readonly firstUtcMs: number | null;
  readonly lastUtcMs: number | null;
  readonly series: readonly PagedSeries[];
  readonly problems: readonly Problem[];
}

const HEAD_CHARS = 64 * 1024;
const EARLIEST_MS = Date.UTC(1990, 0, 1);
const LATEST_MS = Date.UTC(2060, 0, 1);
const MISSING = new Set(["", "na", "n/a", "nan", "null", "-", "none"]);

/** Reads a weather or production CSV as a stream: whole rows are never kept, only the day pages of the columns it knows. */
export async function readSeries(bytes: Bytes, options: SeriesOptions): Promise<SeriesFile> {
  const log = new ProblemLog();
  try {
    const { head, whole } = await peek(decodeText(bytes), HEAD_CHARS);
    const reader = SeriesReader.open(head, options, log);
    if (!reader) return nothing(log);
    for await (const block of records(whole, reader.dialect.delimiter)) {
      reader.take(block);
      options.onProgress?.(reader.rowCount);
    }
    return reader.close();
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    log.add(error.code, "error");
    return nothing(log);
  }
}

const nothing = (log: ProblemLog): SeriesFile => ({
  kind: null,
  dialect: null,
  columns: [],
  ignored: [],
  stepMinutes: null,
  hasOffsets: false,
  rowCount: 0,
  valueCount: 0,
  firstUtcMs: null,
  lastUtcMs: null,
  series: [],
  problems: log.list(),
});

interface Layout {
  readonly dialect: Dialect;
  readonly kind: SeriesKind;
  readonly timeIndex: number;
  readonly width: number;
  readonly columns: readonly SeriesColumn[];
  readonly ignored: readonly string[];
  readonly stepMinutes: number;
  readonly hasOffsets: boolean;
}

class SeriesReader {
  rowCount = 0;
  private valueCount = 0;
  private firstUtcMs = Number.POSITIVE_INFINITY;
  private lastUtcMs = Number.NEGATIVE_INFINITY;
  private series: PagedSeries[] | null = null;
  private readonly clock: FileClock;
  private readonly shiftMs: number;

  private constructor(
    private readonly layout: Layout,
    private readonly options: SeriesOptions,
    private readonly log: ProblemLog,
  ) {
    this.clock = new FileClock(options.zone, log);
    this.shiftMs = options.labels === "end" ? layout.stepMinutes * MINUTE_MS : 0;
  }

  get dialect(): Dialect {
    return this.layout.dialect;
  }

  /** Tells columns, step and clock from the head of a file; null (with the reasons logged) when it can't be read at all. */
  static open(head: string, options: SeriesOptions, log: ProblemLog): SeriesReader | null {
    const layout = layoutOf(head, log);
    return layout && new SeriesReader(layout, options, log);
  }

  take(block: RecordBlock): void {
    block.rows.forEach((cells, k) => {
      const row = block.firstRow + k;
      if (row > 1 && !(cells.length === 1 && cells[0]!.trim() === "")) this.takeRow(cells, row);
    });
  }

  private takeRow(cells: string[], row: number): void {
    this.rowCount++;
    const { timeIndex, columns, width } = this.layout;
    if (cells.length < width && cells.length <= Math.max(timeIndex, ...columns.map((c) => c.index))) {
      this.log.add("short-row", "error", { row, value: cells.join(this.dialect.delimiter).slice(0, 60) });
      return;
    }
    const utcMs = this.instant(cells[timeIndex]!, row);
    if (utcMs === null) return;
    this.series ??= this.openSeries(utcMs);
    if ((utcMs - this.series[0]!.phaseMinutes * MINUTE_MS) % (this.layout.stepMinutes * MINUTE_MS) !== 0) {
      this.log.add("off-grid", "error", { row, column: "time", value: cells[timeIndex]! }, { minutes: this.layout.stepMinutes });
      return;
    }
    this.firstUtcMs = Math.min(this.firstUtcMs, utcMs);
    this.lastUtcMs = Math.max(this.lastUtcMs, utcMs);
    this.store(cells, utcMs, row);
  }

  private instant(text: string, row: number): number | null {
    const time = readTime(text);
    if (!time) {
      this.log.add("bad-time", "error", { row, column: "time", value: text.slice(0, 40) });
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
    const { stepMinutes, columns } = this.layout;
    const phaseMinutes = (((utcMs / MINUTE_MS) % stepMinutes) + stepMinutes) % stepMinutes;
    return columns.map(({ quantity, meterId }) => ({ quantity, meterId, stepMinutes, phaseMinutes, days: new Map() }));
  }

  private store(cells: string[], utcMs: number, row: number): void {
    let repeats = 0;
    let conflict: SeriesColumn | null = null;
    const { columns } = this.layout;
    for (let c = 0; c < columns.length; c++) {
      const column = columns[c]!;
      const value = this.number(cells[column.index]!, column, row);
      if (Number.isNaN(value)) continue;
      const placed = place(this.series![c]!, utcMs, value, this.options.conflicts === "last");
      if (placed === "new") this.valueCount++;
      else repeats++;
      if (placed === "other") conflict = column;
    }
    if (conflict)
      this.log.add("conflicting-rows", this.options.conflicts === "refuse" ? "error" : "notice", {
        row,
        column: conflict.header,
        value: cells[conflict.index]!,
      });
    else if (repeats > 0) this.log.add("duplicate-rows", "notice", { row });
  }

  /** A cell's number, or NaN: missing silently, faulty with a finding. */
  private number(text: string, column: SeriesColumn, row: number): number {
    const plain = text.trim();
    const value = toNumber(plain, this.dialect.decimal);
    if (Number.isNaN(value)) {
      if (!MISSING.has(plain.toLowerCase()))
        this.log.add("not-a-number", "error", { row, column: column.header, value: plain.slice(0, 40) });
      return value;
    }
    const limit = LIMITS[column.quantity];
    if (value < limit.least || value > limit.most) {
      this.log.add(
        "out-of-range",
        "error",
        { row, column: column.header, value: plain },
        { expected: limit.expected, remedy: limit.remedy },
      );
      return Number.NaN;
    }
    if (value < 0 && column.quantity.endsWith("_w_m2")) {
      this.log.add("night-offset", "notice", { row, column: column.header, value: plain });
      return 0;
    }
    return value;
  }

  close(): SeriesFile {
    const { kind, dialect, columns, ignored, stepMinutes, hasOffsets } = this.layout;
    if (this.rowCount === 0) this.log.add("no-rows", "error");
    if (this.rowCount > 0 && !hasOffsets && this.options.zone === null) this.log.add("zone-needed", "error");
    const seen = this.firstUtcMs <= this.lastUtcMs;
    if (seen && (this.firstUtcMs < EARLIEST_MS || this.lastUtcMs > LATEST_MS)) {
      const day = (ms: number): string => new Date(Math.floor(ms / DAY_MS) * DAY_MS).toISOString().slice(0, 10);
      this.log.add("far-span", "error", {}, { first: day(this.firstUtcMs), last: day(this.lastUtcMs) });
    }
    return {
      kind,
      dialect,
      columns,
      ignored,
      stepMinutes,
      hasOffsets,
      rowCount: this.rowCount,
      valueCount: this.valueCount,
      firstUtcMs: seen ? this.firstUtcMs : null,
      lastUtcMs: seen ? this.lastUtcMs : null,
      series: this.series ?? [],
      problems: this.log.list(),
    };
  }
}

function toNumber(plain: string, decimal: Dialect["decimal"]): number {
  if (plain === "" || /^[+-]?(0x|inf)/i.test(plain)) return Number.NaN;
  return Number(decimal === "," ? plain.replace(",", ".") : plain);
}

function layoutOf(head: string, log: ProblemLog): Layout | null {
  if (head.trim() === "") {
    log.add("empty-file", "error");
    return null;
  }
  const dialect = sniffDialect(head);
  const lines = head.split(/\r?\n/);
  const headers = lines[0]!.split(dialect.delimiter).map((cell) => cell.replaceAll('"', "").trim());
  if (headers.every((header) => header === "" || Number.isFinite(Number(header)) || readTime(header))) {
    log.add("no-header", "error", { row: 1, value: lines[0]!.slice(0, 60) });
    return null;
  }
  const header = readHeader(headers);
  const kinds = new Set(header.columns.map((column) => kindOf(column.quantity)));
  const named = headers.filter(Boolean).join(", ");
  if (header.columns.length === 0) log.add("no-value-column", "error", { row: 1 }, { columns: named });
  if (header.timeIndex < 0) log.add("no-time-column", "error", { row: 1 }, { columns: named });
  if (kinds.size > 1) log.add("mixed-kinds", "error", { row: 1 });
  for (const column of header.repeated) log.add("repeated-column", "error", { row: 1, column }, { column });
  if (log.hasErrors) return null;
  if (header.ignored.length > 0) log.add("ignored-columns", "notice", { row: 1 }, { columns: header.ignored.join(", ") });
  const times = timesOf(lines, dialect, header.timeIndex);
  const stepMinutes = usualStepMinutes(times);
  if (stepMinutes === null) {
    log.add(
      lines.length > 2 && times.length === 0 ? "bad-time" : "step-unknown",
      "error",
      lines.length > 1 ? { row: 2, value: lines[1]!.slice(0, 60) } : {},
    );
    return null;
  }
  if (!dividesDay(stepMinutes)) {
    log.add("odd-step", "error", { row: 2 }, { minutes: stepMinutes });
    return null;
  }
  const hasOffsets = times.some((time) => time.offsetMinutes !== null);
  return {
    dialect,
    kind: [...kinds][0]!,
    timeIndex: header.timeIndex,
    width: headers.length,
    columns: header.columns,
    ignored: header.ignored,
    stepMinutes,
    hasOffsets,
  };
}

function timesOf(lines: readonly string[], dialect: Dialect, timeIndex: number): WrittenTime[] {
  const sample = lines.slice(1, 500).map((line) => readTime((line.split(dialect.delimiter)[timeIndex] ?? "").replaceAll('"', "")));
  return sample.filter((time): time is WrittenTime => time !== null);
}

/** Tells the kind of a CSV file from its header line alone. */
export function kindOfHeader(headerLine: string): SeriesKind | "promise" | null {
  const { delimiter } = sniffDialect(headerLine);
  const headers = headerLine.split(delimiter).map((cell) => canonicalHeader(cell.replaceAll('"', "")));
  if (headers.includes("month") && headers.includes("kwh")) return "promise";
  const first = readHeader(headers).columns[0];
  return first ? kindOf(first.quantity) : null;
}
