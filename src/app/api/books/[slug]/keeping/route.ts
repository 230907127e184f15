import { answer, bodyOf } from "@/app/answer";
import { keepingActionSchema } from "@/contracts/keeping";
import { bookBySlug } from "@/usecases/books";
import { keep } from "@/usecases/keeping";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** Moved postings, closed months and the audit trail. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, keeping } = house();
    const book = await bookBySlug(books, (await params).slug);
    return Response.json(await keeping.of(book.id));
  });
}

/** Accepts, moves, splits or rejects a posting, closes a month or reopens it. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, keeping, attributions, viewOf, figuresInTime } = house();
    const book = await bookBySlug(books, (await params).slug);
    const action = await bodyOf(request, keepingActionSchema);
    const [ledger, status, view, kept] = await Promise.all([
      figuresInTime(book),
      attributions.statusOf(book.id),
      viewOf(book),
      keeping.of(book.id),
    ]);
    await keep(
      keeping,
      book,
      { ledger, found: status?.resultVersion === book.version ? (view?.found ?? null) : null, keeping: kept },
      action,
    );
    return Response.json(await keeping.of(book.id));
  });
}
