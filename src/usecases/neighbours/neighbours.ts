import {
  type DayOfModules,
  dayOfModules,
  hourlyColumn,
  type ModuleDetail,
  type ModuleReadings,
  moduleDetail,
  type NeighbourReport,
  neighbourReport,
  onOneAxis,
} from "@/core/neighbours";
import type { Book } from "../books";
import type { ReadingStore } from "../ledger";

/** Readings of a book's single modules hour by hour; null where it has none. One module after the other: a quarter of an hour of a thousand is not in memory at once. */
export async function modulesOf(readings: Pick<ReadingStore, "eachSeriesOf">, bookId: string): Promise<ModuleReadings | null> {
  const columns = [];
  for await (const { meterId, axis, values } of readings.eachSeriesOf(bookId, "modules"))
    columns.push(hourlyColumn({ id: meterId, axis, kwh: values }));
  return columns.length === 0 ? null : onOneAxis(columns);
}

export type ReadingsOfModules = (book: Book) => Promise<ModuleReadings | null>;

export async function neighboursOf(of: ReadingsOfModules, book: Book): Promise<NeighbourReport | null> {
  const readings = await of(book);
  return readings && neighbourReport(book.site, readings);
}

export async function moduleOf(of: ReadingsOfModules, book: Book, id: string): Promise<ModuleDetail | null> {
  const readings = await of(book);
  return readings && moduleDetail(book.site, readings, id);
}

export async function dayOfNeighbours(of: ReadingsOfModules, book: Book, date: string): Promise<DayOfModules | null> {
  const readings = await of(book);
  return readings && dayOfModules(book.site, readings, date);
}
