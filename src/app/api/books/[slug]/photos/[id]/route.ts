import { z } from "zod";
import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string; id: string }>;
}

/** A photo of the field book; it never changes. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, entries } = house();
    const { slug, id } = await params;
    const book = await bookBySlug(books, slug);
    const bytes = await entries.photo(book.id, z.uuid().parse(id));
    if (!bytes) throw new Refusal("entry-refused", "photo-gone");
    return new Response(bytes, {
      headers: {
        "content-type": "image/jpeg",
        "cache-control": "private, max-age=31536000, immutable",
        "content-security-policy": "default-src 'none'; sandbox",
      },
    });
  });
}
