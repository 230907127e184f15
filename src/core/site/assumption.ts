/** What a book may open without: then something usual is taken, and stands here until somebody says otherwise. */
export const ASSUMPTIONS = ["elevation", "tilt", "azimuth", "modules", "inverter"] as const;
export type Assumption = (typeof ASSUMPTIONS)[number];
