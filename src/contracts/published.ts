import { z } from "zod";
import { attributionReportSchema, causeFindingSchema, fittedAttributionSchema } from "./attribution";
import { examinationSchema } from "./examination";
import { feedSettingsSchema } from "./feeds";
import { fieldEntrySchema, newEntrySchema } from "./field-book";
import { ledgerReportSchema } from "./ledger";
import { tableMappingSchema } from "./mapping";
import { mixedStringsSchema } from "./mixed-string";
import { moneyReportSchema } from "./money";
import { publishedSchema } from "./published-names";
import { siteSchema } from "./site";

const printedFindingSchema = causeFindingSchema
  .omit({ entry: true })
  .extend({ ...words("title", "what", "evidence"), entry: z.number().int().nullable() });

/** A search's report as the command line prints it: its findings, its entries and what it can't tell come in words, for people. */
const printedReportSchema = attributionReportSchema.extend({
  findings: z.array(printedFindingSchema),
  fitted: fittedAttributionSchema.extend({ mayGoOn: z.array(printedFindingSchema) }),
  entries: z.array(fieldEntrySchema.extend({ findings: z.array(z.string()), effect: z.string() })),
  cannotTell: z.array(z.string()),
});

function words<Name extends string>(...names: readonly Name[]): Readonly<Record<Name, z.ZodString>> {
  return Object.fromEntries(names.map((name) => [name, z.string()])) as Record<Name, z.ZodString>;
}

/** What is printed has the names of the printed form; what is read has the names that files hold. */
function formOf(schema: z.ZodType, io: "input" | "output"): object {
  const form = z.toJSONSchema(schema, { io, unrepresentable: "any" });
  return io === "output" ? (publishedSchema(form) as object) : form;
}

/** The contracts that other programs may rely on, as JSON Schema: what a file may hold, and what the command line prints. */
export function published(): { file: string; schema: object }[] {
  const of = (name: string, schema: z.ZodType, io: "input" | "output"): { file: string; schema: object } => ({
    file: `${name}.schema.json`,
    schema: { title: `dusty-ledger/${name}`, ...formOf(schema, io) },
  });
  return [
    of("site", siteSchema, "input"),
    of("ledger-report", ledgerReportSchema, "output"),
    of("money-report", moneyReportSchema, "output"),
    of("table-mapping", tableMappingSchema, "input"),
    of("feed-settings", feedSettingsSchema, "input"),
    of("examination", examinationSchema, "output"),
    of("cause-report", printedReportSchema, "output"),
    of("field-entry", newEntrySchema, "input"),
    of("mixed-strings", mixedStringsSchema, "input"),
  ];
}
