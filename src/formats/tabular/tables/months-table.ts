import type { ValueColumn } from "@/contracts/mapping";
import { type NumberGrammar, toNumber } from "@/core/readings";
import { say } from "@/wording/tables";
import { namedMonth } from "./cell-time";
import { columnOf, type Detection, type DetectionContext, type Draft, numberGrammar, proposed } from "./draft";

/** A row a year, a column a month; null where the header does not name all twelve. */
export function monthsTable(draft: Draft): Detection | null {
  const { shape, rows, context } = draft;
  const months = shape.headers.flatMap((header, column) => {
    const month = /^[a-zäéû]{3,9}\.?$/i.test(header.trim()) ? namedMonth(header) : null;
    return month === null ? [] : [{ column, header, month: month + 1 }];
  });
  if (new Set(months.map(({ month }) => month)).size !== 12 || months.length !== 12) return null;
  const yearColumn = shape.headers.findIndex(
    (_, index) =>
      columnOf(rows, index).filter((cell) => /\d{4}|\d{2}\/\d{2}/.test(cell)).length >= rows.length * 0.6 &&
      !months.some(({ column }) => column === index),
  );
  if (yearColumn < 0) return null;
  const numbers = numberGrammar(
    draft,
    months.map(({ column }) => column),
  );
  draft.reasons.push({ about: "layout", because: say.aRowAYearTwelveMonths(months[0]!.header) });
  const yearNames = months[0]!.month === 1 ? "start" : fiscalNames(draft, yearColumn, months, numbers, context);
  const values = months.map(
    ({ column, header }): ValueColumn => ({
      column,
      header,
      quantity: "energy_kwh",
      factor: 1,
      offset: 0,
      meterId: null,
      beginsAnew: false,
    }),
  );
  return proposed(
    draft,
    {
      layout: "months",
      timeColumns: [yearColumn],
      timeOrder: "ymd",
      endColumn: null,
      values,
      across: months.map(({ month }) => String(month)),
      yearNames,
    },
    numbers,
  );
}

/** Whether a fiscal year is named after its first or its last calendar year: readings can't begin before the plant did. */
function fiscalNames(
  draft: Draft,
  yearColumn: number,
  months: readonly { column: number; month: number }[],
  numbers: NumberGrammar,
  { commissioned, answers }: DetectionContext,
): "start" | "end" {
  const answer = answers["year-names"];
  if (answer === "start" || answer === "end") return answer;
  const first = draft.rows.flatMap((row) =>
    months
      .filter(({ column }) => toNumber((row[column] ?? "").trim(), numbers) > 0)
      .map(({ month }) => ({ year: Number(/\d{4}/.exec(row[yearColumn] ?? "")?.[0]), month })),
  )[0];
  const start = months[0]!.month;
  if (first && commissioned) {
    const at = (names: "start" | "end"): string => {
      const year = names === "start" ? first.year + (first.month < start ? 1 : 0) : first.year - (first.month >= start ? 1 : 0);
      return `${year}-${String(first.month).padStart(2, "0")}`;
    };
    const since = commissioned.slice(0, 7);
    const [named, other] = [at("start"), at("end")];
    const distance = (key: string): number =>
      Math.abs((Number(key.slice(0, 4)) - Number(since.slice(0, 4))) * 12 + Number(key.slice(5)) - Number(since.slice(5)));
    if (named < since !== other < since || distance(named) !== distance(other)) {
      const names = named < since ? "end" : other < since ? "start" : distance(named) < distance(other) ? "start" : "end";
      draft.reasons.push({
        about: "fiscal year",
        because: say.theFirstValueFallsInAnd(at(names), since, names),
      });
      return names;
    }
  }
  draft.confidence = Math.min(draft.confidence, 0.5);
  draft.questions.push({
    id: "year-names",
    question: say.isAFiscalYearNamedAfter,
    evidence: say.theFirstMonthIsNotJanuary,
    choices: [
      { value: "start", label: say.itStartsIn },
      { value: "end", label: say.itEndsIn },
    ],
  });
  return "end";
}
