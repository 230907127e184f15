import type { NewEntryInput } from "@/contracts/field-book";

const MOST_LETTERS = 2000;

/** A note of today with a bench's answer. */
export function noteEntry(nowUtcMs: number, note: string): NewEntryInput {
  const today = new Date(nowUtcMs).toISOString().slice(0, 10);
  return { kind: "note", from: today, to: today, note: note.slice(0, MOST_LETTERS) };
}
