import { answer, bodyOf } from "@/app/answer";
import { feedChangeSchema } from "@/contracts/feeds";
import { numberInAddress } from "@/contracts/primitives";
import { bookBySlug } from "@/usecases/books";
import { changeFeed, removeFeed } from "@/usecases/feeds";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string; id: string }>;
}

/** Starts or stops a feed, or pulls it now. */
export function PATCH(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const all = house();
    const book = await bookBySlug(all.books, slug);
    return Response.json(await changeFeed(all, book, numberInAddress.parse(id), await bodyOf(request, feedChangeSchema)));
  });
}

/** Removes a feed; what it brought stays. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const { books, feeds } = house();
    await removeFeed(feeds, await bookBySlug(books, slug), numberInAddress.parse(id));
    return Response.json({ removed: id });
  });
}
