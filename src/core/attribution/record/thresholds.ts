/** Step of the search's axis, minutes. */
export const HOUR_MINUTES = 60;

/** Below this height of the sun (sine) sensors and models of the sky part ways. Source: IEC 61724-1:2021 filters; on the plants of the tests the scatter doubles below. */
export const LOW_SUN = 0.2;
/** Hours of less than this share of rated output are too dim, above the second the inverter may be holding them. */
export const DIM_FRAC = 0.18;
/** Hours above this share of the ceiling may be cut by it. */
export const AT_CEILING_FRAC = 0.95;
/** A day needs this many good hours' worth. */
export const LEAST_HOURS = 2.5;
/** Weight of a wholly overcast day against a clear one: its scatter is three times as wide. */
export const OVERCAST_WEIGHT = 0.1;
/** Days so near to one another share dirt, age and season; their skies have to differ by this much to tell what clouds do. */
export const NEAR_DAYS = 4;
/** Cloudiness of two days, as a share, less apart than this tells no slope. */
export const LEAST_APART = 0.12;
/** Pairs of near days that tell what clouds do at least. */
export const LEAST_PAIRS = 60;
/** No sky model is off by more than this between an overcast day and a cloudless one. */
export const MOST_CLOUD = 0.25;
/** What is usual changes over weeks: it is worked out every few days. */
export const EVERY_DAYS = 4;

/** A month read by less than this share of its hours is no month. */
export const LEAST_COVER = 0.97;
/** A month of which the snow model takes more than this says more of the snow than of the plant; clipping takes its share too. */
export const MOST_SNOW_FRAC = 0.05;

/** Hours of a day that must have had sun for its light to be set against a cloudless sky's. */
export const CLEAR_LIGHT_HOURS = 5;
/** A clear day's light keeps to the sky's by this, one deviation over its hours; one cloud before the sun for an hour of eight gives ten times as much. */
export const CLEAR_LIGHT_SPREAD = 0.05;
/** Less of a cloudless sky's light than this is haze or even cloud. */
export const LEAST_CLEAR = 0.75;
/** Parts of a year that have a brightest day of their own; each is looked at with its neighbours, some two months together. */
export const SEASONS = 18;
/** The bright days of a season begin here among its clear ones, and so near below them (in the log) a day still counts as cloudless: twice a step worth finding. */
export const BRIGHT_QUANTILE = 0.9;
export const NEAR_BRIGHT = 0.04;

/** A meter that is silent for longer was likely mended or changed: loggers that lose their line are back within weeks. */
export const METER_GAP_DAYS = 30;
