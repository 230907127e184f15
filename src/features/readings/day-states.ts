import type { DayState } from "@/charts";
import type { BookFinding, ExaminedSeries } from "@/contracts/examination";

const WHOLE_FRAC = 0.985;

/** What each day of a series is, told by what was read, what was mended, and what waits for a decision. */
export function dayStates(series: ExaminedSeries, findings: readonly BookFinding[], timeZone: string): DayState[] {
  const day = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" });
  const own = findings.filter(({ seriesKey, remedy, decision }) => seriesKey === series.key && remedy && !decision);
  const doubted = own.map(({ fromUtcMs, toUtcMs }) => ({ from: day.format(new Date(fromUtcMs)), to: day.format(new Date(toUtcMs - 1)) }));
  return series.days.map((date, k) => {
    if (doubted.some(({ from, to }) => date >= from && date <= to)) return "doubt";
    if (series.rawKwh[k] !== series.cleanKwh[k]) return "mended";
    return stateOf(series.readFrac[k]!);
  });
}

/** What a day is by the share of it that was read. */
export const stateOf = (readFrac: number): DayState => (readFrac >= WHOLE_FRAC ? "whole" : readFrac > 0 ? "part" : "none");
