import { answer, bodyOf } from "@/app/answer";
import { newVariantSchema } from "@/contracts/what-if";
import { bookBySlug } from "@/usecases/books";
import { keepVariant } from "@/usecases/variants";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** The what-ifs kept in the book. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, variants } = house();
    const book = await bookBySlug(books, (await params).slug);
    return Response.json(await variants.of(book.id));
  });
}

/** Keeps a what-if in the book. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, variants } = house();
    const book = await bookBySlug(books, (await params).slug);
    return Response.json(await keepVariant(variants, book, await bodyOf(request, newVariantSchema)), { status: 201 });
  });
}
