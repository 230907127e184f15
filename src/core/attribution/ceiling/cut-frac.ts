import type { AttributionFrame } from "../record/frame";
import { cutFracSeen, type InsideHours } from "./inside-hours";
import { cutFracOfWholeHours } from "./whole-hours";

/** Share of each hour that the ceiling cut, as the readings inside the hours tell it, or the hours themselves; null where neither can. */
export const cutFracOf = (
  frame: AttributionFrame,
  inside: InsideHours | null,
  expectedKwh: Float64Array,
  ceilingKwh: number,
): Float64Array | null =>
  inside ? cutFracSeen(frame, inside, expectedKwh, ceilingKwh) : cutFracOfWholeHours(frame, expectedKwh, ceilingKwh);
