import { medianOf } from "../../statistics";
import { EDGE_FRAC, LEAST_EDGE_HOURS, LEAST_YEAR_HOURS, SHADED_FRAC } from "./thresholds";

/** What the plant gave of what it owed at a step, on a clear hour. */
export interface ClearHour {
  readonly step: number;
  readonly ratio: number;
  readonly year: string;
}

/**
 * Step from which on places of the sky are shaded that were open before: a building that was put up, a tree that was planted tall. Every field that is low in some year and
 * usual in another tells by each of its hours whether it is shaded yet; the day that parts them best is taken for all. Zero where nothing begins within the record.
 */
export function shadeOnset(fields: ReadonlyMap<number, readonly ClearHour[]>, steps: number): number {
  const gain = new Float64Array(steps + 1);
  const told: (readonly ClearHour[])[] = [];
  for (const hours of fields.values()) {
    const years = [...new Set(hours.map(({ year }) => year))].map((year) => hours.filter((hour) => hour.year === year));
    const known = years.filter((own) => own.length >= LEAST_YEAR_HOURS);
    const low = known.filter((own) => middleOf(own) < SHADED_FRAC);
    if (low.length === 0 || !known.some((own) => middleOf(own) > EDGE_FRAC)) continue;
    const shaded = middleOf(low.flat());
    for (const { step, ratio } of hours) gain[step]! += Math.abs(1 - ratio) - Math.abs(shaded - ratio);
    told.push(hours);
  }
  if (told.length === 0) return 0;
  let [sum, best, at] = [0, 0, 0];
  for (let step = steps; step >= 0; step--) {
    sum += gain[step]!;
    if (sum > best) [best, at] = [sum, step];
  }
  const before = told.map((hours) => hours.filter(({ step }) => step < at)).filter((own) => own.length >= LEAST_EDGE_HOURS);
  const open = before.filter((own) => middleOf(own) > EDGE_FRAC).length;
  return before.length > 0 && 2 * open > before.length ? at : 0;
}

const middleOf = (hours: readonly ClearHour[]): number => medianOf(hours.map(({ ratio }) => ratio));
