import { shapeOf, type TableShape } from "../tables/shape";
import type { TableSource } from "../tables/source";
import type { RecordBlock } from "../text";

/** A column of the plain table, made of a row's cells. */
export interface PlainColumn {
  readonly header: string;
  readonly cell: (row: readonly string[]) => string;
}

/** What is looked at to tell how a table is written. */
export interface Look {
  readonly shape: TableShape;
  /** Rows of data of the head. */
  readonly rows: readonly string[][];
}

/** The look of a table; null where it holds no data. */
export function lookOf({ head }: TableSource): Look | null {
  const shape = shapeOf(head);
  if (!shape) return null;
  return { shape, rows: head.slice(shape.firstRow).filter((row) => row.some((cell) => cell.trim() !== "")) };
}

export const column = ({ rows }: Look, index: number): string[] => rows.map((row) => (row[index] ?? "").trim());

/** A column as it stands, with another header where one is given. */
export const asItStands = ({ shape }: Look, index: number, header = shape.headers[index] ?? ""): PlainColumn => ({
  header,
  cell: (row) => row[index] ?? "",
});

/**
 * The same rows under other columns; each keeps its number, so that a fault is told where it stands in the file. The head is read before all rows are: columns that go by what came before are
 * made for each.
 */
export function recut(source: TableSource, { shape }: Look, columnsOf: () => readonly PlainColumn[]): TableSource {
  const ofRow = (columns: readonly PlainColumn[], row: string[], index: number): string[] => {
    if (index >= shape.firstRow) return row.some((cell) => cell.trim() !== "") ? columns.map(({ cell }) => cell(row)) : [];
    return index === shape.firstRow - 1 ? columns.map(({ header }) => header) : aboveHeader(row);
  };
  async function* blocks(): AsyncGenerator<RecordBlock> {
    const columns = columnsOf();
    for await (const block of source.blocks)
      yield { firstRow: block.firstRow, rows: block.rows.map((row, k) => ofRow(columns, row, block.firstRow - 1 + k)) };
  }
  const shown = columnsOf();
  return { dialect: source.dialect, head: source.head.map((row, index) => ofRow(shown, row, index)), blocks: blocks() };
}

/** Rows above the header are told in it already. */
const aboveHeader = (row: readonly string[]): string[] => (row.length === 0 ? [] : [row.join(" ")]);
