import { z } from "zod";
import { answer, storable } from "@/app/answer";
import { parseSiteText } from "@/formats/site-json";
import { createBook } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

/** Opens a new book from a site document. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    const reading = parseSiteText(await request.text());
    if (!reading.ok) throw new Refusal("site-invalid", "site-invalid", {}, reading.problems);
    const book = await createBook(house().books, storable(reading.document), { clientId: clientIdOf(request) });
    return Response.json({ slug: book.slug }, { status: 201 });
  });
}

/** What a form calls this making of a book, so that sending it twice makes one. */
function clientIdOf(request: Request): string | null {
  const key = request.headers.get("idempotency-key");
  return key === null ? null : z.uuid().parse(key);
}
