import { sumOnto, type TimeAxis, unionAxis } from "../series";
import { MINUTE_MS } from "../units";

/** Energy of one meter on its own axis, kWh an interval; NaN where nothing was read. */
export interface MeterEnergy {
  readonly axis: TimeAxis;
  readonly kwh: Float64Array;
}

const WHOLE_FRAC = 0.999;

/**
 * Several series of one meter as one: where a finer series was read it stands, coarser ones fill what it leaves. The step is the finest, or that of the
 * coarsest series that fills anything. Of two of the same step the later in the list stands where both have a value. Steps must divide each other.
 */
export function mergeMeterEnergy(series: readonly MeterEnergy[]): MeterEnergy {
  const byStep = [...series].sort((a, b) => a.axis.stepMinutes - b.axis.stepMinutes);
  return byStep
    .slice(1)
    .reduce((held, next) => (next.axis.stepMinutes === held.axis.stepMinutes ? laidOver(held, next) : filledBy(held, next)), byStep[0]!);
}

const shiftOf = (from: TimeAxis, to: TimeAxis): number => Math.round((from.startUtcMs - to.startUtcMs) / (to.stepMinutes * MINUTE_MS));

function laidOver(under: MeterEnergy, over: MeterEnergy): MeterEnergy {
  const axis = unionAxis(under.axis, over.axis);
  const kwh = new Float64Array(axis.count).fill(Number.NaN);
  kwh.set(under.kwh, shiftOf(under.axis, axis));
  const shift = shiftOf(over.axis, axis);
  for (let i = 0; i < over.kwh.length; i++) if (!Number.isNaN(over.kwh[i])) kwh[i + shift] = over.kwh[i]!;
  return { axis, kwh };
}

function filledBy(fine: MeterEnergy, coarse: MeterEnergy): MeterEnergy {
  if (!Number.isInteger(coarse.axis.stepMinutes / fine.axis.stepMinutes)) return fine;
  const own = coarseAxis(fine.axis, coarse.axis);
  const { sums, coverageFrac } = sumOnto(fine.kwh, fine.axis, own);
  const shift = shiftOf(coarse.axis, own);
  const fills = coarse.kwh.some((value, i) => !Number.isNaN(value) && (coverageFrac[i + shift] ?? 0) === 0);
  if (!fills) return fine;
  const whole = sums.map((sum, i) => (coverageFrac[i]! >= WHOLE_FRAC ? sum : Number.NaN));
  return laidOver(coarse, { axis: own, kwh: whole });
}

/** The fine axis at the coarse step, on the coarse grid. */
function coarseAxis(fine: TimeAxis, coarse: TimeAxis): TimeAxis {
  const stepMs = coarse.stepMinutes * MINUTE_MS;
  const first = Math.floor((fine.startUtcMs - coarse.startUtcMs) / stepMs);
  const end = Math.ceil((fine.startUtcMs + fine.count * fine.stepMinutes * MINUTE_MS - coarse.startUtcMs) / stepMs);
  return { startUtcMs: coarse.startUtcMs + first * stepMs, stepMinutes: coarse.stepMinutes, count: end - first };
}
