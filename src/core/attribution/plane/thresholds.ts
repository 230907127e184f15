/** Clearness of an hour that is clear enough to show the plane. */
export const CLEAR = 0.82;
/** Change of clearness to the neighbouring hours that a clear one may have. */
export const STEADY = 0.12;
/** Height of the sun (sine) below which refraction and horizon bend the curve. */
export const LOW_SUN = 0.12;
/** Hours under this share of a day's best see the sun at a grazing angle, where no model of the sky holds. */
export const GRAZING_FRAC = 0.35;
/** Days that a fit takes at most, spread over the record: more cost time and tell little more. */
export const MOST_DAYS = 90;
/** Clear hours that a day needs for its curve. */
export const LEAST_HOURS_A_DAY = 5;

/** Sky models, dirt and sensors bend the levels of a year by this much, one deviation, over as many stretches that differ in it. */
export const SEASON_FRAC = 0.02;
/** The number of such stretches. */
export const STRETCHES = 8;
/** Levels scatter by this much at least: fewer odd days would be weighed down for nothing. */
export const LEAST_SCATTER = 0.01;
/** A curve that owes nothing at all can't be levelled. */
export const LEAST_LEVEL = 1e-3;
/** Least share that a contrast may leave of a level. */
export const LEAST_RETAINED = 0.1;

/** Clear days that a fit needs at least. */
export const LEAST_DAYS = 8;
/** An hour that keeps less than this of its light is behind an obstacle of the book. */
export const UNBLOCKED_FRAC = 0.93;
/** A shift of the clock beyond this is let stand. */
export const OFF_CLOCK_MIN = 18;
/** Bearings tried first, from the book's: a fit that starts on the wrong side of the sky ends there. */
export const STARTS_DEG = [0, -50, 50, -110, 110, 180];
/** What sky models alone bend a clear day by, one side. Found on plants of other physics whose planes were right: up to 2.5 deg. */
export const MODEL_AZIMUTH_DEG = 2.5;
/** A tilt they bend by more, through the seasons: found on simulated plants. */
export const MODEL_TILT_DEG = 8;
/** The further a plane is turned, the more a sky that brightens otherwise about the sun passes for turn: up to this share, on simulated plants of another sky model. */
export const MODEL_AZIMUTH_FRAC = 0.15;
/** And the clock, minutes. */
export const MODEL_CLOCK_MIN = 4;
/** Below this a turn costs under half a percent of the year and is no fault. */
export const LEAST_AZIMUTH_OFFSET_DEG = 7;
/** The same of a tilt, degrees: seasons tell it less well. */
export const LEAST_TILT_OFFSET_DEG = 12;
/** A wrong plane must explain this much of the curve, as a share of its mean: sky models alone bend a right one by up to 2.5 %. */
export const EXPLAINED_FRAC = 0.03;
/** A fit that leaves more than this of the curves tells nothing of the plane, unless it explains most of what the book's misses: those that were right leave 1 to 2 %. */
export const LEFT_FRAC = 0.03;
/** Share of the squared miss of the book's plane that may be left: half, so that the turn explains more than all else together. */
export const MOST_LEFT_SHARE = 0.5;

/** Planes so near to one another leave the same places of the sky shaded and the same hours standing still. */
export const NEAR_DEG = 3;

/** Rounds of Gauss-Newton: the fits seen settle in five. */
export const ROUNDS = 7;
/** Step of the numeric derivative by azimuth and tilt, degrees. */
export const NUDGE_DEG = 2;
/** Step of the numeric derivative by the bend of weak light. */
export const NUDGE_BEND = 0.02;
/** Bootstrap samples of days behind the interval. */
export const DRAWS = 300;
/** Seed of these samples: a search repeats itself to the digit. */
export const SEED = 20_417;
/** Deviation of an azimuth that is not known beforehand, degrees: any. */
export const ANY_DEG = 1e4;
/** Deviation of the contrast that a sky model may be off by. */
export const CONTRAST = 0.07;
/** Deviation of the bend of weak light. */
export const BEND = 0.1;
/** Of tilts nobody knows better: off by any number of degrees that a rack can be. */
export const FREE_TILT_DEG = 15;
/** Deviation of a tilt that the book is trusted with, degrees. */
export const HELD_TILT_DEG = 3;
/** Deviation of a clock that is trusted, minutes. */
export const HELD_CLOCK_MIN = 1.5;
/** Parameters of the fit: azimuth, tilt, clock, contrast, bend. */
export const TERMS = 5;
/** Hours of many days repeat the same bend of a sky model: they weigh against what is known beforehand as this many do. */
export const WORTH_HOURS = 30;

export const SURE_PLANE = 0.95;

/** Clearness of an hour that planes and shade are weighed by: with beam, as shade is sought. */
export const CLEAR_WEIGHED = 0.72;
/** Hours that owe less than this share of rated output are left out of it. */
export const DIM_WEIGHED_FRAC = 0.06;
/** An hour is far off from so many times the middle miss on: three deviations. */
export const FAR_TIMES = 4.5;
/** What a turned plane takes to say: its turn and its tilt. */
export const PLANE_TERMS = 2;
