import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { capacityQuestionSchema } from "@/contracts/acceptance";
import type { LedgerReport } from "@/contracts/ledger";
import { mayBeSaid } from "@/core/basis";
import { weatherBasisOf } from "@/core/ledger";
import { AcceptanceChapter, type AcceptanceShown } from "@/features/acceptance/AcceptanceChapter";
import { ACCEPTANCE_VIEWS } from "@/features/acceptance/acceptance-views";
import { energyBasisOf } from "@/usecases/ledger";

export const metadata: Metadata = { title: "Tests" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string; test?: string }>;
}

export default async function TestsPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { view, test } = await searchParams;
  return bookPage(slug, "tests", async (book, { figuresOf, readings, bills, tests }) => {
    const id = ACCEPTANCE_VIEWS.find((candidate) => candidate.id === view)?.id ?? "capacity";
    const shown = async (): Promise<AcceptanceShown> => {
      const kept = await tests.of(book.id);
      if (id === "kept") return { id, kept };
      const { report } = await figuresOf(book);
      const basis = { weather: weatherBasisOf(report.months), energy: await energyBasisOf(readings, book.id, await bills.of(book.id)) };
      const { permission, bring } = mayBeSaid(id, basis);
      if (permission === "withheld") return { id: "withheld", of: id, bring: bring ?? "measured-weather" };
      const opened = kept.find((one) => String(one.id) === test && one.question.kind === id)?.question ?? null;
      if (id === "guarantee") {
        const question = opened?.kind === "guarantee" ? opened : null;
        return { id, question, firstDay: book.site.commissioned ?? `${readMonths(report)[0] ?? "2020-01"}-01`, years: report.years.length };
      }
      const plain = capacityQuestionSchema.parse({ kind: "capacity" });
      return { id, question: opened?.kind === "capacity" ? opened : plain, period: lastYear(report) };
    };
    return (
      <AcceptanceChapter
        key={`${slug} ${id} ${test ?? ""}`}
        slug={slug}
        name={book.site.name}
        currency={book.site.currency}
        shown={await shown()}
      />
    );
  });
}

const readMonths = ({ months }: LedgerReport): string[] => months.filter(({ meteredKwh }) => meteredKwh !== null).map(({ key }) => key);

/** The last twelve months that were read. */
function lastYear(report: LedgerReport): { from: string; to: string } {
  const last = readMonths(report).at(-1) ?? "2020-12";
  const [year, month] = last.split("-").map(Number) as [number, number];
  const day = (utcMs: number): string => new Date(utcMs).toISOString().slice(0, 10);
  return { from: day(Date.UTC(year - 1, month, 1)), to: day(Date.UTC(year, month, 0)) };
}
