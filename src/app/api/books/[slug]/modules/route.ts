import { z } from "zod";
import { answer } from "@/app/answer";
import { isoDate } from "@/contracts/primitives";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

const asked = z.object({ id: z.string().max(80).nullable(), date: isoDate.nullable() });

/** Single modules among their neighbours: all of them, one (`id`), or all on one day (`date`); null where the book has no readings of them. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    const book = await bookBySlug(books, (await params).slug);
    const { searchParams } = new URL(request.url);
    const { id, date } = asked.parse({ id: searchParams.get("id"), date: searchParams.get("date") });
    const found =
      id !== null
        ? await askAndWait(book, "module", { id })
        : date !== null
          ? await askAndWait(book, "moduleDay", { date })
          : await askAndWait(book, "neighbours", {});
    if (found === null && (id !== null || date !== null))
      throw new Refusal("module-not-found", "module-not-found", { asked: id ?? date ?? "" });
    return Response.json(found);
  });
}
