import { answer, bodyOf } from "@/app/answer";
import { billsSchema } from "@/contracts/bills";
import { bookBySlug } from "@/usecases/books";
import { keepBills } from "@/usecases/money";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** The book's bills as printed. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, bills } = house();
    const book = await bookBySlug(books, (await params).slug);
    return Response.json({ bills: await bills.of(book.id) });
  });
}

/** Puts all of the book's bills in place of those that stood. */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, bills } = house();
    const book = await bookBySlug(books, (await params).slug);
    await keepBills(bills, book, (await bodyOf(request, billsSchema)).bills);
    return Response.json({ bills: await bills.of(book.id) });
  });
}
