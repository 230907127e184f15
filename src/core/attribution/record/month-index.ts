import { runPrepared } from "../../yield";
import type { DayIndex } from "./day-index";
import type { AttributionFrame } from "./frame";
import { LEAST_COVER, MOST_SNOW_FRAC } from "./thresholds";

/** With monthly figures one day in the middle of each whole month carries the month's ratio. */
export function monthIndex(frame: AttributionFrame): DayIndex {
  const { axis, days, openKwh, meteredKwh, site, prepared } = frame;
  const expectedKwh = runPrepared(site, prepared, days, { without: ["soiling", "ageing", "downtime"] }).expectedKwh;
  const count = days.keys.length;
  const ratio = new Float64Array(count).fill(Number.NaN);
  const weight = new Float64Array(count);
  const sums = new Map<string, { open: number; expected: number; meteredSum: number; known: number }>();
  for (let i = 0; i < axis.count; i++) {
    const key = days.keys[days.binOf[i]!]!.slice(0, 7);
    const sum = sums.get(key) ?? { open: 0, expected: 0, meteredSum: 0, known: 0 };
    const kwh = expectedKwh[i]!;
    if (openKwh[i]! > 0) {
      sum.open += openKwh[i]!;
      sum.expected += kwh;
      if (!Number.isNaN(meteredKwh[i])) {
        sum.meteredSum += meteredKwh[i]!;
        sum.known += kwh;
      }
    }
    sums.set(key, sum);
  }
  for (const [key, { open, expected, meteredSum: paid, known }] of sums) {
    const day = days.keys.indexOf(`${key}-15`);
    if (day < 0 || known < LEAST_COVER * expected || expected < (1 - MOST_SNOW_FRAC) * open || expected === 0) continue;
    ratio[day] = paid / known;
    weight[day] = 1;
  }
  return { ratio, weight, cloud: new Float64Array(count) };
}
