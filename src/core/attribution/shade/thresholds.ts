/** Width of a field of the sky, degrees of azimuth: narrower ones hold too few hours. */
export const FIELD_AZIMUTH_DEG = 10;
/** Its height, degrees. */
export const FIELD_ELEVATION_DEG = 5;
/** Sine of the sun's height below which no place of the sky is told: refraction and the horizon's own haze. */
export const LOW_UP = 0.03;
/** Hours that owe less than this share of rated output tell no place either. */
export const DIM_LOAD = 0.06;
/** Clearness of an hour with beam. */
export const CLEAR = 0.72;
/** Clearness below which there is none to take. */
export const OVERCAST = 0.4;
/** Clear hours that tell of a field at least. */
export const LEAST_HOURS = 8;
/** A field of the sky that gives less than this on clear hours is shaded, where overcast hours there give this much more. */
export const SHADED_FRAC = 0.85;
/** The share meant above. */
export const OVERCAST_MORE = 0.1;
/** A field that touches a shaded one and gives less than this on its clear hours is the obstacle's edge. */
export const EDGE_FRAC = 0.93;
/** Clear hours that tell of an edge at least. */
export const LEAST_EDGE_HOURS = 4;
/** Beside a shaded field one that gives less than this has its edge. */
export const PARTLY_FRAC = 0.95;
/** One field alone, or two, are no obstacle. */
export const LEAST_FIELDS = 3;
/** In its midst an obstacle leaves less than this of the power; the models of a low sun are off by less. */
export const CORE_FRAC = 0.72;
/** Shade that takes less than this share of a year's energy is not told from the sky model's error. */
export const LEAST_LOST_FRAC = 0.002;

/** Clear hours of a year that tell whether a field was low in it. */
export const LEAST_YEAR_HOURS = 4;
/** Hourly scatter of metered over owed on clear hours, one deviation, from which on light is rough: stations and plants part by some 3 %. */
export const ROUGH_SCATTER_FRAC = 0.08;
/** Under rough light a field needs so many times the hours, and has to give less than this. */
export const ROUGH_TIMES = 4;
/** The share meant above. */
export const ROUGH_SHADED_FRAC = 0.7;

/** Share by which the energy of an obstacle may be less than told, one side of 95 %. */
export const SHADE_OFF = 0.3;
/** And more: edges, dim hours and places that few hours tell of are not in it. Of 17 obstacles of stand-in plants one took more than twice as much, and one nearly thrice. */
export const SHADE_MORE = 1;
/** How sure it is: on stand-in plants three of four that were told stood there. */
export const SURE_SHADE = 0.75;
