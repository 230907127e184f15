import { answer, bodyOf } from "@/app/answer";
import { eventStream } from "@/app/event-stream";
import { importOptionsSchema } from "@/contracts/imports";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** Stores an uploaded file and tells its progress, one JSON line an event. Closing the request cancels with nothing stored. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const options = await bodyOf(request, importOptionsSchema);
    const { books, files } = house();
    const book = await bookBySlug(books, slug);
    return eventStream(request, (emit, stop) =>
      files.import({ book, uploadId: id, options }, (news) => ("event" in news ? emit(news.event) : undefined), stop),
    );
  });
}
