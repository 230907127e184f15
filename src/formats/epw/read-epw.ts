import { type Problem, ProblemLog } from "@/contracts/problems";
import { HOUR_MS } from "@/core/units";
import { type PagedSeries, place, type WeatherQuantity } from "../tabular/series";
import { type Bytes, decodeText, records, UnreadableText } from "../tabular/text";

/** A column of the published order, where it is missing, and what it is in our words. */
interface EpwColumn {
  readonly index: number;
  readonly quantity: WeatherQuantity;
  /** Values from here on mean "not measured". */
  readonly missingFrom: number;
}

/** Source: the published field order of hourly EPW files, with their marks for missing values. */
const COLUMNS: readonly EpwColumn[] = [
  { index: 13, quantity: "ghi_w_m2", missingFrom: 9999 },
  { index: 14, quantity: "dni_w_m2", missingFrom: 9999 },
  { index: 15, quantity: "dhi_w_m2", missingFrom: 9999 },
  { index: 6, quantity: "air_temperature_c", missingFrom: 99.9 },
  { index: 21, quantity: "wind_speed_m_s", missingFrom: 999 },
  { index: 30, quantity: "snow_depth_cm", missingFrom: 999 },
];
/** What an account needs of every hour. */
const NEEDED: readonly WeatherQuantity[] = ["ghi_w_m2", "air_temperature_c"];
const HEADER_ROWS = 8;
const DATA_CELLS = 22;

export interface EpwFile {
  readonly series: readonly PagedSeries[];
  readonly rowCount: number;
  readonly valueCount: number;
  readonly firstUtcMs: number | null;
  readonly lastUtcMs: number | null;
  /** Where the file says it was made; null when its first line does not tell. */
  readonly latitudeDeg: number | null;
  readonly longitudeDeg: number | null;
  /** Year the hours were put in. */
  readonly year: number | null;
  readonly problems: readonly Problem[];
}

/**
 * Reads an hourly EPW file. Hours 1 to 24 mark the end of their interval, in the local standard time of the first line. A typical year is
 * patched from months of several years: all are put in one, the given `year` or else the latest there is.
 */
export async function readEpw(bytes: Bytes, options: { readonly year: number | null }): Promise<EpwFile> {
  const log = new ProblemLog();
  const rows: { row: number; cells: string[] }[] = [];
  let location: string[] = [];
  try {
    for await (const block of records(decodeText(bytes), ",")) {
      block.rows.forEach((cells, k) => {
        const row = block.firstRow + k;
        if (row === 1) location = cells;
        else if (row > HEADER_ROWS && cells.length > 1) rows.push({ row, cells });
      });
    }
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    log.add(error.code, "error");
  }
  const offsetHours = numberIn(location[8]);
  if (!log.hasErrors && Number.isNaN(offsetHours)) log.add("bad-time", "error", { row: 1, column: "time zone", value: location[8] ?? "" });
  if (!log.hasErrors && rows.length === 0) log.add("no-rows", "error");
  const year =
    options.year ?? rows.reduce<number | null>((latest, { cells }) => Math.max(latest ?? 0, Number(cells[0]) || 0) || null, null);
  const taken = takeRows(rows, { year: year ?? 0, offsetHours: offsetHours || 0 }, log);
  const orNull = (value: number): number | null => (Number.isNaN(value) ? null : value);
  return {
    ...taken,
    rowCount: rows.length,
    latitudeDeg: orNull(numberIn(location[6])),
    longitudeDeg: orNull(numberIn(location[7])),
    year,
    problems: log.list(),
  };
}

const numberIn = (text: string | undefined): number => (text === undefined || text.trim() === "" ? Number.NaN : Number(text));

function takeRows(rows: readonly { row: number; cells: string[] }[], at: { year: number; offsetHours: number }, log: ProblemLog) {
  const phaseMinutes = (((-at.offsetHours * 60) % 60) + 60) % 60;
  const series = COLUMNS.map(({ quantity }): PagedSeries => ({ quantity, meterId: null, stepMinutes: 60, phaseMinutes, days: new Map() }));
  let valueCount = 0;
  let first = Number.POSITIVE_INFINITY;
  let last = Number.NEGATIVE_INFINITY;
  for (const { row, cells } of rows) {
    if (cells.length < DATA_CELLS) {
      log.add("short-row", "error", { row, value: cells.join(",").slice(0, 60) });
      continue;
    }
    const utcMs = startOf(cells, at);
    if (utcMs === null) {
      if (!isLeapDay(cells)) log.add("bad-time", "error", { row, column: "time", value: cells.slice(0, 4).join("-") });
      continue;
    }
    first = Math.min(first, utcMs);
    last = Math.max(last, utcMs);
    COLUMNS.forEach(({ index, missingFrom, quantity }, c) => {
      const value = numberIn(cells[index]);
      if (Number.isNaN(value) && (cells[index] ?? "").trim() !== "") {
        log.add("not-a-number", "error", { row, column: quantity, value: (cells[index] ?? "").slice(0, 40) });
      } else if (value < missingFrom) {
        place(series[c]!, utcMs, value, true);
        valueCount++;
      } else if (NEEDED.includes(quantity)) log.add("hours-missing", "notice", { row, column: quantity });
    });
  }
  const seen = first <= last;
  return { series: series.filter((s) => s.days.size > 0), valueCount, firstUtcMs: seen ? first : null, lastUtcMs: seen ? last : null };
}

const isLeapDay = (cells: readonly string[]): boolean => Number(cells[1]) === 2 && Number(cells[2]) === 29;

/** Start of a row's hour in the chosen year; null for no day of it. */
function startOf(cells: readonly string[], { year, offsetHours }: { year: number; offsetHours: number }): number | null {
  const [month, day, hour] = [Number(cells[1]), Number(cells[2]), Number(cells[3])];
  if (!(hour >= 1 && hour <= 24)) return null;
  const wallMs = Date.UTC(year, month - 1, day, hour - 1);
  const at = new Date(wallMs);
  if (at.getUTCMonth() !== month - 1 || at.getUTCDate() !== day) return null;
  return wallMs - offsetHours * HOUR_MS;
}
