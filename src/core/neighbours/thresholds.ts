/**
 * Peers are those that give about what the best of an array give: the middle of those within a tenth of the upper fifth. Up to three in four may be shaded
 * or dirty at once, and the sound ones are still the measure.
 */
export const UPPER_SHARE = 0.8;
export const BAND_FRAC = 0.1;
/** Fewer within the band are no measure: of two that differ nobody knows which is right. */
export const LEAST_PEERS = 3;
/** An hour in which the peers give less than this share of their best hour tells nothing of one module: rounding and device draw are a part of it. */
export const LIT_FRAC = 0.05;
/** What its electronics draw, or a last digit: below this share of the peers a module gives nothing. */
export const DEAD_FRAC = 0.02;
/** One such hour may be a restart or a rounding; so many lit hours one after the other are an outage. */
export const LEAST_DEAD_HOURS = 3;
/** A cell of hour and month is darker than its own level where it lies lower by so many of the sound ones' spreads, and a cell beside it too. */
export const DARK_SPREADS = 3;
/** Sound modules that are wrong together by chance: of all modules of an array that are sound, none is named in nineteen arrays of twenty. */
export const FALSE_ALARM_FRAC = 0.05;
/** A spread that two modules happen to have tells nothing; energies are written to a watt-hour, of some 300 in an hour. */
export const LEAST_SPREAD_FRAC = 0.002;
/** Of the level of a module whose bypassed part gives nothing: so near a whole part of it, in the share of the module. */
export const PART_FRAC = 0.04;
/** Two modules are swapped in the record where what remains unexplained of both falls under this share of it once they change places. */
export const SWAPPED_LEFT_FRAC = 0.3;
/** A cell that holds less than this share of the fullest one is the rim of the day: too little to judge by. */
export const LEAST_CELL_FRAC = 0.03;
/** A module's own level is where most of its light is not darkened: a quarter of it lies higher. */
export const OWN_LEVEL_SHARE = 0.75;
/** Of a normal sample's values, so many tell its spread by their middle deviation. Source: Rousseeuw & Croux, 1993, Alternatives to the median absolute deviation. */
export const SPREAD_EFFICIENCY = 0.37;
