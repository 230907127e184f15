/** Cells of a typed table, with what undo and redo need. */
export interface GridState {
  readonly cells: readonly (readonly string[])[];
  readonly past: readonly (readonly (readonly string[])[])[];
  readonly future: readonly (readonly (readonly string[])[])[];
}

export type GridAction =
  | { readonly kind: "set"; readonly row: number; readonly column: number; readonly value: string }
  | { readonly kind: "paste"; readonly row: number; readonly column: number; readonly values: readonly (readonly string[])[] }
  | { readonly kind: "clear"; readonly width: number; readonly rows: number }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" };

const MOST_CACHED = 200;
/** A decade of days, pasted at once. */
const MOST_ROWS = 4000;

export const emptyGrid = (rows: number, width: number): GridState => ({
  cells: Array.from({ length: rows }, () => Array<string>(width).fill("")),
  past: [],
  future: [],
});

const changed = (state: GridState, cells: GridState["cells"]): GridState => ({
  cells,
  past: [...state.past.slice(-MOST_CACHED), state.cells],
  future: [],
});

/** One step of editing: cells grow downward with what is pasted or typed, and never sideways. */
export function gridReducer(state: GridState, action: GridAction): GridState {
  switch (action.kind) {
    case "set":
      if (state.cells[action.row]?.[action.column] === action.value) return state;
      return changed(state, laid(state.cells, action.row, action.column, [[action.value]]));
    case "paste":
      return changed(state, laid(state.cells, action.row, action.column, action.values));
    case "clear":
      return changed(state, emptyGrid(action.rows, action.width).cells);
    case "undo": {
      const last = state.past.at(-1);
      return last ? { cells: last, past: state.past.slice(0, -1), future: [state.cells, ...state.future] } : state;
    }
    case "redo": {
      const [next, ...rest] = state.future;
      return next ? { cells: next, past: [...state.past, state.cells], future: rest } : state;
    }
  }
}

function laid(cells: GridState["cells"], row: number, column: number, values: readonly (readonly string[])[]): GridState["cells"] {
  const width = cells[0]?.length ?? 1;
  const rows = Math.min(MOST_ROWS, Math.max(cells.length, row + values.length + 1));
  return Array.from({ length: rows }, (_, r) => {
    const existing = cells[r] ?? Array<string>(width).fill("");
    const fresh = values[r - row];
    if (!fresh) return existing;
    return existing.map((cell, c) => fresh[c - column] ?? cell);
  });
}

/** Rows of a grid that hold something, as CSV under a header; cells are quoted where they must be. */
export function gridCsv(header: readonly string[], cells: GridState["cells"]): string {
  const quoted = (cell: string): string => (/[",\n;]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell);
  const rows = cells.filter((row) => row.some((cell) => cell.trim() !== ""));
  return [header, ...rows.map((row) => row.map((cell) => cell.trim()))].map((row) => row.map(quoted).join(";")).join("\n");
}
