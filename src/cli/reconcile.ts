import type { CauseReport } from "@/contracts/causes";
import { LEDGER_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, ledgerPostings } from "@/core/ledger";
import { openCauses } from "@/usecases/attribution";
import { findingInWords } from "@/wording/findings/quality";
import { type CliOptions, needed } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { type FileLedger, ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";

/** The ledger of the files with its causes; the same figures as on the screens. */
export async function causesFromFiles(options: CliOptions): Promise<{ ledger: FileLedger; causes: CauseReport }> {
  needed(options.weather, "weather", "a weather CSV");
  needed(options.production, "production", "a production CSV");
  const ledger = await ledgerFromFiles(options);
  const causes = openCauses({ ledger, entries: ledger.entries });
  if (!causes) throw new CliRefusal("Weather and production share no time that both know: there is nothing to reconcile.");
  return { ledger, causes };
}

/** A line with its postings: `budget` by the book's model, `actual` by the evidence. Reference minus all actual postings is what was metered. */
function posted(budget: LedgerLine, actual: LedgerLine, causes: CauseReport): object {
  const [modelled, evidenced] = [ledgerPostings(budget), ledgerPostings(actual)];
  const { key: _key, ...indicators } = causes.indicators.find(({ key }) => key === budget.key)!;
  return {
    ...budget,
    explainedKwh: actual.expectedKwh,
    explainedUnreadKwh: actual.unreadKwh,
    remainderKwh: actual.remainderKwh,
    budgetRemainderKwh: budget.remainderKwh,
    postings: LEDGER_ACCOUNTS.map((account) => ({
      account,
      budgetKwh: account === "unread" || account === "remainder" ? null : modelled[account],
      actualKwh: actual.meteredKwh === null ? null : evidenced[account],
    })),
    accountsActualKwh: actual.accountsKwh,
    indicators,
  };
}

/** `reconcile`: month by month promise, expected, metered, postings by account, remainder, and the findings behind them. */
export async function reconcileCommand(options: CliOptions): Promise<void> {
  const { ledger, causes } = await causesFromFiles(options);
  const { report, examination, site } = ledger;
  printNotices(ledger.notices);
  const pair = (line: LedgerLine): [LedgerLine, LedgerLine] => [
    line,
    [...causes.months, ...causes.years, causes.all].find(({ key }) => key === line.key)!,
  ];
  if (options.json) {
    const { months: _m, years: _y, all: _a, indicators: _i, findings, days, ageing: _g, ...rest } = causes;
    return printJson({
      months: report.months.map((line) => posted(...pair(line), causes)),
      years: report.years.map((line) => posted(...pair(line), causes)),
      all: posted(...pair(report.all), causes),
      findings,
      readings: examination.findings.map((finding) => ({ ...finding, words: findingInWords(finding, site.place.timeZone) })),
      spans: examination.spans,
      sources: report.sources,
      causes: { days, ...rest },
    });
  }
  printNotices(examination.findings.map((finding) => findingInWords(finding, site.place.timeZone).what));
  printText(causes.findings.map(({ title, what, kwhLow, kwhHigh }) => `${title}: ${what}${between(kwhLow, kwhHigh)}`).join("\n"));
  printText(causes.cannotTell.join("\n"));
  const row = (line: LedgerLine) => {
    const [budget, actual] = pair(line);
    const posts = ledgerPostings(actual);
    return [
      line.key,
      budget.promiseKwh,
      budget.expectedKwh,
      budget.meteredKwh,
      posts.snow,
      posts.soiling,
      posts.clipping,
      posts.downtime,
      actual.unreadKwh,
      actual.remainderKwh,
      `${(line.readFrac * 100).toFixed(1)} %`,
    ];
  };
  printText(
    textTable(
      ["kWh", "promise", "expected", "metered", "snow", "soiling", "clipping", "downtime", "unread", "remainder", "read"],
      [...report.months.map(row), ...report.years.map(row), row(report.all)],
    ),
  );
}

const between = (low: number | null, high: number | null): string =>
  low === null || high === null ? "" : ` (${Math.round(low)} to ${Math.round(high)} kWh)`;
