import type { SoilingTerms } from "../site";

/**
 * Share of light lost to dirt, one value a day: it grows by a rate each day, a day of enough rain takes it to 0 and keeps it there for the
 * days of grace, a cleaning takes it to 0 without grace. `rainMm` and `cleaned` hold one value a day; missing rain is none.
 * Source: Kimber, Mitchell, Nogradi & Wenger, 2006, The effect of soiling on large grid-connected photovoltaic systems.
 */
export function fillKimber(
  rainMm: ArrayLike<number>,
  cleaned: ArrayLike<number>,
  terms: SoilingTerms,
  initialFrac: number,
  out: Float64Array,
): Float64Array {
  let soiling = initialFrac;
  let grace = 0;
  for (let day = 0; day < out.length; day++) {
    if (rainMm[day]! >= terms.cleaningRainMm) {
      soiling = 0;
      grace = terms.graceDays;
    } else if (cleaned[day]! > 0) {
      soiling = 0;
      grace--;
    } else if (grace > 0) {
      soiling = 0;
      grace--;
    } else soiling = Math.min(terms.maxFrac, soiling + terms.ratePerDayFrac);
    out[day] = soiling;
  }
  return out;
}
