import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { verdictOf } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import { LedgerPage, type LedgerView } from "@/features/ledger/LedgerPage";
import { LEDGER_VIEWS } from "@/features/ledger/ledger-views";
import { pageTolerances } from "@/features/ledger/span-tolerance";
import { runForPage } from "@/usecases/attribution";
import { type LedgerPageInput, ledgerPage } from "@/usecases/keeping";
import { driftInWords } from "@/wording/keeping";

export const metadata: Metadata = { title: "Ledger" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ year?: string; view?: string; posting?: string; starts?: string }>;
}

export default async function LedgerChapter({ params, searchParams }: Props) {
  const { slug } = await params;
  const { year, view, posting, starts } = await searchParams;
  return bookPage(slug, "ledger", async (book, house) => {
    const { figuresOf, ask, entries, keeping, attributions, viewOf } = house;
    const [ledger, status, report, kept] = await Promise.all([
      figuresOf(book),
      attributions.statusOf(book.id),
      viewOf(book),
      keeping.of(book.id),
    ]);
    const fiscalStart = Math.min(12, Math.max(1, Number(starts) || 1));
    const input: LedgerPageInput = {
      ledger,
      causes: status?.resultVersion === book.version ? report : null,
      keeping: kept,
      posting: posting === "budget" ? "budget" : "evidence",
      fiscalStart,
      year,
    };
    const page = ledgerPage(input);
    const context = {
      site: book.site,
      sources: ledger.report.sources,
      promiseFrom: ledger.promiseFrom,
      isEvidence: page.posting === "evidence",
    };
    const id = LEDGER_VIEWS.find((candidate) => candidate.id === view)?.id ?? "spread";
    const calendar = fiscalStart === 1 && page.selected !== "all";
    return (
      <LedgerPage
        slug={slug}
        context={context}
        years={page.years}
        selected={page.selected}
        lines={page.lines}
        months={page.months}
        sum={page.sum}
        verdict={verdictOf(page.sum, page.lines, pageTolerances(context, page.lines))}
        glance={id === "spread" && calendar && page.lines.length > 0 ? await ask(book, "glance", { year: page.selected }) : null}
        view={await chosen()}
        posting={page.posting}
        run={ledger.report.all.meteredKwh === null ? null : runForPage(status, book)}
        fiscalStart={fiscalStart}
        closed={kept.closed.map(({ month }) => month)}
        drift={driftInWords(page.drift)}
      />
    );

    async function chosen(): Promise<LedgerView> {
      if (id === "promise") return { id, months: ledger.report.months };
      if (!report) return { id: "spread" };
      if (id === "figures") return { id, indicators: report.indicators, lines: page.selected === "all" ? report.years : page.lines };
      if (id === "dirt") return { id, report, pricePerKwh: pricePerKwh(book.site), currency: book.site.currency };
      if (id === "causes")
        return {
          id,
          report,
          timeZone: book.site.place.timeZone,
          energies: await ask(book, "days", {}),
          entries: [...(await entries.of(book.id))],
        };
      return { id: "spread" };
    }
  });
}
