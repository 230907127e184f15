import { YEAR_MS } from "../units";

export interface AgeingRate {
  /** Share of nameplate lost over the first year in the field, evenly. */
  readonly firstYearFrac: number;
  /** Share of nameplate lost in each year after the first. */
  readonly perYearFrac: number;
}

/** Share of nameplate left at an age in years (0 and up), linear in nameplate. Source: Jordan & Kurtz, 2013, Photovoltaic degradation rates. */
export function ageingFactor(ageYears: number, rate: AgeingRate): number {
  const first = Math.min(Math.max(ageYears, 0), 1) * rate.firstYearFrac;
  return Math.max(0, 1 - first - Math.max(ageYears - 1, 0) * rate.perYearFrac);
}

export const ageInYears = (utcMs: number, commissionedUtcMs: number): number => (utcMs - commissionedUtcMs) / YEAR_MS;
