/** A month that lacks less than this of its usual output shows nothing: weather of single months is read no better. */
export const LEAST_LOST_FRAC = 0.005;
/** A month may be off by this much at least, one deviation: weather and meter of single months part by it where all months of a record happen to agree. */
export const LEAST_SCATTER_FRAC = 0.03;
/** No model of heat and weak light is off by more than this between a warm month and a cold one. */
export const MOST_COLD_FRAC = 0.04;
/** Months less apart than this tell no slope, C. */
export const LEAST_APART_C = 2;

/** A rise of the depth gauge by this much is a fall; without a gauge, precipitation in air this cold is. */
export const FALL_CM = 0.5;
/** The air meant above, °C. */
export const SNOWING_C = 1.2;
/** And the precipitation of a step, mm, from which on it is a fall. */
export const WET_MM = 0.3;
/** Bare again when this many hours in a row give this share of what is usual. */
export const BARE_FRAC = 0.9;
/** The hours meant above. */
export const BARE_HOURS = 2;
/** No cover outlasts this many days unseen, none that a gauge could have made up this many. */
export const LONGEST_DAYS = 45;
/** The days of a cover that a gauge could have made up. */
export const THIN_DAYS = 2;
/** Steps that owe less than this share of rated output are too dim to tell bare from covered. */
export const DIM_FRAC = 0.05;
/** Depths on each side of a step that its smoothed depth is the middle of. */
export const SMOOTH_STEPS = 2;
/** A fall shows in the smoothed depth within this long. */
export const RISE_HOURS = 12;
/** It has to stand out from the gauge's own scatter by this many deviations. */
export const DEVIATIONS = 2;
/** Depths under this tell nothing of the scatter: bare ground reads zero. */
export const LYING_CM = 2;
/** A gauge that scatters by less reads every rise right. */
export const STEADY_CM = 0.3;

/** Share by which a winter's energy may be off, two sided 95 %. */
export const SNOW_OFF = 0.2;
/** A winter that takes less than this share of a year's energy is no finding. */
export const LEAST_WINTER_FRAC = 0.0015;
/** A day counts as a snow day where it lost more than this share. */
export const SNOW_DAY_FRAC = 0.1;
/** Days from its first fall within which a spell belongs to the same winter: half a year and two months. */
export const LONGEST_WINTER_DAYS = 243;
/** Days without snow that part one winter from the next. */
export const SPELLS_APART_DAYS = 75;
/** How sure snow is that a depth gauge saw, and snow taken from precipitation in cold air. */
export const SURE_BY_DEPTH = 0.9;
export const SURE_BY_COLD_RAIN = 0.65;
/** Months on either side of a month of the year that have its sun. */
export const SEASON_MONTHS = 1;
/** Bare months of a season that tell what is usual in it. */
export const LEAST_SEASON_MONTHS = 3;
/** A winter that is less sure than not is a hint, and no finding. */
export const LEAST_SURE = 0.5;
