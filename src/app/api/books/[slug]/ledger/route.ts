import { answer } from "@/app/answer";
import { standingMonths } from "@/app/standing-months";
import { ledgerReportSchema } from "@/contracts/ledger";
import { totalLine } from "@/core/ledger";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** The one account of a book: the figures of its screens, and of the command line. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const own = house();
    const book = await bookBySlug(own.books, (await params).slug);
    const { report } = await own.figuresInTime(book);
    const months = await standingMonths(book, own, report.months);
    const years = report.years.map(({ key }) =>
      totalLine(
        key,
        months.filter((line) => line.key.startsWith(key)),
      ),
    );
    return Response.json(ledgerReportSchema.parse({ ...report, months, years, all: totalLine("all", months) }));
  });
}
