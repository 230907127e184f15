import { answer, bodyOf } from "@/app/answer";
import { refusedEvent } from "@/app/event-stream";
import { type ImportEvent, importOptionsSchema } from "@/contracts/imports";
import { bookBySlug } from "@/usecases/books";
import { runImport } from "@/usecases/imports";
import { house } from "@/wiring";

const line = (event: ImportEvent): Uint8Array => new TextEncoder().encode(`${JSON.stringify(event)}\n`);

/** Stores an uploaded file and tells its progress, one JSON line an event. Closing the request cancels with nothing stored. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const options = await bodyOf(request, importOptionsSchema);
    const all = house();
    const book = await bookBySlug(all.books, slug);
    const stop = new AbortController();
    request.signal.addEventListener("abort", () => stop.abort());
    const events = runImport(all, book, id, options, stop.signal);
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        try {
          const next = await events.next();
          if (next.done) controller.close();
          else controller.enqueue(line(next.value));
        } catch (error) {
          controller.enqueue(line(refusedEvent(error)));
          controller.close();
        }
      },
      cancel: () => stop.abort(),
    });
    return new Response(body, {
      headers: { "content-type": "application/x-ndjson", "cache-control": "no-store", "x-accel-buffering": "no" },
    });
  });
}
