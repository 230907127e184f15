import type { TimeOrder } from "@/contracts/mapping";
import { say } from "@/wording/tables";
import { readForeignTime } from "./cell-time";
import { columnOf, type Draft } from "./draft";
import { isTimeOfDay } from "./time-of-day";

/** The column of the time, or the two of date and time of day, and the order in which they are written; null where there is none. */
export function timeColumns(draft: Draft, canonical: number): { columns: number[]; order: TimeOrder } | null {
  const { rows, shape } = draft;
  const candidates = canonical >= 0 ? [canonical] : shape.headers.map((_, index) => index);
  for (const index of candidates) {
    const cells = columnOf(rows, index).filter(Boolean);
    const order = orderOf(draft, cells, shape.headers[index] ?? "");
    if (!order) continue;
    const clock = shape.headers.findIndex((_, other) => other !== index && isTimeOfDay(columnOf(rows, other)));
    if (clock >= 0 && cells.slice(0, 20).every((cell) => !/\d:\d\d/.test(cell))) {
      draft.reasons.push({ about: "time", because: say.holdsDatesAndTimesOfDay(shape.headers[index], shape.headers[clock]) });
      return { columns: [index, clock], order };
    }
    if (canonical < 0) draft.reasons.push({ about: "time", because: `“${shape.headers[index]}” holds ${ORDER_WORDS[order]}` });
    return { columns: [index], order };
  }
  return canonical >= 0 ? { columns: [canonical], order: "ymd" } : null;
}

const ORDER_WORDS: Readonly<Record<TimeOrder, string>> = {
  ymd: say.timesWrittenYearFirst,
  dmy: say.timesWrittenDayFirst,
  mdy: say.timesWrittenMonthFirst,
  unix: "seconds since 1970",
};

/** The order of day, month and year that reads nearly all cells; a doubt between day-first and month-first is settled by the rows' rhythm, else asked. */
export function orderOf(draft: Draft, cells: readonly string[], header: string): TimeOrder | null {
  if (cells.length === 0) return null;
  const fits = (order: TimeOrder): boolean =>
    cells.filter((cell) => readForeignTime(cell, order)).length >= Math.max(1, cells.length * 0.8);
  if (fits("ymd")) return "ymd";
  const [dayFirst, monthFirst] = [fits("dmy"), fits("mdy")];
  if (dayFirst && monthFirst) return settledOrder(draft, cells, header);
  if (dayFirst) return "dmy";
  if (monthFirst) return "mdy";
  return fits("unix") ? "unix" : null;
}

function settledOrder(draft: Draft, cells: readonly string[], header: string): TimeOrder {
  const answer = draft.context.answers["date-order"];
  if (answer === "dmy" || answer === "mdy") return answer;
  const rough = (order: TimeOrder): number => unevenness(cells.map((cell) => readForeignTime(cell, order)?.wallMs ?? Number.NaN));
  const [byDay, byMonth] = [rough("dmy"), rough("mdy")];
  if (byDay < byMonth * 0.5) return "dmy";
  if (byMonth < byDay * 0.5) return "mdy";
  draft.confidence = Math.min(draft.confidence, 0.5);
  draft.questions.push({
    id: "date-order",
    question: say.isInDayFirstOrMonth(cells[0], header),
    evidence: say.bothReadingsGiveDaysOfThe,
    choices: [
      { value: "dmy", label: "day first" },
      { value: "mdy", label: "month first" },
    ],
  });
  return "dmy";
}

/** How unevenly times follow each other: the share of steps that differ from the most common one. */
function unevenness(times: readonly number[]): number {
  const counts = new Map<number, number>();
  for (let i = 1; i < times.length; i++) {
    const step = times[i]! - times[i - 1]!;
    counts.set(step, (counts.get(step) ?? 0) + 1);
  }
  const usual = Math.max(0, ...counts.values());
  const backward = [...counts].reduce((sum, [step, count]) => sum + (step < 0 ? count : 0), 0);
  return times.length < 2 ? 1 : 1 - usual / (times.length - 1) + backward / (times.length - 1) + 1e-6;
}

/** Usual step of the rows, minutes; null where they have none. */
export function stepOf(rows: readonly string[][], columns: readonly number[], order: TimeOrder): number | null {
  const counts = new Map<number, number>();
  let last = Number.NaN;
  for (const row of rows) {
    const at = readForeignTime(columns.map((index) => (row[index] ?? "").trim()).join(" "), order)?.wallMs ?? Number.NaN;
    const minutes = Math.abs(at - last) / 60_000;
    if (minutes > 0) counts.set(minutes, (counts.get(minutes) ?? 0) + 1);
    last = at;
  }
  let usual: number | null = null;
  for (const [minutes, count] of counts) if (usual === null || count > counts.get(usual)!) usual = minutes;
  return usual;
}
