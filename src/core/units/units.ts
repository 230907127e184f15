/**
 * Every conversion between units, once. Suffixes used throughout: `W`, `Kwh`, `Wm2`, `KwhM2`, `C`, `Ms` (metres a second
 * after a wind name, milliseconds after a time name), `Deg`, `Rad`, `Frac` (0 to 1), `Minutes`, `UtcMs`.
 */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
export const DAY_MS = 86_400_000;
/** Mean Gregorian year, for ages in years. */
export const DAYS_PER_YEAR = 365.2425;
export const YEAR_MS = DAYS_PER_YEAR * DAY_MS;
/** Mean hours of a year with its leap days (365.25 days), for counts of hourly steps. */
export const HOURS_PER_YEAR = 8766;
/** Median absolute deviation to standard deviation of a normal scatter. Source: Rousseeuw & Croux, 1993, Alternatives to the median absolute deviation. */
export const MAD_TO_DEVIATION = 1.4826;
/** In-plane irradiance at standard test conditions, W/m2. Source: IEC 60904-3, Photovoltaic devices. */
export const STC_POA_WM2 = 1000;

export const degToRad = (angleDeg: number): number => (angleDeg * Math.PI) / 180;
export const radToDeg = (angleRad: number): number => (angleRad * 180) / Math.PI;
export const hoursOfStep = (stepMinutes: number): number => stepMinutes / 60;

/** Energy, kWh, of a mean power, W, held over a step. */
export const kwhFromMeanW = (powerW: number, stepMinutes: number): number => (powerW * stepMinutes) / 60_000;
