import type { AttributionFrame } from "./frame";
import { METER_GAP_DAYS } from "./thresholds";

/** First days after gaps of the meter that are long enough for it to have been changed meanwhile, and that no field book tells of. */
export function meterGaps({ days, read }: AttributionFrame): number[] {
  const isRead = new Uint8Array(days.keys.length);
  read.forEach((on, i) => {
    if (on === 1) isRead[days.binOf[i]!] = 1;
  });
  const known = [...isRead.keys()].filter((day) => isRead[day] === 1);
  return known.filter((day, k) => k > 0 && day - known[k - 1]! > METER_GAP_DAYS);
}
