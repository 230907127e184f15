import type { AttributionReport } from "@/contracts/attribution";
import { AVOIDABLE_ACCOUNTS, FOUND_ACCOUNTS } from "@/core/accounts";
import { accountOfCause } from "@/core/attribution";
import { foundSumKwh, type LedgerLine, lineState, performanceIndex, toleranceFrac, totalLine } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import { attribute } from "@/usecases/attribution";
import { accountLines } from "@/usecases/keeping";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { attributionInWords } from "@/wording/attribution";
import { say } from "@/wording/cli";
import { findingInWords } from "@/wording/findings/quality";
import { stateWords } from "@/wording/ledger-states";
import { type CliOptions, needed } from "./arguments";
import { plannedLine } from "./planned-line";
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

interface Asked {
  readonly ledger: FileLedger;
  readonly causes: AttributionReport;
}

/** The one account of the files: months, years and all, with what was found. */
function accountOf({ ledger, causes }: Asked): { months: LedgerLine[]; years: LedgerLine[]; all: LedgerLine } {
  const { months } = accountLines(ledger.report.months, { found: causes.found, keeping: { transfers: [], closed: [] } });
  const years = ledger.report.years.map(({ key }) =>
    totalLine(
      key,
      months.filter((line) => line.key.startsWith(key)),
    ),
  );
  return { months, years, all: totalLine("all", months) };
}

/** A line as it is printed. */
function printed(line: LedgerLine, { ledger, causes }: Asked): object {
  const { key: _key, ...indicators } = causes.indicators.find(({ key }) => key === line.key)!;
  const walk = [...causes.months, ...causes.years, causes.all].find(({ key }) => key === line.key)!;
  const tolerance = toleranceOf(line, ledger);
  const state = lineState(line, tolerance);
  return {
    ...plannedLine(line),
    promiseKwh: line.promiseKwh,
    foundKwh: line.isSought ? line.foundKwh : null,
    foundSumKwh: line.isSought ? foundSumKwh(line) : null,
    dataGapKwh: line.dataGapKwh,
    unexplainedKwh: line.unexplainedKwh,
    meteredKwh: line.meteredKwh,
    meteredWithoutWeatherKwh: line.unmatchedKwh,
    splitKwh: line.splitKwh,
    performanceIndex: performanceIndex(line),
    dataAvailabilityFrac: line.readFrac,
    state: state.kind,
    explainedBy: state.kind === "explained" ? state.account : null,
    toleranceFrac: tolerance,
    foundStagesKwh: walk.accountsKwh,
    indicators,
  };
}

/** Share of a line within which a difference says nothing: the rule of the screens. */
function toleranceOf(line: LedgerLine, { site, report }: FileLedger): number {
  const own = report.months.filter(({ key }) => line.key === "all" || key.startsWith(line.key));
  const year = Number((line.key === "all" ? own.at(-1)?.key : line.key)?.slice(0, 4) ?? 0);
  const months = line.key.length === 7 ? 1 : line.key === "all" ? 12 * report.years.length : 12;
  return toleranceFrac(site, report.sources, { year, months, isLevelRead: line.isSought });
}

/** `reconcile`: month by month promise, expected, losses found, unexplained, metered, and the findings behind them. */
export async function reconcileCommand(options: CliOptions): Promise<void> {
  const asked = await attributionFromFiles(options);
  printNotices(asked.ledger.notices);
  if (options.json) printJson("reconcile", asData(asked));
  else asText(asked);
}

function asData(asked: Asked): object {
  const { ledger, causes } = asked;
  const { report, examination, site } = ledger;
  const { months, years, all } = accountOf(asked);
  const price = pricePerKwh(site);
  const words = attributionInWords(causes, site.place.timeZone);
  const { found: _f, months: _m, years: _y, all: _a, indicators: _i, findings, ageing: _g, edition: _e, fitted: _l, ...rest } = words;
  return {
    currency: site.currency,
    months: months.map((line) => printed(line, asked)),
    years: years.map((line) => printed(line, asked)),
    all: printed(all, asked),
    findings: findings.map((finding) => ({
      ...finding,
      account: accountOfCause(finding.kind),
      isAvoidable: AVOIDABLE_ACCOUNTS.includes(accountOfCause(finding.kind)),
      worth: price === null || finding.kwh === null ? null : finding.kwh * price,
    })),
    readings: examination.findings.map((finding) => ({ ...finding, words: findingInWords(finding, site.place.timeZone) })),
    spans: examination.spans,
    sources: report.sources,
    causes: rest,
  };
}

function asText(asked: Asked): void {
  const { ledger, causes } = asked;
  const { examination, site } = ledger;
  const { months, years, all } = accountOf(asked);
  const words = attributionInWords(causes, site.place.timeZone);
  printNotices(examination.findings.map((finding) => findingInWords(finding, site.place.timeZone).what));
  printText(words.findings.map(({ title, what, kwhLow, kwhHigh }) => `${title}: ${what}${between(kwhLow, kwhHigh)}`).join("\n"));
  printText(words.cannotTell.join("\n"));
  const shown = FOUND_ACCOUNTS.filter((account) => Math.abs(all.foundKwh[account]) >= LEAST_KWH);
  const row = (line: LedgerLine) => {
    const index = performanceIndex(line);
    return [
      line.key,
      line.promiseKwh,
      line.expectedKwh,
      ...shown.map((account) => line.foundKwh[account]),
      line.dataGapKwh,
      line.unexplainedKwh,
      line.meteredKwh,
      index === null ? "-" : `${(index * 100).toFixed(1)} %`,
      stateWords(lineState(line, toleranceOf(line, ledger))),
    ];
  };
  const causesShown = shown.map((account) => ACCOUNT_NAMES[account].name.toLowerCase());
  const head = ["kWh", "promise", "expected", ...causesShown, "data gap", "unexplained", "metered", "index", "state"];
  printText(textTable(head, [...months.map(row), ...years.map(row), row(all)]));
}

/** Accounts that held less than this in all years have no column. */
const LEAST_KWH = 0.5;

const between = (low: number | null, high: number | null): string =>
  low === null || high === null ? "" : ` (${Math.round(low)} to ${Math.round(high)} kWh)`;
