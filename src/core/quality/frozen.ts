import { quantileOf, selected } from "../statistics";
import { type Examined, startOf } from "./examined";
import type { Finding } from "./finding";

/** Equal values for this long in daylight are no weather. */
const LEAST_MINUTES = 90;
const LEAST_INTERVALS = 4;
/** Values at the plant's ceiling repeat by right: the inverter clips. */
const CEILING_FRAC = 0.97;
const CEILING_RUNS = 3;
/** Small values repeat by rounding alone. */
const LEAST_FRAC = 0.05;

/** Runs of one and the same value while the sun moves: a logger that repeats its last reading. */
export function findFrozen(x: Examined): Finding[] {
  const { energyKwh } = x;
  const ceiling = Math.min(quantileOf(selected(energyKwh, isPositive), 0.998), x.ratedKwh);
  const runs: { from: number; to: number }[] = [];
  let from = 0;
  for (let i = 1; i <= energyKwh.length; i++) {
    if (i < energyKwh.length && energyKwh[i] === energyKwh[from]) continue;
    const kwh = energyKwh[from]!;
    const long = (i - from) * x.axis.stepMinutes >= LEAST_MINUTES && i - from >= LEAST_INTERVALS;
    if (long && x.sun.up[from]! > 0 && kwh > LEAST_FRAC * ceiling && kwh < CEILING_FRAC * ceiling) runs.push({ from, to: i });
    from = i;
  }
  return runs.filter((run) => !isCeiling(x, runs, run)).map((run) => frozenOf(x, run.from, run.to));
}

/** A value at which the plant stands still on several days is a limit that was set, not a logger that stuck. */
function isCeiling({ energyKwh }: Examined, runs: readonly { from: number }[], { from }: { from: number }): boolean {
  return runs.filter((other) => energyKwh[other.from] === energyKwh[from]).length >= CEILING_RUNS;
}

function frozenOf(x: Examined, from: number, to: number): Finding {
  // The first of the run is the true reading that was then repeated.
  const stretch = { fromUtcMs: startOf(x, from + 1), toUtcMs: startOf(x, to) };
  return {
    kind: "frozen",
    ...stretch,
    count: to - from - 1,
    kwh: x.energyKwh[from]! * (to - from - 1),
    confidenceFrac: Math.min(0.99, 0.7 + 0.03 * (to - from)),
    facts: { valueKwh: x.energyKwh[from]!, hours: ((to - from) * x.axis.stepMinutes) / 60 },
    remedy: { op: "drop", ...stretch },
  };
}

const isPositive = (kwh: number): boolean => kwh > 0;
