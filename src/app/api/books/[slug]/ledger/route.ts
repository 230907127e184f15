import { answer } from "@/app/answer";
import { ledgerReportSchema } from "@/contracts/ledger";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** The ledger's figures, as the command line prints them. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, figuresInTime } = house();
    const { report } = await figuresInTime(await bookBySlug(books, (await params).slug));
    return Response.json(ledgerReportSchema.parse(report));
  });
}
