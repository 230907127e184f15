"use client";

import Link from "next/link";
import { useState } from "react";
import { largestLoss } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { useRefresh } from "@/features/standing/use-refresh";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, number } from "@/wording/format";
import { say } from "@/wording/screens/shelf";
import { foundWorking } from "@/wording/workings/found-workings";
import { BooksTable } from "./BooksTable";
import { NewBook } from "./NewBook";
import { isNotKnown, isToCheck, type ShelfBook } from "./shelf-book";

interface ShelfProps {
  readonly books: readonly ShelfBook[];
  /** Which books of all these are, the first counted from 0. */
  readonly sheet: SheetOfShelf;
  readonly isMakingDemo: boolean;
}

const LOOK_AGAIN_MS = 2500;

/** All books, one ruled line each, with the last year's balance. */
export function Shelf({ books, sheet, isMakingDemo }: ShelfProps) {
  const isInTheMaking = isMakingDemo || books.some(({ state }) => state.kind === "reckoning");
  useRefresh(isInTheMaking, LOOK_AGAIN_MS);
  // Lines kept free for what the sentence will say; once it says it, nothing below moves.
  const [keptLines] = useState(isInTheMaking ? "2" : undefined);
  const needing = books.filter(isToCheck);
  return (
    <div className={chapter.page}>
      <h1>The shelf</h1>
      <p className={chapter.verdict} data-lines={keptLines}>
        {shelfSentence(books, sheet.count, needing.length)} <MostLost books={books} />
      </p>
      {isMakingDemo && (
        <p className={chapter.soft} role="status">
          {say.demoIsBeingMade}
        </p>
      )}
      {books.length > 0 && <BooksTable books={books} />}
      <Sheets {...sheet} />
      <NewBook />
    </div>
  );
}

/** The largest loss of a last year that somebody can do something about; nothing without one. */
function MostLost({ books }: { books: readonly ShelfBook[] }) {
  const losses = books.flatMap(({ slug, name, line, context }) => {
    const loss = line && context && line.meteredKwh !== null ? largestLoss(line) : null;
    return loss?.isAvoidable ? [{ slug, name, line: line!, context: context!, ...loss }] : [];
  });
  const most = losses.sort((a, b) => b.kwh - a.kwh)[0];
  if (!most) return null;
  const { account, slug, name, line, context, kwh } = most;
  return (
    <span data-book={slug}>
      {say.mostWasLostTo(ACCOUNT_NAMES[account].name.toLowerCase(), name, line.key)}
      <Figure name={`found-${account}/${line.key}`} working={() => foundWorking(line, account, context)} end=".">
        {number(kwh, kwhDecimals(line.referenceKwh / 12))} kWh
      </Figure>
    </span>
  );
}

/** What can be said of the books on this sheet. Those without figures are counted, never taken for fine. */
function shelfSentence(books: readonly ShelfBook[], count: number, needing: number): string {
  if (count === 0) return say.noBookYetABookHolds;
  const all = count === 1 ? "One book" : `${number(count)} books`;
  const unknown = books.filter(isNotKnown).length;
  const asks = needing === 0 ? "none asks" : needing === 1 ? "one asks" : `${number(needing)} ask`;
  if (books.length < count) return say.ofTheseOnThisSheet(all, asks, number(unknown));
  if (unknown === 0) return needing === 0 ? say.inTheLastYearOfEach(all) : say.forALookEnergyIsMissing(all, asks);
  return say.someAreNotKnown(all, asks, unknown === 1 ? "one has" : `${number(unknown)} have`);
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
