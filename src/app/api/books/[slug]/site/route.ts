import { answer } from "@/app/answer";
import { bookNotFound } from "@/usecases/refusal";
import { house } from "@/wiring";

/** The site document as a file. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug } = await params;
    // As it is stored, even where it can't be read: so that it can be put right.
    const book = await house().books.find(slug);
    if (!book) throw bookNotFound(slug);
    return new Response(`${JSON.stringify(book.site, null, 2)}\n`, {
      headers: { "content-type": "application/json", "content-disposition": `attachment; filename="${slug}.site.json"` },
    });
  });
}
