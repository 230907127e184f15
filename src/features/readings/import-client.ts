import { type ImportEvent, type ImportOptions, type ImportPreview, importEventSchema, previewEventSchema } from "@/contracts/imports";
import { UPLOAD_LIMIT_BYTES } from "@/contracts/uploads";
import { RefusedCall, refusalFrom } from "@/features/data/api";

/** Sends a file as a raw stream; resolves with the name under which it waits. */
export async function upload(slug: string, file: File, signal: AbortSignal): Promise<string> {
  if (file.size > UPLOAD_LIMIT_BYTES) {
    const megabytes = (bytes: number): number => Math.round(bytes / 1e6);
    throw new RefusedCall(
      "upload-too-large",
      `${file.name} holds ${megabytes(file.size)} MB; at most ${megabytes(UPLOAD_LIMIT_BYTES)} MB are taken at a time.`,
      "Pack it with gzip, or cut it by years and drop the parts one after another.",
      [],
    );
  }
  const response = await fetch(`/api/books/${slug}/uploads?name=${encodeURIComponent(file.name)}`, {
    method: "POST",
    body: file,
    signal,
    headers: { "content-type": "application/octet-stream" },
  });
  if (!response.ok) throw await refusalFrom(response);
  return ((await response.json()) as { uploadId: string }).uploadId;
}

/** Has an uploaded file read; `onRows` is told how far it is, and the signal stops it. */
export async function preview(
  slug: string,
  uploadId: string,
  options: Partial<ImportOptions>,
  signal: AbortSignal,
  onRows: (rows: number) => void = () => {},
): Promise<ImportPreview> {
  for await (const line of lines(`/api/books/${slug}/uploads/${uploadId}/preview`, options, signal)) {
    const event = previewEventSchema.parse(line);
    if (event.kind === "preview") return event.preview;
    if (event.kind === "refused") throw new RefusedCall(event.code, event.message, event.help, event.problems);
    onRows(event.rows);
  }
  throw new RefusedCall("no-answer", "The server broke off in the middle of its answer.", "Drop the file again.", []);
}

/** Stores an uploaded file, event by event; ends by itself, or when the signal says so with nothing stored. */
export async function* store(slug: string, uploadId: string, options: ImportOptions, signal: AbortSignal): AsyncGenerator<ImportEvent> {
  for await (const line of lines(`/api/books/${slug}/uploads/${uploadId}/import`, options, signal)) yield importEventSchema.parse(line);
}

/** A route's answer line by line, each as JSON. */
async function* lines(path: string, body: unknown, signal: AbortSignal): AsyncGenerator<unknown> {
  const response = await fetch(path, {
    method: "POST",
    body: JSON.stringify(body),
    signal,
    headers: { "content-type": "application/json" },
  });
  if (!response.ok || !response.body) throw await refusalFrom(response);
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
    const whole = (rest + chunk.value).split("\n");
    rest = whole.pop() ?? "";
    for (const line of whole) yield JSON.parse(line);
  }
}
