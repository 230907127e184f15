import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { bookPage } from "@/app/book-page";
import { lineWithTransfers } from "@/core/ledger";
import { zoneOffset } from "@/core/time";
import { DAY_MS } from "@/core/units";
import { MonthChapter } from "@/features/ledger/days/MonthChapter";
import { postingRows } from "@/usecases/keeping";

import { causeInWords } from "@/wording/findings/attribution";

export const metadata: Metadata = { title: "Month" };

interface Props {
  params: Promise<{ slug: string; month: string }>;
  searchParams: Promise<{ day?: string }>;
}

export default async function MonthPage({ params, searchParams }: Props) {
  const { slug, month } = await params;
  const { day } = await searchParams;
  return bookPage(slug, "ledger", async (book, { figuresOf, ask, viewOf, keeping }) => {
    const [ledger, view, kept] = await Promise.all([figuresOf(book), viewOf(book), keeping.of(book.id)]);
    const { months, sources } = ledger.report;
    const at = months.findIndex((line) => line.key === month);
    const line = months[at];
    if (!line) notFound();
    const found = view?.months.find(({ key }) => key === month) ?? null;
    const balance = found
      ? lineWithTransfers(
          found,
          kept.transfers.filter((transfer) => transfer.month === month),
        )
      : line;
    const shown = await ask(book, "month", { month, day });
    return (
      <MonthChapter
        slug={slug}
        context={{
          site: book.site,
          sources,
          promiseFrom: ledger.promiseFrom,
          isEvidence: found !== null,
        }}
        line={balance}
        findings={(view?.findings ?? [])
          .filter(({ fromUtcMs, toUtcMs }) => touches(month, fromUtcMs, toUtcMs))
          .map((finding) => ({ key: finding.key, what: causeInWords(finding, book.site.place.timeZone).what }))}
        days={shown.days}
        day={shown.day}
        previousMonth={months[at - 1]?.key ?? null}
        nextMonth={months[at + 1]?.key ?? null}
        postings={found && { month, keeping: kept, postings: postingRows(line, found, kept) }}
        clockShiftMs={zoneOffset(book.site.place.timeZone)(Date.parse(`${shown.date}T12:00:00Z`))}
      />
    );
  });
}

/** Whether a stretch of less than a year lies in a month, as near as its days in UTC tell. */
const touches = (month: string, fromUtcMs: number, toUtcMs: number): boolean =>
  toUtcMs - fromUtcMs < 366 * DAY_MS &&
  new Date(fromUtcMs).toISOString().slice(0, 7) <= month &&
  new Date(toUtcMs).toISOString().slice(0, 7) >= month;
