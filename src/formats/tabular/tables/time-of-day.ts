import { readTimeOfDay } from "./cell-time";

const CLOCK_MARKS = /[:hap]/i;
const LOOKED_AT = 60;
/** Times of day go on by one step nearly always; numbers with a decimal point do not. */
const EVEN_FRAC = 0.8;

/** Cells that are times of day. Written with a point alone, such as 5.13, they may as well be numbers: then they have to go on evenly, as a clock does. */
export const isTimeOfDay = (cells: readonly string[]): boolean => {
  const known = cells.filter(Boolean).slice(0, LOOKED_AT);
  const minutes = known.map(readTimeOfDay);
  if (known.length === 0 || minutes.includes(null)) return false;
  return known.some((cell) => CLOCK_MARKS.test(cell)) || isEvenClock(minutes as number[]);
};

function isEvenClock(minutes: readonly number[]): boolean {
  const counts = new Map<number, number>();
  for (let k = 1; k < minutes.length; k++) {
    const step = (minutes[k]! - minutes[k - 1]! + 1440) % 1440;
    if (step > 0) counts.set(step, (counts.get(step) ?? 0) + 1);
  }
  return minutes.length > 2 && Math.max(0, ...counts.values()) >= EVEN_FRAC * (minutes.length - 1);
}
