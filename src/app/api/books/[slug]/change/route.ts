import { answer } from "@/app/answer";
import { changeQuestionSchema } from "@/contracts/trial";
import { bookBySlug } from "@/usecases/books";
import { changeDays } from "@/usecases/trials";
import { cleanProduction, services } from "@/wiring";

/** Days before and after an intervention, each with what the site as it stood before should have given. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const all = services();
    const question = changeQuestionSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const book = await bookBySlug(all.books, (await params).slug);
    const [ledger, production] = await Promise.all([all.ledgerOf(book), cleanProduction(all, book)]);
    return Response.json(changeDays(question, ledger, production));
  });
}
