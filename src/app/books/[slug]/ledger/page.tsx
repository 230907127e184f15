import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { totalLine, verdictOf } from "@/core/reconcile";
import { LedgerPage } from "@/features/ledger/LedgerPage";
import { glanceOf } from "@/usecases/ledger";

export const metadata: Metadata = { title: "Ledger" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ year?: string }>;
}

export default async function LedgerChapter({ params, searchParams }: Props) {
  const { slug } = await params;
  const { year } = await searchParams;
  return bookPage(slug, "ledger", async (book, { ledgerOf, readings }) => {
    const ledger = await ledgerOf(book);
    const { months, years, sources } = ledger.report;
    const names = years.map((line) => line.key);
    const selected = year === "all" || (year !== undefined && names.includes(year)) ? year : (names.at(-1) ?? "all");
    const lines = selected === "all" ? years : months.filter((line) => line.key.startsWith(selected));
    const sum = totalLine(selected, lines);
    const imported = await readings.promiseOf(book.id);
    return (
      <LedgerPage
        slug={slug}
        context={{ site: book.site, sources, promiseFrom: imported ? "import" : ledger.promise ? "site" : null }}
        years={names}
        selected={selected}
        lines={lines}
        months={months}
        sum={sum}
        verdict={verdictOf(sum, lines)}
        glance={selected === "all" || lines.length === 0 ? null : glanceOf(ledger, selected)}
      />
    );
  });
}
