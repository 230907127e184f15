import { DAY_MS } from "@/core/units";

/** Readings outside of this are a wrong clock. */
export const EARLIEST_MS = Date.UTC(1990, 0, 1);
export const LATEST_MS = Date.UTC(2060, 0, 1);

/** First and last day of a span, for its wording. */
export function spanDays(firstUtcMs: number, lastUtcMs: number): { first: string; last: string } {
  const day = (ms: number): string => new Date(Math.floor(ms / DAY_MS) * DAY_MS).toISOString().slice(0, 10);
  return { first: day(firstUtcMs), last: day(lastUtcMs) };
}
