import { DEMO_BOOKS, recordOf } from "@simulators";
import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { type DayState, YearGlance, YearStrips } from "@/charts";
import { mostEnergyKwh } from "@/core/ledger";
import { examine } from "@/core/quality";
import { sumOnto } from "@/core/series";
import { parseSite } from "@/formats/site-json";

export interface ExaminationFigures {
  readonly intervals: number;
  readonly examineMs: number;
  readonly findings: number;
  readonly drawMs: number;
}

const YEARS = 10;
const PER_YEAR = 365 * 288;

/** Examines ten years of five minutes, and draws their strips and the heat map of each year. */
export function measureExamination(): ExaminationFigures {
  const demo = DEMO_BOOKS[0]!;
  const reading = parseSite(demo.site);
  if (!reading.ok) throw new Error("the demo site can't be read");
  const site = reading.document;
  const record = recordOf(demo, site).production[0]!;
  const quarters = Float64Array.from([...record.days.values()].flatMap((page) => [...page]));
  const axis = { startUtcMs: Date.UTC(2014, 0, 1), stepMinutes: 5, count: YEARS * PER_YEAR };
  // The demo's quarters of an hour, told in thirds with a ripple, year after year.
  const kwh = Float64Array.from(
    { length: axis.count },
    (_, i) => (quarters[Math.floor(i / 3) % quarters.length]! / 3) * (1 + ((i % 3) - 1) * 0.02),
  );
  kwh.fill(Number.NaN, 40_000, 40_400);
  for (let i = 300_000; i < 302_000; i++) kwh[i] = kwh[i]! * 1000;
  const hourly = { ...axis, stepMinutes: 60, count: axis.count / 12 };
  const expected = { axis: hourly, kwh: sumOnto(kwh, axis, hourly).sums.map((value) => Math.min(value, 60) || 0) };
  let examineMs = Number.POSITIVE_INFINITY;
  let findings = 0;
  for (let round = 0; round < 3; round++) {
    const started = performance.now();
    findings = examine({ axis, energyKwh: kwh, site, expected, mostKwh: mostEnergyKwh(site, 5) }).length;
    examineMs = Math.min(examineMs, performance.now() - started);
  }
  return { intervals: axis.count, examineMs, findings, drawMs: drawing() };
}

/** The strips of ten years of days and ten heat maps of a year of hours, as the browser would build them: ms. */
function drawing(): number {
  const days = Array.from({ length: YEARS * 365 }, (_, d) => new Date(Date.UTC(2014, 0, 1 + d)).toISOString().slice(0, 10));
  const states = days.map((_, d): DayState => (d % 97 === 0 ? "part" : d % 61 === 0 ? "mended" : "whole"));
  const ratios = Array.from({ length: 365 * 24 }, (_, i) => ((i * 7919) % 1300) / 1000);
  let best = Number.POSITIVE_INFINITY;
  for (let round = 0; round < 3; round++) {
    const started = performance.now();
    renderToStaticMarkup(createElement(YearStrips, { days, states, width: 1100, rowHeight: 17, left: 46 }));
    for (let year = 0; year < YEARS; year++) {
      renderToStaticMarkup(
        createElement(YearGlance, {
          days: days.slice(year * 365, (year + 1) * 365),
          ratios,
          width: 1100,
          height: 104,
          firstHour: 4,
          lastHour: 21,
        }),
      );
    }
    best = Math.min(best, performance.now() - started);
  }
  return best;
}
