/** A step gives nothing below this share of what it owes. */
export const NOTHING_FRAC = 0.015;
/** Steps that owe less than this share of rated output are too dim to be missed. */
export const DIM_FRAC = 0.04;
/** An outage has to cost this many hours at rated output, or a trip of one hour would be told from any cloud. */
export const LEAST_RATED_HOURS = 0.25;
/** A first or last step that gives less than this share of the usual was partly down. */
export const PARTLY_FRAC = 0.8;
/** Snow that fell up to this long before may be what holds a plant still. */
export const WHITE_HOURS = 36;
/** With snow about, standing still counts as downtime only where it begins from this share of the usual within one step. */
export const ABRUPT_FRAC = 0.6;
/** A plant that is back gives this share of the usual in its first two hours. */
export const WHOLE_FRAC = 0.75;
/** No cover too thin for the gauge to see keeps a plant still for so many hours at rated output. */
export const STILL_RATED_HOURS = 1.5;
/** Under this much light, share of rated output, in air above this, snow on modules begins to slide within some hours. Source: Marion et al., 2013. */
export const MILD_LIGHT_FRAC = 0.3;
/** The air meant above, °C. */
export const MILD_C = 1;
/** Hours so mild within the span below that let snow slide. */
export const MILD_HOURS = 4;
/** The span, hours. */
export const MILD_WITHIN_HOURS = 30;

/** Steps beyond which a standstill is no passing trip. */
export const LONG_STEPS = 3;
/** How sure a standstill is that lasted, and one that may have been a trip of an hour or two. */
export const SURE_LONG = 0.98;
export const SURE_SHORT = 0.85;
