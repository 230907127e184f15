import { z } from "zod";
import { findingKinds } from "@/core/quality";
import { problemSchema } from "./problems";

const stretch = { fromUtcMs: z.number(), toUtcMs: z.number() };

/** What can be done about a finding; see core/examination. */
export const remedySchema = z.discriminatedUnion("op", [
  z.strictObject({ op: z.literal("drop"), ...stretch }),
  z.strictObject({ op: z.literal("scale"), factor: z.number().positive(), ...stretch }),
  z.strictObject({ op: z.literal("shift"), minutes: z.int().min(-1440).max(1440), ...stretch }),
  z.strictObject({ op: z.literal("spread"), ...stretch }),
  z.strictObject({ op: z.literal("fill"), kwh: z.number().min(0), ...stretch }),
  z.strictObject({ op: z.literal("restate"), kwh: z.number().min(0), ...stretch }),
  z.strictObject({ op: z.literal("carry"), kwh: z.number().min(0), isGapBefore: z.boolean().optional(), ...stretch }),
  z.strictObject({ op: z.literal("zero"), only: z.enum(["negative", "night"]), ...stretch }),
]);

export const findingSchema = z.strictObject({
  kind: z.enum(findingKinds),
  ...stretch,
  count: z.number().int(),
  kwh: z.number().nullable(),
  confidenceFrac: z.number(),
  facts: z.record(z.string(), z.union([z.number(), z.string()])),
  remedy: remedySchema.nullable(),
});

/** What a person decided about a finding. `remedies` is empty when it was refused, and may differ from what was proposed. */
export const decisionSchema = z.strictObject({
  findingKey: z.string().min(1).max(200),
  state: z.enum(["accepted", "refused"]),
  remedies: z.array(remedySchema).max(20),
  note: z.string().max(500).default(""),
});
export type Decision = z.output<typeof decisionSchema>;

/** Several decisions at once; a null state takes a decision back. */
export const decidingSchema = z.strictObject({
  decisions: z
    .array(
      z.strictObject({
        findingKey: z.string().min(1).max(200),
        state: z.enum(["accepted", "refused"]).nullable(),
        /** What stood decided when it was looked at. */
        was: z.enum(["accepted", "refused"]).nullable(),
        remedy: remedySchema.nullable().default(null),
        note: z.string().max(500).default(""),
      }),
    )
    .min(1)
    .max(500),
});
export type Deciding = z.output<typeof decidingSchema>;

/** A finding with its series, its place in the book, and what was decided. */
export const bookFindingSchema = findingSchema.extend({
  key: z.string(),
  seriesKey: z.string(),
  meterId: z.string(),
  decision: decisionSchema.nullable(),
});
export type BookFinding = z.output<typeof bookFindingSchema>;

/** A production series as the strip shows it: by local day its energy, the share read, and whether a remedy changed it. */
export const examinedSeriesSchema = z.strictObject({
  key: z.string(),
  meterId: z.string(),
  point: z.string(),
  quantity: z.string(),
  stepMinutes: z.number().nullable(),
  days: z.array(z.string()),
  rawKwh: z.array(z.number().nullable()),
  cleanKwh: z.array(z.number().nullable()),
  expectedKwh: z.array(z.number().nullable()),
  readFrac: z.array(z.number()),
});
export type ExaminedSeries = z.output<typeof examinedSeriesSchema>;

/** A weather column as the strip shows it: the share read of each local day. */
export const weatherStripSchema = z.strictObject({
  quantity: z.string(),
  stepMinutes: z.number(),
  days: z.array(z.string()),
  readFrac: z.array(z.number()),
});
export type WeatherStrip = z.output<typeof weatherStripSchema>;

/** A span between hand readings beside what was owed over exactly that time. */
export const spanRowSchema = z.strictObject({
  meterId: z.string(),
  fromUtcMs: z.number(),
  toUtcMs: z.number(),
  kwh: z.number(),
  expectedKwh: z.number(),
  knownFrac: z.number(),
  source: z.enum(["counter", "table"]),
});

export const examinationSchema = z.strictObject({
  findings: z.array(bookFindingSchema),
  series: z.array(examinedSeriesSchema),
  weather: z.array(weatherStripSchema),
  spans: z.array(spanRowSchema),
  byWeather: z.boolean(),
  milliseconds: z.number(),
});
export type Examination = z.output<typeof examinationSchema>;

/** What an import remarked, kept with its batch. */
export const noticesSchema = z.array(problemSchema);
