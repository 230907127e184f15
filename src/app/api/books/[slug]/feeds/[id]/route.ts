import { z } from "zod";
import { answer, bodyOf } from "@/app/answer";
import { feedChangeSchema } from "@/contracts/feeds";
import { bookBySlug } from "@/usecases/books";
import { changeFeed, removeFeed } from "@/usecases/feeds";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string; id: string }>;
}

const idOf = (text: string): number => z.coerce.number().int().positive().parse(text);

/** Starts or stops a feed, or pulls it now. */
export function PATCH(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const all = house();
    const book = await bookBySlug(all.books, slug);
    return Response.json(await changeFeed(all, book, idOf(id), await bodyOf(request, feedChangeSchema)));
  });
}

/** Removes a feed; what it brought stays. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const { books, feeds } = house();
    await removeFeed(feeds, await bookBySlug(books, slug), idOf(id));
    return Response.json({ removed: id });
  });
}
