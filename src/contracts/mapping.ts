import { z } from "zod";

export const timeOrders = ["ymd", "dmy", "mdy", "unix"] as const;
export type TimeOrder = (typeof timeOrders)[number];

/** What a series column can hold; the unit is part of the name. */
export const weatherQuantities = [
  "ghi_w_m2",
  "dni_w_m2",
  "dhi_w_m2",
  "poa_w_m2",
  "air_temperature_c",
  "wind_speed_m_s",
  "rain_mm",
  "snow_depth_cm",
  "albedo",
  "module_temperature_c",
] as const;
export const productionQuantities = ["energy_kwh", "power_w", "counter_kwh"] as const;
export const mappedQuantities = [...weatherQuantities, ...productionQuantities] as const;
export type MappedQuantity = (typeof mappedQuantities)[number];
/** Energy of a single module, as it is kept: beside production, never a part of it. */
export const MODULE_QUANTITY = "module_kwh";
export type StoredQuantity = MappedQuantity | typeof MODULE_QUANTITY;

const column = z.int().min(0).max(9_999);

/** One column of values: what it holds, and how its numbers become the ledger's unit (value x factor + offset). */
export const valueColumnSchema = z.strictObject({
  column,
  header: z.string(),
  quantity: z.enum(mappedQuantities),
  factor: z.number().positive().default(1),
  offset: z.number().default(0),
  /** Meter of a production column; null for the one chosen for the file. Columns of one meter are added up. Of single modules the module. */
  meterId: z.string().nullable().default(null),
  /** Of a counter: whether it begins anew every day, as a display's energy of today does. */
  beginsAnew: z.boolean().default(false),
});
export type ValueColumn = z.output<typeof valueColumnSchema>;

/**
 * How a foreign table is read. `rows`: a row a time. `days-by-time`: a row a day, a column a time of day. `times-by-day`: a row a time of day,
 * a column a day. `months`: a row a year, a column a month.
 */
export const tableMappingSchema = z.strictObject({
  version: z.literal(1).default(1),
  delimiter: z.enum([",", ";", "\t", "|"]).nullable(),
  decimal: z.enum([".", ","]),
  thousands: z.enum(["", ",", ".", " ", "'"]).default(""),
  /** First row of data, from 1. */
  firstRow: z.int().min(1),
  layout: z.enum(["rows", "days-by-time", "times-by-day", "months"]).default("rows"),
  /** The column of the time, or the two of date and time of day; of `months` the column of the year. */
  timeColumns: z.array(column).min(1).max(2),
  timeOrder: z.enum(timeOrders),
  /** The column of the end of each row's span, where spans differ in length; null where rows have one time. */
  endColumn: column.nullable().default(null),
  values: z.array(valueColumnSchema).min(1),
  /** What the columns are of: the plant or parts of it, or single modules that are held against each other. */
  of: z.enum(["plant", "modules"]).default("plant"),
  /** Of `days-by-time` the times of day, of `times-by-day` the days, of `months` the months (1 to 12), in the order of the value columns. */
  across: z.array(z.string()).default([]),
  /** Of `months`: whether a fiscal year is named after the calendar year in which it starts or ends. */
  yearNames: z.enum(["start", "end"]).default("start"),
});
export type TableMapping = z.output<typeof tableMappingSchema>;

/** A confirmed reading of files with one header, used again for the next. */
export const rememberedReadingSchema = z.strictObject({
  mapping: tableMappingSchema,
  zone: z.string().nullable(),
  labels: z.enum(["start", "end"]),
});
export type RememberedReading = z.output<typeof rememberedReadingSchema>;

/** Why a mapping was proposed, and what a person must decide. */
export const mappingReasonSchema = z.strictObject({ about: z.string(), because: z.string() });
export const mappingQuestionSchema = z.strictObject({
  id: z.enum(["date-order", "year-names", "quantity", "labels", "zone", "counter", "one-value", "reading-type", "columns"]),
  question: z.string(),
  evidence: z.string(),
  choices: z.array(z.strictObject({ value: z.string(), label: z.string() })),
});
export type MappingQuestion = z.output<typeof mappingQuestionSchema>;

export const mappingProposalSchema = z.strictObject({
  mapping: tableMappingSchema,
  confidenceFrac: z.number().min(0).max(1),
  reasons: z.array(mappingReasonSchema),
  questions: z.array(mappingQuestionSchema),
  /** Header cells, for the person who corrects the proposal. */
  headers: z.array(z.string()),
  /** First rows of data as written. */
  sample: z.array(z.array(z.string())),
});
export type MappingProposal = z.output<typeof mappingProposalSchema>;
