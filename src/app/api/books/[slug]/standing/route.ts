import { answer, bodyOf } from "@/app/answer";
import { standingActionSchema } from "@/contracts/standing";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** Has a book that was set aside tried again. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, standings } = house();
    await bodyOf(request, standingActionSchema);
    const book = await bookBySlug(books, (await params).slug);
    await standings.tryAgain(book.id);
    return Response.json({ slug: book.slug });
  });
}
