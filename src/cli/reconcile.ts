import { findingInWords } from "@/contracts/finding-words";
import { LEDGER_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, ledgerPostings, paidOfOwed, performanceRatio } from "@/core/reconcile";
import { type CliOptions, needed } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";

/** A line with its postings: `budget` by the model, `actual` by evidence (so far: unread and remainder). */
const withPostings = (line: LedgerLine) => {
  const posted = ledgerPostings(line);
  const evidenced = (account: string): boolean => account === "unread" || account === "remainder";
  return {
    ...line,
    postings: LEDGER_ACCOUNTS.map((account) => ({
      account,
      budgetKwh: evidenced(account) ? null : posted[account],
      actualKwh: evidenced(account) ? posted[account] : null,
    })),
    indicators: { energyPerformanceIndex: paidOfOwed(line), performanceRatio: performanceRatio(line), readFrac: line.readFrac },
  };
};

/** `reconcile`: month by month promise, expected, metered, postings and remainder. */
export async function reconcileCommand(options: CliOptions): Promise<void> {
  needed(options.weather, "weather", "a weather CSV");
  needed(options.production, "production", "a production CSV");
  const { report, notices, examination, site } = await ledgerFromFiles(options);
  printNotices(notices);
  if (options.events && report.sources.weatherStepMinutes !== null)
    printNotices([
      `${options.events}: cleanings are used by soiling that builds up (models.soiling); other kinds are read and kept for later.`,
    ]);
  if (options.json)
    return printJson({
      months: report.months.map(withPostings),
      years: report.years.map(withPostings),
      all: withPostings(report.all),
      findings: examination.findings.map((finding) => ({ ...finding, words: findingInWords(finding, site.place.timeZone) })),
      spans: examination.spans,
      sources: report.sources,
    });
  const row = (line: LedgerLine) => [
    line.key,
    line.promiseKwh,
    line.expectedKwh,
    line.meteredKwh,
    line.unreadKwh,
    line.remainderKwh,
    `${(line.readFrac * 100).toFixed(1)} %`,
  ];
  printNotices(examination.findings.map((finding) => findingInWords(finding, site.place.timeZone).what));
  printText(
    textTable(
      ["kWh", "promise", "expected", "metered", "unread", "remainder", "read"],
      [...report.months.map(row), ...report.years.map(row), row(report.all)],
    ),
  );
}
