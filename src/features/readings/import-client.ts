import { z } from "zod";
import { type ImportEvent, type ImportOptions, type ImportPreview, importEventSchema, previewEventSchema } from "@/contracts/imports";
import { UPLOAD_LIMIT_BYTES } from "@/contracts/uploads";
import { ask, askLines } from "@/features/data/ask";
import { RefusedCall, refusedAs } from "@/features/data/refused-call";
import { say } from "@/wording/screens/readings";

const uploadedSchema = z.object({ uploadId: z.string() });

/** Sends a file as a raw stream; resolves with the name under which it waits. */
export async function upload(slug: string, file: File, signal: AbortSignal): Promise<string> {
  if (file.size > UPLOAD_LIMIT_BYTES) {
    const megabytes = (bytes: number): number => Math.round(bytes / 1e6);
    throw new RefusedCall(
      "upload-too-large",
      say.holdsMbAtMostMbAre(file.name, megabytes(file.size), megabytes(UPLOAD_LIMIT_BYTES)),
      say.packItWithGzipOrCut,
    );
  }
  const path = `/api/books/${slug}/uploads?name=${encodeURIComponent(file.name)}`;
  const headers = { "content-type": "application/octet-stream" };
  return (await ask(uploadedSchema, path, { method: "POST", body: file, signal, headers })).uploadId;
}

/** Has an uploaded file read; `onRows` is told how far it is, and the signal stops it. */
export async function preview(
  slug: string,
  uploadId: string,
  options: Partial<ImportOptions>,
  signal: AbortSignal,
  onRows: (rows: number) => void = () => {},
): Promise<ImportPreview> {
  const path = `/api/books/${slug}/uploads/${uploadId}/preview`;
  for await (const event of askLines(previewEventSchema, path, { method: "POST", body: options, signal })) {
    if (event.kind === "preview") return event.preview;
    if (event.kind === "refused") throw new RefusedCall(event.code, event.message, event.help, event.problems);
    onRows(event.rows);
  }
  throw refusedAs("broke-off");
}

/** Stores an uploaded file, event by event; ends by itself, or when the signal says so with nothing stored. */
export const store = (slug: string, uploadId: string, options: ImportOptions, signal: AbortSignal): AsyncGenerator<ImportEvent> =>
  askLines(importEventSchema, `/api/books/${slug}/uploads/${uploadId}/import`, { method: "POST", body: options, signal });
