import type { ImportEvent, ImportOptions, ImportPreview } from "@/contracts/imports";
import type { RefusedCall } from "@/features/data/refused-call";

type Finished = Extract<ImportEvent, { kind: "done" | "nothing-new" }>;

/** Where a file stands on its way into the book; `waiting` counts the files behind it. */
export type ImportState =
  | { readonly kind: "start" }
  | { readonly kind: "sending"; readonly fileName: string; readonly rows: number; readonly waiting: number }
  | { readonly kind: "preview"; readonly preview: ImportPreview; readonly busy: boolean; readonly waiting: number }
  | { readonly kind: "storing"; readonly preview: ImportPreview; readonly rows: number; readonly waiting: number }
  | { readonly kind: "done"; readonly event: Finished; readonly waiting: number }
  | { readonly kind: "refused"; readonly refusal: RefusedCall; readonly waiting: number };

export type ImportAction =
  | { readonly kind: "file"; readonly fileName: string; readonly waiting: number }
  | { readonly kind: "read"; readonly rows: number }
  | { readonly kind: "preview"; readonly preview: ImportPreview }
  | { readonly kind: "looking-again"; readonly options: ImportOptions }
  | { readonly kind: "storing"; readonly preview: ImportPreview; readonly rows: number }
  | { readonly kind: "done"; readonly event: Finished; readonly waiting: number }
  | { readonly kind: "refused"; readonly refusal: RefusedCall; readonly waiting: number }
  | { readonly kind: "reset" };

export const START: ImportState = { kind: "start" };

const waitingOf = (state: ImportState): number => ("waiting" in state ? state.waiting : 0);

export function importReducer(state: ImportState, action: ImportAction): ImportState {
  switch (action.kind) {
    case "file":
      return { kind: "sending", fileName: action.fileName, rows: 0, waiting: action.waiting };
    case "read":
      return state.kind === "sending" ? { ...state, rows: action.rows } : state;
    case "preview":
      return { kind: "preview", preview: action.preview, busy: false, waiting: waitingOf(state) };
    case "looking-again":
      return state.kind === "preview" ? { ...state, preview: { ...state.preview, options: action.options }, busy: true } : state;
    case "storing":
      return { kind: "storing", preview: action.preview, rows: action.rows, waiting: waitingOf(state) };
    case "done":
      return { kind: "done", event: action.event, waiting: action.waiting };
    case "refused":
      return { kind: "refused", refusal: action.refusal, waiting: action.waiting };
    case "reset":
      return START;
  }
}
