import { answer, bodyOf } from "@/app/answer";
import { importOptionsSchema } from "@/contracts/imports";
import { bookBySlug } from "@/usecases/books";
import { previewImport } from "@/usecases/imports";
import { services } from "@/wiring";

/** Tells what an uploaded file would bring, read with the given options. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const all = services();
    const book = await bookBySlug(all.books, slug);
    return Response.json(await previewImport(all, book, id, await bodyOf(request, importOptionsSchema)));
  });
}
