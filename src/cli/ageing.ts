import { ageingSentence } from "@/contracts/ageing-words";
import type { AgeingReport } from "@/contracts/causes";
import type { CliOptions } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { causesFromFiles } from "./reconcile";

const percent = (value: number | null): string => (value === null ? "-" : `${(value * 100).toFixed(2)} %`);

/** `ageing`: rate a year with its interval, the schools beside it, and what the warranty says. */
export async function ageingCommand(options: CliOptions): Promise<void> {
  const { ledger, causes } = await causesFromFiles(options);
  printNotices(ledger.notices);
  const { ageing } = causes;
  if (options.json) return printJson({ ...withoutSeries(ageing), verdictWords: ageingSentence(ageing) });
  printText(ageingSentence(ageing));
  printText(
    textTable(
      ["school", "a year", "low", "high"],
      ageing.schools.map((school) => [school.name, percent(school.perYearFrac), percent(school.low), percent(school.high)]),
    ),
  );
  printText(
    textTable(
      ["days left after", "days", "a year"],
      ageing.filters.map((filter) => [filter.name, filter.days, percent(filter.perYearFrac)]),
    ),
  );
}

/** Rates in percent a year too, as people say them. */
const withoutSeries = (report: AgeingReport): object => ({
  ratePctPerYear: report.perYearFrac === null ? null : report.perYearFrac * 100,
  lowPctPerYear: report.low === null ? null : report.low * 100,
  highPctPerYear: report.high === null ? null : report.high * 100,
  ...report,
});
