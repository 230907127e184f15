import type { TimeOrder } from "@/contracts/mapping";
import { readTime, type WrittenTime } from "../series/timestamp";

const NUMERIC =
  /^(\d{1,4})([./-])(\d{1,2})\2(\d{1,4})(?:[ T,]+(\d{1,2})[:.h](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?\s*([ap])?\.?(?:m\.?)?)?\s*(Z|UTC|[+-]\d{2}:?\d{2})?$/i;
const NAMED = /^(\d{1,2})[ .-]*([a-zäéû]{3,9})\.?[ .-]*(\d{4})(?:[ ,T]+(\d{1,2})[:.h](\d{2})(?:[:.](\d{2}))?\s*([ap])?\.?(?:m\.?)?)?$/i;
const COMPACT = /^(\d{4})(\d{2})(\d{2})(?:[ T]?(\d{2})(\d{2})(\d{2})?)?$/;
const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const OTHER_MONTHS: ReadonlyMap<string, number> = new Map([
  ["mär", 2],
  ["mrz", 2],
  ["mai", 4],
  ["okt", 9],
  ["dez", 11],
  ["fév", 1],
  ["avr", 3],
  ["jui", 5],
  ["aoû", 7],
  ["déc", 11],
  ["ene", 0],
  ["abr", 3],
  ["ago", 7],
  ["dic", 11],
  ["gen", 0],
  ["mag", 4],
  ["giu", 5],
  ["lug", 6],
  ["set", 8],
  ["ott", 9],
]);

/** Month (0 to 11) of a name in a few languages, by its first letters; null for none. */
export function namedMonth(name: string): number | null {
  const start = name.trim().toLowerCase().slice(0, 3);
  const found = MONTHS.indexOf(start);
  if (found >= 0) return found;
  return OTHER_MONTHS.get(start) ?? null;
}

/**
 * Reads a time in the order of day, month and year that was chosen; a date alone is its midnight. Null when it is none, or no day of the calendar.
 * `unix` takes seconds or milliseconds since 1970.
 */
export function readForeignTime(written: string, order: TimeOrder): WrittenTime | null {
  const text = written.trim();
  if (order === "unix") return epoch(text);
  const iso = order === "ymd" ? readTime(text) : null;
  if (iso) return iso;
  const numeric = NUMERIC.exec(text);
  if (numeric) return fromNumeric(numeric, order);
  const named = NAMED.exec(text);
  if (named) return fromNamed(named);
  const month = readMonthAlone(text);
  if (month !== null && order !== "mdy") return { wallMs: month, offsetMinutes: null };
  const compact = COMPACT.exec(text);
  if (!compact || order !== "ymd") return null;
  return wall(Number(compact[1]), Number(compact[2]), Number(compact[3]), compact[4], compact[5], compact[6], undefined, undefined);
}

function fromNumeric(cells: RegExpExecArray, order: TimeOrder): WrittenTime | null {
  const [a, b, c] = [Number(cells[1]), Number(cells[3]), Number(cells[4])];
  const yearFirst = cells[1]!.length === 4;
  if (yearFirst !== (order === "ymd") && !(order === "ymd" && cells[1]!.length === 2 && cells[4]!.length === 2)) return null;
  const [year, month, day] = order === "ymd" ? [a, b, c] : order === "dmy" ? [c, b, a] : [c, a, b];
  return wall(fullYear(year), month, day, cells[5], cells[6], cells[7], cells[8], cells[9]);
}

function fromNamed(cells: RegExpExecArray): WrittenTime | null {
  const month = namedMonth(cells[2]!);
  return month === null ? null : wall(Number(cells[3]), month + 1, Number(cells[1]), cells[4], cells[5], cells[6], cells[7], undefined);
}

/** Two digits are a year of this century. */
const fullYear = (year: number): number => (year < 100 ? 2000 + year : year);

function wall(
  year: number,
  month: number,
  day: number,
  hours: string | undefined,
  minutes: string | undefined,
  seconds: string | undefined,
  half: string | undefined,
  offset: string | undefined,
): WrittenTime | null {
  let hour = Number(hours ?? 0);
  if (half) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (half.toLowerCase() === "p" ? 12 : 0);
  }
  const [minute, second] = [Number(minutes ?? 0), Number(seconds ?? 0)];
  if (!(year >= 1000 && month >= 1 && month <= 12 && day >= 1 && hour <= 24 && minute < 60 && second < 60)) return null;
  if (hour === 24 && (minute > 0 || second > 0)) return null;
  if (day > new Date(Date.UTC(year, month, 0)).getUTCDate()) return null;
  return { wallMs: Date.UTC(year, month - 1, day, hour, minute, second), offsetMinutes: offsetOf(offset) };
}

function offsetOf(offset: string | undefined): number | null {
  if (!offset) return null;
  if (/^(z|utc)$/i.test(offset)) return 0;
  const plain = offset.slice(1).replace(":", "");
  return (offset.startsWith("-") ? -1 : 1) * (Number(plain.slice(0, 2)) * 60 + Number(plain.slice(2, 4)));
}

/** "2024-01", "01/2024", "Jan 2024": the first of the month, its digits as if UTC; null for anything else. */
export function readMonthAlone(text: string): number | null {
  const numeric = /^(?:(\d{4})[-/.](\d{1,2})|(\d{1,2})[-/.](\d{4}))$/.exec(text);
  const named = /^([a-zäéû]{3,9})\.?[ -](\d{4})$/i.exec(text);
  const year = Number(numeric?.[1] ?? numeric?.[4] ?? named?.[2]);
  const month = numeric ? Number(numeric[2] ?? numeric[3]) - 1 : named ? namedMonth(named[1]!) : null;
  return month !== null && month >= 0 && month < 12 && year >= 1000 ? Date.UTC(year, month, 1) : null;
}

function epoch(text: string): WrittenTime | null {
  if (!/^\d{9,13}(\.\d+)?$/.test(text)) return null;
  const value = Number(text);
  return { wallMs: value < 1e11 ? Math.round(value) * 1000 : Math.round(value), offsetMinutes: 0 };
}

/** Minutes since midnight of a time of day ("07:15", "7.15 pm"); null for none. */
export function readTimeOfDay(text: string): number | null {
  const cells = /^(\d{1,2})[:.h](\d{2})(?::\d{2})?\s*([ap])?\.?(?:m\.?)?$/i.exec(text.trim());
  if (!cells) return null;
  const hour = cells[3] ? (Number(cells[1]) % 12) + (cells[3].toLowerCase() === "p" ? 12 : 0) : Number(cells[1]);
  const minutes = hour * 60 + Number(cells[2]);
  return Number(cells[2]) < 60 && minutes <= 1440 ? minutes : null;
}
