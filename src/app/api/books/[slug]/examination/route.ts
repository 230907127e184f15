import { answer, bodyOf } from "@/app/answer";
import { decidingSchema } from "@/contracts/examination";
import { bookBySlug } from "@/usecases/books";
import { decide } from "@/usecases/quality";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** What the examination of the book's production found, with what was decided. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    return Response.json(await askAndWait(await bookBySlug(books, (await params).slug), "examination", {}));
  });
}

/** Accepts, changes, refuses or takes back remedies. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, decisions, askAndWait } = house();
    const book = await bookBySlug(books, (await params).slug);
    const deciding = await bodyOf(request, decidingSchema);
    await decide(decisions, book, await askAndWait(book, "examination", {}), deciding);
    return Response.json({ decided: deciding.decisions.length });
  });
}
