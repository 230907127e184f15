import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** The site document as a file. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const book = await bookBySlug(house().books, (await params).slug);
    return new Response(`${JSON.stringify(book.site, null, 2)}\n`, {
      headers: { "content-type": "application/json", "content-disposition": `attachment; filename="${book.slug}.site.json"` },
    });
  });
}
