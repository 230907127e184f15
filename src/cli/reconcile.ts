import type { AttributionReport } from "@/contracts/attribution";
import { LEDGER_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, ledgerPostings } from "@/core/ledger";
import { attribute } from "@/usecases/attribution";
import { attributionInWords } from "@/wording/attribution";
import { say } from "@/wording/cli";
import { findingInWords } from "@/wording/findings/quality";
import { type CliOptions, needed } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { type FileLedger, ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";

/** The ledger of the files with its causes; the same figures as on the screens. */
export async function attributionFromFiles(options: CliOptions): Promise<{ ledger: FileLedger; causes: AttributionReport }> {
  needed(options.weather, "weather", say.aWeatherCsv);
  needed(options.production, "production", say.aProductionCsv);
  const ledger = await ledgerFromFiles(options);
  const causes = attribute({ ledger, entries: ledger.entries });
  if (!causes) throw new CliRefusal(say.weatherAndProductionShareNoTime);
  return { ledger, causes };
}

/** A line with its postings: `budget` by the book's model, `actual` by the evidence. Reference minus all actual postings is what was metered. */
function posted(planned: LedgerLine, found: LedgerLine, causes: AttributionReport): object {
  const [modelled, evidenced] = [ledgerPostings(planned), ledgerPostings(found)];
  const { key: _key, ...indicators } = causes.indicators.find(({ key }) => key === planned.key)!;
  return {
    ...planned,
    explainedKwh: found.expectedKwh,
    explainedDataGapKwh: found.dataGapKwh,
    unexplainedKwh: found.unexplainedKwh,
    plannedUnexplainedKwh: planned.unexplainedKwh,
    postings: LEDGER_ACCOUNTS.map((account) => ({
      account,
      plannedKwh: account === "unread" || account === "remainder" ? null : modelled[account],
      foundKwh: found.meteredKwh === null ? null : evidenced[account],
    })),
    accountsActualKwh: found.accountsKwh,
    indicators,
  };
}

/** `reconcile`: month by month promise, expected, metered, postings by account, remainder, and the findings behind them. */
export async function reconcileCommand(options: CliOptions): Promise<void> {
  const { ledger, causes } = await attributionFromFiles(options);
  const { report, examination, site } = ledger;
  printNotices(ledger.notices);
  const pair = (line: LedgerLine): [LedgerLine, LedgerLine] => [
    line,
    [...causes.months, ...causes.years, causes.all].find(({ key }) => key === line.key)!,
  ];
  const words = attributionInWords(causes, site.place.timeZone);
  if (options.json) {
    const { months: _m, years: _y, all: _a, indicators: _i, findings, days, ageing: _g, ...rest } = words;
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
  printText(words.findings.map(({ title, what, kwhLow, kwhHigh }) => `${title}: ${what}${between(kwhLow, kwhHigh)}`).join("\n"));
  printText(words.cannotTell.join("\n"));
  const row = (line: LedgerLine) => {
    const [planned, found] = pair(line);
    const posts = ledgerPostings(found);
    return [
      line.key,
      planned.promiseKwh,
      planned.expectedKwh,
      planned.meteredKwh,
      posts.snow,
      posts.soiling,
      posts.clipping,
      posts.curtailment,
      posts.downtime,
      found.dataGapKwh,
      found.unexplainedKwh,
      `${(line.readFrac * 100).toFixed(1)} %`,
    ];
  };
  printText(
    textTable(
      ["kWh", "promise", "expected", "metered", "snow", "soiling", "clipping", "curtailment", "downtime", "unread", "remainder", "read"],
      [...report.months.map(row), ...report.years.map(row), row(report.all)],
    ),
  );
}

const between = (low: number | null, high: number | null): string =>
  low === null || high === null ? "" : ` (${Math.round(low)} to ${Math.round(high)} kWh)`;
