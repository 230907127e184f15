import { IANAZone } from "luxon";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";

/** Offset of a zone from UTC at an instant, in milliseconds (east positive). */
export type ZoneOffset = (utcMs: number) => number;

export const isTimeZone = (name: string): boolean => IANAZone.isValidZone(name);

/** No zone changed its clocks twice within eight days since 1980, so equal offsets at both ends hold in between. */
const SPAN_MS = 8 * DAY_MS;
const CELL_MS = HOUR_MS / 4;

const byZone = new Map<string, ZoneOffset>();

/**
 * Offset lookup for an IANA zone, cached: the calendar is asked once per eight days, and per quarter hour only where a clock
 * change falls in those days. Throws a RangeError for an unknown zone.
 */
export function zoneOffset(timeZone: string): ZoneOffset {
  const known = byZone.get(timeZone);
  if (known) return known;
  if (!isTimeZone(timeZone)) throw new RangeError(`Unknown time zone "${timeZone}"`);
  const offset = cachedOffset(IANAZone.create(timeZone));
  byZone.set(timeZone, offset);
  return offset;
}

function cachedOffset(zone: IANAZone): ZoneOffset {
  const exact = (utcMs: number): number => zone.offset(utcMs) * MINUTE_MS;
  const spans = new Map<number, number | null>();
  const cells = new Map<number, number>();
  const ofSpan = (span: number): number | null => {
    const first = exact(span * SPAN_MS);
    const held = first === exact((span + 1) * SPAN_MS) ? first : null;
    spans.set(span, held);
    return held;
  };
  const ofCell = (cell: number): number => {
    const cached = cells.get(cell) ?? exact(cell * CELL_MS);
    cells.set(cell, cached);
    return cached;
  };
  return (utcMs) => {
    const span = Math.floor(utcMs / SPAN_MS);
    const cached = spans.get(span);
    const offset = cached === undefined ? ofSpan(span) : cached;
    return offset ?? ofCell(Math.floor(utcMs / CELL_MS));
  };
}
