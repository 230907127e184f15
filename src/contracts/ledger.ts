import { z } from "zod";
import { FOUND_ACCOUNTS, type FoundAccount, MODEL_ACCOUNTS, type ModelAccount } from "@/core/accounts";

const kwh = z.number();
/** Derating stood within clipping until edition 14. */
const postings = z
  .strictObject(Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, kwh])) as Record<ModelAccount, typeof kwh>)
  .extend({ derating: kwh.default(0) });

/** Losses found beside the plan, by account; positive is lost. */
export const foundPostingsSchema = z.strictObject(
  Object.fromEntries(FOUND_ACCOUNTS.map((account) => [account, kwh])) as Record<FoundAccount, typeof kwh>,
);

/** One line of the ledger; `key` is a month ("2024-03"), a year or "all". Losses are positive on their account, gains negative. */
export const ledgerLineSchema = z.strictObject({
  key: z.string(),
  planeKwhM2: z.number(),
  referenceKwh: kwh,
  accountsKwh: postings,
  expectedKwh: kwh,
  foundKwh: foundPostingsSchema,
  isSought: z.boolean(),
  promiseKwh: kwh.nullable(),
  meteredKwh: kwh.nullable(),
  dataGapKwh: kwh,
  referenceGapKwh: kwh,
  unmatchedKwh: kwh,
  usualKwh: kwh.default(0),
  usualReadKwh: kwh.default(0),
  unexplainedKwh: kwh.nullable(),
  readFrac: z.number(),
  filledReferenceKwh: kwh,
  splitKwh: kwh,
});

/** Where the figures of a ledger come from. */
export const ledgerSourcesSchema = z.strictObject({
  weatherStepMinutes: z.number().nullable(),
  weatherColumns: z.array(z.string()),
  assumedColumns: z.array(z.enum(["air_temperature_c", "wind_speed_m_s"])),
  meterIds: z.array(z.string()),
  caughtUpRows: z.number().int(),
  impossibleRows: z.number().int(),
  firstUtc: z.string().nullable(),
  lastUtc: z.string().nullable(),
});

/** The ledger of a book: months, years, the whole, and its sources. */
export const ledgerReportSchema = z.strictObject({
  months: z.array(ledgerLineSchema),
  years: z.array(ledgerLineSchema),
  all: ledgerLineSchema,
  sources: ledgerSourcesSchema,
});

export type LedgerReport = z.output<typeof ledgerReportSchema>;
export type LedgerSources = z.output<typeof ledgerSourcesSchema>;

/** A day's curves: mean power by interval. Null where not known. */
export const dayReportSchema = z.strictObject({
  date: z.iso.date(),
  timeZone: z.string(),
  expected: z.strictObject({ stepMinutes: z.number(), startUtcMs: z.array(z.number()), kw: z.array(z.number().nullable()) }),
  metered: z.strictObject({ stepMinutes: z.number(), startUtcMs: z.array(z.number()), kw: z.array(z.number().nullable()) }),
  line: ledgerLineSchema.nullable(),
});
export type DayReport = z.output<typeof dayReportSchema>;

/** A year by local day and hour, kWh; null where not known. `days[d]` names row d; values are row by row, 24 a day. */
export const glanceSchema = z.strictObject({
  days: z.array(z.iso.date()),
  expectedKwh: z.array(z.number().nullable()),
  meteredKwh: z.array(z.number().nullable()),
});
export type Glance = z.output<typeof glanceSchema>;
