/** Sine of the sun's height from which on an hour is judged: lower, sky models and horizons part. */
export const HIGH_SUN = 0.26;
/** Hours that owe less than this share of what the plant can give tell its level badly. */
export const BRIGHT_FRAC = 0.15;
/** On its ceiling a plant is as smooth under clouds as without. */
export const BELOW_CEILING_FRAC = 0.93;
/** Fewer hours in a row are no day. */
export const LEAST_HOURS = 5;
/** A cloud of a few minutes bends an hour by more than this against the hours around it; haze and a plane that the book has wrong bend all of them gently. */
export const ROUGH_FRAC = 0.035;
/** Thin high cloud is smooth too: a day this much under the upper fifth of the smooth ones around it is not clear. */
export const BENEATH_LOG = 0.05;
export const UPPER_SHARE = 0.8;
/** Days on either side that share a season's air, and how many smooth ones tell it. */
export const BESIDE_DAYS = 25;
export const LEAST_BESIDE = 4;
/** Pairs of days a year apart that a rate takes. */
export const LEAST_PAIRS = 30;
/** Mean clear light of a year differs from another's by so much, one deviation: haze, pollen, far fires. A unit of turbidity takes some 3 % of the light (Ineichen & Perez, 2002); that years differ by a fifth of one, and their air by a degree, is taken. */
export const YEAR_OF_SKY_FRAC = 0.007;
/** A day this much under the days of its season in all years had something out: a string of eight, snow that lay. No module ages by so much from year to year. */
export const OUT_LOG = 0.12;
