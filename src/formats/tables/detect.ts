import type { MappingProposal, MappingQuestion, TableMapping, TimeOrder, ValueColumn } from "@/contracts/mapping";
import { readHeader } from "../series-csv/columns";
import type { Dialect } from "../text";
import { MISSING, type NumberGrammar, sniffNumbers, toNumber } from "./cell-number";
import { namedMonth, readForeignTime, readTimeOfDay } from "./cell-time";
import { type ColumnMeaning, meaningOf } from "./column-words";
import { shapeOf, type TableShape } from "./shape";

/** What is known beside the file, and what a person has answered. */
export interface DetectionContext {
  readonly meters: readonly { readonly id: string; readonly name?: string | undefined }[];
  readonly commissioned: string | null;
  /** Answers to questions, by their id. */
  readonly answers: Readonly<Record<string, string>>;
}

export type Detection =
  | { readonly ok: true; readonly proposal: MappingProposal }
  | {
      readonly ok: false;
      readonly why: "no-header" | "no-time-column" | "no-value-column" | "no-rows";
      readonly headers: readonly string[];
    };

const SAMPLE_ROWS = 6;

/** Proposes how a table is to be read, from its first rows: with reasons, a confidence, and the questions that the file leaves open. */
export function detectMapping(head: readonly string[][], dialect: Dialect | null, context: DetectionContext): Detection {
  const shape = ownShape(head) ?? shapeOf(head);
  const headers = shape?.headers ?? head[0] ?? [];
  if (!shape) return { ok: false, why: "no-rows", headers };
  if (shape.headers.every((header) => header === "")) return { ok: false, why: "no-header", headers };
  const rows = head.slice(shape.firstRow).filter((row) => row.some((cell) => cell.trim() !== ""));
  const draft: Draft = { shape, rows, dialect, context, reasons: [], questions: [], confidence: 1 };
  return monthsTable(draft) ?? wideTable(draft) ?? rowsTable(draft);
}

/** The ledger's own header, whatever stands under it: its faults are told row by row. */
function ownShape(head: readonly string[][]): TableShape | null {
  const at = head.slice(0, OWN_HEADER_ROWS).findIndex((row) => {
    const { timeIndex, columns } = readHeader(row);
    return timeIndex >= 0 && columns.length > 0;
  });
  return at < 0 ? null : { firstRow: at + 1, headers: head[at]!.map((cell) => cell.trim()), width: head[at]!.length };
}

const OWN_HEADER_ROWS = 5;

interface Draft {
  readonly shape: TableShape;
  readonly rows: readonly string[][];
  readonly dialect: Dialect | null;
  readonly context: DetectionContext;
  readonly reasons: { about: string; because: string }[];
  readonly questions: MappingQuestion[];
  confidence: number;
}

function proposed(
  draft: Draft,
  mapping: Omit<TableMapping, "version" | "delimiter" | "firstRow" | "decimal" | "thousands">,
  numbers: NumberGrammar,
): Detection {
  const { shape, rows, dialect } = draft;
  return {
    ok: true,
    proposal: {
      mapping: {
        version: 1,
        delimiter: dialect?.delimiter ?? null,
        decimal: numbers.decimal,
        thousands: numbers.thousands,
        firstRow: shape.firstRow + 1,
        ...mapping,
      },
      confidenceFrac: draft.confidence,
      reasons: draft.reasons,
      questions: draft.questions,
      headers: [...shape.headers],
      sample: rows.slice(0, SAMPLE_ROWS).map((row) => [...row]),
    },
  };
}

const columnOf = (rows: readonly string[][], index: number): string[] => rows.map((row) => (row[index] ?? "").trim());

// ---- a row a time ----

function rowsTable(draft: Draft): Detection {
  const { shape, rows } = draft;
  const canonical = readHeader(shape.headers);
  const time = timeColumns(draft, canonical.timeIndex);
  if (!time) return { ok: false, why: "no-time-column", headers: shape.headers };
  const rest = shape.headers.map((_, index) => index).filter((index) => !time.columns.includes(index));
  const numbers = numberGrammar(draft, rest);
  const step = stepOf(rows, time.columns, time.order);
  const values = canonical.columns.length > 0 ? canonicalValues(canonical.columns) : foreignValues(draft, rest, numbers, step);
  if (values.length === 0) return { ok: false, why: "no-value-column", headers: shape.headers };
  return proposed(
    draft,
    { layout: "rows", timeColumns: time.columns, timeOrder: time.order, values, across: [], yearNames: "start" },
    numbers,
  );
}

const canonicalValues = (columns: ReturnType<typeof readHeader>["columns"]): ValueColumn[] =>
  columns.map(({ index, header, quantity, meterId }) => ({ column: index, header, quantity, factor: 1, offset: 0, meterId }));

function timeColumns(draft: Draft, canonical: number): { columns: number[]; order: TimeOrder } | null {
  const { rows, shape } = draft;
  const candidates = canonical >= 0 ? [canonical] : shape.headers.map((_, index) => index);
  for (const index of candidates) {
    const cells = columnOf(rows, index).filter(Boolean);
    const order = orderOf(draft, cells, shape.headers[index] ?? "");
    if (!order) continue;
    const clock = shape.headers.findIndex((_, other) => other !== index && isTimeOfDay(columnOf(rows, other)));
    if (clock >= 0 && cells.slice(0, 20).every((cell) => !/\d:\d\d/.test(cell))) {
      draft.reasons.push({ about: "time", because: `“${shape.headers[index]}” holds dates and “${shape.headers[clock]}” times of day` });
      return { columns: [index, clock], order };
    }
    if (canonical < 0) draft.reasons.push({ about: "time", because: `“${shape.headers[index]}” holds ${ORDER_WORDS[order]}` });
    return { columns: [index], order };
  }
  return canonical >= 0 ? { columns: [canonical], order: "ymd" } : null;
}

const ORDER_WORDS: Readonly<Record<TimeOrder, string>> = {
  ymd: "times written year first",
  dmy: "times written day first",
  mdy: "times written month first",
  unix: "seconds since 1970",
};

const isTimeOfDay = (cells: readonly string[]): boolean => {
  const known = cells.filter(Boolean).slice(0, 60);
  return known.length > 0 && known.every((cell) => readTimeOfDay(cell) !== null);
};

/** The order of day, month and year that reads nearly all cells; a doubt between day-first and month-first is settled by the rows' rhythm, else asked. */
function orderOf(draft: Draft, cells: readonly string[], header: string): TimeOrder | null {
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
    question: `Is “${cells[0]}” in “${header}” day first or month first?`,
    evidence: "Both readings give days of the calendar in an even rhythm; the file does not decide.",
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
function stepOf(rows: readonly string[][], columns: readonly number[], order: TimeOrder): number | null {
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

function numberGrammar(draft: Draft, columns: readonly number[]): NumberGrammar {
  const cells = draft.rows.slice(0, 300).flatMap((row) => columns.map((index) => row[index] ?? ""));
  const sniffed = sniffNumbers(cells);
  if (sniffed.thousands !== "")
    draft.reasons.push({ about: "numbers", because: `${sniffed.thousands === " " ? "spaces" : `“${sniffed.thousands}”`} group thousands` });
  if (sniffed.decimal === ",") draft.reasons.push({ about: "numbers", because: "a comma marks the decimals" });
  if (sniffed.unsure) draft.confidence = Math.min(draft.confidence, 0.7);
  return { decimal: sniffed.decimal, thousands: sniffed.thousands };
}

function foreignValues(draft: Draft, columns: readonly number[], numbers: NumberGrammar, step: number | null): ValueColumn[] {
  const { shape, rows, context } = draft;
  const numeric = columns.filter((index) => isNumeric(columnOf(rows, index), numbers));
  const told = numeric.flatMap((column) => {
    const header = shape.headers[column] ?? "";
    const meaning = meaningOf(header, step);
    return meaning
      ? [{ column, header, meaning: withCounter(draft, meaning, column, header, numbers), meterId: meterOf(header, context) }]
      : [];
  });
  if (told.length > 0) return oneKind(draft, told);
  return numeric.length === 1 ? unknownColumn(draft, numeric[0]!, numbers, step) : [];
}

interface Told {
  readonly column: number;
  readonly header: string;
  readonly meaning: ColumnMeaning;
  readonly meterId: string | null;
}

/** A file is weather or production; where a logger writes both, production is what it is kept for, and of production the best quantity. */
function oneKind(draft: Draft, told: readonly Told[]): ValueColumn[] {
  const production = told.filter(({ meaning }) => ["energy_kwh", "power_w", "counter_kwh"].includes(meaning.quantity));
  const preferred = (["energy_kwh", "counter_kwh", "power_w"] as const).find((quantity) =>
    production.some((column) => column.meaning.quantity === quantity),
  );
  const kept = preferred ? production.filter(({ meaning }) => meaning.quantity === preferred) : firstOfEach(told);
  const total = kept.find(({ header }) => /total|sum|gesamt|plant|site/i.test(header));
  const chosen = preferred && kept.length > 2 && total ? [total] : kept;
  for (const { header, meaning } of chosen) {
    const unit = meaning.unit ? `, unit ${meaning.unit}` : ", unit not written";
    draft.reasons.push({ about: header, because: `its words say ${meaning.quantity}${unit}` });
    if (!meaning.unit) draft.confidence = Math.min(draft.confidence, 0.75);
  }
  const left = told.filter((column) => !chosen.includes(column));
  if (left.length > 0)
    draft.reasons.push({
      about: "left out",
      because: `${left.map(({ header }) => header).join(", ")}: ${preferred ?? "another column"} is taken`,
    });
  return chosen.map(({ column, header, meaning, meterId }) => ({
    column,
    header,
    quantity: meaning.quantity,
    factor: meaning.factor,
    offset: meaning.offset,
    meterId,
  }));
}

const firstOfEach = (told: readonly Told[]): Told[] =>
  told.filter((column, k) => told.findIndex((other) => other.meaning.quantity === column.meaning.quantity) === k);

const isNumeric = (cells: readonly string[], numbers: NumberGrammar): boolean => {
  const written = cells.filter((cell) => !MISSING.has(cell.toLowerCase()));
  const readable = written.filter((cell) => !Number.isNaN(toNumber(cell, numbers))).length;
  return written.length > 0 && readable >= written.length * 0.8;
};

/** Energy that never falls, through nights too, is a counter; a "counter" that falls often is none. */
function withCounter(draft: Draft, meaning: ColumnMeaning, column: number, header: string, numbers: NumberGrammar): ColumnMeaning {
  if (meaning.quantity !== "energy_kwh" && meaning.quantity !== "counter_kwh") return meaning;
  const values = columnOf(draft.rows, column)
    .map((cell) => toNumber(cell, numbers))
    .filter((value) => !Number.isNaN(value));
  const falls = values.filter((value, i) => i > 0 && value < values[i - 1]!).length;
  const grows = values.filter((value, i) => i > 0 && value > values[i - 1]!).length;
  const cumulative = values.length >= 6 && falls <= values.length * 0.01 && grows >= 3 && values.at(-1)! > 0 && values[0]! > 0;
  if (cumulative && meaning.quantity === "energy_kwh" && values.length >= 20) {
    draft.reasons.push({ about: header, because: "its values never fall: a counter" });
    return { ...meaning, quantity: "counter_kwh" };
  }
  if (meaning.quantity === "counter_kwh" && falls > values.length * 0.1) return { ...meaning, quantity: "energy_kwh" };
  return meaning;
}

const meterOf = (header: string, { meters }: DetectionContext): string | null =>
  meters.find(
    ({ id, name }) =>
      new RegExp(`(^|[^a-z0-9])${escaped(id)}($|[^a-z0-9])`, "i").test(header) ||
      (name && header.toLowerCase().includes(name.toLowerCase())),
  )?.id ?? null;

const escaped = (text: string): string => text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/** One column of numbers under a header that says nothing. */
function unknownColumn(draft: Draft, column: number, numbers: NumberGrammar, step: number | null): ValueColumn[] {
  const header = draft.shape.headers[column] ?? "";
  const answer = draft.context.answers.quantity;
  const guess: ColumnMeaning = withCounter(draft, { quantity: "energy_kwh", factor: 1, offset: 0, unit: null }, column, header, numbers);
  const known: Readonly<Record<string, ColumnMeaning>> = {
    energy_kwh: { ...guess, quantity: "energy_kwh" },
    energy_wh: { ...guess, quantity: "energy_kwh", factor: 0.001 },
    power_w: { ...guess, quantity: "power_w" },
    power_kw: { ...guess, quantity: "power_w", factor: 1000 },
    counter_kwh: { ...guess, quantity: "counter_kwh" },
    ghi_w_m2: { ...guess, quantity: "ghi_w_m2" },
  };
  const meaning = (answer && Object.hasOwn(known, answer) && known[answer]) || guess;
  if (!answer || !Object.hasOwn(known, answer)) {
    draft.confidence = Math.min(draft.confidence, 0.3);
    draft.questions.push({
      id: "quantity",
      question: `What does “${header}” hold?`,
      evidence: `Its header names no quantity and no unit${step ? `; the rows stand ${step} minutes apart` : ""}.`,
      choices: [
        { value: "energy_kwh", label: "energy of the interval, kWh" },
        { value: "energy_wh", label: "energy of the interval, Wh" },
        { value: "power_w", label: "mean power, W" },
        { value: "power_kw", label: "mean power, kW" },
        { value: "counter_kwh", label: "lifetime counter, kWh" },
        { value: "ghi_w_m2", label: "global irradiance, W/m²" },
      ],
    });
  }
  return [{ column, header, quantity: meaning.quantity, factor: meaning.factor, offset: 0, meterId: null }];
}

// ---- a column a time of day, or a column a day ----

const LEAST_ACROSS = 4;

function wideTable(draft: Draft): Detection | null {
  const { shape, rows } = draft;
  const across = shape.headers.map((header, column) => ({ header: header.trim(), column })).slice(1);
  const clocks = across.filter(({ header }) => readTimeOfDay(header) !== null);
  if (clocks.length >= LEAST_ACROSS && clocks.length >= across.length * 0.8) {
    const cells = columnOf(rows, 0).filter(Boolean);
    const order = orderOf(draft, cells, shape.headers[0] ?? "");
    if (order) return wide(draft, "days-by-time", clocks, order);
  }
  const days = across.filter(({ header }) => header !== "" && orderOf({ ...draft, questions: [] }, [header], header) !== null);
  if (days.length < LEAST_ACROSS || days.length < across.length * 0.8 || !isTimeOfDay(columnOf(rows, 0))) return null;
  const order = orderOf(
    draft,
    days.map(({ header }) => header),
    "the header",
  );
  return order && wide(draft, "times-by-day", days, order);
}

function wide(
  draft: Draft,
  layout: "days-by-time" | "times-by-day",
  across: readonly { header: string; column: number }[],
  timeOrder: TimeOrder,
): Detection {
  const numbers = numberGrammar(
    draft,
    across.map(({ column }) => column),
  );
  draft.reasons.push({
    about: "layout",
    because:
      layout === "days-by-time" ? `a row a day, ${across.length} times of day across` : `a row a time of day, ${across.length} days across`,
  });
  const corner = meaningOf(draft.shape.headers[0] ?? "", null);
  const [meaning] = corner ? [corner] : [answeredMeaning(draft, across.length)];
  const values = across.map(
    ({ column, header }): ValueColumn => ({
      column,
      header,
      quantity: meaning.quantity,
      factor: meaning.factor,
      offset: meaning.offset,
      meterId: null,
    }),
  );
  return proposed(
    draft,
    { layout, timeColumns: [0], timeOrder, values, across: across.map(({ header }) => header), yearNames: "start" },
    numbers,
  );
}

function answeredMeaning(draft: Draft, count: number): ColumnMeaning {
  const answers: Readonly<Record<string, ColumnMeaning>> = {
    energy_kwh: { quantity: "energy_kwh", factor: 1, offset: 0, unit: "kwh" },
    energy_wh: { quantity: "energy_kwh", factor: 0.001, offset: 0, unit: "wh" },
    power_w: { quantity: "power_w", factor: 1, offset: 0, unit: "w" },
    power_kw: { quantity: "power_w", factor: 1000, offset: 0, unit: "kw" },
  };
  const given = draft.context.answers.quantity ?? "";
  if (Object.hasOwn(answers, given)) return answers[given]!;
  draft.confidence = Math.min(draft.confidence, 0.4);
  draft.questions.push({
    id: "quantity",
    question: "What do the cells hold?",
    evidence: `${count} columns of numbers, and no unit in the header.`,
    choices: [
      { value: "energy_kwh", label: "energy of the interval, kWh" },
      { value: "energy_wh", label: "energy of the interval, Wh" },
      { value: "power_w", label: "mean power, W" },
      { value: "power_kw", label: "mean power, kW" },
    ],
  });
  return answers.energy_kwh!;
}

// ---- a row a year, a column a month ----

function monthsTable(draft: Draft): Detection | null {
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
  draft.reasons.push({ about: "layout", because: `a row a year, twelve months across beginning with ${months[0]!.header}` });
  const yearNames = months[0]!.month === 1 ? "start" : fiscalNames(draft, yearColumn, months, numbers, context);
  const values = months.map(
    ({ column, header }): ValueColumn => ({ column, header, quantity: "energy_kwh", factor: 1, offset: 0, meterId: null }),
  );
  return proposed(
    draft,
    { layout: "months", timeColumns: [yearColumn], timeOrder: "ymd", values, across: months.map(({ month }) => String(month)), yearNames },
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
        because: `the first value falls in ${at(names)}, and the plant began in ${since}: years are named after the one they ${names} in`,
      });
      return names;
    }
  }
  draft.confidence = Math.min(draft.confidence, 0.5);
  draft.questions.push({
    id: "year-names",
    question: "Is a fiscal year named after the calendar year it starts or ends in?",
    evidence: "The first month is not January, and the file does not decide.",
    choices: [
      { value: "start", label: "it starts in" },
      { value: "end", label: "it ends in" },
    ],
  });
  return "end";
}
