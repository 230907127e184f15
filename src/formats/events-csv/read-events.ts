import { entryKinds, type FieldEntry } from "@/contracts/field-book";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { type Bytes, decodeText, peek, records, sniffDialect, UnreadableText } from "../tabular/text";

/** Kinds that change or explain a figure; any other is kept as a note. */
export const EVENT_KINDS = entryKinds.filter((kind) => kind !== "note");
export type EventKind = (typeof EVENT_KINDS)[number];

export interface EventsFile {
  readonly events: readonly FieldEntry[];
  readonly problems: readonly Problem[];
}

const DATE = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])([T ]\d{2}:\d{2}.*)?$/;

/** Reads an events CSV: `date` or `from,to`, `kind`, and optionally `array, note, value`. */
export async function readEvents(bytes: Bytes): Promise<EventsFile> {
  const log = new ProblemLog();
  const events: FieldEntry[] = [];
  try {
    const { head, whole } = await peek(decodeText(bytes), 4096);
    if (head.trim() === "") log.add("empty-file", "error");
    let headers: string[] = [];
    for await (const block of records(whole, sniffDialect(head).delimiter)) {
      block.rows.forEach((cells, k) => {
        const row = block.firstRow + k;
        if (row === 1) headers = cells.map((cell) => cell.trim().toLowerCase());
        else if (cells.some((cell) => cell.trim() !== "")) take(cells, row);
      });
    }
    if (headers.length > 0 && !headers.includes("kind")) log.add("no-value-column", "error", { row: 1 }, { columns: headers.join(", ") });
    function take(cells: readonly string[], row: number): void {
      const cell = (name: string): string => (cells[headers.indexOf(name)] ?? "").trim();
      const from = cell("date") || cell("from");
      const to = cell("to") || from;
      for (const [column, value] of [
        ["from", from],
        ["to", to],
      ] as const) {
        if (!DATE.test(value)) log.add("bad-time", "error", { row, column, value });
      }
      const written = cell("kind");
      const kind = EVENT_KINDS.find((known) => known === written.toLowerCase());
      const note = cell("note");
      if (!kind) {
        // Whoever keeps a field book writes more than changes the numbers: it stays, as a note.
        log.add("free-note", "notice", { row, column: "kind", value: written }, { expected: EVENT_KINDS.join(", ") });
        events.push({
          from,
          to,
          kind: "note",
          array: cell("array"),
          note: [written, note].filter(Boolean).join(": "),
          value: cell("value"),
        });
        return;
      }
      events.push({ from, to, kind, array: cell("array"), note, value: cell("value") });
    }
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    log.add(error.code, "error");
  }
  return { events, problems: log.list() };
}

/** Local dates on which somebody cleaned. */
export const cleaningDates = (events: readonly FieldEntry[]): string[] =>
  events.filter((event) => event.kind === "cleaning").map((event) => event.to.slice(0, 10));
