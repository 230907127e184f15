// Longer than a file should be, on purpose: the report follows the bill from top to bottom.
import type { BillDocument } from "@/contracts/bills";
import type { BillsReport, SavingsMethodName } from "@/contracts/money";
import type { SiteDocument } from "@/contracts/site";
import {
  amountOf,
  type BillMonth,
  billMonths,
  countedFrom,
  type DayShape,
  EVEN_DAY,
  Exact,
  energyShares,
  estimateMissing,
  HOUSEHOLD_DAY,
  isRange,
  methodGap,
  methodTotal,
  naiveSavingPerYear,
  planOn,
  planTest,
  promiseProgress,
  type RunRate,
  reRunRange,
  runRate,
  type SavingInput,
  type SavingMonth,
  type SavingsMethod,
  savingsOf,
  selfUseByBand,
  sumOf,
  tariffRises,
} from "@/core/money";
import { YEAR_MS } from "@/core/units";
import type { OpenLedger } from "../ledger";
import { ENOUGH_READ, producedIn } from "./produced";
import { type PlacedHour, type SunHours, scaledTo, sunHours } from "./sun-hours";

export interface BillsInput {
  readonly site: SiteDocument;
  readonly ledger: OpenLedger;
  readonly bills: readonly BillDocument[];
  /** As read by the Ageing chapter; null takes the book's. */
  readonly ageingPerYearFrac: number | null;
  /** Where they are at hand already. */
  readonly hours?: SunHours;
}

const METHOD_KEYS = { "re-run": "reRun", "old-average": "oldAverage", "flat-value": "flatValue" } as const satisfies Record<
  SavingsMethodName,
  keyof SavingMonth
>;
const METHOD_NAMES = Object.keys(METHOD_KEYS) as SavingsMethodName[];
/** What a display or a production meter of class B may be off. Source: IEC 62053-21, 2020, with a display's own rounding. */
const METER_FRAC = 0.015;
const HORIZON_YEARS = 40;

/** Savings from bills: three methods month by month, why they differ, and when the money is back at this rate. */
export function billsReport({
  site,
  ledger,
  bills,
  ageingPerYearFrac,
  hours = sunHours(ledger, site.money.plans),
}: BillsInput): BillsReport {
  const { currency, money } = site;
  const months = estimateMissing(billMonths(bills));
  const starts = site.commissioned?.slice(0, 7) ?? firstProduced(months, ledger);
  // What is told of the time before, and of a year, is told of printed bills; months without one are only shown.
  const before = months.filter(({ key, isEstimated }) => key < starts && !isEstimated);
  const after = months.filter(({ key }) => key >= starts);
  const since = withProduction(after, ledger);
  const inputsFor = (shape: DayShape, factor: number): SavingInput[] =>
    since.map((month) => withSelfUse(month, hours.get(month.key) ?? [], shape, factor));
  const terms = { plans: money.plans, currency, before, flatPerKwh: flatOf(site, before) };
  const inputs = inputsFor(HOUSEHOLD_DAY, 1);
  const savings = savingsOf(inputs, terms);
  const doubts: readonly (readonly [DayShape, number])[] = [
    [HOUSEHOLD_DAY, 1 - METER_FRAC],
    [HOUSEHOLD_DAY, 1 + METER_FRAC],
    [EVEN_DAY, 1],
  ];
  const ranges = [savings, ...doubts.map(([shape, factor]) => savingsOf(inputsFor(shape, factor), terms))]
    .map(reRunRange)
    .filter((range) => range !== null);
  const out = (value: Exact): string => amountOf(value, currency);
  const rates = METHOD_NAMES.flatMap((method) => rateOf(method, savings, { site, ledger, ageingPerYearFrac }));
  const exportPerKwh = new Exact(
    planOn(money.plans, after.at(-1) ? `${after.at(-1)!.key}-15` : "9999-01-01")?.credit.perKwh ?? money.tariff.exportPerKwh ?? 0,
  );
  const gap = methodGap(before, inputs, savings, exportPerKwh);
  const printed = inputs.filter(({ isEstimated }) => !isEstimated);
  const naive = naiveSavingPerYear(
    before,
    after.filter(({ isEstimated }) => !isEstimated),
  );
  return {
    currency,
    months: months.map((month) => monthRow(month, month.key < starts, inputs, savings, out)),
    years: yearRows(months, inputs, savings, out),
    methods: methodRows(savings, { ranges, rates }, out),
    naivePerYear: naive && out(naive),
    why: whyRow(gap),
    shares: printed.length > 0 ? energyShares(printed) : null,
    progress: progressOf(ledger),
    runRates: rates,
    planTest: planTestRow(savings, out),
    missing: missingOf(site, months, before, after, since, savings),
  };
}

/** Prices in plain numbers, for words. */
function whyRow(gap: ReturnType<typeof methodGap>): BillsReport["why"] {
  const { oldPerKwh, netPerKwh, grossPerKwh, nowPerKwh, avoidedPerKwh, loadBeforeKwh, loadSinceKwh } = gap;
  const plain = (value: Exact | null): number | null => value?.toNumber() ?? null;
  return {
    oldPerKwh: plain(oldPerKwh),
    netPerKwh: plain(netPerKwh),
    grossPerKwh: plain(grossPerKwh),
    nowPerKwh: plain(nowPerKwh),
    avoidedPerKwh: plain(avoidedPerKwh),
    loadBeforeKwh,
    loadSinceKwh,
  };
}

type Range = NonNullable<ReturnType<typeof reRunRange>>;

interface MethodGround {
  readonly ranges: readonly Range[];
  readonly rates: readonly RunRateRow[];
}

/** Each method's saving over the billed months, with the bounds of the one that is run again; a year of it as its run rate has it, by season. */
function methodRows(savings: readonly SavingMonth[], { ranges, rates }: MethodGround, out: Words): BillsReport["methods"] {
  return METHOD_NAMES.flatMap((method): BillsReport["methods"] => {
    const rate = rates.find((own) => own.method === method);
    if (!rate) return [];
    const { perYear, perYearLow, perYearHigh } = rate;
    const sums = method === "re-run" ? reRunSums(savings, ranges, out) : plainSums(savings, METHOD_KEYS[method], out);
    return sums ? [{ method, ...sums, perYear, perYearLow, perYearHigh }] : [];
  });
}

type Sums = Pick<BillsReport["methods"][number], "months" | "total" | "low" | "high" | "isRange">;

function plainSums(savings: readonly SavingMonth[], key: SavingsMethod, out: Words): Sums | null {
  const months = savings.filter((month) => !month.isEstimated && month[key] !== null).length;
  const total = methodTotal(savings, key);
  return total && { months, total: out(total), low: null, high: null, isRange: false };
}

/** One figure where all that the sun covered has a band; else its middle is no figure, and only the two ends are told. */
function reRunSums(savings: readonly SavingMonth[], ranges: readonly Range[], out: Words): Sums | null {
  const own = reRunRange(savings);
  return (
    own && {
      months: own.months,
      total: out(own.low.plus(own.high).div(2)),
      low: out(Exact.min(...ranges.map((range) => range.low))),
      high: out(Exact.max(...ranges.map((range) => range.high))),
      isRange: !own.low.eq(own.high),
    }
  );
}

/** The first month in which anything was made, where nobody said when the array began: before it nothing may be taken for made. */
function firstProduced(months: readonly BillMonth[], { report }: OpenLedger): string {
  const metered = report.months.find(({ meteredKwh }) => meteredKwh !== null && meteredKwh > 0)?.key;
  const printed = months.find(({ isEstimated, productionKwh, exportKwh }) => !isEstimated && (productionKwh ?? exportKwh ?? 0) > 0)?.key;
  return [metered, printed].filter((key) => key !== undefined).sort()[0] ?? NEVER;
}
/** After every month there is. */
const NEVER = "9999-12";

type ProducedMonth = BillMonth & { exportKwh: number; productionKwh: number; isFilled: boolean };

/** Months with their production; those without an export on the bill have nothing to tell. */
function withProduction(months: readonly BillMonth[], ledger: OpenLedger): ProducedMonth[] {
  const producedOf = producedIn(ledger);
  return months.flatMap((month): ProducedMonth[] => {
    const produced = producedOf(month);
    if (produced === null || month.exportKwh === null) return [];
    return [{ ...month, exportKwh: month.exportKwh, productionKwh: produced.kwh, isFilled: produced.isFilled }];
  });
}

function withSelfUse(month: ProducedMonth, hours: readonly PlacedHour[], shape: DayShape, factor: number): SavingInput {
  const productionKwh = Math.max(month.exportKwh, month.productionKwh * factor);
  const self = productionKwh - month.exportKwh;
  const bands = Object.keys(month.importByBandKwh);
  // Without sun by the hour, or bands on the bill, it isn't known when the sun covered something.
  if (bands.length === 0 || hours.length === 0) return { ...month, productionKwh, selfByBandKwh: {} };
  return { ...month, productionKwh, selfByBandKwh: selfUseByBand(scaledTo(hours, productionKwh), month.importByBandKwh, self, shape) };
}

function flatOf(site: SiteDocument, before: readonly BillMonth[]): { used: string; exported: string } | null {
  const { tariff, plans } = site.money;
  const kwh = before.reduce((sum, month) => sum + month.importKwh, 0);
  const old =
    kwh > 0
      ? sumOf(before.map(({ amount }) => amount))
          .div(kwh)
          .toFixed(6)
      : null;
  const used = tariff.importPerKwh ?? old;
  return used === null ? null : { used, exported: tariff.exportPerKwh ?? plans.at(-1)?.credit.perKwh ?? "0" };
}

function rateOf(
  method: SavingsMethodName,
  savings: readonly SavingMonth[],
  { site, ledger, ageingPerYearFrac }: Pick<BillsInput, "site" | "ledger" | "ageingPerYearFrac">,
): BillsReport["runRates"] {
  const counted = countedFrom(site);
  const lastKey = savings.at(-1)?.key;
  if (lastKey === undefined) return [];
  const isCostKnown = site.money.costs.length > 0;
  const ageYears = site.commissioned ? Math.max(0, (Date.parse(`${lastKey}-28`) - Date.parse(site.commissioned)) / YEAR_MS) : 0;
  const rises = tariffRises(site, HORIZON_YEARS + 1, { ageYears });
  const rateBy = (savingOf: (month: SavingMonth) => Exact | null): RunRate | null =>
    runRate({
      saved: savings.flatMap((month) => {
        const saving = savingOf(month);
        return saving === null ? [] : [{ key: month.key, saving, isEstimated: month.isEstimated }];
      }),
      startsOn: counted.on,
      netCost: sumOf(counted.costs).minus(sumOf(counted.incentives)),
      laterSums: counted.later,
      rises: (yearsOn) => rises[yearsOn]!,
      ageingPerYearFrac: ageingPerYearFrac ?? site.ageing.perYearFrac,
      season: seasonOf(ledger),
      horizonYears: HORIZON_YEARS,
    });
  const out = (value: Exact): string => amountOf(value, site.currency);
  // What is only known between two ends has its pace between two ends.
  if (method === "re-run" && savings.some(isRange)) {
    const [low, high] = [0, 1].map((end) => rateBy(({ reRunRange: range }) => range?.[end as 0 | 1] ?? null));
    return low && high ? [runRateRow(method, { low, mid: null, high, isCostKnown }, out)] : [];
  }
  const mid = rateBy((month) => month[METHOD_KEYS[method]]);
  return mid ? [runRateRow(method, { low: mid, mid, high: mid, isCostKnown }, out)] : [];
}

interface Pace {
  readonly low: RunRate;
  readonly mid: RunRate | null;
  readonly high: RunRate;
  /** Without a cost nothing is paid back. */
  readonly isCostKnown: boolean;
}

/** A pace in the report's figures; without a middle its two ends stand alone. */
function runRateRow(method: SavingsMethodName, { low, mid, high, isCostKnown }: Pace, out: Words): RunRateRow {
  return {
    method,
    savedToDate: mid && out(mid.savedToDate),
    perYear: mid && out(mid.perYear),
    perYearLow: out(low.perYearLow),
    perYearHigh: out(high.perYearHigh),
    naivePerYear: mid && out(mid.naivePerYear),
    paidBackOn: isCostKnown ? (mid?.paidBackOn ?? null) : null,
    paidBackFrom: isCostKnown ? high.paidBackFrom : null,
    paidBackBy: isCostKnown ? low.paidBackBy : null,
    years: isCostKnown ? (mid?.years ?? null) : null,
    filledMonths: low.filledMonths,
    countsFrom: low.countsFrom,
    isRange: mid === null,
  };
}
type RunRateRow = BillsReport["runRates"][number];

/** The year's shape: the promise, else the mean of the expected months; even where neither is known. */
function seasonOf({ promise, report }: OpenLedger): readonly number[] {
  if (promise) return promise;
  const sums = new Array<number>(12).fill(0);
  for (const line of report.months) sums[Number(line.key.slice(5)) - 1]! += line.expectedKwh;
  return sums.every((sum) => sum > 0) ? sums : new Array<number>(12).fill(1);
}

function progressOf({ promise, report }: OpenLedger): BillsReport["progress"] {
  const year = report.months
    .filter((line) => line.meteredKwh !== null)
    .at(-1)
    ?.key.slice(0, 4);
  if (!promise || year === undefined) return null;
  const months = report.months
    .filter((line) => line.key.startsWith(year) && line.meteredKwh !== null && line.readFrac > ENOUGH_READ)
    .map((line) => ({ month: Number(line.key.slice(5)), kwh: line.meteredKwh! }));
  return { year, ...promiseProgress(months, promise) };
}

type Words = (value: Exact) => string;

const savedOf = (month: SavingMonth | undefined, out: Words): Record<SavingsMethodName, string | null> =>
  Object.fromEntries(
    METHOD_NAMES.map((method) => [method, month?.[METHOD_KEYS[method]] ? out(month[METHOD_KEYS[method]]!) : null]),
  ) as Record<SavingsMethodName, string | null>;

function monthRow(
  month: BillMonth,
  isBefore: boolean,
  inputs: readonly SavingInput[],
  savings: readonly SavingMonth[],
  out: Words,
): BillsReport["months"][number] {
  const input = inputs.find(({ key }) => key === month.key);
  const saving = savings.find(({ key }) => key === month.key);
  return {
    key: month.key,
    days: month.days,
    isBefore,
    isEstimated: month.isEstimated,
    isFilled: input?.isFilled ?? false,
    importKwh: month.importKwh,
    importByBandKwh: { ...month.importByBandKwh },
    exportKwh: month.exportKwh,
    productionKwh: input?.productionKwh ?? month.productionKwh,
    selfUsedKwh: saving?.selfUsedKwh ?? null,
    loadKwh: saving?.loadKwh ?? (isBefore ? month.importKwh : null),
    amount: out(month.amount),
    perKwh: month.importKwh > 0 ? month.amount.toNumber() / month.importKwh : null,
    without: saving?.without ? out(saving.without) : null,
    again: saving?.again ? out(saving.again) : null,
    saved: savedOf(saving, out),
  };
}

/** Years of what was printed: a month without a bill counts in none. */
function yearRows(
  months: readonly BillMonth[],
  inputs: readonly SavingInput[],
  savings: readonly SavingMonth[],
  out: Words,
): BillsReport["years"] {
  const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
  const printed = months.filter(({ isEstimated }) => !isEstimated);
  return [...new Set(printed.map(({ key }) => key.slice(0, 4)))].map((year) => {
    const isOwn = (month: { readonly key: string; readonly isEstimated: boolean }): boolean =>
      month.key.startsWith(year) && !month.isEstimated;
    const own = printed.filter(isOwn);
    const produced = inputs.filter(isOwn);
    const saved = savings.filter(isOwn);
    const amount = sumOf(own.map((month) => month.amount));
    const importKwh = sum(own.map((month) => month.importKwh));
    return {
      key: year,
      months: own.length,
      importKwh,
      exportKwh: produced.length > 0 ? sum(produced.map((month) => month.exportKwh)) : null,
      productionKwh: produced.length > 0 ? sum(produced.map((month) => month.productionKwh)) : null,
      selfUsedKwh: saved.length > 0 ? sum(saved.map((month) => month.selfUsedKwh)) : null,
      amount: out(amount),
      perKwh: importKwh > 0 ? amount.toNumber() / importKwh : null,
      saved: Object.fromEntries(
        METHOD_NAMES.map((method) => {
          const total = methodTotal(saved, METHOD_KEYS[method]);
          return [method, total && out(total)];
        }),
      ) as Record<SavingsMethodName, string | null>,
    };
  });
}

/** How near the plan comes to the printed bills. */
function planTestRow(savings: readonly SavingMonth[], out: Words): BillsReport["planTest"] {
  const test = planTest(savings);
  return (
    test && {
      months: test.months,
      exact: test.exact,
      offTotal: out(test.offTotal),
      worst: test.worst?.key ?? null,
      worstOff: out(test.worst?.off ?? new Exact(0)),
      beyond: [...test.beyond],
      isTrusted: test.isTrusted,
    }
  );
}

function missingOf(
  site: SiteDocument,
  months: readonly BillMonth[],
  before: readonly BillMonth[],
  after: readonly BillMonth[],
  since: readonly ProducedMonth[],
  savings: readonly SavingMonth[],
): BillsReport["missing"] {
  const missing: BillsReport["missing"] = [];
  if (months.length === 0) missing.push("bills");
  if (site.money.plans.length === 0) missing.push("plan");
  if (after.length > 0 && after.every(({ exportKwh }) => exportKwh === null)) missing.push("export");
  else if (after.length > 0 && since.length === 0) missing.push("production");
  if (site.money.plans.length > 0 && savings.length > 0 && savings.every(({ without }) => without === null)) missing.push("bands");
  if (months.length > 0 && before.length === 0) missing.push("before");
  return missing;
}
