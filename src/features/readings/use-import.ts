import { useRouter } from "next/navigation";
import { useReducer, useRef } from "react";
import type { ImportEvent, ImportOptions, ImportPreview } from "@/contracts/imports";
import { tell } from "@/features/data/ask";
import { asRefused, RefusedCall } from "@/features/data/refused-call";
import { preview, store, upload } from "./import-client";
import { importReducer, START } from "./import-state";

/** A mapping this sure, with nothing asked and nothing wrong, needs no look of its own when many files come at once. */
const SURE_FRAC = 0.9;

const isSure = ({ problems, proposal, questions, kind }: ImportPreview): boolean =>
  kind !== null &&
  questions.length === 0 &&
  problems.every(({ severity }) => severity === "notice") &&
  (proposal === null || (proposal.confidenceFrac >= SURE_FRAC && proposal.questions.length === 0));

/** Files on their way into the book, one after the other. */
export function useImport(slug: string) {
  const router = useRouter();
  const [state, dispatch] = useReducer(importReducer, START);
  const stop = useRef(new AbortController());
  const queue = useRef<File[]>([]);
  const byThemselves = useRef(false);
  /** What is known of the files before they are read. */
  const known = useRef<Partial<ImportOptions>>({});
  /** The upload that is looked at, so that a cancel takes it away from the server too. */
  const uploaded = useRef<string | null>(null);

  const fail = (error: unknown) => {
    if (!stop.current.signal.aborted) dispatch({ kind: "refused", refusal: asRefused(error), waiting: queue.current.length });
  };
  const look = async (file: File) => {
    stop.current = new AbortController();
    dispatch({ kind: "file", fileName: file.name, waiting: queue.current.length });
    try {
      uploaded.current = null;
      const uploadId = await upload(slug, file, stop.current.signal);
      uploaded.current = uploadId;
      const read = await preview(slug, uploadId, known.current, stop.current.signal, (rows) => dispatch({ kind: "read", rows }));
      if (byThemselves.current && isSure(read)) await keep(read);
      else dispatch({ kind: "preview", preview: read });
    } catch (error) {
      fail(error);
    }
  };
  const next = async () => {
    const file = queue.current.shift();
    if (file) await look(file);
    else byThemselves.current = false;
  };
  const readAgain = async (shown: ImportPreview, options: ImportOptions) => {
    dispatch({ kind: "looking-again", options });
    try {
      dispatch({ kind: "preview", preview: await preview(slug, shown.uploadId, options, stop.current.signal) });
    } catch (error) {
      fail(error);
    }
  };
  const follow = (event: ImportEvent, shown: ImportPreview) => {
    if (event.kind === "reading") dispatch({ kind: "storing", preview: shown, rows: event.rows });
    else if (event.kind === "refused") fail(new RefusedCall(event.code, event.message, event.help, event.problems));
    else if (event.kind !== "storing") dispatch({ kind: "done", event, waiting: queue.current.length });
  };
  const keep = async (shown: ImportPreview) => {
    stop.current = new AbortController();
    dispatch({ kind: "storing", preview: shown, rows: 0 });
    try {
      for await (const event of store(slug, shown.uploadId, shown.options, stop.current.signal)) follow(event, shown);
      router.refresh();
      if (queue.current.length > 0) await next();
    } catch (error) {
      fail(error);
    }
  };
  const cancel = async (current?: string) => {
    stop.current.abort();
    dispatch({ kind: "reset" });
    const uploadId = current ?? uploaded.current;
    if (uploadId) await tell("DELETE", `/api/books/${slug}/uploads/${uploadId}`).catch(() => {});
    await next();
  };
  return {
    state,
    fail,
    readAgain,
    keep,
    cancel,
    next,
    /** Takes files in the order of their names; with `alone`, those that leave no question go in by themselves. */
    take: async (files: readonly File[], alone = false, options: Partial<ImportOptions> = {}) => {
      known.current = options;
      queue.current = [...files].sort((a, b) => a.name.localeCompare(b.name));
      byThemselves.current = alone;
      await next();
    },
    letRestIn: async (shown: ImportPreview) => {
      byThemselves.current = true;
      await keep(shown);
    },
  };
}
export type ImportWay = ReturnType<typeof useImport>;
