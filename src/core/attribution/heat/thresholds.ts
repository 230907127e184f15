/** Hours that owe less than this share of the ceiling are held by no heat: no inverter gives up so much. */
export const LEAST_LOAD = 0.6;
/** Hours between these loads tell what a day gives with nothing held. */
export const FREE_LOAD = { from: 0.15, to: 0.55 } as const;
/** Above this share of the ceiling it cuts hours too, by its own. */
export const MOST_FREE_LOAD = 0.95;
/** Air below which no inverter is held, °C. Source: IEC 62109-1:2010 (devices are rated for 40 °C and above outdoors). */
export const COOL_C = 30;
/** Days on either side from which a day's level is told, and hours that they need. */
export const LEVEL_DAYS = 10;
/** The hours meant above. */
export const LEAST_HOURS = 8;
/** Intake air at which the rating begins to fall, °C, tried in turn, lowest and highest. */
export const FROM_C = { from: 30, to: 52 } as const;
/** Shares of the rating lost a kelvin, tried in turn: makers' curves lie between 1 and 4 %. */
export const PER_K_FRAC = [0.01, 0.015, 0.02, 0.025, 0.03, 0.04] as const;
/** Kelvin by which full sun warms the air at the intake. */
export const SUN_K = 6;
/** Share a kelvin by which the modules' own law of heat may be off, tried in turn: what falls in proportion at any load is no held inverter. */
export const PER_K_OFF = [-0.002, -0.001, 0, 0.001, 0.002] as const;
/** Share of what hours miss without a law that may be left with it: less than half, or something else is most of it. */
export const MOST_LEFT_SHARE = 0.5;
/** A span lasts this many days at least: a hot week is weather. */
export const LEAST_SPAN_DAYS = 14;
/** A span begins and ends where this share of its gain has come together: less is the scatter of cool days. */
export const EDGE_SHARE = 0.003;
/** Within a span the rating falls from air this much cooler at least. */
export const LEAST_SOONER_K = 2;
/** What the whole record loses to heat is a finding from this share of its energy on. */
export const LEAST_LOST_FRAC = 0.001;
/** Share by which the energy may be off, two sided 95 %. */
export const HEAT_OFF = 0.35;
export const SURE_SPAN = 0.85;
export const SURE_LAW = 0.75;
