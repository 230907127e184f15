/** A local day of a soiled plant. */
export interface DirtyDay {
  /** Share of light that dirt takes. */
  readonly lostFrac: number;
  /** Energy at the meter that a clean plant would give, kWh; the ceiling already in. */
  readonly cleanKwh: number;
  /** Share of the dirt that the night's rain or a cleaning leaves for the next day, 0 to 1. */
  readonly retainedFrac: number;
}

/** Beyond this nothing of a cleaning is left, or the next one comes. */
const LONGEST_DAYS = 240;

/** Energy that a cleaning on each day would have brought, kWh: the dirt it takes off would have stayed until rain or the next cleaning. */
export function cleaningGains(days: readonly DirtyDay[]): Float64Array {
  const gains = new Float64Array(days.length);
  for (let d = 0; d < days.length; d++) {
    let dirt = days[d]!.lostFrac;
    let gain = 0;
    for (let k = d; k < Math.min(days.length, d + LONGEST_DAYS) && dirt > 1e-4; k++) {
      gain += dirt * days[k]!.cleanKwh;
      dirt *= days[k]!.retainedFrac;
    }
    gains[d] = gain;
  }
  return gains;
}
