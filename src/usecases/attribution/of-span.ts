import type { AttributionView } from "@/contracts/attribution";

/** Local months, first and last, such as 2025-01 and 2025-12. */
export interface MonthSpan {
  readonly from: string;
  readonly to: string;
}

/** A winter's months by its name: "2021/22" in the north, "2021" in the south. */
function monthsOfWinter(key: string): MonthSpan {
  const year = Number(key.slice(0, 4));
  return key.includes("/") ? { from: `${year}-07`, to: `${year + 1}-06` } : { from: `${year}-01`, to: `${year}-12` };
}

/** Dirt and snow of some months of a report: its days with their mean, what took dirt off then, and the winters that touch them. What is told of now and of any year stays. */
export function dirtOfSpan(report: AttributionView, { from, to }: MonthSpan): AttributionView {
  const isWithin = (day: string): boolean => day.slice(0, 7) >= from && day.slice(0, 7) <= to;
  const { soiling, snow } = report;
  const kept = <T>(values: readonly T[]): T[] => values.filter((_, d) => isWithin(report.days[d]!));
  const lostFracByDay = kept(soiling.lostFracByDay);
  return {
    ...report,
    days: report.days.filter(isWithin),
    soiling: {
      ...soiling,
      lostFracByDay,
      meanLostFrac: lostFracByDay.length > 0 ? lostFracByDay.reduce((sum, frac) => sum + frac, 0) / lostFracByDay.length : 0,
      resets: soiling.resets.filter(({ date }) => isWithin(date)),
      cleanings: soiling.cleanings.filter(({ date }) => isWithin(date)),
    },
    snow: {
      ...snow,
      lostFracByDay: kept(snow.lostFracByDay),
      winters: snow.winters.filter(({ key }) => monthsOfWinter(key).from <= to && monthsOfWinter(key).to >= from),
    },
  };
}
