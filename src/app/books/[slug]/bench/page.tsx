import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { BenchChapter } from "@/features/calculators/BenchChapter";
import { BENCH_VIEWS } from "@/features/calculators/bench-views";
import { yearsOf } from "@/usecases/ledger";

export const metadata: Metadata = { title: "Bench" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string }>;
}

export default async function BenchPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { view } = await searchParams;
  return bookPage(slug, "bench", async (book, { figuresOf }) => (
    <BenchChapter
      key={book.version}
      slug={slug}
      version={book.version}
      site={book.site}
      view={BENCH_VIEWS.find((candidate) => candidate.id === view)?.id ?? null}
      nowUtcMs={Date.now()}
      year={yearsOf(await figuresOf(book)).at(-1) ?? null}
    />
  ));
}
