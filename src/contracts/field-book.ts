import { z } from "zod";
import { entryEffect } from "@/core/site";
import { decimalAmount } from "./primitives";
import type { SiteDocument } from "./site";

/** Kinds of field-book entries; a note is any other kind, kept in its own words. */
export const entryKinds = [
  "cleaning",
  "snow-clearing",
  "outage",
  "repair",
  "tilt-change",
  "hardware-change",
  "meter-change",
  "curtailment",
  "inspection",
  "spot-check",
  "inverter-reading",
  "trial",
  "note",
] as const;
export type EntryKind = (typeof entryKinds)[number];

const localDate = z
  .string()
  .regex(
    /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])([T ]\d{2}:\d{2}.*)?$/,
    "a local date such as 2023-04-09, or with its time: write the date anew",
  );

/** A dated entry of the field book: local dates or times, first and last. */
export const fieldEntrySchema = z.strictObject({
  from: localDate,
  to: localDate,
  kind: z.enum(entryKinds),
  array: z.string().max(200),
  note: z.string().max(2000, "at most 2,000 characters: shorten the note"),
  value: z.string().max(200, "at most 200 characters: put the rest in the note"),
});
export type FieldEntry = z.output<typeof fieldEntrySchema>;

/** Figures that were read on site, by name with their unit ("vocV"). */
export const measuredSchema = z.record(z.string().max(60), z.union([z.number(), z.string().max(200), z.null()]));
export type Measured = z.output<typeof measuredSchema>;

/** What may stand beside an entry's words. */
const extras = {
  meter: z.string().max(60).default(""),
  cost: decimalAmount
    .refine((amount) => !amount.startsWith("-"), "a cost can't be negative: write what came back as an incentive in the Site chapter")
    .nullable()
    .default(null),
  who: z.string().max(80, "at most 80 characters").default(""),
  measured: measuredSchema.nullable().default(null),
};

/** An entry as it is sent. Its own id is given where it is written, so that a second sending after a lost connection adds nothing. */
export const newEntrySchema = fieldEntrySchema
  .extend({
    array: fieldEntrySchema.shape.array.default(""),
    note: fieldEntrySchema.shape.note.default(""),
    value: fieldEntrySchema.shape.value.default(""),
    ...extras,
    clientId: z.uuid().nullable().default(null),
    /** Put what it changes into the model: a revision of the site from its date on. */
    apply: z.boolean().default(false),
  })
  .refine(({ from, to }) => from.slice(0, 10) <= to.slice(0, 10), { message: "the last day lies before the first", path: ["to"] });
export type NewEntry = z.output<typeof newEntrySchema>;
export type NewEntryInput = z.input<typeof newEntrySchema>;

export const photoSchema = z.strictObject({ id: z.uuid(), widthPx: z.number().int(), heightPx: z.number().int() });

/** An entry as it is kept. */
export const storedEntrySchema = fieldEntrySchema.extend({
  ...extras,
  id: z.number().int(),
  /** Dates of the revisions that it put into the model. */
  appliedFrom: z.array(z.string()),
  photos: z.array(photoSchema),
});
export type StoredEntry = z.output<typeof storedEntrySchema>;

/** The words of an entry alone, as the search for causes takes them. */
export const plainEntry = ({ from, to, kind, array, note, value }: FieldEntry): FieldEntry => ({ from, to, kind, array, note, value });

/** Photos larger than this are refused unread, before and after the phone has made them smaller. */
export const MOST_PHOTO_BYTES = 12 * 1024 * 1024;
/** A file this large is no photo that a phone should be asked to open. */
export const MOST_ORIGINAL_BYTES = 40 * 1024 * 1024;
export const PHOTO_TYPES = ["image/jpeg", "image/png", "image/webp"] as const;

const UNCLEAR = {
  tilt: "Give the new tilt from horizontal as a number of degrees from 0 to 90.",
  array: "Say which array it was: this book has several.",
  hardware: "Give what changed as acRatedW=8600, ratedEfficiencyFrac=0.967, module=NAME or count=20.",
  meter: "Say which meter it was.",
  point: "Give the metering point as dc, ac, net, export or import.",
} as const;

/** What an entry changes, for people, before and after it is written. `revision`: it can be put into the model. */
export function effectInWords(
  site: SiteDocument,
  entry: FieldEntry & { readonly meter: string },
): { text: string; revision: boolean; unclear: boolean } {
  const effect = entryEffect(site, entry);
  const date = entry.from.slice(0, 10);
  const kept = (text: string) => ({ text, revision: false, unclear: false });
  if (effect.kind === "unclear") return { text: UNCLEAR[effect.expected], revision: false, unclear: true };
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
