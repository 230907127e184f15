import { medianError, medianOf } from "../statistics";
import { type YearPair, yearPairs } from "./year-pairs";

/** A moment from which on the light column reads otherwise: a new calibration, another sensor, another satellite. */
export interface LightStep {
  readonly day: number;
  /** By how much it reads more from then on. */
  readonly frac: number;
}

const EVERY_DAYS = 10;
const EDGE_DAYS = 90;
const LEAST_PAIRS = 25;
const LEAST_CLEAR_DAYS = 10;
/** Days hang together over some days: so many count as one. */
const TOGETHER_DAYS = 5;
/** A step has to stand this far out of the scatter by both columns together, and by each alone. */
const DEVIATIONS = { both: 4.5, index: 3, light: 1 } as const;

interface Shift {
  readonly log: number;
  readonly error: number;
}

const errorOf = (values: readonly number[]): number => medianError(values, values.length / TOGETHER_DAYS);

/** How one set of values stands over another; null where either is too small. */
function shiftOf(later: readonly number[], earlier: readonly number[], least: number): Shift | null {
  if (later.length < least || earlier.length < least) return null;
  return { log: medianOf(later) - medianOf(earlier), error: Math.max(1e-4, Math.hypot(errorOf(later), errorOf(earlier))) };
}

/** How the plant's changes across a day differ from all others. */
function indexShift(pairs: readonly YearPair[], at: number): Shift | null {
  const [across, rest]: [number[], number[]] = [[], []];
  for (const { day, partner, changeLog } of pairs) (day < at && partner >= at ? across : rest).push(changeLog);
  return shiftOf(across, rest, LEAST_PAIRS);
}

/** Clear days of a record with the log of their light, in order. */
interface ClearDaysLight {
  readonly days: readonly number[];
  readonly logs: readonly number[];
}

/** How the light of clear days stands from a day on over what it was; their season is out of it. */
function lightShift({ days, logs }: ClearDaysLight, at: number): Shift | null {
  const first = days.findIndex((day) => day >= at);
  return first < 0 ? null : shiftOf(logs.slice(first), logs.slice(0, first), LEAST_CLEAR_DAYS);
}

/**
 * Seeks one step of the light column: from one day on the light stands higher against a cloudless sky and the plant lower against the light (or the other
 * way), by the same share. A plant that gets worse alone, or air that clears alone, is none. `clearLog` holds the clear days' light over that of their season.
 */
export function lightStep(clearLog: Float64Array, indexLog: Float64Array): LightStep | null {
  const pairs = yearPairs(indexLog);
  const days = [...clearLog.keys()].filter((day) => !Number.isNaN(clearLog[day]!));
  const clear = { days, logs: days.map((day) => clearLog[day]!) };
  let best: (LightStep & { readonly far: number }) | null = null;
  for (let day = EDGE_DAYS; day < indexLog.length - EDGE_DAYS; day += EVERY_DAYS) {
    const byLight = lightShift(clear, day);
    if (!byLight || Math.abs(byLight.log) < DEVIATIONS.light * byLight.error) continue;
    const byIndex = indexShift(pairs, day);
    if (!byIndex || byLight.log * byIndex.log >= 0 || Math.abs(byIndex.log) < DEVIATIONS.index * byIndex.error) continue;
    const [a, b] = [byLight.error ** -2, byIndex.error ** -2];
    const log = (byLight.log * a - byIndex.log * b) / (a + b);
    const far = Math.abs(log) * Math.sqrt(a + b);
    if (far > DEVIATIONS.both && far > (best?.far ?? 0)) best = { day, frac: Math.exp(log) - 1, far };
  }
  return best && { day: best.day, frac: best.frac };
}
