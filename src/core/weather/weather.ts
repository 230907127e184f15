import type { TimeAxis } from "../series";

/** Weather on one time axis; a null column was not measured, a NaN value is missing. */
export interface Weather {
  readonly axis: TimeAxis;
  readonly ghiWm2: Float64Array | null;
  readonly dniWm2: Float64Array | null;
  readonly dhiWm2: Float64Array | null;
  /** In the plane of the modules, by a sensor that lies with them. */
  readonly poaWm2: Float64Array | null;
  readonly airTempC: Float64Array | null;
  readonly windSpeedMs: Float64Array | null;
  /** Of each interval. */
  readonly rainMm?: Float64Array | null;
  readonly snowDepthCm?: Float64Array | null;
  /** Of the ground, 0 to 1. */
  readonly albedo?: Float64Array | null;
  /** Of the back of a module. */
  readonly moduleTempC?: Float64Array | null;
}

/** Weather without gaps in what the chain needs, and which intervals were filled by rule. */
export interface FilledWeather extends Weather {
  readonly airTempC: Float64Array;
  readonly windSpeedMs: Float64Array;
  readonly rainMm: Float64Array | null;
  readonly snowDepthCm: Float64Array | null;
  readonly albedo: Float64Array | null;
  readonly moduleTempC: Float64Array | null;
  /** Columns that nobody measured, taken by rule throughout. */
  readonly assumed: { readonly air: boolean; readonly wind: boolean };
  /** 1 where irradiance was filled. */
  readonly filled: Uint8Array;
  readonly anyFilled: boolean;
}

/**
 * Taken where a site has no anemometer, m/s: the mean over land at 10 m, 3.3 m/s, brought down to modules at 2 m over rough ground (power 0.25).
 * Source: Archer & Jacobson, 2005, Evaluation of global wind power; Counihan, 1975, Adiabatic atmospheric boundary layers.
 */
export const ASSUMED_WIND_MS = 2.2;
/** What the assumed wind may be off over a year, one deviation, m/s. */
export const ASSUMED_WIND_STANDARD_MS = 1;
