import { z } from "zod";
import { answer } from "@/app/answer";
import { dayReportSchema } from "@/contracts/ledger";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** One local day's curves. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string; date: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, date } = await params;
    const { books, askAndWait } = house();
    const asked = { date: z.iso.date().parse(date) };
    return Response.json(dayReportSchema.parse(await askAndWait(await bookBySlug(books, slug), "day", asked)));
  });
}
