import { MODEL_ACCOUNTS, type ModelAccount } from "@/core/accounts";
import { type LedgerLine, ledgerLines, type MeterSeries, meteredOnto, readOfTimeFrac } from "@/core/ledger";
import type { MeteredSpan } from "@/core/readings";
import { endUtcMs, type TimeAxis } from "@/core/series";
import type { Site } from "@/core/site";
import { monthBins, utcOfWall, zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";
import { clearSkyWeather } from "@/core/weather";
import { runYield } from "@/core/yield";

interface WithoutWeather {
  readonly site: Site;
  readonly meters: readonly MeterSeries[];
  readonly spans: readonly MeteredSpan[];
  readonly promise: readonly number[] | null;
}

/**
 * Months of a book that has no weather at all: metered and promised energy, and nothing expected. A cloudless sky tells what share of a month was read, and
 * lays figures of longer spans over months; no energy is told from it.
 */
export function monthsWithoutWeather({ site, meters, spans, promise }: WithoutWeather): LedgerLine[] {
  const axis = monthsRead(meters, spans, site.place.timeZone);
  if (!axis) return [];
  const run = runYield(site, clearSkyWeather(axis, site.place), monthBins(axis, site.place.timeZone));
  const metered = meteredOnto(axis, meters, site, { spans, expectedKwh: run.expectedKwh });
  const everywhere = new Uint8Array(axis.count).fill(1);
  return ledgerLines(run, metered, promise, everywhere).map((line) => ({
    ...line,
    planeKwhM2: 0,
    referenceKwh: 0,
    accountsKwh: Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, 0])) as Record<ModelAccount, number>,
    expectedKwh: 0,
    dataGapKwh: 0,
    referenceGapKwh: 0,
    usualKwh: 0,
    usualReadKwh: 0,
    filledReferenceKwh: 0,
    unexplainedKwh: null,
    readFrac: readOfTimeFrac(line),
  }));
}

/** Hours of the whole local months from the first reading to the last; null without any. */
export function monthsRead(meters: readonly MeterSeries[], spans: readonly MeteredSpan[], timeZone: string): TimeAxis | null {
  const starts = [...meters.map(({ axis }) => axis.startUtcMs), ...spans.map(({ fromUtcMs }) => fromUtcMs)];
  const ends = [...meters.map(({ axis }) => endUtcMs(axis)), ...spans.map(({ toUtcMs }) => toUtcMs)];
  if (starts.length === 0) return null;
  const offset = zoneOffset(timeZone);
  const local = (utcMs: number): Date => new Date(utcMs + offset(utcMs));
  const [first, last] = [local(Math.min(...starts)), local(Math.max(...ends) - 1)];
  const startUtcMs = utcOfWall(Date.UTC(first.getUTCFullYear(), first.getUTCMonth()), offset);
  const endMs = utcOfWall(Date.UTC(last.getUTCFullYear(), last.getUTCMonth() + 1), offset);
  return { startUtcMs, stepMinutes: 60, count: Math.round((endMs - startUtcMs) / HOUR_MS) };
}
