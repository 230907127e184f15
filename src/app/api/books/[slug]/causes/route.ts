import { z } from "zod";
import { answer, bodyOf } from "@/app/answer";
import { currentAttribution, runForPage, runWaiting } from "@/usecases/attribution";
import { bookBySlug } from "@/usecases/books";
import { services } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

const actionSchema = z.strictObject({ action: z.enum(["cancel", "again", "here"]) });

/** How far the search for causes is, and the last report there is. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const all = services();
    const book = await bookBySlug(all.books, (await params).slug);
    const run = await currentAttribution(all, book);
    if (new URL(request.url).searchParams.has("report")) return Response.json(run.report);
    return Response.json(runForPage(run, book));
  });
}

/** Stops a search, asks for it again, or does it in this process where no worker runs. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const all = services();
    const book = await bookBySlug(all.books, (await params).slug);
    const { action } = await bodyOf(request, actionSchema);
    if (action === "cancel") await all.causes.cancel(book.id);
    else await all.causes.want(book.id, book.version);
    if (action === "here") await runWaiting(all);
    return Response.json(runForPage((await all.causes.of(book.id))!, book));
  });
}
