import { z } from "zod";
import { answer, bodyOf } from "@/app/answer";
import { wholeNumber } from "@/contracts/primitives";
import { bookBySlug, saveSite } from "@/usecases/books";
import { bookNotFound } from "@/usecases/refusal";
import { house } from "@/wiring";

type Context = { params: Promise<{ slug: string }> };

const change = z.strictObject({ version: wholeNumber, site: z.unknown() });

/** The site document with the version that a change must name. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { version, site } = await bookBySlug(house().books, (await params).slug);
    return Response.json({ version, site }, { headers: { "cache-control": "no-store" } });
  });
}

/** Saves the site document over the version that the editor saw. */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { version, site } = await bodyOf(request, change);
    const book = await saveSite(house().books, (await params).slug, version, site);
    return Response.json({ version: book.version });
  });
}

/** Takes a book off the shelf with all that is in it. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books } = house();
    const { slug } = await params;
    const book = await books.find(slug);
    if (!book) throw bookNotFound(slug);
    await books.remove(book.id);
    return Response.json({ removed: slug });
  });
}
