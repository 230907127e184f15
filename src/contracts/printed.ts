import { z } from "zod";
import { DESIGN_ACCOUNTS, FOUND_ACCOUNTS, MODEL_ACCOUNTS } from "@/core/accounts";
import { capacityReportSchema, guaranteeReportSchema } from "./acceptance";
import { ageingReportSchema, attributionViewSchema, causeFindingSchema, indicatorsSchema } from "./attribution";
import { examinationSchema } from "./examination";
import { fieldEntrySchema } from "./field-book";
import { ledgerSourcesSchema } from "./ledger";
import { neighboursSchema, oddModuleSchema } from "./neighbours";
import { partReportSchema } from "./parts";

/** Version of the printed forms: rises when a name or a meaning changes. */
export const PRINTED_VERSION = 2;

/** Name of a printed form: "dusty-ledger/reconcile", "dusty-ledger/bench-tilt". */
export const printedFormat = (command: string): string => `dusty-ledger/${command}`;

/** Format and version, which stand before every printed answer. */
export const printedHead = (command: string) => ({ format: z.literal(printedFormat(command)), version: z.literal(PRINTED_VERSION) });
const kwh = z.number();
const known = kwh.nullable();
const byAccount = <Name extends string>(names: readonly Name[]) =>
  z.strictObject(Object.fromEntries(names.map((name) => [name, kwh])) as Record<Name, typeof kwh>);

/** Reference, planned losses and expected energy of a month, a year or all; kWh. */
const plannedLine = {
  key: z.string(),
  planeKwhM2: z.number(),
  referenceKwh: kwh,
  plannedKwh: byAccount(DESIGN_ACCOUNTS),
  plannedStagesKwh: byAccount(MODEL_ACCOUNTS),
  expectedKwh: kwh,
  filledReferenceKwh: kwh,
};

/** One line of the account: reference - planned = expected; expected - found - data gap - unexplained = metered - metered without weather. */
const accountLine = z.strictObject({
  ...plannedLine,
  promiseKwh: known,
  /** Losses found beside the plan, at the meter; null until causes were sought of this line. */
  foundKwh: byAccount(FOUND_ACCOUNTS).nullable(),
  foundSumKwh: known,
  dataGapKwh: kwh,
  unexplainedKwh: known,
  meteredKwh: known,
  meteredWithoutWeatherKwh: kwh,
  splitKwh: kwh,
  performanceIndex: z.number().nullable(),
  dataAvailabilityFrac: z.number(),
  state: z.enum(["within", "explained", "to-check", "gap", "usual", "no-weather"]),
  /** The cause that explains the line; null in any other state. */
  explainedBy: z.enum(FOUND_ACCOUNTS).nullable(),
  toleranceFrac: z.number(),
  /** The walk with causes as found, each at its stage. */
  foundStagesKwh: byAccount(MODEL_ACCOUNTS),
  indicators: indicatorsSchema.omit({ key: true }),
});

const words = { title: z.string(), what: z.string(), evidence: z.string() };
const findingSchema = causeFindingSchema.extend({
  ...words,
  account: z.enum(FOUND_ACCOUNTS),
  isAvoidable: z.boolean(),
  /** What the energy is worth today; null without a price. */
  worth: z.number().nullable(),
});

/** What `reconcile --json` prints. */
export const reconcileSchema = z.strictObject({
  ...printedHead("reconcile"),
  currency: z.string(),
  months: z.array(accountLine),
  years: z.array(accountLine),
  all: accountLine,
  findings: z.array(findingSchema),
  /** Faults of the readings. */
  readings: z.array(examinationSchema.shape.findings.element.extend({ words: z.record(z.string(), z.unknown()) })),
  spans: examinationSchema.shape.spans,
  sources: ledgerSourcesSchema,
  causes: attributionViewSchema
    .omit({ found: true, months: true, years: true, all: true, indicators: true, findings: true, ageing: true })
    .extend({
      entries: z.array(fieldEntrySchema.extend({ findings: z.array(z.string()), effect: z.string() })),
      cannotTell: z.array(z.string()),
    }),
});

const rate = z.number().nullable();

/** What `ageing --json` prints: the rates as shares and in percent, as people say them. */
export const ageingSchema = ageingReportSchema.extend({
  ...printedHead("ageing"),
  ratePctPerYear: rate,
  lowPctPerYear: rate,
  highPctPerYear: rate,
  verdictWords: z.string(),
  parts: z.array(partReportSchema),
  partsWords: z.string(),
});

const interval = { low: z.number(), high: z.number() };

/** What `ageing --json` prints without weather: what clear days of the meter alone tell. */
export const clearDaysPrintedSchema = z.strictObject({
  ...printedHead("ageing-clear-days"),
  clearDays: z.int(),
  ageing: z.strictObject({ perYearFrac: z.number(), ...interval, pairs: z.int() }).nullable(),
  /** Degrees clockwise from the book's bearing. */
  turn: z.strictObject({ value: z.number(), ...interval }).nullable(),
  words: z.string(),
});

/** What `neighbours --json` prints: shares in thousandths of what sound modules gave. */
export const neighboursPrintedSchema = neighboursSchema.extend({
  ...printedHead("neighbours"),
  odd: z.array(oddModuleSchema.extend({ words: z.string() })),
});

/** What `test --json` prints. */
export const testPrintedSchema = z.strictObject({
  ...printedHead("test"),
  words: z.string(),
  report: z.discriminatedUnion("kind", [capacityReportSchema, guaranteeReportSchema]),
});

/** What `verify --json` prints. */
export const verifyPrintedSchema = z.strictObject({
  ...printedHead("verify"),
  holds: z.boolean(),
  isIntact: z.boolean(),
  keyFingerprint: z.string(),
  book: z.string(),
  test: z.string(),
  words: z.string(),
  /** Raw files that are not there; null where none were asked for. */
  missing: z.array(z.strictObject({ name: z.string(), sha256: z.string() })).nullable(),
  /** Largest difference between figures made anew and those of the evidence, as a share; null where none were made. */
  furthestApart: z.number().nullable(),
  notRemade: z.string().nullable(),
});

/** What `expect --json` prints. */
export const expectSchema = z.strictObject({
  ...printedHead("expect"),
  months: z.array(z.strictObject(plannedLine)),
  years: z.array(z.strictObject(plannedLine)),
  all: z.strictObject(plannedLine),
  sources: ledgerSourcesSchema,
});
