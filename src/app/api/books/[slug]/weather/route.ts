import { z } from "zod";
import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

const yearParameter = z.union([z.literal("all"), z.coerce.number().int().min(1990).max(2060)]);

/** A year of the book's weather, or all of it, packed, for what-ifs in the browser. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    const year = yearParameter.parse(new URL(request.url).searchParams.get("year"));
    const book = await bookBySlug(books, (await params).slug);
    return new Response(await askAndWait(book, "weather", { year }), { headers: { "content-type": "application/octet-stream" } });
  });
}
