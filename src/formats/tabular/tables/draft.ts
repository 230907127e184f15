import type { MappingProposal, MappingQuestion, TableMapping } from "@/contracts/mapping";
import { type NumberGrammar, sniffNumbers } from "@/core/readings";
import { say } from "@/wording/tables";
import type { Dialect } from "../text";
import type { TableShape } from "./shape";

/** What is known beside the file, and what a person has answered. */
export interface DetectionContext {
  readonly meters: readonly { readonly id: string; readonly name?: string | undefined }[];
  readonly commissioned: string | null;
  /** Of the plant: modules by array, and the rating of the largest; null where no plant is known. */
  readonly plant?: { readonly modules: readonly number[]; readonly moduleW: number };
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

/** What is found out of a table while it is looked at. */
export interface Draft {
  readonly shape: TableShape;
  readonly rows: readonly string[][];
  readonly dialect: Dialect | null;
  readonly context: DetectionContext;
  readonly reasons: { about: string; because: string }[];
  readonly questions: MappingQuestion[];
  confidence: number;
}

const SAMPLE_ROWS = 6;

export function proposed(
  draft: Draft,
  mapping: Omit<TableMapping, "version" | "delimiter" | "firstRow" | "decimal" | "thousands" | "of"> & Partial<Pick<TableMapping, "of">>,
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
        of: "plant",
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

export const columnOf = (rows: readonly string[][], index: number): string[] => rows.map((row) => (row[index] ?? "").trim());

export function numberGrammar(draft: Draft, columns: readonly number[]): NumberGrammar {
  const cells = draft.rows.slice(0, 300).flatMap((row) => columns.map((index) => row[index] ?? ""));
  const sniffed = sniffNumbers(cells);
  if (sniffed.thousands !== "")
    draft.reasons.push({ about: "numbers", because: `${sniffed.thousands === " " ? "spaces" : `“${sniffed.thousands}”`} group thousands` });
  if (sniffed.decimal === ",") draft.reasons.push({ about: "numbers", because: say.aCommaMarksTheDecimals });
  if (sniffed.unsure) draft.confidence = Math.min(draft.confidence, 0.7);
  return { decimal: sniffed.decimal, thousands: sniffed.thousands };
}
