import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { verdictOf } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import { LedgerPage, type LedgerView } from "@/features/ledger/LedgerPage";
import { LEDGER_VIEWS } from "@/features/ledger/ledger-views";
import { runForPage } from "@/usecases/attribution";
import { type LedgerPageInput, ledgerPage } from "@/usecases/keeping";
import { glanceOf } from "@/usecases/ledger";
import { driftInWords } from "@/wording/keeping";

export const metadata: Metadata = { title: "Ledger" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ year?: string; view?: string; posting?: string; starts?: string }>;
}

export default async function LedgerChapter({ params, searchParams }: Props) {
  const { slug } = await params;
  const { year, view, posting, starts } = await searchParams;
  return bookPage(slug, "ledger", async (book, services) => {
    const { ledgerOf, readings, entries, keeping, attributions, viewOf } = services;
    const [ledger, status, report, kept] = await Promise.all([
      ledgerOf(book),
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
    const imported = await readings.promiseOf(book.id);
    const id = LEDGER_VIEWS.find((candidate) => candidate.id === view)?.id ?? "spread";
    const calendar = fiscalStart === 1 && page.selected !== "all";
    return (
      <LedgerPage
        slug={slug}
        context={{
          site: book.site,
          sources: ledger.report.sources,
          promiseFrom: imported ? "import" : ledger.promise ? "site" : null,
          isEvidence: page.posting === "evidence",
        }}
        years={page.years}
        selected={page.selected}
        lines={page.lines}
        months={page.months}
        sum={page.sum}
        verdict={verdictOf(page.sum, page.lines)}
        glance={id === "spread" && calendar && page.lines.length > 0 ? glanceOf(ledger, page.selected) : null}
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
          energies: dailyEnergies(ledger),
          entries: [...(await entries.of(book.id))],
        };
      return { id: "spread" };
    }
  });
}

/** Expected and metered energy of each day of the record, for the strips of the causes. */
function dailyEnergies(ledger: LedgerPageInput["ledger"]) {
  const parts = ledger.report.years.map(({ key }) => glanceOf(ledger, key));
  const daily = (cells: readonly (number | null)[], days: number): (number | null)[] =>
    Array.from({ length: days }, (_, d) => {
      const known = cells.slice(d * 24, d * 24 + 24).filter((value): value is number => value !== null);
      return known.length > 0 ? Math.round(known.reduce((a, b) => a + b, 0) * 10) / 10 : null;
    });
  return {
    days: parts.flatMap(({ days }) => days),
    expectedKwh: parts.flatMap((part) => daily(part.expectedKwh, part.days.length)),
    meteredKwh: parts.flatMap((part) => daily(part.meteredKwh, part.days.length)),
  };
}
