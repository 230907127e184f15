import { DEMO_BOOKS, hourlyProduction, recordOf, supply } from "@simulators";
import { siteSchema } from "@/contracts/site";
import { moneyOf, type PaybackTerms, paybackSpread, tornado, USUAL_DOUBTS } from "@/core/money";
import { joinPages } from "@/usecases/imports";
import { openLedger, type StoredSeries } from "@/usecases/ledger";
import { billsReport, planComparison } from "@/usecases/money";
import { bestMs } from "./best-ms";

export interface MoneyFigures {
  readonly drawsMs: number;
  readonly paybackMs: number;
  readonly tornadoMs: number;
  readonly billsMs: number;
  readonly plansMs: number;
}

/** The interval of a payback, and eight years of bills of the demo's ferry office. */
export function measureMoney(): MoneyFigures {
  const demo = DEMO_BOOKS.find(({ consumer }) => consumer)!;
  const site = siteSchema.parse(demo.site);
  const record = recordOf(demo, site);
  const { bills } = supply(site, demo.consumer!, hourlyProduction(record));
  const stored = (kind: "weather" | "production"): StoredSeries[] =>
    record[kind].map((pages) => joinPages({ ...pages, meterId: kind === "production" ? "main" : "" })).filter((series) => series !== null);
  const ledger = openLedger({ site, weather: stored("weather"), production: stored("production"), promise: null });
  const terms: PaybackTerms = moneyOf(site, ledger.report.months, ledger.promise).terms!;
  return {
    drawsMs: bestMs(() => paybackSpread(terms, USUAL_DOUBTS)),
    paybackMs: bestMs(() => moneyOf(site, ledger.report.months, ledger.promise)),
    tornadoMs: bestMs(() => tornado(terms, USUAL_DOUBTS)),
    billsMs: bestMs(() => billsReport({ site, ledger, bills, ageingPerYearFrac: null })),
    plansMs: bestMs(() => planComparison(site, ledger, bills)),
  };
}
