import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { Quantity } from "./columns";

/** One column of a file as day pages: UTC day number to the day's values (NaN where none). */
export interface PagedSeries {
  readonly quantity: Quantity;
  readonly meterId: string | null;
  readonly stepMinutes: number;
  /** Minutes after UTC midnight at which the first interval of a day starts; under one step. */
  readonly phaseMinutes: number;
  readonly days: Map<number, Float64Array>;
}

/** Pages are cut from pieces of memory that double to this size: thousands of small ones leave holes that are never given back. */
const LARGEST_PIECE_BYTES = 2 * 1024 * 1024;
const FIRST_PIECE_PAGES = 8;

interface Piece {
  readonly buffer: ArrayBuffer;
  used: number;
}

const pieces = new WeakMap<PagedSeries, Piece>();

function newPage(series: PagedSeries): Float64Array {
  const count = Math.round(1440 / series.stepMinutes);
  const bytes = count * Float64Array.BYTES_PER_ELEMENT;
  let piece = pieces.get(series);
  if (!piece || piece.used + bytes > piece.buffer.byteLength) {
    const size = piece ? Math.min(LARGEST_PIECE_BYTES, 2 * piece.buffer.byteLength) : FIRST_PIECE_PAGES * bytes;
    piece = { buffer: new ArrayBuffer(Math.max(bytes, size)), used: 0 };
    pieces.set(series, piece);
  }
  const page = new Float64Array(piece.buffer, piece.used, count).fill(Number.NaN);
  piece.used += bytes;
  return page;
}

/** What became of a value put into its place. */
export type Placed = "new" | "same" | "other";

/** Puts a value into its day page, or says that the place holds the same or another value already. */
export function place(series: PagedSeries, utcMs: number, value: number, overwrite: boolean): Placed {
  const sinceStart = utcMs - series.phaseMinutes * MINUTE_MS;
  const day = Math.floor(sinceStart / DAY_MS);
  const slot = (sinceStart - day * DAY_MS) / (series.stepMinutes * MINUTE_MS);
  let page = series.days.get(day);
  if (!page) {
    page = newPage(series);
    series.days.set(day, page);
  }
  const held = page[slot]!;
  if (Number.isNaN(held)) {
    page[slot] = value;
    return "new";
  }
  if (overwrite) page[slot] = value;
  return held === value ? "same" : "other";
}
