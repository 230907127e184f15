import type { MappingProposal, TableMapping } from "@/contracts/mapping";
import { ProblemLog } from "@/contracts/problems";
import { say } from "@/wording/tables";
import { plainTable } from "../reshape";
import { type DetectionContext, detectMapping, openTable, type TableSource } from "../tables";
import { type Bytes, sniffDialect, UnreadableText } from "../text";
import { canonicalHeader, kindOf, readHeader, type SeriesKind } from "./columns";
import { type Layout, layoutOf } from "./layout";
import type { SeriesFile, SeriesOptions } from "./series-file";
import { SeriesReader } from "./series-reader";
import { isSparse, readSparse } from "./sparse";

const NO_CONTEXT: DetectionContext = { meters: [], commissioned: null, answers: {} };

/** Reads a weather or production table as a stream: whole rows are never kept, only the day pages of the columns that the mapping names. */
export async function readSeries(bytes: Bytes, options: SeriesOptions): Promise<SeriesFile> {
  const log = new ProblemLog();
  try {
    const table = await plainTable(await openTable(bytes, log), log);
    const proposal = proposalOf(table, options, log);
    const layout = proposal && layoutOf(proposal, table, log);
    if (!layout) return nothing(log, proposal);
    const read = isSparse(layout) ? await readSparse(layout, table, options, log) : await readDense(layout, table, options, log);
    return { ...read, proposal };
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    log.add(error.code, "error", {}, error.facts);
    return nothing(log, null);
  }
}

async function readDense(layout: Layout, table: TableSource, options: SeriesOptions, log: ProblemLog): Promise<SeriesFile> {
  const reader = new SeriesReader(layout, options, log);
  for await (const block of table.blocks) {
    reader.take(block);
    options.onProgress?.(reader.rowCount);
  }
  return reader.close();
}

const nothing = (log: ProblemLog, proposal: MappingProposal | null): SeriesFile => ({
  kind: null,
  dialect: null,
  columns: [],
  ignored: [],
  stepMinutes: null,
  hasOffsets: false,
  rowCount: 0,
  valueCount: 0,
  firstUtcMs: null,
  lastUtcMs: null,
  series: [],
  sparse: null,
  proposal,
  problems: log.list(),
});

/** More columns than this are no table of readings. */
const MOST_COLUMNS = 2000;

/** The mapping that was given, or the one that the first rows suggest; null (with the reasons logged) where neither is. */
function proposalOf({ head, dialect }: TableSource, options: SeriesOptions, log: ProblemLog): MappingProposal | null {
  const first = head.find((row) => row.some((cell) => cell.trim() !== ""));
  if (!first) {
    log.add("empty-file", "error");
    return null;
  }
  const widest = Math.max(...head.map((row) => row.length));
  if (widest > MOST_COLUMNS) {
    log.add("too-many-columns", "error", { row: 1 }, { columns: widest, most: MOST_COLUMNS });
    return null;
  }
  const found = detectMapping(head, dialect, options.context ?? NO_CONTEXT);
  if (options.mapping) return given(options.mapping, found.ok ? found.proposal : null, head);
  if (found.ok) {
    const repeated = readHeader(found.proposal.headers).repeated.filter(Boolean);
    for (const column of repeated) log.add("repeated-column", "error", { row: 1, column }, { column });
    return found.proposal;
  }
  const named = found.headers.filter(Boolean).join(", ").slice(0, 200);
  if (found.why === "no-header") log.add("no-header", "error", { row: 1, value: first.join(" ").slice(0, 60) });
  else if (found.why === "no-rows") noRows(head, first, log);
  else log.add(found.why, "error", { row: 1 }, { columns: named });
  return null;
}

/** No row of data: only a header, or nothing that looks like a table. */
function noRows(head: readonly string[][], first: readonly string[], log: ProblemLog): void {
  const header = readHeader(first);
  if (header.timeIndex < 0 && header.columns.length > 0) {
    log.add("no-time-column", "error", { row: 1 }, { columns: first.filter(Boolean).join(", ").slice(0, 200) });
    return;
  }
  if (header.timeIndex >= 0) {
    if (head.filter((row) => row.some((cell) => cell.trim() !== "")).length > 1) {
      log.add("bad-time", "error", { row: 2, value: (head[1] ?? []).join(" ").slice(0, 60) });
    } else log.add("no-rows", "error");
    return;
  }
  log.add("no-value-column", "error", { row: 1 }, { columns: first.filter(Boolean).join(", ").slice(0, 200) });
}

function given(mapping: TableMapping, found: MappingProposal | null, head: readonly string[][]): MappingProposal {
  return {
    mapping,
    confidenceFrac: 1,
    reasons: [{ about: "mapping", because: say.chosenByYou }],
    questions: [],
    headers: found?.headers ?? [...(head[mapping.firstRow - 2] ?? [])],
    sample: head.slice(mapping.firstRow - 1, mapping.firstRow + 5).map((row) => [...row]),
  };
}

/** Tells the kind of a CSV file from its header line alone. */
export function kindOfHeader(headerLine: string): SeriesKind | "promise" | null {
  const { delimiter } = sniffDialect(headerLine);
  const headers = headerLine.split(delimiter).map((cell) => canonicalHeader(cell.replaceAll('"', "")));
  if (headers.includes("month") && headers.includes("kwh")) return "promise";
  const first = readHeader(headers).columns[0];
  return first ? kindOf(first.quantity) : null;
}
