import type { Glance } from "@/contracts/ledger";
import { sliceAxis } from "@/core/series";
import { type CalendarBins, dayBins, intervalsOf, zoneOffset } from "@/core/time";
import { HOUR_MS, MINUTE_MS } from "@/core/units";
import type { OpenLedger } from "./open-ledger";

/** A calendar year of a ledger by local day and hour. Hours that a clock change skips are null; doubled hours are summed. */
export function glanceOf({ run, metered, site }: OpenLedger, year: string): Glance {
  if (!run) return { days: [], expectedKwh: [], meteredKwh: [] };
  const { from, to } = ofYear(run.bins, year);
  const bins = dayBins(sliceAxis(run.axis, from, to), site.place.timeZone);
  const days = [...bins.keys];
  const offset = zoneOffset(site.place.timeZone);
  const expectedKwh = new Array<number | null>(days.length * 24).fill(null);
  const meteredKwh = new Array<number | null>(days.length * 24).fill(null);
  for (let i = from; i < to; i++) {
    const row = bins.binOf[i - from]!;
    const utcMs = run.axis.startUtcMs + i * run.axis.stepMinutes * MINUTE_MS;
    const hour = Math.floor((utcMs + offset(utcMs)) / HOUR_MS) % 24;
    const cell = row * 24 + hour;
    add(expectedKwh, cell, run.expectedKwh[i]!);
    if (metered && metered.readFrac[i]! > 0 && metered.split[i] === 0) add(meteredKwh, cell, metered.kwh[i]!);
  }
  return { days, expectedKwh: expectedKwh.map(brief), meteredKwh: meteredKwh.map(brief) };
}

/** Intervals of the months of a year. */
function ofYear(months: CalendarBins, year: string): { from: number; to: number } {
  const own = [...months.keys.keys()].filter((bin) => months.keys[bin]!.startsWith(year));
  return own.length > 0 ? intervalsOf(months, own[0]!, own.at(-1)! + 1) : { from: 0, to: 0 };
}

function add(cells: (number | null)[], cell: number, value: number): void {
  if (!Number.isNaN(value)) cells[cell] = (cells[cell] ?? 0) + value;
}

/** Watt-hours are enough for a picture, and keep the page small. */
const brief = (value: number | null): number | null => (value === null ? null : Math.round(value * 1000) / 1000);

/** Expected and metered energy of each local day of a month ("2025-10"). */
export function daySums(ledger: OpenLedger, month: string): { date: string; expectedKwh: number; meteredKwh: number | null }[] {
  const glance = glanceOf(ledger, month.slice(0, 4));
  const day = (cells: readonly (number | null)[], row: number): number | null => {
    const known = cells.slice(row * 24, row * 24 + 24).filter((value): value is number => value !== null);
    return known.length > 0 ? known.reduce((a, b) => a + b, 0) : null;
  };
  return glance.days
    .map((date, row) => ({ date, expectedKwh: day(glance.expectedKwh, row) ?? 0, meteredKwh: day(glance.meteredKwh, row) }))
    .filter((sum) => sum.date.startsWith(month));
}
