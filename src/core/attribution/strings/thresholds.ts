/** Days on each side of a stretch that tell how dirt grows and is washed about it. */
export const BESIDE_DAYS = 60;
/** Days on each side by which a part is weighed against dirt that was wiped: further off, another part that is out would pass for dirt. */
export const NEAR_BESIDE_DAYS = 25;
/** Rounds of reweighting of the fit beside dirt. */
export const ROUNDS = 4;
/** What clouds are known to do to a level, one deviation from cloudless to overcast. */
export const CLOUD_FRAC = 0.2;

/** Good days on each side that a step is told from. */
export const WINDOW = 7;
/** A step has to stand out this many deviations of the scatter of medians, and be at least this share. */
export const DEVIATIONS = 4;
/** The least share meant above. */
export const LEAST_FRAC = 0.025;
/** How far the measured share may lie from a whole number of parts. */
export const OFF_FRAC = 0.3;
/** Days that a part stays out at least: less is an outage. */
export const LEAST_DAYS = 3;
/** Share of a part's loss that has to stand beside what dirt explains. */
export const BESIDE_DIRT = 0.7;
/** And of a fall of the level, in the first days after it: most of what is sought after is seen then. */
export const FALL_BESIDE_DIRT = 0.5;
/** A day tells with this weight, or with half of what is usual for a plant whose days all tell little: shade and clouds leave some few good hours. */
export const TELLING = 0.25;
/** Share of a lost level that has to be seen again. */
export const BACK_FRAC = 0.6;
/** Days on each side between which a step is sudden. */
export const NEAR = 3;
/** A string that is mended about when somebody cleans comes back with the cleaning. */
export const CLEANED_NEAR_DAYS = 4;
/** Good days on each side within which the very step is sought. */
export const NEAR_DAYS = 4;

/** Share by which the energy of a part that is out may be off at least, two sided 95 %. */
export const LEAST_OFF = 0.08;
/** How sure a part is whose share fits to the digit, and one that hardly does. */
export const MOST_SURE = 0.97;
export const LEAST_SURE = 0.5;
/** A level falls and rises by as much: within this share of the larger, which light and season do to a part's share meanwhile. */
export const ALIKE_FRAC = 0.25;
/** And within so many deviations of the two medians on either side of each. */
export const ALIKE_DEVIATIONS = 2;
/** Hours without any that tell beyond which a step is put into their middle: a night and a dark day are no such stretch. */
export const UNTOLD_HOURS = 48;
/** Load, as a share of rated output, at which neither limit nor heat holds a plant, and the clearness of an hour that tells it. */
export const LOW_LOAD = { from: 0.12, to: 0.5, clearness: 0.6 } as const;
/** Days on either side of a stretch whose weak light is set against its own. */
export const LOAD_BESIDE_DAYS = 30;
/** Days with weak light that tell at least, inside and beside. */
export const LEAST_LOW_LOAD_DAYS = 5;
/** A step stands out by so many deviations of what the middles of neighbouring weeks part by on any day. */
export const DRIFT_DEVIATIONS = 3;
/** Up to a week the middle is off by three days at most; a longer stretch is asked itself. */
export const LONG_UNTOLD_HOURS = 168;
/** Days before a fall that are set against the same days a year on. */
export const SEASON_DAYS = 40;
export const A_YEAR_DAYS = 365;
/** Pairs of such days that tell at least. */
export const LEAST_YEAR_PAIRS = 5;
