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
}

/** Weather without gaps in what the chain needs, and which intervals were filled by rule. */
export interface FilledWeather extends Weather {
  readonly airTempC: Float64Array;
  readonly windSpeedMs: Float64Array;
  readonly rainMm: Float64Array | null;
  readonly snowDepthCm: Float64Array | null;
  readonly albedo: Float64Array | null;
  /** 1 where irradiance was filled. */
  readonly filled: Uint8Array;
  readonly anyFilled: boolean;
}

/** Taken where a site has no thermometer at all, C: standard-test air would be colder, a hot climate warmer; the working says so. */
export const ASSUMED_AIR_TEMP_C = 20;
/** Taken where a site has no anemometer at all, m/s. Source: IEC 61215 NOCT conditions. */
export const ASSUMED_WIND_MS = 1;
