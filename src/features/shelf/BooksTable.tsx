"use client";

import Link from "next/link";
import { PairBars } from "@/charts";
import { type LedgerLine, largestLoss, lineState, sizeKwh } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import { Term } from "@/features/kit/help/Term";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { IndexFigure } from "@/features/ledger/IndexFigure";
import { spanTolerance } from "@/features/ledger/span-tolerance";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, monthName, number } from "@/wording/format";
import { stateWords } from "@/wording/ledger-states";
import { say, wasSetAside } from "@/wording/screens/shelf";
import * as found from "@/wording/workings/found-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import styles from "./Shelf.module.css";
import { isToCheck, type ShelfBook, verdictOfBook } from "./shelf-book";

interface Head {
  readonly name: string;
  /** In a line of its own under the name. */
  readonly below?: string;
  readonly isLeft?: boolean;
  /** A picture of what other columns say: it gives way on a small screen. */
  readonly isPicture?: boolean;
  /** What a phone has no room for beside the state. */
  readonly isWide?: boolean;
  /** px, of the table that all of them fit in; the book's has what is left. */
  readonly widthPx?: number;
}

const HEADS: readonly Head[] = [
  { name: "book" },
  { name: "size", below: "kWp", isWide: true, widthPx: 50 },
  { name: "last", below: "year", isWide: true, widthPx: 46 },
  { name: say.itsMonthsExpectedMetered, isLeft: true, isPicture: true, widthPx: 182 },
  { name: "expected", below: "kWh", isWide: true, widthPx: 68 },
  { name: "metered", below: "kWh", isWide: true, widthPx: 66 },
  { name: "promise", below: "kWh", isWide: true, widthPx: 60 },
  { name: "performance", below: "index", widthPx: 92 },
  { name: say.largestLossFound, isLeft: true, isWide: true, widthPx: 134 },
  { name: "unexplained", below: "kWh", isWide: true, widthPx: 86 },
  { name: say.state, isLeft: true, widthPx: 104 },
];

/** One ruled line a book, with the account of its last year. */
export function BooksTable({ books }: { books: readonly ShelfBook[] }) {
  return (
    <ScrollBox label="Books" className={styles.ruled}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            {HEADS.map(({ name, below, isLeft, isPicture, isWide, widthPx }) => (
              <th
                key={name}
                scope="col"
                style={{ width: widthPx }}
                className={
                  [isLeft && styles.left, isPicture && styles.picture, isWide && styles.wide].filter(Boolean).join(" ") || undefined
                }
              >
                <Term>{below === "index" ? say.performanceIndex : name}</Term>
                {below && below !== "index" && <br />}
                {below !== "index" && below}
              </th>
            ))}
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

function BookLine({ book }: { book: ShelfBook }) {
  const { line, context, slug, state } = book;
  const kwh = (value: number | null) => (value === null || !line ? "–" : number(value, kwhDecimals(sizeKwh(line) / 12)));
  return (
    <tr className={styles.line} data-book={slug}>
      <td>
        <Link href={`/books/${slug}/ledger${line ? `?year=${line.key}` : ""}`} className={styles.name}>
          {book.name}
        </Link>
        <small>{line && state.kind === "reckoning" ? say.beingReckonedAnew : book.place}</small>
        {line && context && <OnAPhone line={line} context={context} kwh={kwh} />}
      </td>
      <td className={styles.wide}>{book.kwp === null ? "–" : number(book.kwp, 1)}</td>
      <td className={styles.wide}>{line?.key ?? "–"}</td>
      {line && context && state.kind !== "set-aside" ? (
        <LastYear book={book} context={context} line={line} kwh={kwh} />
      ) : (
        <td colSpan={8} className={`${chapter.soft} ${styles.left}`}>
          <NoFigures slug={slug} state={state} />
        </td>
      )}
    </tr>
  );
}

/** Year and largest loss, where there is no room for columns of them. */
function OnAPhone({ line, context, kwh }: Omit<LastYearProps, "book">) {
  const loss = line.meteredKwh === null ? null : largestLoss(line);
  return (
    <small className={styles.phone}>
      {line.key}
      {loss && (
        <>
          {`: ${ACCOUNT_NAMES[loss.account].name} `}
          <Figure plain working={() => found.foundWorking(line, loss.account, context)}>
            {kwh(loss.kwh)} kWh
          </Figure>
        </>
      )}
    </small>
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

interface LastYearProps {
  readonly book: ShelfBook;
  readonly context: LedgerContext;
  readonly line: LedgerLine;
  readonly kwh: (value: number | null) => string;
}

/** The account of the last year of a book. */
function LastYear({ book, context, line, kwh }: LastYearProps) {
  const { key } = line;
  const plain = [
    { name: "expected", value: line.referenceKwh > 0 ? line.expectedKwh : null, working: workings.expectedWorking },
    { name: "metered", value: line.meteredKwh, working: workings.meteredWorking },
    { name: "promise", value: line.promiseKwh, working: workings.promiseWorking },
  ];
  return (
    <>
      <td className={`${styles.left} ${styles.picture}`}>
        <PairBars
          pairs={book.months.map((month) => ({ key: month.key, expectedKwh: month.expectedKwh, meteredKwh: month.meteredKwh }))}
          width={150}
          height={34}
          label={say.expectedAndMeteredEnergyOfEach(context.site.name, key)}
        />
      </td>
      {plain.map(({ name, value, working }) => (
        <td key={name} className={name === "metered" ? `${styles.wide} ${styles.strong}` : styles.wide}>
          <KnownFigure name={`${name}/${key}`} value={value} say={kwh} working={() => working(line, context)} />
        </td>
      ))}
      <td>
        <IndexFigure line={line} context={context} />
      </td>
      <WhatIsBetween book={book} context={context} line={line} kwh={kwh} />
    </>
  );
}

/** The largest loss that was found, what is unexplained, and what that makes of the year. */
function WhatIsBetween({ book, context, line, kwh }: LastYearProps) {
  const loss = line.meteredKwh === null ? null : largestLoss(line);
  const verdict = verdictOfBook(book);
  return (
    <>
      <td className={`${styles.left} ${styles.wide}`}>
        {line.unexplainedKwh !== null && !line.isSought && <span className={chapter.soft}>{say.notSoughtYet}</span>}
        {loss && (
          <span className={styles.loss}>
            {ACCOUNT_NAMES[loss.account].name}{" "}
            <Figure plain name={`found-${loss.account}/${line.key}`} working={() => found.foundWorking(line, loss.account, context)}>
              {kwh(loss.kwh)}
            </Figure>
          </span>
        )}
      </td>
      <td className={verdict?.kind === "to-check" ? `${styles.wide} ${chapter.clay}` : styles.wide}>
        <KnownFigure
          name={`unexplained/${line.key}`}
          value={line.unexplainedKwh}
          say={kwh}
          working={() => workings.unexplainedWorking(line, context)}
        />
      </td>
      <td className={styles.left}>
        <span className={isToCheck(book) ? chapter.clay : chapter.soft}>{stateOf(book)}</span>
      </td>
    </>
  );
}

/** The state of a book's last year, in the words of its ledger. */
function stateOf(book: ShelfBook): string {
  const { line, context } = book;
  if (!line || !context || line.meteredKwh === null) return say.notKnown;
  const months = verdictOfBook(book);
  const asking = months && "toCheckKeys" in months ? months.toCheckKeys : [];
  if (asking.length > 0)
    return say.monthsToCheck(
      asking
        .map((key) => monthName(key, "short"))
        .slice(0, 3)
        .join(", "),
    );
  return stateWords(lineState(line, spanTolerance(context, book.months)));
}
