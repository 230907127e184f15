import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { MoneyChapter } from "@/features/money/MoneyChapter";

export const metadata: Metadata = { title: "Money" };

export default async function MoneyPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  return bookPage(slug, "money", async (book, { ledgerOf }) => {
    const { report, promise } = await ledgerOf(book);
    return <MoneyChapter slug={slug} version={book.version} site={book.site} months={report.months} promise={promise} />;
  });
}
