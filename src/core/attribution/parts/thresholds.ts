/** Pairs of days a year apart that a difference of parts needs at least. */
export const LEAST_PAIRS = 60;

/** Planes nearer to one another than this see the same day: hours can't tell them apart. */
export const SAME_PLANE_COS = Math.cos((20 * Math.PI) / 180);

/** Below this height of the sun (sine) models of the sky part ways. */
export const LOW_SUN = 0.15;
/** Hours dimmer than this share of rated output tell little, and above the second the inverter may hold them. */
export const DIM_FRAC = 0.06;
/** Hours above this share of the ceiling may be cut by it. */
export const AT_CEILING_FRAC = 0.93;
/** Hours of a day that tell its groups apart at least. */
export const LEAST_HOURS = 5;
/** Days with clouds put the hours of one array in its shadow and not the other's. */
export const CLEAR_WEIGHT = 0.5;
/** How many times the scatter of hours may grow by telling the arrays apart. */
export const MOST_INFLATION = 20;
/** A group's ratio below this is another fault than ageing. */
export const LEAST_RATIO = 0.4;
/** And above this. */
export const MOST_RATIO = 1.6;
