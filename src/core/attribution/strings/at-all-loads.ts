import { medianOf } from "../../statistics";
import type { AttributionFrame } from "../record/frame";
import { LEAST_LOW_LOAD_DAYS, LOAD_BESIDE_DAYS, LOW_LOAD } from "./thresholds";

/**
 * Whether a part that is out is missed in weak light as well as at noon. A limit, or an inverter that throttles in the heat, leaves mornings and evenings alone, and so
 * lowers days as a part does. Where too few such hours tell, it is taken for a part.
 */
export function isAtAllLoads(frame: AttributionFrame, fromDay: number, toDay: number, lostFrac: number): boolean {
  const levels = lowLoadLevels(frame, fromDay - LOAD_BESIDE_DAYS, toDay + LOAD_BESIDE_DAYS);
  const of = (isIn: (day: number) => boolean): number[] => levels.filter(({ day }) => isIn(day)).map(({ log }) => log);
  const inside = of((day) => day >= fromDay && day < toDay);
  const beside = of((day) => day < fromDay || day >= toDay);
  if (inside.length < LEAST_LOW_LOAD_DAYS || beside.length < LEAST_LOW_LOAD_DAYS) return true;
  // Nearer to the part than to nothing.
  return medianOf(inside) - medianOf(beside) < Math.log(1 - lostFrac) / 2;
}

/** Log of metered over owed in the hours of weak light of each day, clear enough to tell. */
function lowLoadLevels(frame: AttributionFrame, first: number, last: number): { readonly day: number; readonly log: number }[] {
  const { days, openKwh, meteredKwh, read, lit, ratedKwh, clearness } = frame;
  const sums = new Map<number, { expected: number; metered: number }>();
  for (let i = 0; i < frame.axis.count; i++) {
    const day = days.binOf[i]!;
    if (day < first || day > last || read[i] === 0 || lit[i] === 0 || !(clearness[i]! > LOW_LOAD.clearness)) continue;
    const load = openKwh[i]! / ratedKwh;
    if (!(load > LOW_LOAD.from && load < LOW_LOAD.to)) continue;
    const sum = sums.get(day) ?? { expected: 0, metered: 0 };
    sums.set(day, { expected: sum.expected + openKwh[i]!, metered: sum.metered + meteredKwh[i]! });
  }
  return [...sums].flatMap(([day, { expected, metered }]) =>
    metered > 0.15 * expected ? [{ day, log: Math.log(metered / expected) }] : [],
  );
}
