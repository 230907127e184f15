import { createStore, del, entries, set, type UseStore } from "idb-keyval";
import { z } from "zod";
import { type NewEntryInput, type StoredEntry, storedEntrySchema } from "@/contracts/field-book";
import { ask } from "@/features/data/ask";
import { asRefused } from "@/features/data/refused-call";

/** An entry that waits in this browser until the server has it. */
export interface Waiting {
  readonly clientId: string;
  readonly slug: string;
  readonly entry: NewEntryInput;
  readonly photo: Blob | null;
  readonly writtenAt: number;
  /** Why the server would not take it; null while it only waits for the line. */
  readonly refused: { readonly message: string; readonly help: string } | null;
}

let opened: UseStore | null = null;
const store = (): UseStore => {
  opened ??= createStore("dusty-ledger-field-book", "waiting");
  return opened;
};

export const keep = (waiting: Waiting): Promise<void> => set(waiting.clientId, waiting, store());
export const forget = (clientId: string): Promise<void> => del(clientId, store());

/** What waits for one book, oldest first. */
export async function waitingFor(slug: string): Promise<Waiting[]> {
  const all = await entries<string, Waiting>(store());
  return all
    .map(([, waiting]) => waiting)
    .filter((waiting) => waiting.slug === slug)
    .sort((a, b) => a.writtenAt - b.writtenAt);
}

const LINE_LOST = "no-answer";

/** Sends one entry; its own id lets the server know a second sending. Throws RefusedCall. */
export async function send({ slug, entry, photo, clientId }: Waiting): Promise<readonly StoredEntry[]> {
  const whole = { ...entry, clientId };
  const path = `/api/books/${slug}/entries`;
  const form = new FormData();
  if (photo) {
    form.append("entry", JSON.stringify(whole));
    form.append("photo", photo, "photo.jpg");
  }
  return ask(z.array(storedEntrySchema), path, { method: "POST", body: photo ? form : whole });
}

/** Sends what waits for a book, one after the other; gives back how many got through. What the server refuses stays, with its words. */
export async function sendWaiting(slug: string): Promise<number> {
  let sent = 0;
  for (const waiting of await waitingFor(slug)) {
    if (waiting.refused) continue;
    try {
      await send(waiting);
      await forget(waiting.clientId);
      sent++;
    } catch (error) {
      const refusal = asRefused(error);
      if (refusal.code === LINE_LOST) return sent;
      await keep({ ...waiting, refused: { message: refusal.message, help: refusal.help } });
    }
  }
  return sent;
}
