/** A rate is free to change from one block to the next. */
export const BLOCK_DAYS = 28;
/** How far a block's rate strays from the season's, one deviation, as a share of the mean rate. */
export const STRAY_FRAC = 0.3;
/** Seasonal error of temperature and sky models: one deviation of the yearly and half-yearly wave. */
export const YEARLY_WAVE = 0.012;
/** The half-yearly one. */
export const HALF_YEARLY_WAVE = 0.005;
/**
 * Ratio of an overcast day to a cloudless one, one deviation. Found on plants of other physics: up to 0.15. The index is free of most of it
 * already; known beside dirt and ageing it comes out better (two of 64 simulated plants' rates).
 */
export const CLOUD = 0.15;
/** What is known of ageing and of usual dirt before looking. Source: Jordan et al., 2016; Kimber et al., 2006. */
export const SLOPE_PRIOR = -0.007;
/** The deviation of that slope a year. */
export const SLOPE_DEVIATION = 0.012;
/** Unrecorded cleanings sought at most: nobody cleans a plant oftener unwritten. */
export const MOST_SUSPECTED = 16;
/** Refused days after which the search for cleanings ends. */
export const MOST_REFUSALS = 4;
/** A cleaning that nobody wrote down has to shift the fit's loss by this much: there are a thousand days on which it could have been. */
export const LEAST_CLEANING_LOSS = 18;
/** Rounds of reweighting in the search, and in the fit that stands. */
export const SEARCH_ROUNDS = 4;
/** The rounds of the fit that stands. */
export const FINAL_ROUNDS = 10;
/** Of the terms that stand beside dirt, the first two. */
export const LEVEL_AND_SLOPE = 2;

/** Dirt a day where no reading tells it. Source: Micheli & Muller, 2017, An investigation of the key parameters for predicting PV soiling losses (quiet rainy sites, 0.01 to 0.05 %). */
export const USUAL_RATE = 0.0003;

/** Good days on each side of a suspected cleaning. */
export const SIDE = 6;
/** A jump has to stand out this many deviations of a median, and be at least this share. */
export const JUMP_DEVIATIONS = 2.8;
/** The least share meant above. */
export const LEAST_JUMP = 0.012;
/** More rain than this between two days explains a jump by itself. */
export const WASHING_MM = 1;

/** Days' worth of dirt that are none: a thousandth of a block's. */
export const GONE_DAYS = 0.02;

/** A jump smaller than this is as likely the scatter of a week's weather. */
export const LEAST_CLEANING_FRAC = 0.018;
/** Found on stand-in plants: dirt that betters the fit by 100 and more is within a half of its truth, by 20 it may be next to nothing. */
export const DIRT_OFF = 4.5;
/** Share by which the model of washing may be off beside the fit's own error. */
export const FIT_OFF = 0.1;
/** An interval wider than this says nothing more. */
export const MOST_OFF = 1;
/** A fit that is better by this is as likely a trait of the sky as dirt: on stand-in plants half of the fits that gained 15 to 25 were within twice the truth. Less is a hint, and posts nothing. */
export const HALF_SURE_GAIN = 20;
export const MOST_SURE = 0.95;
/** A jump beyond this share is a cleaning rather than likely one. */
export const LARGE_JUMP_FRAC = 0.03;
export const SURE_LARGE_JUMP = 0.85;
export const SURE_SMALL_JUMP = 0.65;

/** Dirt of the trial run that tells how much of it the meter misses: small, and far above rounding. */
export const TRIAL_DIRT_FRAC = 0.1;
/** No cell runs so much cooler under dirt that the meter misses less than this share of the lost light. */
export const LEAST_SEEN_FRAC = 0.7;

/** What is known of growth before looking, as a share a day, and its deviation. Source: Kimber et al., 2006 (0.02 to 0.3 % a day). */
export const RATE_PRIOR = 0.0005;
export const RATE_DEVIATION = 0.002;
/** What lies on the modules on the first day, as a share, and its deviation. */
export const FIRST_DIRT_PRIOR = 0.003;
export const FIRST_DIRT_DEVIATION = 0.03;
/** Least deviation of a rate that is refined, a day. */
export const LEAST_RATE_DEVIATION = 1e-3;
/** How far a rate swings with the seasons, one deviation, as a share of it. */
export const SEASON_OF_RATE = 0.4;
/** The first day's dirt in a refined fit, in days of growth, and its deviation. */
export const USUAL_FIRST_DAYS = 8;
export const USUAL_FIRST_DEVIATION_DAYS = 15;
export const LEAST_FIRST_DIRT_DEVIATION = 0.02;
/** No dirt takes more than this share of the light: beyond it the fit has run away. */
export const MOST_DIRT_FRAC = 0.6;
/** A rate under this share a day is no dirt that anyone would see, and one under the second none to refine. */
export const LEAST_RATE = 5e-5;
export const LEAST_REFINED_RATE = 2e-5;
/** Ratios outside these are another cause's days. */
export const LEAST_RATIO = 0.3;
export const MOST_RATIO = 1.5;
/** A day's fall of the dirt by less than this share is no reset. */
export const LEAST_RESET_FRAC = 0.003;
/** Standard error of the mean share where nothing was refined. */
export const UNREFINED_ERROR_FRAC = 0.002;
/** Days about a suspected date on which the jump may lie better. */
export const DATE_OFFSETS = [-3, -2, -1, 1, 2];
/** Factors of the steps by which a washing is refined. */
export const WASHING_STEPS = [1, 0.5];

/** Fits of dirt drawn beside the best: enough that the middle 95 % of rates no longer moves by a hundredth of a percent. */
export const OTHER_FITS = 24;
export const FIXED_SEED = 20_261;
/** Days that tell what one alone would, at most: beyond a month they are seasons, which the fit has terms for. */
export const MOST_TOGETHER = 30;
