import type { Metadata } from "next";
import { redirect } from "next/navigation";
import type { ReactNode } from "react";
import { bookPage } from "@/app/book-page";
import type { Coverage } from "@/contracts/imports";
import { zoneOffset } from "@/core/time";
import { FeedsView } from "@/features/readings/FeedsView";
import { FindingsView } from "@/features/readings/FindingsView";
import { ReadingsChapter } from "@/features/readings/ReadingsChapter";
import { RecordView } from "@/features/readings/RecordView";
import { READINGS_VIEWS, type ReadingsView } from "@/features/readings/readings-views";
import { TypeInView } from "@/features/readings/TypeInView";
import type { Book } from "@/usecases/books";
import { yearsOf } from "@/usecases/ledger";
import { Refusal } from "@/usecases/refusal";
import type { House } from "@/wiring";

export const metadata: Metadata = { title: "Readings" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string; year?: string }>;
}

export default async function ReadingsPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const asked = await searchParams;
  // Where the health check was: its address stands in notes and links.
  if (asked.view === "health") redirect(`/books/${slug}/field-book?view=wall`);
  const view = READINGS_VIEWS.find(({ id }) => id === asked.view)?.id ?? "bring";
  return bookPage(slug, "readings", async (book, house) => {
    const { imports } = house;
    const desk = {
      slug,
      timeZone: book.site.place.timeZone,
      zones: Intl.supportedValuesOf("timeZone"),
      meters: book.site.meters.map((meter) => meter.id),
    };
    const bringing = view === "bring";
    return (
      <ReadingsChapter
        {...desk}
        name={book.site.name}
        view={view}
        batches={bringing ? await imports.batchesOf(book.id) : []}
        coverage={bringing ? await coverageOf(book, house) : []}
      >
        {await viewOf(view, book, house, desk, asked.year)}
      </ReadingsChapter>
    );
  });
}

/** First and last year that production was read in; without any the last whole year. */
async function yearsRead(book: Book, { imports }: House): Promise<[number, number]> {
  const read = (await imports.batchesOf(book.id)).filter(({ kind, undoneAt }) => kind === "production" && undoneAt === null);
  const offset = zoneOffset(book.site.place.timeZone);
  // What ends with a year is not of the next.
  const yearOf = (utc: string, lessMs: number): number => new Date(Date.parse(utc) + offset(Date.parse(utc)) - lessMs).getUTCFullYear();
  const years = read.flatMap(({ firstUtc, lastUtc }) =>
    firstUtc === null || lastUtc === null ? [] : [yearOf(firstUtc, 0), yearOf(lastUtc, 1)],
  );
  const last = new Date().getUTCFullYear() - 1;
  return years.length > 0 ? [Math.min(...years), Math.max(...years)] : [last, last];
}

/** What the readings cover; nothing of a book set aside, whose batches must still be within reach. */
const coverageOf = (book: Book, { ask }: House): Promise<Coverage[]> =>
  ask(book, "coverage", {}).catch((error: unknown) => {
    if (error instanceof Refusal && error.code === "set-aside") return [];
    throw error;
  });

type Desk = Omit<Parameters<typeof TypeInView>[0], "place" | "years">;

async function viewOf(view: ReadingsView, book: Book, house: House, desk: Desk, asked: string | undefined): Promise<ReactNode> {
  const { slug, timeZone, meters } = desk;
  switch (view) {
    case "bring":
      return null;
    case "type":
      return <TypeInView {...desk} place={book.site.place} years={await yearsRead(book, house)} />;
    case "feeds":
      return <FeedsView slug={slug} timeZone={timeZone} meters={meters} feeds={await house.feeds.of(book.id)} hosts={house.feedHosts} />;
    case "findings":
      return <FindingsView slug={slug} timeZone={timeZone} examination={await house.ask(book, "examination", {})} />;
    case "record": {
      const ledger = await house.figuresOf(book);
      const years = yearsOf(ledger);
      const year = asked !== undefined && years.includes(asked) ? asked : (years.at(-1) ?? null);
      const glance = year === null ? { days: [], expectedKwh: [], meteredKwh: [] } : await house.ask(book, "glance", { year });
      return (
        <RecordView slug={slug} timeZone={timeZone} examination={await house.ask(book, "examination", {})} glance={glance} year={year} />
      );
    }
  }
}
