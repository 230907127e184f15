"use client";

import { VisuallyHidden } from "@mantine/core";
import Papa from "papaparse";
import { type ClipboardEvent, type Dispatch, Fragment, type KeyboardEvent, useRef, useState } from "react";
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
  /** Whether each line is called by the date in its first cell. */
  readonly isNamed?: boolean;
  /** What stands at the right of each row, and over it: a running total, or what was counted since. */
  readonly margin: { readonly head: string; readonly values: readonly (number | null)[] };
}

/** As in the style sheet: a line to type into and the rule below it, px; and the window onto them. */
const ROW_PX = 30;
const WINDOW_PX = 470;
const HALF_PX = WINDOW_PX / 2;
/** Lines ready above and below the window, so that half a window's scrolling finds them there. */
const READY = 15;

/** Numbers of the lines near the window, and of the one that is typed into wherever it stands: of four thousand some fifty are there at a time. */
function linesNear(count: number, scrolledPx: number, typedInto: number | null): number[] {
  const from = Math.max(0, Math.floor(scrolledPx / ROW_PX) - READY);
  const to = Math.min(count, Math.ceil((scrolledPx + WINDOW_PX) / ROW_PX) + READY);
  const near = Array.from({ length: Math.max(0, to - from) }, (_, k) => from + k);
  const isFar = typedInto !== null && typedInto < count && (typedInto < from || typedInto >= to);
  return isFar ? [...near, typedInto].sort((x, y) => x - y) : near;
}

/** The keys of the grid and what is pasted into it: they move the focus, which stays where it was when a step is undone. */
function useGridKeys(state: Props["state"], dispatch: Props["dispatch"], show: (row: number) => void) {
  const table = useRef<HTMLTableElement>(null);
  const go = (row: number, column: number) => {
    const cellAt = () => table.current?.querySelector<HTMLInputElement>(`[data-cell="${row}:${column}"]`);
    const take = () => {
      cellAt()?.focus();
      cellAt()?.select();
    };
    if (cellAt()) return take();
    // It stands beyond the window: the lines there come with the next picture.
    show(row);
    requestAnimationFrame(() => requestAnimationFrame(take));
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

/** The room of lines that are not there. */
const Gap = ({ lines }: { lines: number }) =>
  lines > 0 ? <tr aria-hidden className={styles.gap} style={{ height: lines * ROW_PX }} /> : null;

interface GridLineProps extends Pick<Props, "dispatch" | "isNamed">, Omit<ReturnType<typeof useGridKeys>, "table"> {
  readonly row: number;
  readonly cells: readonly string[];
  readonly inMargin: number | null | undefined;
  /** Of the columns. */
  readonly names: readonly string[];
  readonly typeInto: (row: number) => void;
}

function GridLine({ row, cells, inMargin, names, isNamed, dispatch, typeInto, onKey, onPaste }: GridLineProps) {
  return (
    <tr aria-rowindex={row + 2}>
      {isNamed && <th scope="row">{rowName(cells[0] ?? "")}</th>}
      {names.map((name, column) => (
        <td key={name}>
          <input
            // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place and what stands in it
            key={`${row}:${column}:${cells[column]}`}
            data-cell={`${row}:${column}`}
            aria-label={`${name}, row ${row + 1}`}
            defaultValue={cells[column]}
            onFocus={() => typeInto(row)}
            onBlur={(event) => dispatch({ kind: "set", row, column, value: event.currentTarget.value })}
            onKeyDown={(event) => onKey(event, row, column)}
            onPaste={(event) => onPaste(event, row, column)}
          />
        </td>
      ))}
      <td className={styles.margin}>{known(inMargin)}</td>
    </tr>
  );
}

/** Ruled lines to type or paste into, each called by its date, with a running figure at the right: arrow keys and Enter move, ranges come from a spreadsheet's clipboard, Ctrl+Z takes back. */
export function Grid({ label, columns, state, dispatch, margin, isNamed = true }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [scrolledPx, setScrolledPx] = useState(0);
  const [typedInto, typeInto] = useState<number | null>(null);
  const lines = linesNear(state.cells.length, scrolledPx, typedInto);
  const { table, onKey, onPaste } = useGridKeys(state, dispatch, (row) => box.current?.scrollTo(0, row * ROW_PX - WINDOW_PX / 2));
  const names = columns.map(({ name }) => name);
  const whole = () => [
    [...names, margin.head],
    ...state.cells
      .map((cells, row) => [...cells, margin.values[row] ?? null])
      .filter((cells) => cells.some((cell) => cell !== null && cell !== "")),
  ];
  return (
    <div
      className={styles.grid}
      ref={box}
      // By half a window: a picture is drawn anew when others come near, not with every step of the wheel.
      onScroll={({ currentTarget }) => setScrolledPx(Math.floor(currentTarget.scrollTop / HALF_PX) * HALF_PX)}
    >
      <RuledTable ref={table} aria-label={label} aria-rowcount={state.cells.length + 1} whole={whole} fileName={label}>
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
          {lines.map((row, k) => (
            <Fragment key={row}>
              <Gap lines={row - (lines[k - 1] ?? -1) - 1} />
              <GridLine
                row={row}
                cells={state.cells[row]!}
                inMargin={margin.values[row]}
                names={names}
                {...{ isNamed, dispatch, typeInto, onKey, onPaste }}
              />
            </Fragment>
          ))}
          <Gap lines={state.cells.length - 1 - (lines.at(-1) ?? -1)} />
        </tbody>
      </RuledTable>
    </div>
  );
}
