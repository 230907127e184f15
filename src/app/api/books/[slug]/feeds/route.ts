import { answer, bodyOf } from "@/app/answer";
import { feedSettingsSchema } from "@/contracts/feeds";
import { bookBySlug } from "@/usecases/books";
import { addFeed } from "@/usecases/feeds";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** The book's feeds and how their last pulls went. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, feeds } = house();
    return Response.json(await feeds.of((await bookBySlug(books, (await params).slug)).id));
  });
}

/** Adds a feed; its host must be on the list of those that may be fetched. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const all = house();
    const book = await bookBySlug(all.books, (await params).slug);
    return Response.json(await addFeed(all, book, await bodyOf(request, feedSettingsSchema)), { status: 201 });
  });
}
