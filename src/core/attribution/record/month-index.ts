import { runPrepared } from "../../yield";
import type { DayIndex } from "./day-index";
import type { CauseBasis } from "./frame";

const LEAST_COVER = 0.97;
/** A month of which the snow model takes more than this says more of the snow than of the plant; clipping takes its share too. */
const MOST_SNOW_FRAC = 0.05;

/** With monthly figures one day in the middle of each whole month carries the month's ratio. */
export function monthIndex(basis: CauseBasis): DayIndex {
  const { axis, days, openKwh, meteredKwh, site, prepared } = basis;
  const owedKwh = runPrepared(site, prepared, days, { without: ["soiling", "ageing", "downtime"] }).expectedKwh;
  const count = days.keys.length;
  const ratio = new Float64Array(count).fill(Number.NaN);
  const weight = new Float64Array(count);
  const sums = new Map<string, { open: number; owed: number; paid: number; known: number }>();
  for (let i = 0; i < axis.count; i++) {
    const key = days.keys[days.binOf[i]!]!.slice(0, 7);
    const sum = sums.get(key) ?? { open: 0, owed: 0, paid: 0, known: 0 };
    const kwh = owedKwh[i]!;
    if (openKwh[i]! > 0) {
      sum.open += openKwh[i]!;
      sum.owed += kwh;
      if (!Number.isNaN(meteredKwh[i])) {
        sum.paid += meteredKwh[i]!;
        sum.known += kwh;
      }
    }
    sums.set(key, sum);
  }
  for (const [key, { open, owed, paid, known }] of sums) {
    const day = days.keys.indexOf(`${key}-15`);
    if (day < 0 || known < LEAST_COVER * owed || owed < (1 - MOST_SNOW_FRAC) * open || owed === 0) continue;
    ratio[day] = paid / known;
    weight[day] = 1;
  }
  return { ratio, weight, cloud: new Float64Array(count) };
}
