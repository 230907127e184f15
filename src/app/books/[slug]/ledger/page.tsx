import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import type { AttributionView } from "@/contracts/attribution";
import { spanOfLoss } from "@/core/attribution";
import { mayBeSaid, type Ruling } from "@/core/basis";
import { type LedgerLine, type Verdict, verdictOf, weatherBasisOf } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import { utcOfWall, zoneOffset } from "@/core/time";
import { LedgerPage } from "@/features/ledger/LedgerPage";
import { LEDGER_VIEWS } from "@/features/ledger/ledger-views";
import type { LedgerView } from "@/features/ledger/OtherView";
import { pageTolerances } from "@/features/ledger/span-tolerance";
import { dirtOfSpan, runForPage } from "@/usecases/attribution";
import type { Book } from "@/usecases/books";
import { ledgerPage } from "@/usecases/keeping";
import { energyBasisOf } from "@/usecases/ledger";
import type { House } from "@/wiring";
import { driftInWords } from "@/wording/keeping";
import { say } from "@/wording/screens/ledger";

export const metadata: Metadata = { title: "Ledger" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ year?: string; view?: string; starts?: string }>;
}

export default async function LedgerChapter({ params, searchParams }: Props) {
  const { slug } = await params;
  const { year, view, starts } = await searchParams;
  return bookPage(slug, "ledger", async (book, house) => {
    const { figuresOf, ask, entries, keeping, attributions, viewOf } = house;
    const [ledger, status, report, kept] = await Promise.all([
      figuresOf(book),
      attributions.statusOf(book.id),
      viewOf(book),
      keeping.of(book.id),
    ]);
    const fiscalStart = Math.min(12, Math.max(1, Math.floor(Number(starts)) || 1));
    const found = status?.resultVersion === book.version ? (report?.found ?? null) : null;
    const page = ledgerPage({ ledger, found, keeping: kept, fiscalStart, year });
    const context = { site: book.site, sources: ledger.report.sources, promiseFrom: ledger.promiseFrom };
    const id = LEDGER_VIEWS.find((candidate) => candidate.id === view)?.id ?? "year";
    const calendar = fiscalStart === 1 && page.selected !== "all";
    const verdict = verdictOf(page.sum, page.lines, pageTolerances(context, page.lines));
    const months = page.selected === "all" ? page.months : page.lines;
    return (
      <LedgerPage
        slug={slug}
        context={context}
        years={page.years}
        selected={page.selected}
        lines={page.lines}
        months={page.months}
        sum={page.sum}
        verdict={verdict}
        span={report && lossSpan(verdict, report.findings, months, book.site.place.timeZone)}
        light={report && lightOf(ofSpan(report, stretchOf(months, book.site.place.timeZone)).findings)}
        glance={id === "year" && calendar && page.lines.length > 0 ? await ask(book, "glance", { year: page.selected }) : null}
        view={await chosen()}
        run={ledger.report.all.meteredKwh === null ? null : runForPage(status, book)}
        fiscalStart={fiscalStart}
        closed={kept.closed.map(({ month }) => month)}
        notices={[
          ...(page.unknownYear === null ? [] : [say.yearNotInTheBook(page.unknownYear)]),
          ...driftInWords(page.drift),
          ...(id === "promise" && ledger.promiseFrom === "site" && book.site.promise?.isSpread ? [say.promiseIsSpread] : []),
        ]}
      />
    );

    async function chosen(): Promise<LedgerView> {
      if (id === "promise") return { id, months };
      if (id === "causes" || id === "dirt") {
        const { permission, bring } = await causesRuling(book, page.months, house);
        if (permission === "withheld") return { id: "withheld", of: id, bring: bring ?? "measured-weather" };
      }
      if (id === "modules")
        return { id, site: book.site, version: book.version, neighbours: await ask(book, "neighbours", {}), year: page.selected };
      if (!report) return { id: "year" };
      if (id === "figures") return { id, indicators: report.indicators, lines: page.lines, sum: page.sum };
      const own = ofSpan(report, stretchOf(months, book.site.place.timeZone));
      if (id === "dirt") return { id, ...dirtView(own, months, book) };
      if (id === "causes")
        return {
          id,
          report: own,
          timeZone: book.site.place.timeZone,
          energies: await ask(book, "days", {}),
          entries: [...(await entries.of(book.id))],
        };
      return { id: "year" };
    }
  });
}

/** What may be said of causes in a book. */
const causesRuling = async (book: Book, months: readonly LedgerLine[], { readings, bills }: House): Promise<Ruling> =>
  mayBeSaid("causes", { weather: weatherBasisOf(months), energy: await energyBasisOf(readings, book.id, await bills.of(book.id)) });

/** Dirt and snow of the months on the page, and what is told of now. */
function dirtView(report: AttributionView, months: readonly LedgerLine[], { site }: Book) {
  const [from, to] = [months[0]?.key, months.at(-1)?.key];
  return {
    report: from && to ? dirtOfSpan(report, { from, to }) : report,
    lastDay: report.days.at(-1) ?? null,
    pricePerKwh: pricePerKwh(site),
    currency: site.currency,
  };
}

interface Stretch {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

/** The local time that a page's months cover; null without months. */
function stretchOf(months: readonly LedgerLine[], timeZone: string): Stretch | null {
  const [first, last] = [months[0]?.key, months.at(-1)?.key];
  if (!first || !last) return null;
  const offset = zoneOffset(timeZone);
  const [year, month] = last.split("-").map(Number) as [number, number];
  return { fromUtcMs: utcOfWall(Date.parse(`${first}-01T00:00:00Z`), offset), toUtcMs: utcOfWall(Date.UTC(year, month, 1), offset) };
}

/** What of a report lies in a stretch: findings that touch it, and its days. */
function ofSpan(report: AttributionView, stretch: Stretch | null): AttributionView {
  if (!stretch) return report;
  const { fromUtcMs, toUtcMs } = stretch;
  const touches = (span: Stretch): boolean => span.fromUtcMs < toUtcMs && span.toUtcMs > fromUtcMs;
  return { ...report, findings: report.findings.filter(touches), snow: { ...report.snow, spells: report.snow.spells.filter(touches) } };
}

/** What the light sensor did by itself, among the findings that touch a page's months: a drift bears on all of them. */
function lightOf(findings: AttributionView["findings"]): "drifts" | "dirty" | null {
  if (findings.some(({ kind }) => kind === "sensor-drift")) return "drifts";
  return findings.some(({ kind }) => kind === "sensor-dirty") ? "dirty" : null;
}

/** When the largest loss of a page was, among the findings that touch its months. */
function lossSpan(verdict: Verdict, findings: AttributionView["findings"], months: readonly LedgerLine[], timeZone: string) {
  const stretch = stretchOf(months, timeZone);
  return "largest" in verdict && verdict.largest && stretch ? spanOfLoss(verdict.largest.account, findings, stretch) : null;
}
