import type { TimeOrder, ValueColumn } from "@/contracts/mapping";
import { beginsAnewDaily, MISSING, type NumberGrammar, toNumber } from "@/core/readings";
import { say } from "@/wording/tables";
import { readHeader } from "../series/columns";
import { readForeignTime } from "./cell-time";
import { type ColumnMeaning, meaningOf } from "./column-words";
import { columnOf, type Detection, type DetectionContext, type Draft, numberGrammar, proposed } from "./draft";
import { answeredHolding, askHolding } from "./holdings";
import { moduleColumns, moduleValues } from "./module-columns";
import { ENDING } from "./span-ends";
import { stepOf, timeColumns } from "./time-columns";

/** A row a time: its columns by their words and units, or by an answer. */
export function rowsTable(draft: Draft): Detection {
  const { shape, rows } = draft;
  const canonical = readHeader(shape.headers);
  const time = timeColumns(draft, canonical.timeIndex);
  if (!time) return { ok: false, why: "no-time-column", headers: shape.headers };
  const endColumn = endOf(draft, time.columns, time.order);
  const rest = shape.headers.map((_, index) => index).filter((index) => !time.columns.includes(index) && index !== endColumn);
  const numbers = numberGrammar(draft, rest);
  const step = stepOf(rows, time.columns, time.order);
  const reading = { draft, numbers, step };
  const modules = canonical.columns.length > 0 ? null : singleModules(reading, rest);
  const values = modules ?? (canonical.columns.length > 0 ? canonicalValues(reading, canonical.columns) : foreignValues(reading, rest));
  if (values.length === 0) return { ok: false, why: "no-value-column", headers: shape.headers };
  return proposed(
    draft,
    {
      layout: "rows",
      timeColumns: time.columns,
      timeOrder: time.order,
      endColumn,
      values,
      across: [],
      yearNames: "start",
      of: modules ? "modules" : "plant",
    },
    numbers,
  );
}

/** The column of the ends of spans: another column of times by its name. */
function endOf({ shape, rows }: Draft, times: readonly number[], order: TimeOrder): number | null {
  const index = shape.headers.findIndex((header, at) => {
    const cells = ENDING.test(header.trim()) && !times.includes(at) ? columnOf(rows, at).filter(Boolean) : [];
    return cells.length > 0 && cells.every((cell) => readForeignTime(cell, order) !== null);
  });
  return index < 0 ? null : index;
}

/** What the columns of a table are read with. */
interface Reading {
  readonly draft: Draft;
  readonly numbers: NumberGrammar;
  /** Usual step of the rows, minutes; null where they have none. */
  readonly step: number | null;
}

const canonicalValues = (reading: Reading, columns: ReturnType<typeof readHeader>["columns"]): ValueColumn[] =>
  columns.map(({ index, header, quantity, meterId }) => {
    const beginsAnew = quantity === "counter_kwh" && isDayCounter(reading, index, header, true);
    return { column: index, header, quantity, factor: 1, offset: 0, meterId, beginsAnew };
  });

/** A column a module; null where the columns are none. */
function singleModules(reading: Reading, columns: readonly number[]): ValueColumn[] | null {
  const { draft, numbers, step } = reading;
  const numeric = columns.filter((index) => isNumeric(columnOf(draft.rows, index), numbers));
  const found = moduleColumns(
    draft,
    numeric.map((column) => {
      const header = draft.shape.headers[column] ?? "";
      const most = valuesOf(reading, column).reduce((a, b) => Math.max(a, b), 0);
      return { column, header, meaning: meaningOf(header, step), most };
    }),
    step,
  );
  return found && moduleValues(found, ({ column, header }) => withCounter(reading, found.meaning, column, header));
}

function foreignValues(reading: Reading, columns: readonly number[]): ValueColumn[] {
  const { draft, numbers, step } = reading;
  const { shape, rows, context } = draft;
  const numeric = columns.filter((index) => isNumeric(columnOf(rows, index), numbers));
  const told = numeric.flatMap((column) => {
    const header = shape.headers[column] ?? "";
    const meaning = meaningOf(header, step);
    return meaning ? [{ column, header, meaning: withCounter(reading, meaning, column, header), meterId: meterOf(header, context) }] : [];
  });
  if (told.length > 0) return oneKind(draft, told);
  return numeric.length === 1 ? unknownColumn(reading, numeric[0]!) : [];
}

interface Told {
  readonly column: number;
  readonly header: string;
  readonly meaning: ColumnMeaning;
  readonly meterId: string | null;
}

/** A file is weather or production; where a logger writes both, production is what it is kept for, and of production the best quantity. */
function oneKind(draft: Draft, columns: readonly Told[]): ValueColumn[] {
  const production = columns.filter(({ meaning }) => ["energy_kwh", "power_w", "counter_kwh"].includes(meaning.quantity));
  const preferred = (["energy_kwh", "counter_kwh", "power_w"] as const).find((quantity) =>
    production.some((column) => column.meaning.quantity === quantity),
  );
  const kept = preferred ? production.filter(({ meaning }) => meaning.quantity === preferred) : firstOfEach(columns);
  const total = kept.find(({ header }) => /total|sum|gesamt|plant|site/i.test(header));
  const chosen = preferred && kept.length > 2 && total ? [total] : kept;
  for (const { header, meaning } of chosen) {
    const unit = meaning.unit ? `, unit ${meaning.unit}` : say.unitNotWritten;
    draft.reasons.push({ about: header, because: say.itsWordsSay(meaning.quantity, unit) });
    if (!meaning.unit) draft.confidence = Math.min(draft.confidence, 0.75);
  }
  const left = columns.filter((column) => !chosen.includes(column));
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
    beginsAnew: meaning.beginsAnew ?? false,
  }));
}

const firstOfEach = (columns: readonly Told[]): Told[] =>
  columns.filter((column, k) => columns.findIndex((other) => other.meaning.quantity === column.meaning.quantity) === k);

const isNumeric = (cells: readonly string[], numbers: NumberGrammar): boolean => {
  const written = cells.filter((cell) => !MISSING.has(cell.toLowerCase()));
  const readable = written.filter((cell) => !Number.isNaN(toNumber(cell, numbers))).length;
  return written.length > 0 && readable >= written.length * 0.8;
};

/** Energy that never falls, through nights too, is a counter; a "counter" that falls often is none. */
function withCounter(reading: Reading, meaning: ColumnMeaning, column: number, header: string): ColumnMeaning {
  if (meaning.quantity !== "energy_kwh" && meaning.quantity !== "counter_kwh") return meaning;
  if (isDayCounter(reading, column, header, meaning.quantity === "counter_kwh"))
    return { ...meaning, quantity: "counter_kwh", beginsAnew: true };
  const { draft } = reading;
  const values = valuesOf(reading, column);
  const falls = values.filter((value, i) => i > 0 && value < values[i - 1]!).length;
  const grows = values.filter((value, i) => i > 0 && value > values[i - 1]!).length;
  const cumulative = values.length >= 6 && falls <= values.length * 0.01 && grows >= 3 && values.at(-1)! > 0 && values[0]! > 0;
  if (cumulative && meaning.quantity === "energy_kwh" && values.length >= 20) {
    draft.reasons.push({ about: header, because: say.itsValuesNeverFallACounter });
    return { ...meaning, quantity: "counter_kwh" };
  }
  if (meaning.quantity === "counter_kwh" && falls > values.length * 0.1) return { ...meaning, quantity: "energy_kwh" };
  return meaning;
}

const valuesOf = ({ draft, numbers }: Reading, column: number): number[] =>
  columnOf(draft.rows, column)
    .map((cell) => toNumber(cell, numbers))
    .filter((value) => !Number.isNaN(value));

/** Whether a column counts the day alone; why it is taken so is said. */
function isDayCounter(reading: Reading, column: number, header: string, isCalledCounter: boolean): boolean {
  const values = valuesOf(reading, column);
  if (!beginsAnewDaily(values, reading.step, isCalledCounter)) return false;
  const falls = values.filter((value, i) => i > 0 && value < values[i - 1]!).length;
  reading.draft.reasons.push({ about: header, because: say.itFallsACounterOfTheDay(falls, values.length) });
  return true;
}

const meterOf = (header: string, { meters }: DetectionContext): string | null =>
  meters.find(
    ({ id, name }) =>
      new RegExp(`(^|[^a-z0-9])${escaped(id)}($|[^a-z0-9])`, "i").test(header) ||
      (name && header.toLowerCase().includes(name.toLowerCase())),
  )?.id ?? null;

const escaped = (text: string): string => text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/** One column of numbers under a header that says nothing. */
function unknownColumn(reading: Reading, column: number): ValueColumn[] {
  const { draft, step } = reading;
  const header = draft.shape.headers[column] ?? "";
  const answered = answeredHolding(draft);
  if (!answered) {
    const rhythm = step ? say.theRowsStandMinutesApart(step) : "";
    askHolding(draft, {
      question: say.whatDoesHold(header),
      evidence: say.itsHeaderNamesNoQuantityAnd(rhythm),
      confidenceFrac: 0.3,
    });
  }
  const guess: ColumnMeaning = { quantity: "energy_kwh", factor: 1, offset: 0, unit: null };
  const { quantity, factor, offset, beginsAnew = false } = answered ?? withCounter(reading, guess, column, header);
  return [{ column, header, quantity, factor, offset, meterId: null, beginsAnew }];
}
