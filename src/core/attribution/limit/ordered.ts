import type { Standstill } from "../outage/standstill";
import type { AttributionFrame } from "../record/frame";
import type { HeldLow } from "./detect";

/** First and last local day on which something outside the plant held it: a network operator, an export limit, an order to stop. */
export interface OrderedLimit {
  readonly from: string;
  readonly to: string;
}

/**
 * Standstill that was ordered from outside is a limit and not downtime: what lies for more than a half in a span that the field book gives goes over.
 * Source: IEC TS 63019:2019, information categories (outside electrical specifications, requested shutdown).
 */
export function asOrdered<T extends Pick<Standstill, "outages" | "curtailed">>(
  found: T,
  { axis, days }: Pick<AttributionFrame, "axis" | "days">,
  limits: readonly OrderedLimit[],
): T {
  const { outages, curtailed } = found;
  const isOrdered = (i: number): boolean => {
    const day = days.keys[days.binOf[i]!]!;
    return limits.some(({ from, to }) => day >= from && day <= to);
  };
  const ordered = outages.outages.filter(({ from, to }) => {
    let steps = 0;
    for (let i = from; i < to; i++) if (isOrdered(i)) steps++;
    return 2 * steps > to - from;
  });
  if (ordered.length === 0) return found;
  const downFrac = outages.downFrac.slice();
  const lostFrac = curtailed.lostFrac.slice();
  const touched = curtailed.touched.slice();
  for (const { from, to } of ordered) {
    for (let i = from; i < to; i++) {
      lostFrac[i] = Math.max(lostFrac[i]!, downFrac[i]!);
      if (downFrac[i]! > 0) touched[i] = 1;
      downFrac[i] = 0;
    }
  }
  const held = ordered.map(
    ({ from, to }): HeldLow => ({
      from,
      to,
      powerKw: 0,
      days: days.binOf[Math.min(to, axis.count) - 1]! - days.binOf[from]! + 1,
    }),
  );
  const spells = [...curtailed.spells, ...held].sort((a, b) => a.from - b.from);
  return {
    ...found,
    outages: { downFrac, outages: outages.outages.filter((outage) => !ordered.includes(outage)) },
    curtailed: { lostFrac, touched, spells },
  };
}
