/** A dome that is dirty reads at least so much too low before anybody can tell: haze that stays for weeks took up to 4 % on stand-in plants whose domes were clean. */
export const LEAST_LOW_FRAC = 0.045;
/** And no more than this: beyond it is no film but a cover, or another fault. */
export const MOST_LOW_FRAC = 0.25;
/** Days over which a film grows before it is wiped. */
export const SPELL_DAYS = [14, 21, 28, 35, 42, 49, 56, 63, 70, 80, 90] as const;
/** Days on each side of a spell that tell the plant's own level. */
export const BESIDE_DAYS = 40;
/** Good days on each side of a wiping, whose middles part by most of the film. */
export const NEAR = 4;
/** Share of the film that has to go within these days. */
export const SUDDEN_FRAC = 0.6;
/** What clouds are known to do to a level, one deviation from cloudless to overcast. */
export const CLOUD_FRAC = 0.2;
/** Rounds of reweighting. */
export const ROUNDS = 4;
/** What a spell takes to say: its first day, its last, its size. */
export const TERMS = 3;
/** Clear days in the later half of a spell that tell the light's own fall. */
export const LEAST_CLEAR_DAYS = 3;
/** What a film that grows evenly takes in its later half, of what it takes at its end. */
export const LATER_FRAC = 0.75;
/** And out of the scatter of clear days by so many deviations. */
export const LACK_DEVIATIONS = 2;
/** A fall of the level has to stand out of those between all days by so many deviations. */
export const FALL_DEVIATIONS = 2;
/** Days about a spell whose clear days tell the usual light. */
export const CLEAR_BESIDE_DAYS = 120;
/** How sure a spell is that plant and clear sky both show. */
export const SURE_BY_BOTH = 0.9;
/** A drift is called one when it stands out of its own doubt by so many deviations. */
export const DRIFT_DEVIATIONS = 2;
/** How sure it then is: one clear sky in twenty does so by itself. */
export const SURE_BY_SKY = 0.8;
