import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { BenchChapter } from "@/features/calculators/BenchChapter";
import { bookSunOf } from "@/features/calculators/bench-sun";
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
        sun={bookSunOf(months, year)}
      />
    );
  });
}
