import { answer, bodyOf } from "@/app/answer";
import { eventStream } from "@/app/event-stream";
import { importOptionsSchema, type PreviewEvent } from "@/contracts/imports";
import { bookBySlug } from "@/usecases/books";
import { previewImport } from "@/usecases/imports";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

/** How often the reader says how far it is. */
const PROGRESS_ROWS = 20_000;

/** Tells what an uploaded file would bring, read with the given options: progress first, the preview last. Closing the request stops the reading. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const all = house();
    const book = await bookBySlug(all.books, slug);
    const options = await bodyOf(request, importOptionsSchema);
    return eventStream(request, async (emit, stop) => {
      const tell = (event: PreviewEvent): void => emit(event);
      let readRows = 0;
      tell({ kind: "reading", rows: 0 });
      const onProgress = (rows: number): void => {
        if (stop.aborted) throw new Refusal("cancelled", "reading-cancelled");
        if (Math.abs(rows - readRows) < PROGRESS_ROWS) return;
        readRows = rows;
        tell({ kind: "reading", rows });
      };
      tell({ kind: "preview", preview: await previewImport(all, book, id, options, onProgress) });
    });
  });
}
