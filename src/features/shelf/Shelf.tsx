"use client";

import Link from "next/link";
import { PairBars } from "@/charts";
import { type LedgerLine, performanceIndex, verdictOf } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { kwhDecimals, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/shelf";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import { NewBook } from "./NewBook";
import styles from "./Shelf.module.css";

export interface ShelfBook {
  readonly slug: string;
  readonly kwp: number;
  readonly place: string;
  /** The last year there is; null without weather. */
  readonly line: LedgerLine | null;
  /** The months of that year. */
  readonly months: readonly LedgerLine[];
  readonly context: LedgerContext;
}

/** All books, one ruled line each, with the last year's balance. */
export function Shelf({ books, timeZone }: { books: readonly ShelfBook[]; timeZone: string }) {
  const needing = books.filter((book) => book.line && verdictOf(book.line, book.months).kind === "short");
  return (
    <div className={chapter.page}>
      <h1>The shelf</h1>
      <p className={chapter.verdict}>{shelfSentence(books.length, needing.length)}</p>
      {books.length > 0 && <BooksTable books={books} />}
      <NewBook timeZone={timeZone} />
    </div>
  );
}

interface BooksTableProps {
  readonly books: readonly ShelfBook[];
}

function BooksTable({ books }: BooksTableProps) {
  return (
    <ScrollBox label="Books" className={styles.ruled}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">book</th>
            <th scope="col">
              size
              <br />
              kWp
            </th>
            <th scope="col">
              last
              <br />
              year
            </th>
            <th scope="col" className={styles.left}>
              {say.itsMonthsOwedPaid}
            </th>
            <th scope="col">
              expected
              <br />
              kWh
            </th>
            <th scope="col">
              metered
              <br />
              kWh
            </th>
            <th scope="col">
              promise
              <br />
              kWh
            </th>
            <th scope="col">
              remainder
              <br />
              kWh
            </th>
            <th scope="col">
              performance
              <br />
              index
            </th>
          </tr>
        </thead>
        <tbody>
          {books.map((book) => (
            <BookLine key={book.slug} book={book} />
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

function shelfSentence(count: number, needing: number): string {
  if (count === 0) return say.noBookYetABookHolds;
  const books = count === 1 ? "One book" : `${number(count)} books`;
  if (needing === 0) return say.inTheLastYearOfEach(books);
  return say.forALookEnergyIsMissing(books, needing === 1 ? "one asks" : `${number(needing)} ask`);
}

function BookLine({ book }: { book: ShelfBook }) {
  const { line, context, slug } = book;
  const kwh = (value: number | null) => (value === null || !line ? "–" : number(value, kwhDecimals(line.referenceKwh / 12)));
  const index = line && performanceIndex(line);
  const asksForLook = line && verdictOf(line, book.months).kind === "short";
  return (
    <tr className={styles.line}>
      <td>
        <Link href={`/books/${slug}/ledger`} className={styles.name}>
          {context.site.name}
        </Link>
        <small>{book.place}</small>
      </td>
      <td>{number(book.kwp, 1)}</td>
      <td>{line?.key ?? "–"}</td>
      {line ? (
        <LastYear book={book} context={context} line={line} kwh={kwh} asksForLook={asksForLook} index={index} />
      ) : (
        <td colSpan={6} className={chapter.soft}>
          {say.noWeatherYet}
          <Link href={`/books/${slug}/readings`}>{say.bringAFile}</Link>
        </td>
      )}
    </tr>
  );
}

interface LastYearProps {
  readonly book: ShelfBook;
  readonly context: LedgerContext;
  readonly line: LedgerLine;
  readonly kwh: (value: number | null) => string;
  readonly asksForLook: boolean | null;
  readonly index: number | null;
}

/** The last whole year of a book. */
function LastYear({ book, context, line, kwh, asksForLook, index }: LastYearProps) {
  return (
    <>
      <td className={styles.left}>
        <PairBars
          pairs={book.months.map((month) => ({ key: month.key, expectedKwh: month.expectedKwh, meteredKwh: month.meteredKwh }))}
          width={190}
          height={34}
          label={say.expectedAndMeteredEnergyOfEach(context.site.name, line.key)}
        />
      </td>
      <td>
        <Figure plain working={() => workings.expectedWorking(line, context)}>
          {kwh(line.expectedKwh)}
        </Figure>
      </td>
      <td>
        <b>
          <KnownFigure value={line.meteredKwh} say={kwh} working={() => workings.meteredWorking(line, context)} />
        </b>
      </td>
      <td className={chapter.soft}>
        <KnownFigure value={line.promiseKwh} say={kwh} working={() => workings.promiseWorking(line, context)} />
      </td>
      <td className={asksForLook ? chapter.clay : undefined}>
        <KnownFigure value={line.unexplainedKwh} say={kwh} working={() => workings.unexplainedWorking(line, context)} />
      </td>
      <td>
        <KnownFigure value={index} say={percent} working={() => workings.performanceIndexWorking(line, context)} />
      </td>
    </>
  );
}
