/** A flat top: at least so many hours within this share of one another, */
export const FLAT_HOURS = 4;
/** The share meant above. */
export const FLAT_FRAC = 0.012;
/** that owe more than the top by this, and differ in what they owe by this: a plant that is not held follows its light. */
export const EXPECTED_ABOVE = 1.08;
/** The range meant above, as a share of the top. */
export const EXPECTED_RANGE = 0.08;
/** Nearer to the ceiling than this is the ceiling. */
export const BELOW_CEILING = 0.95;
/** Tops of days under one limit agree within this. */
export const SAME_FRAC = 0.02;
/** Days that a limit shows on at least: two alike tops are chance. */
export const LEAST_DAYS = 3;
/** A limit that does not show for so long is off. */
export const LONGEST_UNSEEN_DAYS = 12;
/** A step that owes less than this share of the limit is not cut by it, not even where clouds break. */
export const TOUCHED_FRAC = 0.85;
/** A top under this share of rated output is a dark day's. */
export const DIM_FRAC = 0.08;

/** Share by which the energy under a limit may be off, two sided 95 %. */
export const CURTAILED_OFF = 0.12;
/** Days with a flat top beyond which a limit is sure rather than likely. */
export const MANY_DAYS = 5;
export const SURE_MANY_DAYS = 0.95;
export const SURE_FEW_DAYS = 0.85;

/** A plant comes within this share of its ceiling on bright days; one that never does any more has another. */
export const MOVED_FRAC = 0.97;
/** Best hours within this share of one another lie on the new ceiling. */
export const ON_MOVED_FRAC = 0.006;
/** Days after the move that a record has at least: fewer are a dull season. */
export const MOVED_LEAST_DAYS = 60;
/** Days whose best hour lies on the new ceiling, and days that owed more. */
export const MOVED_LEAST_FLAT = 10;
/** The band of the ceiling holds so many times what the bands beneath it hold, width for width. */
export const MOVED_CROWD = 3;
