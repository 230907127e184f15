import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { type LedgerLine, weatherBasisOf } from "@/core/ledger";
import { BenchChapter } from "@/features/calculators/BenchChapter";
import { type BenchSun, bookSun } from "@/features/calculators/bench-sun";
import { BENCH_VIEWS } from "@/features/calculators/bench-views";

export const metadata: Metadata = { title: "Bench" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string; year?: string }>;
}

export default async function BenchPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { view, year } = await searchParams;
  return bookPage(slug, "bench", async (book, { figuresOf }) => {
    const { months } = (await figuresOf(book)).report;
    return (
      <BenchChapter
        key={book.version}
        slug={slug}
        version={book.version}
        site={book.site}
        view={BENCH_VIEWS.find((candidate) => candidate.id === view)?.id ?? null}
        nowUtcMs={Date.now()}
        sun={sunOf(months, year)}
      />
    );
  });
}

/** The sun of the year that is read, else of the last one with light; null where there is none. */
function sunOf(months: readonly LedgerLine[], asked: string | undefined): BenchSun | null {
  const lit = months.filter(({ referenceKwh }) => referenceKwh > 0);
  const years = [...new Set(lit.map(({ key }) => key.slice(0, 4)))];
  const year = asked !== undefined && years.includes(asked) ? asked : years.at(-1);
  return year === undefined ? null : bookSun(year, weatherBasisOf(lit.filter(({ key }) => key.startsWith(year))));
}
