import { Readable } from "node:stream";
import { answer, bodyOf } from "@/app/answer";
import { fieldEntrySchema } from "@/contracts/causes";
import { readEvents } from "@/formats/events-csv";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { services } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** Entries of the field book, by date. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, entries } = services();
    const book = await bookBySlug(books, (await params).slug);
    return Response.json(await entries.of(book.id));
  });
}

/** Writes one entry (JSON), or a whole events file (CSV); all of it or nothing. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, entries } = services();
    const book = await bookBySlug(books, (await params).slug);
    if (!request.headers.get("content-type")?.startsWith("text/csv")) {
      await entries.add(book.id, [await bodyOf(request, fieldEntrySchema)]);
      return Response.json(await entries.of(book.id), { status: 201 });
    }
    const text = await request.text();
    const { events, problems } = await readEvents(Readable.from([new TextEncoder().encode(text)]));
    if (problems.some(({ severity }) => severity === "error"))
      throw new Refusal("file-refused", "This events file can't be read.", "Nothing was stored. Mend the rows named below.", {}, problems);
    await entries.add(book.id, events);
    return Response.json(await entries.of(book.id), { status: 201 });
  });
}
