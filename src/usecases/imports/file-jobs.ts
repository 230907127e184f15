import { Readable } from "node:stream";
import type { ImportEvent, ImportOptions, ImportPreview } from "@/contracts/imports";
import { type BillsFile, readBills } from "@/formats/bills-csv";
import { type EventsFile, readEvents } from "@/formats/events-csv";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import { type ImportPorts, previewImport, runImport } from "./imports";

interface OfUpload {
  readonly book: Book;
  readonly uploadId: string;
  readonly options: ImportOptions;
}

/** What there is to do with a foreign file. */
export type FileJob =
  | ({ readonly kind: "preview" } & OfUpload)
  | ({ readonly kind: "import" } & OfUpload)
  | { readonly kind: "bills"; readonly bytes: Uint8Array }
  | { readonly kind: "events"; readonly bytes: Uint8Array };

/** What a job says while it is at it: rows read so far, or an event of an import. */
export type FileNews = { readonly rows: number } | { readonly event: ImportEvent };

export interface FileReader {
  preview(of: OfUpload, onNews: (news: FileNews) => void, stop: AbortSignal): Promise<ImportPreview>;
  /** Tells each event; the last says what came of it. */
  import(of: OfUpload, onNews: (news: FileNews) => void, stop: AbortSignal): Promise<void>;
  bills(bytes: Uint8Array): Promise<BillsFile>;
  events(bytes: Uint8Array): Promise<EventsFile>;
  close(): Promise<void>;
}

/** How often a reader says how far it is. */
const PROGRESS_ROWS = 20_000;

/** Does a job, in the thread where it is called. */
export async function doFileJob(ports: ImportPorts, job: FileJob, onNews: (news: FileNews) => void, stop: AbortSignal): Promise<unknown> {
  onNews({ rows: 0 });
  if (job.kind === "bills") return readBills(Readable.from([Buffer.from(job.bytes)]));
  if (job.kind === "events") return readEvents(Readable.from([Buffer.from(job.bytes)]));
  const { book, uploadId, options } = job;
  if (job.kind === "preview") return previewImport(ports, book, uploadId, options, progress(onNews, stop));
  let last: ImportEvent | null = null;
  for await (const event of runImport(ports, book, uploadId, options, stop)) {
    if (last) onNews({ event: last });
    last = event;
  }
  return last;
}

function progress(onNews: (news: FileNews) => void, stop: AbortSignal): (rows: number) => void {
  let told = 0;
  return (rows) => {
    if (stop.aborted) throw new Refusal("cancelled", "reading-cancelled");
    if (Math.abs(rows - told) < PROGRESS_ROWS) return;
    told = rows;
    onNews({ rows });
  };
}
