/** A row of the page query: the UTC day number and the array in PostgreSQL's binary form. */
export interface CopiedPage {
  readonly day: number;
  readonly array: Buffer;
}

/** Signature, flags and extension length before the first row of a binary COPY. Source: PostgreSQL 15 manual, COPY, binary format. */
const COPY_HEADER_BYTES = 19;

/** Rows of (integer, double precision[]) from a binary COPY. */
export function readCopiedPages(copied: Buffer): CopiedPage[] {
  const pages: CopiedPage[] = [];
  let at = COPY_HEADER_BYTES;
  while (copied.readInt16BE(at) === 2) {
    const day = copied.readInt32BE(at + 6);
    const size = copied.readInt32BE(at + 10);
    pages.push({ day, array: copied.subarray(at + 14, at + 14 + size) });
    at += 14 + size;
  }
  return pages;
}

/** Header of PostgreSQL's binary array form: dimensions, null flag, element type, length, lower bound. */
const HEADER_BYTES = 20;

/** One day page as COPY text: an array literal with NULL where nothing was read. */
export function pageLiteral(page: Float64Array): string {
  let text = "{";
  for (let i = 0; i < page.length; i++) {
    const value = page[i]!;
    text += (i === 0 ? "" : ",") + (!Number.isNaN(value) ? value : "NULL");
  }
  return `${text}}`;
}

/**
 * Lays a day page over the values from `offset` on, from the binary form of double precision[]; nulls leave what
 * stood there. Returns the number of elements.
 */
export function overlayPage(page: Buffer, into: Float64Array, offset: number): number {
  const length = page.readInt32BE(12);
  let at = HEADER_BYTES;
  for (let i = 0; i < length; i++) {
    const size = page.readInt32BE(at);
    at += 4;
    if (size < 0) continue;
    into[offset + i] = page.readDoubleBE(at);
    at += size;
  }
  return length;
}
