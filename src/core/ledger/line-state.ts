import type { LedgerLine } from "./ledger";

export type LineState = "fits" | "look" | "part-read" | "unread";

/** Weather of one month is read less surely than a year's; a remainder above this share of the month's expected energy asks for a look. */
const LOOK_FRAC = 0.05;
/** Below this share read, a line says more about its gaps than about the plant. */
const WHOLE_FRAC = 0.95;

/** What a reader should do with a line. */
export function lineState(line: LedgerLine): LineState {
  if (line.meteredKwh === null || line.unexplainedKwh === null) return "unread";
  if (line.unexplainedKwh > LOOK_FRAC * line.expectedKwh) return "look";
  return line.readFrac < WHOLE_FRAC ? "part-read" : "fits";
}
