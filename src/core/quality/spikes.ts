import { MINUTE_MS } from "../units";
import { NIGHT_SINE } from "./below-zero";
import { type Examined, startOf } from "./examined";
import type { Finding, Stretch } from "./finding";
import { clearAt } from "./gaps";

/** Above the cloudless model by this factor, and by this share of rated output, no sky explains a value. Source: Gueymard, 2017, Cloud and albedo enhancement impacts on solar irradiance (short peaks to 1.5 times clear sky). */
const OVER_CLEAR = 1.6;
const OVER_RATED_FRAC = 0.2;
/** The model's clock and azimuth may be off this far. */
const WINDOW_MINUTES = 120;

/** Values that neither nameplate nor sky allow. Stretches told otherwise already (unit factors, rows that caught up) are left out. */
export function findSpikes(x: Examined, stretches: readonly Stretch[]): Finding[] {
  const found: Finding[] = [];
  const reach = Math.round(WINDOW_MINUTES / x.axis.stepMinutes);
  for (let i = 0; i < x.energyKwh.length; i++) {
    const kwh = x.energyKwh[i]!;
    // Output in deep night is told as such.
    if (!(kwh > OVER_RATED_FRAC * x.ratedKwh) || (x.sun.up[i]! < NIGHT_SINE && kwh <= x.mostKwh)) continue;
    if (kwh <= x.mostKwh && kwh <= ceiling(x, i, reach, kwh)) continue;
    const at = startOf(x, i);
    if (stretches.some((stretch) => at >= stretch.fromUtcMs && at < stretch.toUtcMs)) continue;
    const stretch = { fromUtcMs: at, toUtcMs: at + x.axis.stepMinutes * MINUTE_MS };
    found.push({
      kind: "spike",
      ...stretch,
      count: 1,
      kwh,
      confidenceFrac: kwh > x.mostKwh ? 0.98 : 0.8,
      facts: { valueKwh: kwh, mostKwh: Math.min(x.mostKwh, ceiling(x, i, reach, kwh)) },
      remedy: { op: "drop", ...stretch },
    });
  }
  return joined(found, x.axis.stepMinutes * MINUTE_MS);
}

/** The most that a clear sky around this time could give; stops looking once the value is allowed. */
function ceiling(x: Examined, i: number, reach: number, kwh: number): number {
  let best = 0;
  const margin = OVER_RATED_FRAC * x.ratedKwh;
  for (let k = 0; k <= reach && OVER_CLEAR * best + margin < kwh; k++) {
    best = Math.max(best, clearAt(x, Math.max(0, i - k)), clearAt(x, i + k));
  }
  return OVER_CLEAR * best + margin;
}

/** Neighbouring intervals become one finding. */
function joined(found: readonly Finding[], stepMs: number): Finding[] {
  const out: Finding[] = [];
  for (const next of found) {
    const last = out.at(-1);
    if (!last || next.fromUtcMs - last.toUtcMs > stepMs) {
      out.push(next);
      continue;
    }
    const stretch = { fromUtcMs: last.fromUtcMs, toUtcMs: next.toUtcMs };
    out[out.length - 1] = {
      ...last,
      ...stretch,
      count: last.count + 1,
      kwh: last.kwh! + next.kwh!,
      facts: { ...last.facts, valueKwh: Math.max(Number(last.facts.valueKwh), Number(next.facts.valueKwh)) },
      remedy: { op: "drop", ...stretch },
    };
  }
  return out;
}
