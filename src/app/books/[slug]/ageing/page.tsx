import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { naiveYears } from "@/core/ageing";
import { mayBeSaid } from "@/core/basis";
import { readOfTimeFrac, weatherBasisOf } from "@/core/ledger";
import { AgeingChapter } from "@/features/ageing/AgeingChapter";
import { runForPage } from "@/usecases/attribution";
import { energyBasisOf } from "@/usecases/ledger";
import { causeInWords } from "@/wording/findings/attribution";

export const metadata: Metadata = { title: "Ageing" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ starts?: string }>;
}

/** Findings that are taken out of the ageing index. */
const TAKEN_OUT: readonly string[] = ["outage", "held-low", "strings-out", "snow"];

export default async function AgeingPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { starts } = await searchParams;
  const fiscalStart = Math.min(12, Math.max(1, Number(starts) || 7));
  return bookPage(slug, "ageing", async (book, house) => {
    const [status, view, ledger, energy] = await Promise.all([
      house.attributions.statusOf(book.id),
      house.viewOf(book),
      house.figuresOf(book),
      house.bills.of(book.id).then((bills) => energyBasisOf(house.readings, book.id, bills)),
    ]);
    const { months: lines } = ledger.report;
    const weather = weatherBasisOf(lines);
    const ruling = mayBeSaid("ageing", { weather, energy });
    const months = lines.map((line) => ({ key: line.key, kwh: line.meteredKwh ?? 0, readFrac: readOfTimeFrac(line) }));
    return (
      <AgeingChapter
        slug={slug}
        name={book.site.name}
        report={ruling.permission === "withheld" ? null : (view?.ageing ?? null)}
        clearDays={
          ruling.permission === "withheld" && mayBeSaid("clear-days", { weather, energy }).permission !== "withheld"
            ? await house.ask(book, "clearDays", {})
            : null
        }
        bring={ruling.bring ?? "measured-weather"}
        weather={weather}
        isByMonths={energy === "months"}
        years={naiveYears(months, 1).years.map(({ key, kwh }) => ({ key, kwh }))}
        parts={view?.parts ?? []}
        arrayCount={book.site.arrays.length}
        run={runForPage(status, book)}
        commissioned={book.site.commissioned}
        excluded={(view?.findings ?? [])
          .filter(({ kind }) => TAKEN_OUT.includes(kind))
          .map((finding) => causeInWords(finding, book.site.place.timeZone).what)}
        firstMonth={fiscalStart}
        fiscal={naiveYears(months, fiscalStart).years.map(({ key, kwh }) => ({ key, kwh }))}
      />
    );
  });
}
