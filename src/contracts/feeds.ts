import { z } from "zod";
import { say } from "@/wording/validation";
import { mappedQuantities } from "./mapping";
import { wholeNumber } from "./primitives";
import { problemSchema } from "./problems";

/** A dotted path into JSON, such as "data.rows". */
const path = z.string().regex(/^[\w$-]+(\.[\w$-]+)*$/, say.writeAPathSuchAsData);

/** Where the rows of a JSON answer stand, and what their fields hold. */
export const jsonColumnsSchema = z.strictObject({
  rows: path,
  time: path,
  values: z
    .array(z.strictObject({ field: path, quantity: z.enum(mappedQuantities), factor: z.number().positive().default(1) }))
    .min(1)
    .max(20),
});
export type JsonColumns = z.output<typeof jsonColumnsSchema>;

/** A source that is pulled on a schedule. */
export const feedSettingsSchema = z.strictObject({
  name: z.string().trim().min(1, say.giveTheFeedAName).max(60),
  kind: z.enum(["weather", "production"]),
  url: z.url({ protocol: /^https?$/, error: say.writeAnAddressSuchAsHttp }).max(500),
  format: z.enum(["json", "csv"]),
  /** Of JSON answers; CSV tells its columns by its header. */
  json: jsonColumnsSchema.nullable().default(null),
  /** Query parameter that is given the time of the last reading held, ISO 8601; null where the source takes none. */
  sinceParameter: z
    .string()
    .regex(/^[\w-]{1,40}$/)
    .nullable()
    .default("since"),
  everyMinutes: z.int().min(1).max(1440).default(15),
  meterId: z.string().max(60).nullable().default(null),
  /** Zone and labels of times without offset; null to have them found out. */
  zone: z.string().max(60).nullable().default(null),
  labels: z.enum(["start", "end"]).nullable().default(null),
  enabled: z.boolean().default(false),
});
export type FeedSettings = z.output<typeof feedSettingsSchema>;

/** What went wrong with a pull. `written` holds a sentence of the first edition. */
export const feedFaultCodes = [
  "host-not-allowed",
  "no-answer",
  "no-answer-in-time",
  "broke-off",
  "bad-status",
  "too-large",
  "redirected",
  "not-json",
  "no-rows",
  "refused",
  "wrong-kind",
  "future-readings",
  "written",
] as const;
export type FeedFaultCode = (typeof feedFaultCodes)[number];
export const feedFaultSchema = z.strictObject({
  code: z.enum(feedFaultCodes),
  facts: z.record(z.string(), z.union([z.string(), z.number()])),
  /** The fault of the file that came, where that is why it was refused. */
  problem: problemSchema.nullable().default(null),
});
export type FeedFault = z.output<typeof feedFaultSchema>;

/** A feed with what became of its last pulls. */
export const feedSchema = z.strictObject({
  id: z.int(),
  version: z.int(),
  settings: feedSettingsSchema,
  cursorUtc: z.string().nullable(),
  nextUtc: z.string().nullable(),
  lastTriedUtc: z.string().nullable(),
  lastFineUtc: z.string().nullable(),
  lastFault: feedFaultSchema.nullable(),
  failures: z.int(),
  valueCount: z.int(),
});
export type Feed = z.output<typeof feedSchema>;

export const feedChangeSchema = z.strictObject({
  enabled: z.boolean().optional(),
  pullNow: z.boolean().optional(),
  /** Version of the feed that was looked at. */
  version: wholeNumber,
});

/** Payload of the job that pulls one feed. */
export const pullJobSchema = z.strictObject({ feedId: z.int() });
