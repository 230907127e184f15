import { readHeader } from "../series/columns";
import type { Dialect } from "../text";
import type { Detection, DetectionContext, Draft } from "./draft";
import { monthsTable } from "./months-table";
import { rowsTable } from "./rows-table";
import { shapeOf, type TableShape } from "./shape";
import { wideTable } from "./wide-table";

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
