import { z } from "zod";
import { attributionReportSchema } from "./attribution";
import { examinationSchema } from "./examination";
import { feedSettingsSchema } from "./feeds";
import { newEntrySchema } from "./field-book";
import { ledgerReportSchema } from "./ledger";
import { tableMappingSchema } from "./mapping";
import { mixedStringsSchema } from "./mixed-string";
import { moneyReportSchema } from "./money";
import { siteSchema } from "./site";

/** The contracts that other programs may rely on, as JSON Schema: what a file may hold, and what the command line prints. */
export function published(): { file: string; schema: object }[] {
  const of = (name: string, schema: z.ZodType, io: "input" | "output"): { file: string; schema: object } => ({
    file: `${name}.schema.json`,
    schema: { title: `dusty-ledger/${name}`, ...z.toJSONSchema(schema, { io, unrepresentable: "any" }) },
  });
  return [
    of("site", siteSchema, "input"),
    of("ledger-report", ledgerReportSchema, "output"),
    of("money-report", moneyReportSchema, "output"),
    of("table-mapping", tableMappingSchema, "input"),
    of("feed-settings", feedSettingsSchema, "input"),
    of("examination", examinationSchema, "output"),
    of("cause-report", attributionReportSchema, "output"),
    of("field-entry", newEntrySchema, "input"),
    of("mixed-strings", mixedStringsSchema, "input"),
  ];
}
