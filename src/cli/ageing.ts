import type { AgeingReport } from "@/contracts/attribution";
import type { PartReport } from "@/contracts/parts";
import { clearDaysOf } from "@/usecases/ledger";
import { ageingSentence } from "@/wording/ageing";
import { clearDaysSentence } from "@/wording/clear-days";
import { say } from "@/wording/cli";
import { partName, partsSentence } from "@/wording/parts";
import type { CliOptions } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";
import { attributionFromFiles } from "./reconcile";
import { CliRefusal } from "./refuse";

const percent = (value: number | null): string => (value === null ? "-" : `${(value * 100).toFixed(2)} %`);

/** `ageing`: rate a year with its interval, the methods beside it, and what the warranty says. */
export async function ageingCommand(options: CliOptions): Promise<void> {
  if (options.weather === undefined && options.production !== undefined) return clearDaysAlone(options);
  const { ledger, causes } = await attributionFromFiles(options);
  printNotices(ledger.notices);
  const { ageing, parts } = causes;
  const partsWords = partsSentence(parts, ledger.site.arrays.length);
  if (options.json) return printJson("ageing", { ...withoutSeries(ageing), verdictWords: ageingSentence(ageing), parts, partsWords });
  printText(ageingSentence(ageing));
  printText(
    textTable(
      ["method", "a year", "low", "high"],
      ageing.methods.map((method) => [method.name, percent(method.perYearFrac), percent(method.low), percent(method.high)]),
    ),
  );
  printText(
    textTable(
      [say.daysLeftAfter, "days", "a year"],
      ageing.filters.map((filter) => [filter.name, filter.days, percent(filter.perYearFrac)]),
    ),
  );
  const table = partsTable(parts);
  if (table) printText(table);
  if (partsWords !== "") printText(partsWords);
}

/** Without any weather: what clear days of the meter alone tell, marked as such. */
async function clearDaysAlone(options: CliOptions): Promise<void> {
  const ledger = await ledgerFromFiles(options);
  printNotices(ledger.notices);
  const found = clearDaysOf(ledger);
  if (!found) throw new CliRefusal(say.clearDaysNeedHours);
  const words = clearDaysSentence(found);
  if (options.json) printJson("ageing-clear-days", { ...found, words });
  else printText(words);
}

/** Parts that the readings tell apart, each for itself and against the rest; null without any. */
function partsTable(parts: readonly PartReport[]): string | null {
  if (parts.length === 0) return null;
  return textTable(
    ["part", "told by", "a year", "low", "high", "faster by", "low", "high"],
    parts.map((part) => [
      partName(part),
      part.source === "meter" ? part.id : "its hours",
      ...[part.perYearFrac, part.low, part.high].map(percent),
      ...[part.againstRest?.value ?? null, part.againstRest?.low ?? null, part.againstRest?.high ?? null].map(percent),
    ]),
  );
}

/** Rates in percent a year too, as people say them. */
const withoutSeries = (report: AgeingReport): object => ({
  ratePctPerYear: report.perYearFrac === null ? null : report.perYearFrac * 100,
  lowPctPerYear: report.low === null ? null : report.low * 100,
  highPctPerYear: report.high === null ? null : report.high * 100,
  ...report,
});
