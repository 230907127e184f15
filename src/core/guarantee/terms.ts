/** What was promised by contract, as it is measured. */
export const GUARANTEE_KINDS = ["performance-ratio", "corrected-ratio", "energy-index", "availability"] as const;
export type GuaranteeKind = (typeof GUARANTEE_KINDS)[number];

/** Local days, both ends included, that the contract leaves out, and why. */
export interface Exclusion {
  readonly from: string;
  readonly to: string;
  readonly why: string;
}

export interface GuaranteeTerms {
  readonly kind: GuaranteeKind;
  /** First local day of the first contract year. */
  readonly from: string;
  readonly years: number;
  /** In the first year, as a share. */
  readonly guaranteedFrac: number;
  /** By how much of the first year's figure it may fall from year to year. */
  readonly fallPerYearFrac: number;
  /** Points under the guaranteed figure that nobody pays for. */
  readonly deadBandFrac: number;
  /** Of a year's expected energy, what may be without readings. */
  readonly mostMissingFrac: number;
  readonly exclusions: readonly Exclusion[];
  /** How far the light may be off, one standard deviation, as a share. */
  readonly lightErrorFrac: number;
}

/**
 * Least in-plane light in which inverters run and time counts, as a share of a thousand watts a square metre. Source: IEC TS 63019:2019, Photovoltaic power
 * systems - information model for availability; IEC 61724-1:2021 for the least light.
 */
export const LIT_FRAC = 0.05;
/** Under this share of what its light calls for a plant stands still. */
export const STILL_FRAC = 0.05;
