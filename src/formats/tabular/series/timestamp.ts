/** A time as written: its digits as if UTC, and its offset in minutes where one is written. */
export interface WrittenTime {
  wallMs: number;
  offsetMinutes: number | null;
}

const OFFSET = /^(Z|[+-]\d{2}(?::?\d{2})?)$/i;
const SECONDS = /^:\d{2}(\.\d+)?/;

/**
 * Reads an ISO 8601 date and time (with T or a space, seconds and offset optional); null when it is none, or no day of the calendar.
 * Digits are read in place: a million rows would otherwise leave eight million short strings behind.
 */
export function readTime(written: string): WrittenTime | null {
  const text = written.trim();
  if (text.length < 16 || text[4] !== "-" || text[7] !== "-" || text[13] !== ":" || !"T t".includes(text[10]!)) return null;
  const year = digits(text, 0, 4);
  const month = digits(text, 5, 2);
  const day = digits(text, 8, 2);
  const hour = digits(text, 11, 2);
  const minute = digits(text, 14, 2);
  if (!(year >= 0 && month >= 1 && month <= 12 && day >= 1 && day <= daysOf(year, month))) return null;
  const secondsAndOffset = text.length > 16 ? restOf(text) : NOTHING_MORE;
  if (!secondsAndOffset || !(hour <= 24 && minute <= 59 && secondsAndOffset.second <= 59)) return null;
  if (hour === 24 && (minute > 0 || secondsAndOffset.second > 0)) return null;
  return { wallMs: Date.UTC(year, month - 1, day, hour, minute, secondsAndOffset.second), offsetMinutes: secondsAndOffset.offsetMinutes };
}

/** Value of the digits from a place on; NaN when one is none. */
function digits(text: string, from: number, count: number): number {
  let value = 0;
  for (let k = from; k < from + count; k++) {
    const digit = text.charCodeAt(k) - 48;
    if (!(digit >= 0 && digit <= 9)) return Number.NaN;
    value = value * 10 + digit;
  }
  return value;
}

const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

function daysOf(year: number, month: number): number {
  const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  return month === 2 && leap ? 29 : MONTH_DAYS[month - 1]!;
}

interface Rest {
  readonly second: number;
  readonly offsetMinutes: number | null;
}

const NOTHING_MORE: Rest = { second: 0, offsetMinutes: null };

/** What follows hours and minutes: seconds with or without a fraction, then an offset; null when it is neither. Kept, since a file repeats itself. */
function restOf(text: string): Rest | null {
  const rest = text.slice(16);
  const existing = rests.get(rest);
  if (existing !== undefined) return existing;
  const seconds = SECONDS.exec(rest)?.[0] ?? "";
  const offset = rest.slice(seconds.length).trim();
  const read = offset === "" || OFFSET.test(offset) ? { second: Number(seconds.slice(1, 3)), offsetMinutes: readOffset(offset) } : null;
  if (rests.size < CACHED_RESTS) rests.set(rest, read);
  return read;
}

const rests = new Map<string, Rest | null>();
const CACHED_RESTS = 10_000;

function readOffset(text: string): number | null {
  if (!text) return null;
  if (text === "Z" || text === "z") return 0;
  const sign = text.startsWith("-") ? -1 : 1;
  const plain = text.slice(1).replace(":", "");
  return sign * (Number(plain.slice(0, 2)) * 60 + Number(plain.slice(2, 4) || 0));
}
