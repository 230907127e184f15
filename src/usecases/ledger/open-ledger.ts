import type { LedgerReport, LedgerSources } from "@/contracts/ledger";
import { type LedgerLine, ledgerLines, type MeteredOnAxis, type MeterSeries, meteredOnto, totalLine } from "@/core/ledger";
import { counterSpans, type MeteredSpan } from "@/core/readings";
import { indexAt, type TimeAxis } from "@/core/series";
import type { Site } from "@/core/site";
import { monthBins } from "@/core/time";
import { MINUTE_MS } from "@/core/units";
import { usualMarks, type Weather } from "@/core/weather";
import { levelLight, runYield, type YieldRun } from "@/core/yield";
import { gatherMeters, gatherPartMeters, gatherWeather, sinceCommissioned } from "./gather";
import type { StoredSeries, StoredSparse } from "./ports";
import { monthsWithoutWeather } from "./without-weather";

export interface LedgerInput {
  readonly site: Site;
  readonly weather: readonly StoredSeries[];
  readonly production: readonly StoredSeries[];
  /** Daily, monthly and hand-read figures. */
  readonly sparse?: StoredSparse;
  /** Stretches whose light is a usual year's: expected of a usual year, and held against nothing. */
  readonly usualSpans?: readonly { readonly fromUtcMs: number; readonly toUtcMs: number }[];
  /** Imported promise; null falls back on the site document's. */
  readonly promise: readonly number[] | null;
  /** Local dates on which somebody cleaned, for soiling that builds up. */
  readonly cleanings?: readonly string[];
  /** Calendar months to keep, both ends included ("2021-03"); all by default. */
  readonly fromMonth?: string;
  readonly toMonth?: string;
}

/** A ledger with the interval data behind its lines, for day views and pictures. */
export interface OpenLedger {
  readonly site: Site;
  readonly report: LedgerReport;
  readonly promise: readonly number[] | null;
  readonly meters: readonly MeterSeries[];
  /** Meters of some arrays alone, on either side of the inverter. */
  readonly partMeters: readonly MeterSeries[];
  readonly weather: Weather | null;
  readonly run: YieldRun | null;
  /** 1 where the light is a usual year's; null where all was measured. */
  readonly usual: Uint8Array | null;
  /** What was read of time whose own weather is known. */
  readonly metered: MeteredOnAxis | null;
}

const EMPTY_AXIS: TimeAxis = { startUtcMs: 0, stepMinutes: 60, count: 0 };

/** Runs the chain over the book's weather, sets the meters against it, and sums by local month, year and whole. */
export function openLedger(input: LedgerInput): OpenLedger {
  const { site } = input;
  const promise = input.promise ?? site.promise?.monthlyKwh ?? null;
  const meters = gatherMeters(input.production, site);
  const asRead = sinceCommissioned(gatherWeather(input.weather), site, firstRead(input, site));
  const axis = asRead?.axis ?? EMPTY_AXIS;
  const bins = monthBins(axis, site.place.timeZone);
  const weather = asRead && levelLight(site, asRead, bins);
  const run = weather && runYield(site, weather, bins, { cleanings: input.cleanings ?? [] });
  const spans = run && input.sparse ? spansOf(input.sparse, site) : [];
  const metered = run && meters.length + spans.length > 0 ? meteredOnto(axis, meters, site, { spans, expectedKwh: run.expectedKwh }) : null;
  const usual = usualMarks(axis, input.usualSpans ?? []);
  const allMonths = run
    ? ledgerLines(run, metered, promise, usual)
    : monthsWithoutWeather({ site, meters, promise, spans: input.sparse ? spansOf(input.sparse, site) : [] });
  const months = allMonths.filter((line) => line.key >= (input.fromMonth ?? "") && line.key <= (input.toMonth ?? "9999"));
  const report: LedgerReport = {
    months,
    years: yearLines(months),
    all: totalLine("all", months),
    sources: sourcesOf(input, weather, metered, meters),
  };
  return {
    site,
    report,
    promise,
    meters,
    partMeters: gatherPartMeters(input.production, site),
    weather,
    run,
    usual,
    metered: metered && comparable(metered, usual),
  };
}

/** Readings beside a usual year's light count as not read: nothing can be sought in them. Null where no others are left. */
function comparable(metered: MeteredOnAxis, usual: Uint8Array | null): MeteredOnAxis | null {
  if (!usual) return metered;
  if (metered.readFrac.every((read, i) => read === 0 || usual[i] === 1)) return null;
  return {
    ...metered,
    kwh: metered.kwh.map((kwh, i) => (usual[i] === 1 ? 0 : kwh)),
    readFrac: metered.readFrac.map((read, i) => (usual[i] === 1 ? 0 : read)),
  };
}

/** Start of the earliest reading that holds energy. */
function firstRead({ production, sparse }: LedgerInput, site: Site): number {
  const starts = production.map(({ axis, values }) => {
    const first = values.findIndex((value) => value > 0);
    return first < 0 ? Number.POSITIVE_INFINITY : axis.startUtcMs + first * axis.stepMinutes * MINUTE_MS;
  });
  const spans = sparse ? spansOf(sparse, site).map(({ fromUtcMs, kwh }) => (kwh > 0 ? fromUtcMs : Number.POSITIVE_INFINITY)) : [];
  return Math.min(Number.POSITIVE_INFINITY, ...starts, ...spans);
}

/** Spans of the meters that count AC energy, those between counter readings among them. */
function spansOf({ spans, counters }: StoredSparse, site: Site): MeteredSpan[] {
  const counted = new Set(site.meters.filter((meter) => meter.point === "ac").map((meter) => meter.id));
  return [...spans, ...counterSpans(counters)].filter(({ meterId }) => counted.has(meterId));
}

function yearLines(months: readonly LedgerLine[]): LedgerLine[] {
  const years = [...new Set(months.map((line) => line.key.slice(0, 4)))];
  return years.map((year) =>
    totalLine(
      year,
      months.filter((line) => line.key.startsWith(year)),
    ),
  );
}

function sourcesOf(
  input: LedgerInput,
  weather: Weather | null,
  metered: MeteredOnAxis | null,
  meters: readonly MeterSeries[],
): LedgerSources {
  const axis = weather?.axis;
  const iso = (utcMs: number): string => new Date(utcMs).toISOString();
  const assumed: LedgerSources["assumedColumns"] = [];
  if (weather && !weather.airTempC) assumed.push("air_temperature_c");
  if (weather && !weather.windSpeedMs) assumed.push("wind_speed_m_s");
  return {
    weatherStepMinutes: axis?.stepMinutes ?? null,
    weatherColumns: [...new Set(input.weather.map((series) => series.quantity))].sort(),
    assumedColumns: assumed,
    meterIds: meters.map((meter) => meter.meterId),
    caughtUpRows: metered?.caughtUpRows ?? 0,
    impossibleRows: metered?.impossibleRows ?? 0,
    firstUtc: axis ? iso(axis.startUtcMs) : null,
    lastUtc: axis ? iso(axis.startUtcMs + axis.count * axis.stepMinutes * 60_000) : null,
  };
}

/** Index range of an open ledger's axis between two instants. */
export function rangeOf(axis: TimeAxis, fromUtcMs: number, toUtcMs: number): { from: number; to: number } {
  return { from: Math.max(0, indexAt(axis, fromUtcMs)), to: Math.min(axis.count, indexAt(axis, toUtcMs - 1) + 1) };
}
