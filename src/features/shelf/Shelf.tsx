"use client";

import Link from "next/link";
import { PairBars } from "@/charts";
import { type LedgerLine, largestLoss, lineState, performanceIndex } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { spanTolerance } from "@/features/ledger/span-tolerance";
import { useRefresh } from "@/features/standing/use-refresh";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, monthName, number, percent } from "@/wording/format";
import { stateWords } from "@/wording/ledger-states";
import { say, wasSetAside } from "@/wording/screens/shelf";
import * as found from "@/wording/workings/found-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import { NewBook } from "./NewBook";
import styles from "./Shelf.module.css";
import { isToCheck, type ShelfBook, verdictOfBook } from "./shelf-book";

interface ShelfProps {
  readonly books: readonly ShelfBook[];
  /** Which books of all these are, the first counted from 0. */
  readonly sheet: SheetOfShelf;
  readonly isMakingDemo: boolean;
  readonly timeZone: string;
}

const LOOK_AGAIN_MS = 2500;

/** All books, one ruled line each, with the last year's balance. */
export function Shelf({ books, sheet, isMakingDemo, timeZone }: ShelfProps) {
  useRefresh(isMakingDemo || books.some(({ state }) => state.kind === "reckoning"), LOOK_AGAIN_MS);
  const needing = books.filter(isToCheck);
  return (
    <div className={chapter.page}>
      <h1>The shelf</h1>
      <p className={chapter.verdict}>{shelfSentence(books, sheet.count, needing.length)}</p>
      {isMakingDemo && (
        <p className={chapter.soft} role="status">
          {say.demoIsBeingMade}
        </p>
      )}
      {books.length > 0 && <BooksTable books={books} />}
      <Sheets {...sheet} />
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
              {say.itsMonthsExpectedMetered}
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
              performance
              <br />
              index
            </th>
            <th scope="col" className={styles.left}>
              {say.largestLossFound}
            </th>
            <th scope="col">
              unexplained
              <br />
              kWh
            </th>
            <th scope="col" className={styles.left}>
              {say.state}
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

/** What can be said of the books on this sheet. Those without figures are counted, never taken for fine. */
function shelfSentence(books: readonly ShelfBook[], count: number, needing: number): string {
  if (count === 0) return say.noBookYetABookHolds;
  const all = count === 1 ? "One book" : `${number(count)} books`;
  const unknown = books.filter(({ line, state }) => state.kind === "set-aside" || !line || line.meteredKwh === null).length;
  const asks = needing === 0 ? "none asks" : needing === 1 ? "one asks" : `${number(needing)} ask`;
  if (books.length < count) return say.ofTheseOnThisSheet(all, asks, number(unknown));
  if (unknown === 0) return needing === 0 ? say.inTheLastYearOfEach(all) : say.forALookEnergyIsMissing(all, asks);
  return say.someAreNotKnown(all, asks, unknown === 1 ? "one has" : `${number(unknown)} have`);
}

function BookLine({ book }: { book: ShelfBook }) {
  const { line, context, slug, state } = book;
  const kwh = (value: number | null) => (value === null || !line ? "–" : number(value, kwhDecimals(line.referenceKwh / 12)));
  const index = line && performanceIndex(line);
  const asksForLook = isToCheck(book);
  return (
    <tr className={styles.line} data-book={slug}>
      <td>
        <Link href={`/books/${slug}/ledger${line ? `?year=${line.key}` : ""}`} className={styles.name}>
          {book.name}
        </Link>
        <small>{book.place}</small>
        {line && state.kind === "reckoning" && <small>{say.beingReckonedAnew}</small>}
      </td>
      <td>{book.kwp === null ? "–" : number(book.kwp, 1)}</td>
      <td>{line?.key ?? "–"}</td>
      {line && context && state.kind !== "set-aside" ? (
        <LastYear book={book} context={context} line={line} kwh={kwh} asksForLook={asksForLook} index={index} />
      ) : (
        <td colSpan={8} className={`${chapter.soft} ${styles.left}`}>
          <NoFigures slug={slug} state={state} />
        </td>
      )}
    </tr>
  );
}

/** Why a line has no figures. */
function NoFigures({ slug, state }: Pick<ShelfBook, "slug" | "state">) {
  if (state.kind === "set-aside")
    return (
      <>
        {wasSetAside[state.reason]} <Link href={`/books/${slug}/ledger`}>{say.seeWhy}</Link>
      </>
    );
  if (state.kind === "reckoning") return say.beingReckoned;
  return (
    <>
      {say.noWeatherYet}
      <Link href={`/books/${slug}/readings`}>{say.bringAFile}</Link>
    </>
  );
}

interface SheetOfShelf {
  readonly from: number;
  readonly count: number;
  readonly size: number;
}

/** Ways to the other sheets of a long shelf. */
function Sheets({ from, count, size }: SheetOfShelf) {
  if (count <= size) return null;
  const starts = Array.from({ length: Math.ceil(count / size) }, (_, k) => k * size);
  return (
    <nav aria-label={say.sheetsOfTheShelf} className={chapter.actions}>
      {starts.map((start) => (
        <Link key={start} href={`/?from=${start + 1}`} prefetch={false} aria-current={start === from ? "page" : undefined}>
          {say.booksFromTo(start + 1, Math.min(count, start + size))}
        </Link>
      ))}
    </nav>
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
  const loss = line.meteredKwh === null ? null : largestLoss(line);
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
        <Figure plain name={`expected/${line.key}`} working={() => workings.expectedWorking(line, context)}>
          {kwh(line.expectedKwh)}
        </Figure>
      </td>
      <td>
        <b>
          <KnownFigure
            name={`metered/${line.key}`}
            value={line.meteredKwh}
            say={kwh}
            working={() => workings.meteredWorking(line, context)}
          />
        </b>
      </td>
      <td className={chapter.soft}>
        <KnownFigure
          name={`promise/${line.key}`}
          value={line.promiseKwh}
          say={kwh}
          working={() => workings.promiseWorking(line, context)}
        />
      </td>
      <td>
        <KnownFigure
          name={`performance-index/${line.key}`}
          value={index}
          say={percent}
          working={() => workings.performanceIndexWorking(line, context)}
        />
      </td>
      <td className={styles.left}>
        {loss && (
          <>
            {ACCOUNT_NAMES[loss.account].name}{" "}
            <Figure plain name={`found-${loss.account}/${line.key}`} working={() => found.foundWorking(line, loss.account, context)}>
              {kwh(loss.kwh)}
            </Figure>
          </>
        )}
      </td>
      <td className={verdictOfBook(book)?.kind === "to-check" ? chapter.clay : undefined}>
        <KnownFigure
          name={`unexplained/${line.key}`}
          value={line.unexplainedKwh}
          say={kwh}
          working={() => workings.unexplainedWorking(line, context)}
        />
      </td>
      <td className={styles.left}>
        <span className={asksForLook ? chapter.clay : chapter.soft}>{stateOf(book, asksForLook)}</span>
      </td>
    </>
  );
}

/** The state of a book's last year, in the words of its ledger. */
function stateOf(book: ShelfBook, asksForLook: boolean | null): string {
  const { line, context } = book;
  if (!line || !context || line.meteredKwh === null) return say.notKnown;
  const months = verdictOfBook(book);
  const asking = months && "toCheckKeys" in months ? months.toCheckKeys : [];
  if (asksForLook && asking.length > 0)
    return say.monthsToCheck(
      asking
        .map((key) => monthName(key, "short"))
        .slice(0, 3)
        .join(", "),
    );
  return stateWords(lineState(line, spanTolerance(context, book.months)));
}
