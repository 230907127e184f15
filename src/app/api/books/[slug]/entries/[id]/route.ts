import { z } from "zod";
import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { services } from "@/wiring";

const entryId = z.coerce.number().int().positive();

interface Context {
  params: Promise<{ slug: string; id: string }>;
}

/** Takes an entry out of the field book. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, entries } = services();
    const { slug, id } = await params;
    const book = await bookBySlug(books, slug);
    if (!(await entries.remove(book.id, entryId.parse(id))))
      throw new Refusal("bad-request", "That entry is already gone.", "Reload the page.");
    return Response.json(await entries.of(book.id));
  });
}
