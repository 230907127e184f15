import { medianOf } from "../statistics";
import type { CalendarBins } from "../time";
import type { Paired } from "./breakdown";

/** Which side wakes first and which works last, over days that both have whole. */
export interface DayEnds {
  readonly days: number;
  /** Days on which the first side, the second side, or neither began earlier. */
  readonly startsFirst: { readonly a: number; readonly b: number; readonly together: number };
  readonly stopsLast: { readonly a: number; readonly b: number; readonly together: number };
  /** Middle of how much earlier the second side begins, and how much later it stops, minutes. */
  readonly earlierMinutes: number;
  readonly laterMinutes: number;
}

/** A side works from this share of its nameplate on. */
const AWAKE_FRAC = 0.004;

export function dayEnds({ axis, a, b }: Paired, days: CalendarBins): DayEnds {
  const least = AWAKE_FRAC * (axis.stepMinutes / 60);
  const count = days.keys.length;
  const blank = () => Array.from({ length: count }, () => ({ first: -1, last: -1 }));
  const ends = { a: blank(), b: blank() };
  const missing = new Uint8Array(count);
  for (let i = 0; i < axis.count; i++) {
    const day = days.binOf[i]!;
    if (Number.isNaN(a[i]! + b[i]!)) missing[day] = 1;
    for (const [side, values] of [
      [ends.a, a],
      [ends.b, b],
    ] as const)
      if (values[i]! > least) {
        const held = side[day]!;
        if (held.first < 0) held.first = i;
        held.last = i;
      }
  }
  const whole = [...ends.a.keys()].filter((d) => missing[d] === 0 && ends.a[d]!.first >= 0 && ends.b[d]!.first >= 0);
  const earlier = whole.map((d) => (ends.a[d]!.first - ends.b[d]!.first) * axis.stepMinutes);
  const later = whole.map((d) => (ends.b[d]!.last - ends.a[d]!.last) * axis.stepMinutes);
  const tally = (minutes: readonly number[]) => ({
    a: minutes.filter((m) => m < 0).length,
    b: minutes.filter((m) => m > 0).length,
    together: minutes.filter((m) => m === 0).length,
  });
  return {
    days: whole.length,
    startsFirst: tally(earlier),
    stopsLast: tally(later),
    earlierMinutes: medianOf(earlier),
    laterMinutes: medianOf(later),
  };
}
