import type { TimeOrder, ValueColumn } from "@/contracts/mapping";
import { say } from "@/wording/tables";
import { readTimeOfDay } from "./cell-time";
import { type ColumnMeaning, meaningOf } from "./column-words";
import { columnOf, type Detection, type Draft, numberGrammar, proposed } from "./draft";
import { answeredHolding, askHolding } from "./holdings";
import { orderOf } from "./time-columns";
import { isTimeOfDay } from "./time-of-day";

const LEAST_ACROSS = 4;

/** A column a time of day, or a column a day; null where the header holds neither. */
export function wideTable(draft: Draft): Detection | null {
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
    because: layout === "days-by-time" ? say.aRowADayTimesOf(across.length) : say.aRowATimeOfDay(across.length),
  });
  const meaning = meaningOf(draft.shape.headers[0] ?? "", null) ?? holdingOf(draft, across.length);
  const values = across.map(
    ({ column, header }): ValueColumn => ({
      column,
      header,
      quantity: meaning.quantity,
      factor: meaning.factor,
      offset: meaning.offset,
      meterId: null,
      beginsAnew: false,
    }),
  );
  return proposed(
    draft,
    { layout, timeColumns: [0], timeOrder, endColumn: null, values, across: across.map(({ header }) => header), yearNames: "start" },
    numbers,
  );
}

/** What the cells hold, as answered; asked, and taken for kilowatt-hours, before that. */
function holdingOf(draft: Draft, columns: number): ColumnMeaning {
  const answered = answeredHolding(draft);
  if (answered) return answered;
  askHolding(draft, {
    question: say.whatDoTheCellsHold,
    evidence: say.columnsOfNumbersAndNoUnit(columns),
    confidenceFrac: 0.4,
  });
  return { quantity: "energy_kwh", factor: 1, offset: 0, unit: null };
}
