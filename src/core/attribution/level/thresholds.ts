/** Equal bins of load from none to the ceiling: finer ones would hold too few hours of a year. */
export const BINS = 20;
/** Hours that a bin needs to be read by itself. */
export const LEAST_HOURS = 30;
/** From this load on the inverter may hold the plant: what lies above follows the line through the loads before. */
export const CEILING_LOAD = 0.88;
/** The line begins at this load: below it weak light bends the ratio. */
export const LINE_FROM = 0.45;
/** A level further off than this is more than rating, sensor and meter can explain: what is beyond stays in the remainder. */
export const MOST_LEVEL = 0.06;
/** How far a bin may lie from the level, as a share: sky models bend by up to 8 % with load. */
export const MOST_BEND = 0.08;
/** Dim hours may stray further: they weigh little, and sky models part ways there. */
export const DIM_LOAD = 0.2;
/** The same for dim hours. */
export const MOST_DIM_BEND = 0.3;
/** Days outside this band of their usual output are under a cause of their own. */
export const USUAL_BAND = 0.25;
/** An hour that gives this much of the ceiling was held for all of it. */
export const AT_CEILING_HOUR_FRAC = 0.97;
/** A plant held for fewer hours than this tells no level at its ceiling. */
export const LEAST_HELD_HOURS = 25;
/** The level at the ceiling lies between these. */
export const LEVELS = [0.85, 1.1] as const;
/** Halvings of the interval of levels: to 4e-6. */
export const HALVINGS = 16;
/** An hour is steady where its clearness differs from its neighbours' by less than this. */
export const STEADY = 0.08;
/** Clearness from which on an hour counts as clear: below it the sky models part ways. */
export const CLEAR = 0.75;
