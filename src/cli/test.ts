import {
  type AcceptanceQuestion,
  acceptanceQuestionSchema,
  type CapacityAnswer,
  capacityQuestionSchema,
  type GuaranteeAnswer,
} from "@/contracts/acceptance";
import { measuredTest } from "@/usecases/acceptance";
import { cleaningsOf, limitsOf } from "@/usecases/field-book";
import { filterNames, outcomeInWords, yearOutcomes } from "@/wording/acceptance";
import { say } from "@/wording/cli";
import { type CliOptions, needed } from "./arguments";
import { jsonFile } from "./json-file";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";

/** `test`: a capacity test, or a guarantee settled, from the same files as a reconciliation. */
export async function testCommand(options: CliOptions): Promise<void> {
  needed(options.weather, "weather", say.aWeatherCsv);
  needed(options.production, "production", say.aProductionCsv);
  const question = await questionOf(options);
  // The days of the question are days of the record: the ledger itself is opened whole.
  const { from: _from, to: _to, ...files } = options;
  const ledger = await ledgerFromFiles(files);
  printNotices(ledger.notices);
  const { report } = measuredTest(ledger, {
    question,
    held: limitsOf(ledger.entries),
    cleanings: cleaningsOf(ledger.entries),
    site: null,
  });
  const words = outcomeInWords(report, question.kind === "capacity" ? question.passFrac : 1);
  if (options.json) return printJson("test", { words, report });
  printText(words);
  printText(report.kind === "capacity" ? capacityTable(report) : guaranteeTable(report));
}

/** The terms of a file, or those of the usual capacity test; days of the command line go before those of the file. */
async function questionOf({ terms, from, to }: CliOptions): Promise<AcceptanceQuestion> {
  const asked = terms === undefined ? capacityQuestionSchema.parse({ kind: "capacity" }) : await jsonFile(terms, acceptanceQuestionSchema);
  if (asked.kind === "guarantee") return asked;
  const read = capacityQuestionSchema.safeParse({ ...asked, from: from ?? asked.from, to: to ?? asked.to });
  if (read.success) return read.data;
  throw new CliRefusal(`--${read.error.issues[0]!.path.join(".")}: ${read.error.issues[0]!.message}.`);
}

const capacityTable = ({ filters }: CapacityAnswer): string =>
  textTable(
    ["left out", "takes out", "alone", "left"],
    filters.map(({ filter, takenOut, alone, left }) => [filterNames[filter], takenOut, alone, left]),
  );

const inPercent = (share: number | null): string => (share === null ? "-" : `${(share * 100).toFixed(2)} %`);

const guaranteeTable = ({ years }: GuaranteeAnswer): string =>
  textTable(
    ["contract year", "guaranteed", "all in", "without", "short, kWh", "damages", "outcome"],
    years.map(({ from, to, guaranteed, allIn, without, shortKwh, damages, outcome }) => [
      `${from} to ${to}`,
      inPercent(guaranteed),
      inPercent(allIn.index),
      inPercent(without.index),
      shortKwh,
      damages,
      yearOutcomes[outcome],
    ]),
  );
