import { answer } from "@/app/answer";
import { parseSiteText } from "@/formats/site-json";
import { createBook } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

/** Opens a new book from a site document. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    const reading = parseSiteText(await request.text());
    if (!reading.ok) throw new Refusal("site-invalid", "site-invalid", {}, reading.problems);
    const book = await createBook(house().books, reading.document);
    return Response.json({ slug: book.slug }, { status: 201 });
  });
}
