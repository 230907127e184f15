import { answer } from "@/app/answer";
import { moneyReportSchema } from "@/contracts/money";
import { moneyOf } from "@/core/money";
import { bookBySlug } from "@/usecases/books";
import { services } from "@/wiring";

/** The payback's figures, as the command line prints them. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, ledgerOf } = services();
    const book = await bookBySlug(books, (await params).slug);
    const { report, promise } = await ledgerOf(book);
    return Response.json(moneyReportSchema.parse(moneyOf(book.site, report.months, promise)));
  });
}
