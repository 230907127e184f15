/** Flatter than this, rain leaves dirt and a puddle at the lower edge of a frame, degrees. Source: Cano et al., 2014, Effect of tilt angle on soiling of photovoltaic modules. */
export const WASHED_FROM_DEG = 10;
