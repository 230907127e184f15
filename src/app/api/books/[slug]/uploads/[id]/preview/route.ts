import { answer, bodyOf } from "@/app/answer";
import { eventStream } from "@/app/event-stream";
import { importOptionsSchema, type PreviewEvent } from "@/contracts/imports";
import { bookBySlug } from "@/usecases/books";
import type { FileNews } from "@/usecases/imports";
import { house } from "@/wiring";

/** Tells what an uploaded file would bring, read with the given options: progress first, the preview last. Closing the request stops the reading. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const { books, files } = house();
    const book = await bookBySlug(books, slug);
    const options = await bodyOf(request, importOptionsSchema);
    return eventStream(request, async (emit, stop) => {
      const tell = (event: PreviewEvent): void => emit(event);
      tell({ kind: "reading", rows: 0 });
      const onNews = (news: FileNews): void => {
        if ("rows" in news) tell({ kind: "reading", rows: news.rows });
      };
      tell({ kind: "preview", preview: await files.preview({ book, uploadId: id, options }, onNews, stop) });
    });
  });
}
