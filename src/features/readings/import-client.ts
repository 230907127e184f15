import { type ImportEvent, type ImportOptions, type ImportPreview, importEventSchema, importPreviewSchema } from "@/contracts/imports";
import { UPLOAD_LIMIT_BYTES } from "@/contracts/uploads";
import { call, RefusedCall, refusalFrom } from "@/features/api";

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

export async function preview(slug: string, uploadId: string, options: Partial<ImportOptions>): Promise<ImportPreview> {
  return importPreviewSchema.parse(await call("POST", `/api/books/${slug}/uploads/${uploadId}/preview`, options));
}

/** Stores an uploaded file, event by event; ends by itself, or when the signal says so with nothing stored. */
export async function* store(slug: string, uploadId: string, options: ImportOptions, signal: AbortSignal): AsyncGenerator<ImportEvent> {
  const response = await fetch(`/api/books/${slug}/uploads/${uploadId}/import`, {
    method: "POST",
    body: JSON.stringify(options),
    signal,
    headers: { "content-type": "application/json" },
  });
  if (!response.ok || !response.body) throw await refusalFrom(response);
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
    const lines = (rest + chunk.value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) yield importEventSchema.parse(JSON.parse(line));
  }
}
