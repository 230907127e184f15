import { answer } from "@/app/answer";
import { moneyReportSchema } from "@/contracts/money";
import { paybackSpread } from "@/core/money";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** The money of a book, as the command line prints it: paybacks, bills, plans. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    const book = await bookBySlug(books, (await params).slug);
    const { report, billsReport, comparison, doubts } = await askAndWait(book, "money", {});
    const { terms, ...figures } = report;
    const breakEven = terms && report.basis && paybackSpread(terms, doubts[report.basis]);
    return Response.json({ ...moneyReportSchema.parse(figures), breakEven, bills: billsReport, plans: comparison });
  });
}
