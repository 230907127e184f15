import type { CauseReport } from "@/contracts/causes";
import type { KeptEntry } from "@/contracts/field-book";

/** What the search for causes saw of each entry, by its id; entries written since are not among them. */
export function entryEffects(entries: readonly KeptEntry[], report: CauseReport | null): Record<number, string> {
  const effects = entries.flatMap(({ id, from, kind, note }) => {
    const seen = report?.entries.find((entry) => entry.from === from && entry.kind === kind && entry.note === note);
    return seen ? [[id, seen.effect] as const] : [];
  });
  return Object.fromEntries(effects);
}
