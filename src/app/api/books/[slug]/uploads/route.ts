import { Readable } from "node:stream";
import type { ReadableStream } from "node:stream/web";
import { z } from "zod";
import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

const fileName = z.string().trim().min(1).max(200);

/** Takes a file as a raw stream to disk; nothing of it is read yet. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, staging } = house();
    const book = await bookBySlug(books, (await params).slug);
    const name = fileName.parse(new URL(request.url).searchParams.get("name") ?? "");
    if (!request.body) throw new Refusal("bad-request", "file-empty", { name });
    const announced = request.headers.get("content-length");
    const staged = await staging.put({
      bookId: book.id,
      fileName: name,
      announcedBytes: announced === null ? null : Number(announced),
      body: Readable.fromWeb(request.body as ReadableStream<Uint8Array>),
    });
    return Response.json({ uploadId: staged.id, byteCount: staged.byteCount }, { status: 201 });
  });
}
