import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { bookSunOf } from "@/features/calculators/bench-sun";
import { MoneyChapter } from "@/features/money/MoneyChapter";
import { MONEY_VIEWS } from "@/features/money/money-views";

export const metadata: Metadata = { title: "Money" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string }>;
}

export default async function MoneyPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { view } = await searchParams;
  return bookPage(slug, "money", async (book, { figuresOf, ask, bills }) => {
    const [ledger, page, printed, billsVersion] = await Promise.all([
      figuresOf(book),
      ask(book, "money", {}),
      bills.of(book.id),
      bills.versionOf(book.id),
    ]);
    return (
      <MoneyChapter
        key={slug}
        slug={slug}
        version={book.version}
        view={MONEY_VIEWS.find((candidate) => candidate.id === view)?.id ?? "payback"}
        site={book.site}
        months={ledger.report.months}
        promise={ledger.promise}
        sun={bookSunOf(ledger.report.months)}
        {...page}
        bills={printed}
        billsVersion={billsVersion}
        today={new Date().toISOString().slice(0, 10)}
      />
    );
  });
}
