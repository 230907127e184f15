import { answer } from "@/app/answer";
import { moneyReportSchema } from "@/contracts/money";
import { bookBySlug } from "@/usecases/books";
import { moneyPage } from "@/usecases/money";
import { services } from "@/wiring";

/** The money of a book, as the command line prints it: paybacks, bills, plans. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, bills, causes, ledgerOf } = services();
    const book = await bookBySlug(books, (await params).slug);
    const [ledger, printed, run] = await Promise.all([ledgerOf(book), bills.of(book.id), causes.of(book.id)]);
    const { report, billsReport, comparison } = moneyPage({ book, ledger, bills: printed, run });
    const { terms: _terms, ...figures } = report;
    return Response.json({ ...moneyReportSchema.parse(figures), bills: billsReport, plans: comparison });
  });
}
