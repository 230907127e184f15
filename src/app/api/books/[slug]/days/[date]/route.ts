import { z } from "zod";
import { answer } from "@/app/answer";
import { dayReportSchema } from "@/contracts/ledger";
import { bookBySlug } from "@/usecases/books";
import { dayOf } from "@/usecases/ledger";
import { services } from "@/wiring";

/** One local day's curves. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string; date: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, date } = await params;
    const { books, ledgerOf } = services();
    const ledger = await ledgerOf(await bookBySlug(books, slug));
    return Response.json(dayReportSchema.parse(dayOf(ledger, z.iso.date().parse(date))));
  });
}
