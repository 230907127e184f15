import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** Forgets an uploaded file that was not imported. */
export function DELETE(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const { books, staging } = house();
    const book = await bookBySlug(books, slug);
    if ((await staging.find(id))?.bookId === book.id) await staging.drop(id);
    return Response.json({ dropped: id });
  });
}
