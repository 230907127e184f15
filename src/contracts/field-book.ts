import { z } from "zod";
import { say } from "@/wording/validation";
import { FIRST_YEAR, LAST_YEAR } from "./limits";
import { byName, decimalAmount, isDay, isoDate, plainKey } from "./primitives";

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
  "calibration",
  "sensor-cleaning",
  "inspection",
  "spot-check",
  "inverter-reading",
  "trial",
  "note",
] as const;
export type EntryKind = (typeof entryKinds)[number];

const localDate = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}([T ]([01]\d|2[0-3]):[0-5]\d.{0,20})?$/, say.aLocalDateSuchAs2023)
  .refine((text) => isDay(text.slice(0, 10)), say.thereIsNoSuchDay)
  .refine((text) => isoDate.safeParse(text.slice(0, 10)).success, say.aDateLiesBetween(FIRST_YEAR, LAST_YEAR));

/** A dated entry of the field book: local dates or times, first and last. */
export const fieldEntrySchema = z.strictObject({
  from: localDate,
  to: localDate,
  kind: z.enum(entryKinds),
  array: z.string().max(200),
  note: z.string().max(2000, say.atMost2000CharactersShorten),
  value: z.string().max(200, say.atMost200CharactersPutThe),
});
export type FieldEntry = z.output<typeof fieldEntrySchema>;

/** Figures that were read on site, by name with their unit ("vocV"). */
export const measuredSchema = byName(plainKey(60), z.union([z.number(), z.string().max(200), z.null()]));
export type Measured = z.output<typeof measuredSchema>;

/** What may stand beside an entry's words. */
const extras = {
  meter: z.string().max(60).default(""),
  cost: decimalAmount
    .refine((amount) => !amount.startsWith("-"), say.aCostCantBeNegativeWrite)
    .nullable()
    .default(null),
  who: z.string().max(80, say.atMost80Characters).default(""),
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
  .refine(({ from, to }) => from.slice(0, 10) <= to.slice(0, 10), { message: say.theLastDayLiesBeforeThe, path: ["to"] });
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
