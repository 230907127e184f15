import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { bookPage } from "@/app/book-page";
import { zoneOffset } from "@/core/time";
import { DAY_MS } from "@/core/units";
import { MonthChapter } from "@/features/ledger/days/MonthChapter";
import { accountLines, postingRows } from "@/usecases/keeping";

import { causeInWords } from "@/wording/findings/attribution";

export const metadata: Metadata = { title: "Month" };

interface Props {
  params: Promise<{ slug: string; month: string }>;
  searchParams: Promise<{ day?: string }>;
}

export default async function MonthPage({ params, searchParams }: Props) {
  const { slug, month } = await params;
  const { day } = await searchParams;
  return bookPage(slug, "ledger", async (book, { figuresOf, ask, attributions, viewOf, keeping }) => {
    const [ledger, status, view, kept] = await Promise.all([
      figuresOf(book),
      attributions.statusOf(book.id),
      viewOf(book),
      keeping.of(book.id),
    ]);
    const { months, sources } = ledger.report;
    const at = months.findIndex((line) => line.key === month);
    const line = months[at];
    if (!line) notFound();
    const found = status?.resultVersion === book.version ? (view?.found ?? null) : null;
    const balance = accountLines([line], { found, keeping: kept }).months[0]!;
    const shown = await ask(book, "month", { month, day });
    return (
      <MonthChapter
        slug={slug}
        context={{ site: book.site, sources, promiseFrom: ledger.promiseFrom }}
        line={balance}
        findings={(view?.findings ?? [])
          .filter(({ fromUtcMs, toUtcMs }) => touches(month, fromUtcMs, toUtcMs))
          .map((finding) => ({ key: finding.key, what: causeInWords(finding, book.site.place.timeZone).what }))}
        days={shown.days}
        day={shown.day}
        previousMonth={months[at - 1]?.key ?? null}
        nextMonth={months[at + 1]?.key ?? null}
        postings={found && { month, keeping: kept, postings: postingRows(line, { found, keeping: kept }) }}
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
