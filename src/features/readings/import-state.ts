import type { ImportEvent, ImportOptions, ImportPreview } from "@/contracts/imports";
import type { RefusedCall } from "@/features/api";

type Finished = Extract<ImportEvent, { kind: "done" | "nothing-new" }>;

/** Where a file stands on its way into the book. */
export type ImportState =
  | { readonly kind: "start" }
  | { readonly kind: "sending"; readonly fileName: string }
  | { readonly kind: "preview"; readonly preview: ImportPreview; readonly busy: boolean }
  | { readonly kind: "storing"; readonly preview: ImportPreview; readonly rows: number }
  | { readonly kind: "done"; readonly event: Finished }
  | { readonly kind: "refused"; readonly refusal: RefusedCall };

export type ImportAction =
  | { readonly kind: "file"; readonly fileName: string }
  | { readonly kind: "preview"; readonly preview: ImportPreview }
  | { readonly kind: "looking-again"; readonly options: ImportOptions }
  | { readonly kind: "storing"; readonly rows: number }
  | { readonly kind: "done"; readonly event: Finished }
  | { readonly kind: "refused"; readonly refusal: RefusedCall }
  | { readonly kind: "reset" };

export const START: ImportState = { kind: "start" };

export function importReducer(state: ImportState, action: ImportAction): ImportState {
  switch (action.kind) {
    case "file":
      return { kind: "sending", fileName: action.fileName };
    case "preview":
      return { kind: "preview", preview: action.preview, busy: false };
    case "looking-again":
      return state.kind === "preview" ? { kind: "preview", preview: { ...state.preview, options: action.options }, busy: true } : state;
    case "storing":
      return state.kind === "preview" || state.kind === "storing" ? { kind: "storing", preview: state.preview, rows: action.rows } : state;
    case "done":
      return { kind: "done", event: action.event };
    case "refused":
      return { kind: "refused", refusal: action.refusal };
    case "reset":
      return START;
  }
}
