import type { AcceptanceQuestion } from "@/contracts/acceptance";
import type { Examination } from "@/contracts/examination";
import type { LedgerReport } from "@/contracts/ledger";
import { packModule, packModuleDay, packNeighbours } from "@/contracts/neighbours";
import type { ChangeQuestion, TrialQuestion } from "@/contracts/trial";
import { packTrial } from "@/contracts/trial-wire";
import { packWeather } from "@/contracts/weather-wire";
import type { Site } from "@/core/site";
import { type Days, measuredTest } from "../acceptance";
import type { Book } from "../books";
import { coverageOf } from "../imports";
import {
  allWeather,
  clearDaysOf,
  dayOf,
  daySums,
  doubtOf,
  glanceOf,
  type OpenLedger,
  ownSunOf,
  type ReadingStore,
  type StoredSeries,
  wholeYearsKwh,
  yearWeather,
} from "../ledger";
import type { MoneyPage } from "../money";
import { dayOfNeighbours, moduleOf, neighboursOf, type ReadingsOfModules } from "../neighbours";
import { healthBasis } from "../quality";
import { changeDays, meterMonths, trialSources } from "../trials";

/** What heavy sums are made from: everything read of a book, joined and run. */
export interface HeavyPorts {
  readonly ledgerOf: (book: Book) => Promise<OpenLedger>;
  readonly examinationOf: (book: Book) => Promise<Examination>;
  /** Lets the ledger of a long record go, whose columns would stand beside those that are read now. */
  readonly letGo: (book: Book) => void;
  readonly moneyOf: (book: Book) => Promise<MoneyPage>;
  readonly cleanProduction: (book: Book) => Promise<readonly StoredSeries[]>;
  readonly modulesOf: ReadingsOfModules;
  readonly readings: Pick<ReadingStore, "promiseOf" | "eachSeriesOf" | "sparseOf">;
}

/** What a ledger tells without its intervals: small enough to be stored and to be read for every page. */
export interface Figures {
  readonly report: LedgerReport;
  readonly promise: readonly number[] | null;
  readonly promiseFrom: "import" | "site" | null;
}

interface FigurePorts extends Pick<HeavyPorts, "ledgerOf"> {
  readonly readings: Pick<ReadingStore, "promiseOf">;
}

export async function figuresOf({ ledgerOf, readings }: FigurePorts, book: Book): Promise<Figures> {
  const [{ report, promise }, imported] = await Promise.all([ledgerOf(book), readings.promiseOf(book.id)]);
  return { report, promise, promiseFrom: imported ? "import" : promise ? "site" : null };
}

/** Every question to which a heavy sum is the answer, by name. Answers are plain data, since they cross from one thread to another. */
export const ANSWERS = {
  figures: (ports: HeavyPorts, book: Book) => figuresOf(ports, book),
  glance: async ({ ledgerOf }: HeavyPorts, book: Book, { year }: { year: string }) => glanceOf(await ledgerOf(book), year),
  days: async ({ ledgerOf }: HeavyPorts, book: Book) => dailyEnergies(await ledgerOf(book)),
  month: async ({ ledgerOf }: HeavyPorts, book: Book, { month, day }: { month: string; day: string | undefined }) => {
    const ledger = await ledgerOf(book);
    const days = daySums(ledger, month);
    const date = days.find((sum) => sum.date === day)?.date ?? days[0]?.date ?? `${month}-01`;
    return { days, date, day: dayOf(ledger, date) };
  },
  day: async ({ ledgerOf }: HeavyPorts, book: Book, { date }: { date: string }) => dayOf(await ledgerOf(book), date),
  doubt: async ({ ledgerOf }: HeavyPorts, book: Book, { year, months }: { year: number; months: number }) => {
    const ledger = await ledgerOf(book);
    return { doubt: doubtOf(ledger, year, months), wholeYearsKwh: wholeYearsKwh(ledger) };
  },
  coverage: ({ readings, letGo }: HeavyPorts, book: Book) => {
    letGo(book);
    return coverageOf(readings, book.id, book.site.place.timeZone);
  },
  examination: ({ examinationOf }: HeavyPorts, book: Book) => examinationOf(book),
  ownSun: async ({ ledgerOf }: HeavyPorts, book: Book) => ownSunOf(await ledgerOf(book)),
  health: async ({ ledgerOf }: HeavyPorts, book: Book) => healthBasis(await ledgerOf(book)),
  money: ({ moneyOf }: HeavyPorts, book: Book) => moneyOf(book),
  weather: async ({ ledgerOf }: HeavyPorts, book: Book, { year }: { year: number | "all" }) => {
    const ledger = await ledgerOf(book);
    const { prepared, from, to } = year === "all" ? allWeather(book.site.place, ledger) : yearWeather(book.site.place, ledger, year);
    return packWeather(prepared.weather, from, to);
  },
  trial: async ({ ledgerOf, cleanProduction }: HeavyPorts, book: Book, question: TrialQuestion) => {
    const [ledger, production] = await Promise.all([ledgerOf(book), cleanProduction(book)]);
    return packTrial(trialSources(question, ledger, production));
  },
  meterMonths: async ({ cleanProduction, readings }: HeavyPorts, book: Book) => {
    const [production, { spans }] = await Promise.all([cleanProduction(book), readings.sparseOf(book.id)]);
    return meterMonths(book.site, production, spans);
  },
  change: async ({ ledgerOf, cleanProduction }: HeavyPorts, book: Book, question: ChangeQuestion) => {
    const [ledger, production] = await Promise.all([ledgerOf(book), cleanProduction(book)]);
    return changeDays(question, ledger, production);
  },
  test: async (
    { ledgerOf }: HeavyPorts,
    book: Book,
    asked: { question: AcceptanceQuestion; held: readonly Days[]; cleanings: readonly string[]; site: Site | null },
  ) => measuredTest(await ledgerOf(book), asked),
  clearDays: async ({ ledgerOf }: HeavyPorts, book: Book) => clearDaysOf(await ledgerOf(book)),
  neighbours: async ({ modulesOf }: HeavyPorts, book: Book) => {
    const report = await neighboursOf(modulesOf, book);
    return report && packNeighbours(report);
  },
  module: async ({ modulesOf }: HeavyPorts, book: Book, { id }: { id: string }) => {
    const detail = await moduleOf(modulesOf, book, id);
    return detail && packModule(detail);
  },
  moduleDay: async ({ modulesOf }: HeavyPorts, book: Book, { date }: { date: string }) => {
    const day = await dayOfNeighbours(modulesOf, book, date);
    return day && packModuleDay(day);
  },
} as const;

export type Answers = typeof ANSWERS;
export type QuestionName = keyof Answers;
export type Asked<Q extends QuestionName> = Parameters<Answers[Q]>[2] extends undefined
  ? Record<string, never>
  : NonNullable<Parameters<Answers[Q]>[2]>;
export type Answer<Q extends QuestionName> = Awaited<ReturnType<Answers[Q]>>;

/** Expected and metered energy of each day of the record, for the strips of the causes. */
function dailyEnergies(ledger: OpenLedger) {
  const parts = ledger.report.years.map(({ key }) => glanceOf(ledger, key));
  const daily = (cells: readonly (number | null)[], days: number): (number | null)[] =>
    Array.from({ length: days }, (_, d) => {
      const known = cells.slice(d * 24, d * 24 + 24).filter((value): value is number => value !== null);
      return known.length > 0 ? Math.round(known.reduce((a, b) => a + b, 0) * 10) / 10 : null;
    });
  return {
    days: parts.flatMap(({ days }) => days),
    expectedKwh: parts.flatMap((part) => daily(part.expectedKwh, part.days.length)),
    meteredKwh: parts.flatMap((part) => daily(part.meteredKwh, part.days.length)),
  };
}
