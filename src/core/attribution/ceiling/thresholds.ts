/** Coarsest step, minutes, at which a flat top still shows. */
export const COARSEST_MINUTES = 60;
/** Steps within this share of the ceiling lie on it; the band beneath it, as wide, is what a plant without one would show. */
export const ON_FRAC = 0.006;
/** A flat top holds this many times what the bands beneath hold, and at least this many steps. */
export const CROWD = 3;
/** Steps that a flat top holds at least: fewer are a few bright noons. */
export const LEAST_STEPS = 40;

/** A reading this near the ceiling lies on it. */
export const AT_CEILING_FRAC = 0.985;
/** The swing of a single hour differs from its law by as much as the law itself says: clouds come or they do not. */
export const SWING_OFF = 1;
/** And neither light nor meter is better than this, one deviation. */
export const LEAST_OFF = 0.02;
/** Hours on the ceiling at one time of day and year that tell their mean at least. */
export const LEAST_ALIKE = 4;
/** No hour owes more than this beyond what was expected of it: the readings say something else then. */
export const MOST_OVER_EXPECTED = 1.2;
/** Uncut hours of a day that tell by how much its light was off, and the most that light is off by. */
export const LEAST_UNCUT_HOURS = 2;
/** The most meant above, as a share. */
export const MOST_DAY_OFF = 0.1;
/** Uncut hours under this share of the ceiling tell little of a day's light. */
export const UNCUT_LOAD = 0.3;
/** Hours that tell the swing at least, so that its median is steady to a few per cent. */
export const LEAST_HOURS = 200;
/** Hours between these shares of the ceiling show their swing whole: no ceiling cuts it, no dawn bends it. */
export const FROM_LOAD = 0.4;
/** The upper of the two shares of the ceiling. */
export const TO_LOAD = 0.82;
/** Hours that the sky model has swing by less than this share tell nothing of the scale. */
export const LEAST_SWING = 0.01;
/** A scale beyond this is another fault: no sky swings a fifth more than its model on the median. */
export const MOST_SCALE = 1.2;
/** A meter that smooths to less than this share of the model's swing tells none. */
export const LEAST_SCALE = 0.15;
/** Means of quarter hours swing this much less than five-minute ones. Source: Skartveit & Olseth, 1992, autocorrelation inside the hour. */
export const QUARTER_HOUR_GAIN = 1.2;
/** Readings an hour at or below which a scale is of quarter hours. */
export const QUARTERS = 4;

/** A ceiling within this share of the rating is the rating. */
export const RATED_OFF = 0.025;
/** Share by which the energy above a ceiling may be off, two sided 95 %: what is cut off can't be seen. */
export const CEILING_OFF = 0.3;
export const SURE_CEILING = 0.9;
