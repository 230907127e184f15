import type { ReadingStore } from "@/usecases/ledger";
import { modulesOf, type ReadingsOfModules } from "@/usecases/neighbours";
import { byBook } from "./cache";

/** Hours of single modules that a thread keeps: a hundred modules have 3.5 MB a year. */
const MOST_BYTES = 64 * 1024 * 1024;
const MOST_BOOKS = 3;

/** Readings of single modules of the last few books, by hours. */
export const moduleCache = (readings: Pick<ReadingStore, "eachSeriesOf">): ReadingsOfModules =>
  byBook((book) => modulesOf(readings, book.id), undefined, {
    most: MOST_BOOKS,
    mostBytes: MOST_BYTES,
    bytesOf: (made) => (made?.kwh ?? []).reduce((sum, column) => sum + column.byteLength, 0),
  });
