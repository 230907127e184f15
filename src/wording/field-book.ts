import type { FieldEntry } from "@/contracts/field-book";
import type { SiteDocument } from "@/contracts/site";
import { entryEffect } from "@/core/site";

/** What an entry lacks before it can change the model. */
export const UNCLEAR_EFFECTS = {
  tilt: "Give the new tilt from horizontal as a number of degrees from 0 to 90.",
  array: "Say which array it was: this book has several.",
  hardware: "Give what changed as acRatedW=8600, ratedEfficiencyFrac=0.967, module=NAME or count=20.",
  meter: "Say which meter it was.",
  point: "Give the metering point as dc, ac, net, export or import.",
} as const;

/** What an entry changes, for people, before and after it is written. `revision`: it can be put into the model. */
export function modelEffectInWords(
  site: SiteDocument,
  entry: FieldEntry & { readonly meter: string },
): { text: string; revision: boolean; unclear: boolean } {
  const effect = entryEffect(site, entry);
  const date = entry.from.slice(0, 10);
  const kept = (text: string) => ({ text, revision: false, unclear: false });
  if (effect.kind === "unclear") return { text: UNCLEAR_EFFECTS[effect.expected], revision: false, unclear: true };
  if (effect.kind === "record") return kept("Kept as a record; it changes no figure.");
  if (effect.kind === "event") {
    if (effect.what === "cleaning") return kept(`Dirt begins anew on ${date}: the model and the search for causes take the date up.`);
    if (effect.what === "snow-clearing") return kept("Snow spells are matched with it in the ledger's causes.");
    if (effect.what === "downtime") return kept("Findings of downtime near this date are matched with it in the ledger's causes.");
    return kept("A ceiling or downtime found in this time is matched with it.");
  }
  const [first] = effect.revisions;
  const lists = Object.values(first!.change).flat() as Record<string, unknown>[];
  const fields = lists
    .map(
      ({ id, tiltSchedule: _schedule, ...change }) =>
        `${String(id)}: ${Object.entries(change)
          .map(([name, value]) => `${name} ${String(value)}`)
          .join(", ")}`,
    )
    .join("; ");
  const until = effect.revisions[1] ? ` until ${effect.revisions[1].from}, when the rack's schedule holds again` : "";
  return { text: `From ${date} the model has ${fields}${until}.`, revision: true, unclear: false };
}
