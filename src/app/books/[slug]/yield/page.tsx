import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { standingMonths } from "@/app/standing-months";
import { typicalYear } from "@/core/yield";
import { YieldPage } from "@/features/yield/YieldPage";
import type { YieldView } from "@/features/yield/yield-props";

export const metadata: Metadata = { title: "Yield" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ year?: string; view?: string; from?: string; to?: string }>;
}

const VIEWS: readonly YieldView[] = ["goes", "what-if", "methods"];

export default async function YieldChapter({ params, searchParams }: Props) {
  const { slug } = await params;
  const { year, view, from, to } = await searchParams;
  return bookPage(slug, "yield", async (book, house) => {
    const { figuresOf, ask, variants } = house;
    const ledger = await figuresOf(book);
    const { years, sources } = ledger.report;
    const months = await standingMonths(book, house, ledger.report.months);
    // A year without weather owes nothing that could be told.
    const names = years.filter(({ referenceKwh }) => referenceKwh > 0).map((line) => line.key);
    const isAll = year === "all";
    const selected = year !== undefined && names.includes(year) ? year : (names.at(-1) ?? "");
    const keys = months.map((line) => line.key);
    const ofYear = isAll ? keys : keys.filter((key) => key.startsWith(selected));
    const start = from !== undefined && keys.includes(from) ? from : (ofYear[0] ?? "");
    const end = to !== undefined && keys.includes(to) && to >= start ? to : (ofYear.at(-1) ?? "");
    const shown = keys.filter((key) => key >= start && key <= end).length;
    const [{ doubt, wholeYearsKwh }, glance, kept] = await Promise.all([
      ask(book, "doubt", { year: Number(end.slice(0, 4)), months: Math.max(1, shown) }),
      selected === "" || isAll ? null : ask(book, "glance", { year: selected }),
      variants.of(book.id),
    ]);
    return (
      <YieldPage
        key={`${isAll ? "all" : selected} ${book.version}`}
        slug={slug}
        site={book.site}
        version={book.version}
        context={{ site: book.site, sources, promiseFrom: ledger.promiseFrom }}
        years={names}
        year={selected}
        isAll={isAll}
        unknownYear={year === undefined || isAll || names.includes(year) ? null : year}
        view={VIEWS.find((candidate) => candidate === view) ?? "goes"}
        months={months}
        span={{ from: start, to: end }}
        doubt={doubt}
        typical={typicalYear(wholeYearsKwh, doubt.year)}
        glance={glance}
        variants={kept}
      />
    );
  });
}
