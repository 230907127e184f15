import { runPrepared } from "../../yield";
import type { AttributionFrame } from "../record/frame";
import { LEAST_SEEN_FRAC, TRIAL_DIRT_FRAC } from "./thresholds";

/** How much of the light that dirt takes is missed at the meter, 0.7 to 1: cells under dirt run cooler. Told by a run of the chain with some dirt. */
export function seenFracOf({ site, prepared, days, axis, openKwh }: AttributionFrame): number {
  const dirt = new Float64Array(axis.count).fill(TRIAL_DIRT_FRAC);
  const dirty = runPrepared(site, prepared, days, {
    without: ["snow", "ageing", "clipping", "downtime"],
    causes: { soilingFrac: dirt },
  }).expectedByBinKwh;
  const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);
  const clean = openKwh.reduce((a, b) => (Number.isNaN(b) ? a : a + b), 0);
  return clean > 0 ? Math.max(LEAST_SEEN_FRAC, Math.min(1, (1 - sum(dirty) / clean) / TRIAL_DIRT_FRAC)) : 1;
}
