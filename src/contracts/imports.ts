import { z } from "zod";
import { isTimeZone } from "@/core/time";
import { say } from "@/wording/validation";
import { mappingProposalSchema, mappingQuestionSchema, tableMappingSchema } from "./mapping";
import { byName, plainKey } from "./primitives";
import { problemSchema } from "./problems";

export const importKinds = ["weather", "production", "promise", "modules"] as const;
export type ImportKind = (typeof importKinds)[number];

/** What the light of a batch is: of its very time, or of a usual year. */
export const batchOrigins = ["measured", "typical-year", "monthly-means", "own-meter", "climate"] as const;
export type BatchOrigin = (typeof batchOrigins)[number];

/** A zone of the IANA list, or a fixed offset for clocks that never keep summer time. */
export const clockZone = z
  .string()
  .refine((zone) => isTimeZone(zone) || /^UTC[+-](0\d|1[0-4]):[0-5]\d$/.test(zone), say.chooseAZoneSuchAsEurope);

/** How a file is to be read, where it does not say so itself. */
export const importOptionsSchema = z.strictObject({
  zone: clockZone.nullable().default(null),
  /** Which end of its interval a label marks; null to have it found out. */
  labels: z.enum(["start", "end"]).nullable().default(null),
  conflicts: z.enum(["refuse", "first", "last"]).default("refuse"),
  /** Meter for production columns that name none; the site's first AC meter when null. */
  meterId: z.string().max(60).nullable().default(null),
  /** Year into which a typical year, or monthly means, are put; null for the file's own. */
  year: z.int().min(1990).max(2060).nullable().default(null),
  /** Last of the years for which hours are made of monthly means; null for one year alone. */
  toYear: z.int().min(1990).max(2060).nullable().default(null),
  /** Where monthly means come from: typed or from a table, a climate that was picked, or the book's own meter. */
  light: z.enum(["monthly-means", "climate", "own-meter"]).default("monthly-means"),
  /** How a foreign table is read; null to have it found out. */
  mapping: tableMappingSchema.nullable().default(null),
  /** Answers to what the file leaves open, by question. */
  answers: byName(plainKey(200), z.string().max(500)).default({}),
});
export type ImportOptions = z.output<typeof importOptionsSchema>;

/** What a file would bring, told before anything is stored. */
export const importPreviewSchema = z.strictObject({
  uploadId: z.uuid(),
  fileName: z.string(),
  byteCount: z.number().int(),
  kind: z.enum(importKinds).nullable(),
  /** How the file is written: rows of time, an hourly EPW year, or twelve monthly means. */
  form: z.enum(["series", "epw", "means", "espi"]),
  /** Of an EPW year or monthly means: the year they are put in, as far as it is known. */
  year: z.number().int().nullable(),
  columns: z.array(z.strictObject({ header: z.string(), quantity: z.string(), unit: z.string(), meterId: z.string().nullable() })),
  ignored: z.array(z.string()),
  delimiter: z.string().nullable(),
  decimal: z.string().nullable(),
  stepMinutes: z.number().nullable(),
  hasOffsets: z.boolean(),
  rowCount: z.number().int(),
  valueCount: z.number().int(),
  firstUtcMs: z.number().nullable(),
  lastUtcMs: z.number().nullable(),
  /** Of production: sum of the readings as energy, kWh. */
  energyKwh: z.number().nullable(),
  promiseKwh: z.array(z.number()).nullable(),
  /** Of daily, monthly and hand-read figures: spans with their energy, and counter readings. */
  spanCount: z.number().int(),
  counterCount: z.number().int(),
  /** How a table was read, and why; null for other forms. */
  proposal: mappingProposalSchema.nullable(),
  /** What a person has to say before the file can be stored, or may say otherwise than was taken. */
  questions: z.array(mappingQuestionSchema),
  /** Mean day of the readings by hour of the site's clock, kWh or the quantity's own unit: a picture of what is read. */
  dayShape: z.array(z.number().nullable()),
  /** Sum or mean by month, to be seen at a glance. */
  monthly: z.array(z.strictObject({ key: z.string(), value: z.number() })),
  problems: z.array(problemSchema),
  options: importOptionsSchema,
});
export type ImportPreview = z.output<typeof importPreviewSchema>;

export const batchSchema = z.strictObject({
  id: z.number().int(),
  kind: z.enum(importKinds),
  origin: z.enum(batchOrigins),
  fileName: z.string(),
  sha256: z.string(),
  byteCount: z.number().int(),
  rowCount: z.number().int(),
  valueCount: z.number().int(),
  firstUtc: z.string().nullable(),
  lastUtc: z.string().nullable(),
  stepMinutes: z.number().nullable(),
  /** What was remarked when the file came in. */
  notices: z.array(problemSchema),
  createdAt: z.string(),
  undoneAt: z.string().nullable(),
});
export type Batch = z.output<typeof batchSchema>;

/** One line of the import's progress stream. */
export const importEventSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("reading"), rows: z.number().int() }),
  z.strictObject({ kind: z.literal("storing") }),
  z.strictObject({ kind: z.literal("done"), batch: batchSchema, pages: z.number().int() }),
  z.strictObject({ kind: z.literal("nothing-new") }),
  z.strictObject({ kind: z.literal("refused"), code: z.string(), message: z.string(), help: z.string(), problems: z.array(problemSchema) }),
]);
export type ImportEvent = z.output<typeof importEventSchema>;

/** One line of the preview's progress stream; the last is the preview, or why there is none. */
export const previewEventSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("reading"), rows: z.number().int() }),
  z.strictObject({ kind: z.literal("preview"), preview: importPreviewSchema }),
  z.strictObject({ kind: z.literal("refused"), code: z.string(), message: z.string(), help: z.string(), problems: z.array(problemSchema) }),
]);
export type PreviewEvent = z.output<typeof previewEventSchema>;

/** How much of each month a stored series covers. */
export const coverageSchema = z.strictObject({
  quantity: z.string(),
  meterId: z.string(),
  stepMinutes: z.number(),
  months: z.array(z.strictObject({ key: z.string(), readFrac: z.number() })),
});
export type Coverage = z.output<typeof coverageSchema>;
