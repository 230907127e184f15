import { answer } from "@/app/answer";
import { numberInAddress } from "@/contracts/primitives";
import { bookBySlug } from "@/usecases/books";
import { removeEntry } from "@/usecases/field-book";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string; id: string }>;
}

/** Takes an entry out of the field book, with what it put into the model. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const all = house();
    const { slug, id } = await params;
    const book = await bookBySlug(all.books, slug);
    await removeEntry(all, book, numberInAddress.parse(id));
    return Response.json(await all.entries.of(book.id));
  });
}
