import { answer, bodyOf } from "@/app/answer";
import { attributionActionSchema } from "@/contracts/attribution";
import { runForPage } from "@/usecases/attribution";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** How far the search for causes is; with `report`, what the last one found. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, attributions, viewOf } = house();
    const book = await bookBySlug(books, (await params).slug);
    if (new URL(request.url).searchParams.has("report")) return Response.json(await viewOf(book));
    return Response.json(runForPage(await attributions.statusOf(book.id), book));
  });
}

/** Stops a search, or asks for it again. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, attributions } = house();
    const book = await bookBySlug(books, (await params).slug);
    const { action } = await bodyOf(request, attributionActionSchema);
    if (action === "cancel") await attributions.cancel(book.id);
    else await attributions.want(book.id, book.version);
    return Response.json(runForPage(await attributions.statusOf(book.id), book));
  });
}
