"use client";

import { type ColumnDef, type ReactTable, tableFeatures, useTable } from "@tanstack/react-table";
import { type ComponentPropsWithoutRef, type ReactNode, useMemo } from "react";
import { Term } from "@/features/kit/help/Term";
import { RuledTable } from "./RuledTable";
import styles from "./Table.module.css";

/** A column: what stands in its head, and what in its cell of a row. Figures stand to the right; `words` stands to the left and may wrap. */
export interface Column<Row> {
  readonly key: string;
  readonly head: ReactNode;
  readonly cell: (row: Row, index: number) => ReactNode;
  readonly foot?: ReactNode;
  readonly kind?: "figure" | "words";
  /** The cell names its row. */
  readonly namesRow?: boolean;
  readonly cellClass?: (row: Row, index: number) => string | undefined;
}

interface DataTableProps<Row> {
  readonly columns: readonly Column<Row>[];
  readonly rows: readonly Row[];
  readonly rowKey: (row: Row, index: number) => string | number;
  readonly rowClass?: (row: Row, index: number) => string | undefined;
  /** Marks and style of a row. */
  readonly rowProps?: (
    row: Row,
    index: number,
  ) => Omit<ComponentPropsWithoutRef<"tr">, "className"> & Readonly<Record<`data-${string}`, unknown>>;
  readonly caption?: ReactNode;
  readonly captionClass?: string | undefined;
  readonly className?: string | undefined;
  readonly fileName?: string;
  readonly testId?: string;
}

const FEATURES = tableFeatures({});

/** A table of rows and columns: figures to the right, the head in sight, saved as CSV. */
export function DataTable<Row extends object>({
  columns,
  rows,
  rowKey,
  rowClass,
  rowProps,
  caption,
  captionClass,
  className,
  fileName = "table",
  testId,
}: DataTableProps<Row>) {
  const defs = useMemo(
    () =>
      columns.map(
        ({ key, head }): ColumnDef<typeof FEATURES, Row> => ({
          id: key,
          header: () => (typeof head === "string" ? <Term>{head}</Term> : head),
          accessorFn: (row) => row,
        }),
      ),
    [columns],
  );
  const table = useTable({ features: FEATURES, columns: defs, data: rows, getRowId: (row, index) => String(rowKey(row, index)) });
  const hasFoot = columns.some(({ foot }) => foot !== undefined);
  const kindOf = ({ kind }: Column<Row>): string | undefined => (kind === "words" ? styles.words : undefined);
  return (
    <RuledTable className={className} fileName={fileName} data-testid={testId}>
      {caption !== undefined && <caption className={captionClass}>{caption}</caption>}
      <TableHead table={table} kindOf={kindOf} columns={columns} />
      <tbody>
        {table.getRowModel().rows.map(({ id, original, index }) => (
          <tr key={id} className={rowClass?.(original, index)} {...rowProps?.(original, index)}>
            {columns.map((column) => {
              const className = [kindOf(column), column.cellClass?.(original, index)].filter(Boolean).join(" ") || undefined;
              const content = column.cell(original, index);
              return column.namesRow ? (
                <th scope="row" key={column.key} className={className}>
                  {content}
                </th>
              ) : (
                <td key={column.key} className={className}>
                  {content}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
      {hasFoot && (
        <tfoot>
          <tr>
            {columns.map((column) => (
              <td key={column.key} className={kindOf(column)}>
                {column.foot}
              </td>
            ))}
          </tr>
        </tfoot>
      )}
    </RuledTable>
  );
}

interface TableHeadProps<Row extends object> {
  readonly table: ReactTable<typeof FEATURES, Row>;
  readonly kindOf: ({ kind }: Column<Row>) => string | undefined;
  readonly columns: readonly Column<Row>[];
}

/** The names of the columns. */
function TableHead<Row extends object>({ table, kindOf, columns }: TableHeadProps<Row>) {
  return (
    <thead>
      {table.getHeaderGroups().map((group) => (
        <tr key={group.id}>
          {group.headers.map((header, k) => (
            <th scope="col" key={header.id} className={kindOf(columns[k]!)}>
              <table.FlexRender header={header} />
            </th>
          ))}
        </tr>
      ))}
    </thead>
  );
}
