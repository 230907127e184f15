import type { Examination, WeatherStrip } from "@/contracts/examination";
import { giveBack } from "@/data";
import type { Book } from "@/usecases/books";
import type { EntryStore } from "@/usecases/field-book";
import { billedSpans, type OpenLedger, openLedger, type ReadingStore } from "@/usecases/ledger";
import type { BillStore } from "@/usecases/money";
import { cleanSeries, cleanSparse, type DecisionStore, examineBook, expectedOf, weatherStrip } from "@/usecases/quality";
import { byBook } from "./cache";

export type LedgerOf = (book: Book) => Promise<OpenLedger>;
export type ExaminationOf = (book: Book) => Promise<Examination>;

/** Open ledgers that a thread keeps: a dozen books of a decade by hours, or one by five minutes. */
const MOST_LEDGER_BYTES = 160 * 1024 * 1024;

/** A record of this size is opened anew after an examination rather than held beside it. */
const LONG_LEDGER_BYTES = 64 * 1024 * 1024;

/** Bytes of the interval columns behind an open ledger. */
function ledgerBytes({ weather, run, metered, meters, partMeters }: OpenLedger): number {
  const columns = (value: unknown): number =>
    typeof value === "object" && value !== null
      ? Object.values(value).reduce((sum: number, column: unknown) => sum + (ArrayBuffer.isView(column) ? column.byteLength : 0), 0)
      : 0;
  return [weather, run, run?.accountsKwh, metered, ...meters, ...partMeters].reduce((sum: number, part) => sum + columns(part), 0);
}

/** Opens ledgers over clean series, and examines the raw ones; the last few of both are cached. */
export function ledgerCache(
  readings: ReadingStore,
  decisions: DecisionStore,
  entries: EntryStore,
  bills: BillStore,
): { ledgerOf: LedgerOf; examinationOf: ExaminationOf; letGo: (book: Book) => void } {
  const ledgerOf = byBook(
    async (book) => {
      const [weather, production, sparse, usualSpans, promise, decided, field, billed] = await Promise.all([
        readings.seriesOf(book.id, "weather"),
        readings.seriesOf(book.id, "production"),
        readings.sparseOf(book.id),
        readings.usualSpansOf(book.id),
        readings.promiseOf(book.id),
        decisions.of(book.id),
        entries.of(book.id),
        bills.of(book.id),
      ]);
      const { site } = book;
      const cleanings = field.filter(({ kind }) => kind === "cleaning").map(({ to }) => to.slice(0, 10));
      giveBack();
      const ledger = openLedger({
        site,
        weather,
        usualSpans,
        promise,
        cleanings,
        production: cleanSeries(production, decided, site),
        sparse: cleanSparse({ ...sparse, spans: [...sparse.spans, ...billedSpans(billed, site, { production, sparse })] }, decided),
      });
      giveBack();
      return ledger;
    },
    undefined,
    { mostBytes: MOST_LEDGER_BYTES, bytesOf: ledgerBytes },
  );
  const letGo = (book: Book): void => ledgerOf.drop(book.id, LONG_LEDGER_BYTES);
  /** What the model owes; the other columns of a long record go before the examination brings its own. */
  const expectedAlone = async (book: Book): Promise<ReturnType<typeof expectedOf>> => {
    const ledger = await ledgerOf(book);
    letGo(book);
    return expectedOf(ledger);
  };
  const examinationOf = byBook(async (book) => {
    const expected = await expectedAlone(book);
    giveBack();
    const weather: WeatherStrip[] = [];
    // One after the other: a column of a long record is gone before the next comes.
    for await (const series of readings.eachSeriesOf(book.id, "weather")) weather.push(weatherStrip(series, book.site));
    const [production, sparse, decided] = await Promise.all([
      readings.seriesOf(book.id, "production"),
      readings.sparseOf(book.id),
      decisions.of(book.id),
    ]);
    giveBack();
    return examineBook({ site: book.site, expected, production, weather, sparse, decisions: decided });
  });
  return { ledgerOf, examinationOf, letGo };
}
