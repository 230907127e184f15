import { answer, bodyOf } from "@/app/answer";
import { billsSchema } from "@/contracts/bills";
import { bookBySlug } from "@/usecases/books";
import { type BillStore, keepBills } from "@/usecases/money";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** The book's bills as printed. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, bills } = house();
    const book = await bookBySlug(books, (await params).slug);
    return Response.json(await printed(bills, book.id));
  });
}

/** Puts all of the book's bills in place of those that stood. */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, bills } = house();
    const book = await bookBySlug(books, (await params).slug);
    const sent = await bodyOf(request, billsSchema);
    await keepBills(bills, book, sent.bills, sent.version);
    return Response.json(await printed(bills, book.id));
  });
}

async function printed(store: BillStore, bookId: string) {
  const version = await store.versionOf(bookId);
  return { bills: await store.of(bookId), version };
}
