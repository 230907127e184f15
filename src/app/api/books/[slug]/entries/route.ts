import { answer, bodyOf, jsonOf, storable } from "@/app/answer";
import { MOST_PHOTO_BYTES, newEntrySchema } from "@/contracts/field-book";
import { writeEntries } from "@/formats/events-csv";
import { type Book, bookBySlug } from "@/usecases/books";
import { addEntries, photoTooLarge, writeEntry } from "@/usecases/field-book";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** Entries of the field book, by date; as a CSV file with `?as=csv`. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, entries } = house();
    const book = await bookBySlug(books, (await params).slug);
    const kept = await entries.of(book.id);
    if (new URL(request.url).searchParams.get("as") !== "csv") return Response.json(kept);
    return new Response(writeEntries(kept), {
      headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${book.slug}-field-book.csv"` },
    });
  });
}

/** Writes one entry (JSON, or a form with `entry` and `photo`), or a whole events file (CSV); all of it or nothing. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const all = house();
    const book = await bookBySlug(all.books, (await params).slug);
    const type = request.headers.get("content-type") ?? "";
    if (type.startsWith("text/csv")) return addFile(book, new Uint8Array(await request.arrayBuffer()));
    const { entry, photo } = type.startsWith("multipart/form-data")
      ? await formOf(request)
      : { entry: await bodyOf(request, newEntrySchema), photo: null };
    const written = await writeEntry(all, book, entry, photo);
    return Response.json(await all.entries.of(book.id), { status: written === "new" ? 201 : 200 });
  });
}

async function addFile(book: Book, bytes: Uint8Array): Promise<Response> {
  const { entries, files } = house();
  const { events, problems } = await files.events(bytes);
  if (problems.some(({ severity }) => severity === "error")) throw new Refusal("file-refused", "events-unreadable", {}, problems);
  await addEntries({ entries }, book, events);
  return Response.json(await entries.of(book.id), { status: 201 });
}

/** The form's own overhead beside the photo. */
const FORM_BYTES = 64 * 1024;

/** Refuses by the announced length before anything is read: a photo of 80 MB never gets into memory. */
async function formOf(request: Request) {
  const announced = Number(request.headers.get("content-length") ?? Number.NaN);
  if (Number.isNaN(announced)) throw new Refusal("photo-refused", "photo-without-length");
  if (announced > MOST_PHOTO_BYTES + FORM_BYTES) throw photoTooLarge(announced);
  const form = await request.formData().catch(() => {
    throw new Refusal("bad-request", "form-broken");
  });
  const text = form.get("entry");
  const photo = form.get("photo");
  return {
    entry: newEntrySchema.parse(typeof text === "string" ? storable(jsonOf(text, "entry-no-json")) : null),
    photo: photo instanceof File ? new Uint8Array(await photo.arrayBuffer()) : null,
  };
}
