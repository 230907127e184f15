import { MODEL_ACCOUNTS } from "@/core/accounts";
import type { LedgerLine } from "@/core/ledger";
import { say } from "@/wording/cli";
import { type CliOptions, needed } from "./arguments";
import { plannedLine } from "./planned-line";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";

/** `expect`: months and total of what is expected. */
export async function expectCommand(options: CliOptions): Promise<void> {
  needed(options.weather, "weather", say.aWeatherCsv);
  const { report, notices } = await ledgerFromFiles(withoutProduction(options));
  printNotices(notices);
  if (options.json)
    return printJson("expect", {
      months: report.months.map(plannedLine),
      years: report.years.map(plannedLine),
      all: plannedLine(report.all),
      sources: report.sources,
    });
  const row = (line: LedgerLine) => [
    line.key,
    line.planeKwhM2,
    line.referenceKwh,
    ...MODEL_ACCOUNTS.map((account) => line.accountsKwh[account]),
    line.expectedKwh,
  ];
  printText(
    textTable(
      ["kWh", "plane kWh/m2", "reference", ...MODEL_ACCOUNTS, "expected"],
      [...report.months.map(row), ...report.years.map(row), row(report.all)],
    ),
  );
}

/** The same options with no production, whatever was typed. */
function withoutProduction({ production: _unused, ...options }: CliOptions): CliOptions {
  return options;
}
