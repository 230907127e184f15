import { MAD_TO_DEVIATION } from "../units";
import { spreadOf } from "./robust";

/** Half width of a 95 % interval of a normal scatter, in standard deviations. Source: Abramowitz & Stegun, 1964, Handbook of mathematical functions, 26.2. */
export const Z_95 = 1.959964;
/** Half width of a 90 % interval, in standard deviations. Source: the same. */
export const Z_90 = 1.644854;
/** A median scatters by so much more than a mean of normal values: the root of half pi. Source: Kendall & Stuart, 1966, The advanced theory of statistics, vol. 1. */
export const MEDIAN_TO_MEAN_ERROR = Math.sqrt(Math.PI / 2);

/** Standard error of the median of values of which so many tell something of their own. */
export const medianError = (values: readonly number[], own: number = values.length): number =>
  (MEDIAN_TO_MEAN_ERROR * MAD_TO_DEVIATION * spreadOf(values)) / Math.sqrt(own);
