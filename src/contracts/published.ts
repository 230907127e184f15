import { z } from "zod";
import { acceptanceQuestionSchema } from "./acceptance";
import { EVIDENCE_VERSION, evidenceSchema } from "./evidence";
import { feedSettingsSchema } from "./feeds";
import { newEntrySchema } from "./field-book";
import { tableMappingSchema } from "./mapping";
import { mixedStringsSchema } from "./mixed-string";
import {
  ageingSchema,
  clearDaysPrintedSchema,
  expectSchema,
  neighboursPrintedSchema,
  PRINTED_VERSION,
  reconcileSchema,
  testPrintedSchema,
  verifyPrintedSchema,
} from "./printed";
import { BENCH_FORMS, benchSchema, moneyPrintedSchema } from "./printed-bench";
import { siteSchema } from "./site";

/** A form's name for other programs, which never moves: a version has one of its own. */
const idOf = (name: string, version: number): string => `urn:dusty-ledger:${name}:${version}`;

/** The contracts that other programs may rely on, as JSON Schema: what a file may hold, and what the command line prints. */
export function published(): { file: string; schema: object }[] {
  const of = (name: string, schema: z.ZodType, io: "input" | "output", version = 1): { file: string; schema: object } => ({
    file: `${name}.schema.json`,
    schema: { $id: idOf(name, version), title: `dusty-ledger/${name}`, ...z.toJSONSchema(schema, { io, unrepresentable: "any" }) },
  });
  return [
    of("site", siteSchema, "input"),
    of("table-mapping", tableMappingSchema, "input"),
    of("feed-settings", feedSettingsSchema, "input"),
    of("field-entry", newEntrySchema, "input"),
    of("mixed-strings", mixedStringsSchema, "input"),
    of("expect", expectSchema, "output", PRINTED_VERSION),
    of("reconcile", reconcileSchema, "output", PRINTED_VERSION),
    of("ageing", ageingSchema, "output", PRINTED_VERSION),
    of("ageing-clear-days", clearDaysPrintedSchema, "output", PRINTED_VERSION),
    of("neighbours", neighboursPrintedSchema, "output", PRINTED_VERSION),
    of("test-terms", acceptanceQuestionSchema, "input"),
    of("test", testPrintedSchema, "output", PRINTED_VERSION),
    of("evidence", evidenceSchema, "input", EVIDENCE_VERSION),
    of("verify", verifyPrintedSchema, "output", PRINTED_VERSION),
    of("money", moneyPrintedSchema, "output", PRINTED_VERSION),
    ...BENCH_FORMS.map((name) => of(`bench-${name}`, benchSchema(name), "output", PRINTED_VERSION)),
  ];
}
