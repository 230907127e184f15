/** A time as written: its digits as if UTC, and its offset in minutes where one is written. */
export interface WrittenTime {
  wallMs: number;
  offsetMinutes: number | null;
}

const ISO = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s*(Z|[+-]\d{2}(?::?\d{2})?)?$/i;

/** Reads an ISO 8601 date and time (with T or a space, seconds and offset optional); null when it is none, or no day of the calendar. */
export function readTime(text: string): WrittenTime | null {
  const match = ISO.exec(text.trim());
  if (!match) return null;
  const [year, month, day, hour, minute, second] = [1, 2, 3, 4, 5, 6].map((k) => Number(match[k] ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  if (hour > 24 || minute > 59 || second > 59 || (hour === 24 && (minute > 0 || second > 0))) return null;
  const wallMs = Date.UTC(year, month - 1, day, hour, minute, second);
  const at = new Date(wallMs - hour * 3_600_000);
  if (month < 1 || at.getUTCMonth() !== month - 1 || at.getUTCDate() !== day) return null;
  return { wallMs, offsetMinutes: readOffset(match[7]) };
}

function readOffset(text: string | undefined): number | null {
  if (!text) return null;
  if (text === "Z" || text === "z") return 0;
  const sign = text.startsWith("-") ? -1 : 1;
  const digits = text.slice(1).replace(":", "");
  return sign * (Number(digits.slice(0, 2)) * 60 + Number(digits.slice(2, 4) || 0));
}
