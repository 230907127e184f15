import type { BookFinding, Decision, Examination, ExaminedSeries, WeatherStrip } from "@/contracts/examination";
import { mostEnergyKwh } from "@/core/ledger";
import { type ExpectedBetween, type ExpectedSeries, examine, examineCounter, type Finding, findFalseZeros } from "@/core/quality";
import { compareSpans, counterSpans, energyBetween, energyKwh, type ProductionQuantity } from "@/core/readings";
import { nameplateW, partOfSite, type Site } from "@/core/site";
import { type CalendarBins, dayBins } from "@/core/time";
import type { OpenLedger, StoredSeries, StoredSparse } from "../ledger";
import { byMeter, cleanSeries, cleanSparse, counterKeyOf, findingKeyOf, seriesKeyOf, spanKeyOf } from "./clean";

export interface ExaminationInput {
  readonly site: Site;
  /** What the model owes; null without weather. */
  readonly expected: ExpectedSeries | null;
  readonly production: readonly StoredSeries[];
  /** The days of each weather column, which are all that is told of it. */
  readonly weather: WeatherStrip[];
  readonly sparse: StoredSparse;
  readonly decisions: readonly Decision[];
}

/** All that an examination needs of a ledger, whose other columns may go. */
export const expectedOf = ({ run, weather }: Pick<OpenLedger, "run" | "weather">): ExpectedSeries | null =>
  run && { axis: run.axis, kwh: run.expectedKwh, rainMm: weather?.rainMm ?? null };

/** A meter of some of the arrays: their part of the site, and the share of what the site owes that falls to them by nameplate. */
function partOf(meterId: string, site: Site, expected: ExpectedSeries | null): { site: Site; expected: ExpectedSeries | null } {
  const meter = site.meters.find(({ id }) => id === meterId);
  if (!meter || meter.arrays.length === 0 || site.arrays.every(({ id }) => meter.arrays.includes(id))) return { site, expected };
  const own = partOfSite(site, meter.arrays);
  const share = nameplateW(own) / nameplateW(site);
  return { site: own, expected: expected && { ...expected, kwh: expected.kwh.map((kwh) => kwh * share) } };
}

/** Examines every production series of a book: findings with what was decided, days raw and clean, and the spans between hand readings. */
export function examineBook({ site, expected, production, weather, sparse, decisions }: ExaminationInput): Examination {
  const started = performance.now();
  const clean = cleanSeries(production, decisions, site);
  const findings = [
    ...production.flatMap((series) => {
      const part = partOf(series.meterId, site, expected);
      return seriesFindings(series, part.site, part.expected).map((finding) =>
        told(finding, seriesKeyOf(series), series.meterId, decisions),
      );
    }),
    ...spanFindings(sparse, expected).map(({ meterId, finding }) => told(finding, spanKeyOf(meterId), meterId, decisions)),
    ...counterFindings(sparse, expected).map(({ meterId, finding }) => told(finding, counterKeyOf(meterId), meterId, decisions)),
  ];
  return {
    findings,
    series: production.map((series, k) => byDay(series, clean[k]!, site, partOf(series.meterId, site, expected).expected)),
    weather,
    spans: spanRows(cleanSparse(sparse, decisions), expected),
    byWeather: expected !== null,
    milliseconds: Math.round(performance.now() - started),
  };
}

/** Findings of one raw series. */
export function seriesFindings(series: StoredSeries, site: Site, expected: ExpectedSeries | null): Finding[] {
  const { axis } = series;
  const kwh = energyKwh(series.values, series.quantity as ProductionQuantity, axis.stepMinutes);
  return examine({ axis, energyKwh: kwh, site, expected, mostKwh: mostEnergyKwh(site, axis.stepMinutes) });
}

function told(finding: Finding, seriesKey: string, meterId: string, decisions: readonly Decision[]): BookFinding {
  const key = findingKeyOf(seriesKey, finding.kind, finding.fromUtcMs);
  const decision = decisions.find((candidate) => candidate.findingKey === key) ?? null;
  return { ...finding, facts: { ...finding.facts }, key, seriesKey, meterId, decision };
}

/** What is owed between two instants, where nearly all of it is known. */
const owedBetween =
  (expected: ExpectedSeries | null): ExpectedBetween =>
  (from, to) => {
    if (!expected) return Number.NaN;
    const { kwh, knownFrac } = energyBetween(expected.axis, expected.kwh, from, to);
    return knownFrac > 0.9 ? kwh / knownFrac : Number.NaN;
  };

interface MeterFinding {
  readonly meterId: string;
  readonly finding: Finding;
}

function spanFindings({ spans }: StoredSparse, expected: ExpectedSeries | null): MeterFinding[] {
  return byMeter(spans).flatMap(([meterId, own]) => {
    const inOrder = own.sort((a, b) => a.fromUtcMs - b.fromUtcMs);
    return findFalseZeros(inOrder, owedBetween(expected)).map((finding) => ({ meterId, finding }));
  });
}

function counterFindings({ counters }: StoredSparse, expected: ExpectedSeries | null): MeterFinding[] {
  const between = owedBetween(expected);
  return byMeter(counters).flatMap(([meterId, own]) => {
    const inOrder = own.sort((a, b) => a.atUtcMs - b.atUtcMs);
    return examineCounter(inOrder, between).map((finding) => ({ meterId, finding }));
  });
}

const brief = (value: number): number | null => (Number.isNaN(value) ? null : Math.round(value * 1000) / 1000);

/** Which local days a record spans, from its first to its last reading, and how much of each was read. Pages are whole days of UTC; what lies before and after is no part of it. */
function readDays(values: Float64Array, bins: CalendarBins): { first: number; end: number; readFrac: number[] } {
  const [read, all] = [new Float64Array(bins.keys.length), new Float64Array(bins.keys.length)];
  for (let i = 0; i < values.length; i++) {
    all[bins.binOf[i]!]! += 1;
    if (!Number.isNaN(values[i])) read[bins.binOf[i]!]! += 1;
  }
  const first = Math.max(
    0,
    read.findIndex((count) => count > 0),
  );
  const end = read.findLastIndex((count) => count > 0) + 1;
  return { first, end, readFrac: [...read.subarray(first, end)].map((count, k) => Math.round((count / all[first + k]!) * 1000) / 1000) };
}

/** The days of a weather column and how much of each was read. */
export function weatherStrip({ quantity, axis, values }: StoredSeries, site: Site): WeatherStrip {
  const bins = dayBins(axis, site.place.timeZone);
  const { first, end, readFrac } = readDays(values, bins);
  return { quantity, stepMinutes: axis.stepMinutes, days: bins.keys.slice(first, end), readFrac };
}

function byDay(series: StoredSeries, clean: StoredSeries, site: Site, expected: ExpectedSeries | null): ExaminedSeries {
  const { axis } = series;
  const bins = dayBins(axis, site.place.timeZone);
  const raw = energyKwh(series.values, series.quantity as ProductionQuantity, axis.stepMinutes);
  const cleaned = clean === series ? raw : clean.values;
  const { first, end, readFrac } = readDays(raw, bins);
  const days = bins.keys.slice(first, end);
  return {
    key: seriesKeyOf(series),
    meterId: series.meterId,
    point: site.meters.find(({ id }) => id === series.meterId)?.point ?? "ac",
    quantity: series.quantity,
    stepMinutes: axis.stepMinutes,
    days,
    rawKwh: daySums(raw, bins).slice(first, end),
    cleanKwh: daySums(cleaned, bins).slice(first, end),
    expectedKwh: expectedByDay(days, site, expected),
    readFrac,
  };
}

/** Sum of each day's readings, kWh; null where there are none. */
function daySums(kwh: Float64Array, bins: CalendarBins): (number | null)[] {
  const sums = new Float64Array(bins.keys.length).fill(Number.NaN);
  for (let i = 0; i < kwh.length; i++) {
    const bin = bins.binOf[i]!;
    if (!Number.isNaN(kwh[i])) sums[bin] = (Number.isNaN(sums[bin]) ? 0 : sums[bin]!) + kwh[i]!;
  }
  return [...sums].map(brief);
}

function expectedByDay(days: readonly string[], site: Site, expected: ExpectedSeries | null): (number | null)[] {
  if (!expected) return days.map(() => null);
  const bins = dayBins(expected.axis, site.place.timeZone);
  const sums = new Map<string, number>();
  for (let i = 0; i < expected.axis.count; i++) {
    const key = bins.keys[bins.binOf[i]!]!;
    sums.set(key, (sums.get(key) ?? 0) + expected.kwh[i]!);
  }
  return days.map((day) => brief(sums.get(day) ?? Number.NaN));
}

function spanRows(sparse: StoredSparse, expected: ExpectedSeries | null): Examination["spans"] {
  const counted = counterSpans(sparse.counters).map((span) => ({ ...span, source: "counter" as const }));
  const listed = sparse.spans.map((span) => ({ ...span, source: "table" as const }));
  const all = [...counted, ...listed].sort((a, b) => a.fromUtcMs - b.fromUtcMs);
  if (!expected) return all.map((span) => ({ ...span, expectedKwh: 0, knownFrac: 0 }));
  return compareSpans(all, expected.axis, expected.kwh).map((span, k) => ({ ...span, source: all[k]!.source }));
}
