"use client";

import { VisuallyHidden } from "@mantine/core";
import Papa from "papaparse";
import { type ClipboardEvent, type Dispatch, type KeyboardEvent, useRef } from "react";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import type { GridAction, GridState } from "./grid-state";
import styles from "./ReadingsChapter.module.css";
import { rowName } from "./typed-rows";

const known = (value: number | null | undefined): string =>
  value === null || value === undefined ? "" : number(value, Number.isInteger(value) ? 0 : 1);

interface Props {
  readonly label: string;
  readonly columns: readonly { readonly name: string; readonly title: string; readonly hint: string }[];
  readonly state: GridState;
  readonly dispatch: Dispatch<GridAction>;
  /** What stands at the right of each row, and over it: a running total, or what was counted since. */
  /** Whether each line is called by the date in its first cell. */
  readonly isNamed?: boolean;
  readonly margin: { readonly head: string; readonly values: readonly (number | null)[] };
}

/** The keys of the grid and what is pasted into it: they move the focus, which stays where it was when a step is undone. */
function useGridKeys(state: Props["state"], dispatch: Props["dispatch"]) {
  const table = useRef<HTMLTableElement>(null);
  const go = (row: number, column: number) => {
    const cell = table.current?.querySelector<HTMLInputElement>(`[data-cell="${row}:${column}"]`);
    cell?.focus();
    cell?.select();
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>, row: number, column: number) => {
    const input = event.currentTarget;
    const atEdge =
      input.selectionStart === input.selectionEnd &&
      (event.key === "ArrowLeft" ? input.selectionStart === 0 : input.selectionStart === input.value.length);
    const whole = input.selectionStart === 0 && input.selectionEnd === input.value.length;
    const moves: Record<string, [number, number] | undefined> = {
      ArrowUp: [row - 1, column],
      ArrowDown: [row + 1, column],
      Enter: [row + 1, column],
      ArrowLeft: atEdge || whole ? [row, column - 1] : undefined,
      ArrowRight: atEdge || whole ? [row, column + 1] : undefined,
    };
    const move = moves[event.key];
    if (event.key.toLowerCase() === "z" && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      input.blur();
      dispatch({ kind: event.shiftKey ? "redo" : "undo" });
      requestAnimationFrame(() => go(row, column));
    } else if (move) {
      event.preventDefault();
      if (move[0] >= state.cells.length) dispatch({ kind: "paste", row: move[0], column: 0, values: [[""]] });
      requestAnimationFrame(() => go(move[0], move[1]));
    }
  };
  const onPaste = (event: ClipboardEvent<HTMLInputElement>, row: number, column: number) => {
    const text = event.clipboardData.getData("text/plain");
    if (!/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ""), { delimiter: "\t" });
    dispatch({ kind: "paste", row, column, values: data });
    // The cells are new ones: without this the focus is gone, and an undo goes nowhere.
    requestAnimationFrame(() => go(row, column));
  };
  return { table, onKey, onPaste };
}

/** Ruled lines to type or paste into, each called by its date, with a running figure at the right: arrow keys and Enter move, ranges come from a spreadsheet's clipboard, Ctrl+Z takes back. */
export function Grid({ label, columns, state, dispatch, margin, isNamed = true }: Props) {
  const { table, onKey, onPaste } = useGridKeys(state, dispatch);
  return (
    <div className={styles.grid}>
      <RuledTable ref={table} aria-label={label}>
        <thead>
          <tr>
            {isNamed && (
              <th scope="col">
                <VisuallyHidden component="span">{say.row}</VisuallyHidden>
              </th>
            )}
            {columns.map(({ name, title, hint }) => (
              <th key={name} scope="col">
                {title}
                <small>{hint}</small>
              </th>
            ))}
            <th scope="col" className={styles.margin}>
              {margin.head}
            </th>
          </tr>
        </thead>
        <tbody>
          {state.cells.map((cells, row) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a row is its index
            <tr key={row}>
              {isNamed && <th scope="row">{rowName(cells[0] ?? "")}</th>}
              {columns.map(({ name }, column) => (
                <td key={name}>
                  <input
                    // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place and what stands in it
                    key={`${row}:${column}:${cells[column]}`}
                    data-cell={`${row}:${column}`}
                    aria-label={`${name}, row ${row + 1}`}
                    defaultValue={cells[column]}
                    onBlur={(event) => dispatch({ kind: "set", row, column, value: event.currentTarget.value })}
                    onKeyDown={(event) => onKey(event, row, column)}
                    onPaste={(event) => onPaste(event, row, column)}
                  />
                </td>
              ))}
              <td className={styles.margin}>{known(margin.values[row])}</td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </div>
  );
}
