import { DAYS_PER_YEAR } from "../units";

/** A sensor without a calibration log may move by this a year at least, one deviation, whatever its class. */
const UNLOGGED_PER_YEAR = 0.002;
/** One calibration against the next, one deviation. Source: ISO 9847:2023, Calibrating field pyranometers by comparison to a reference pyranometer. */
const CALIBRATION = 0.005;

/**
 * What the light leaves open of a rate, one deviation, as a share a year. Calibrations of the field book stop the drift from adding up; each brings an error
 * of its own, which tells less the longer the record is.
 */
export function lightRateError(stabilityPerYearFrac: number, calibrations: number, days: number): number {
  if (calibrations === 0) return Math.max(UNLOGGED_PER_YEAR, stabilityPerYearFrac);
  const years = Math.max(1, days / DAYS_PER_YEAR);
  return Math.hypot(stabilityPerYearFrac / (calibrations + 1), (Math.SQRT2 * CALIBRATION) / years);
}
