import type { LedgerLine } from "./ledger";

export type LineState = "fits" | "look" | "part-read" | "unread";

/** Below this share read, a line says more about its gaps than about the plant. */
const WHOLE_FRAC = 0.95;

/** What a reader should do with a line: look where more is missing than `toleranceFrac` of what was expected. */
export function lineState(line: LedgerLine, toleranceFrac: number): LineState {
  if (line.meteredKwh === null || line.unexplainedKwh === null) return "unread";
  if (line.unexplainedKwh > toleranceFrac * line.expectedKwh) return "look";
  return line.readFrac < WHOLE_FRAC ? "part-read" : "fits";
}
