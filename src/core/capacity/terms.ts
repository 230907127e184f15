/** Conditions at which capacity is told. */
export interface ReportingConditions {
  readonly poaWm2: number;
  readonly airTempC: number;
  readonly windSpeedMs: number;
}

/** What a capacity test is held under; a contract names other terms where it wants them. */
export interface CapacityTerms {
  /** Length of the intervals, minutes. */
  readonly averageMinutes: number;
  /** In-plane light below which an interval is left out, W/m2. */
  readonly leastWm2: number;
  /** An interval whose light swings by more than this share of its mean is left out. */
  readonly swingFrac: number;
  /** Intervals within this share of the reporting light are kept. */
  readonly bandFrac: number;
  /** Found in the readings where it is null. */
  readonly conditions: ReportingConditions | null;
  /** Capacity that was agreed, kW at the reporting conditions; that of the book's model where it is null. */
  readonly targetKw: number | null;
  /** Share of the target at which the test is passed. */
  readonly passFrac: number;
  /** How far the light may be off, one standard deviation, as a share. */
  readonly lightErrorFrac: number;
}

/**
 * Terms where nobody agreed others. Intervals of a quarter of an hour, light over 400 W/m2 and within a fifth of the reporting light.
 * Source: ASTM E2848, Standard test method for reporting photovoltaic non-concentrator system performance.
 */
export const USUAL_TERMS: CapacityTerms = {
  averageMinutes: 15,
  leastWm2: 400,
  swingFrac: 0.2,
  bandFrac: 0.2,
  conditions: null,
  targetKw: null,
  passFrac: 0.95,
  lightErrorFrac: 0.02,
};

/** The reporting light is one that six of ten kept intervals lie under: enough lies on both sides. Source: ASTM E2939, Standard practice for determining reporting conditions and expected capacity. */
export const REPORTING_SHARE = 0.6;
/** Fewer intervals than these, or fewer days, tell no capacity. Source: ASTM E2848, data of at least fifty intervals over several days. */
export const LEAST_INTERVALS = 50;
export const LEAST_DAYS = 3;
/** At this share of its rating an inverter's ceiling may cut: it holds to its rating within two per cent. Source: ASTM E2848, exclusion of clipped power. */
export const CEILING_FRAC = 0.98;
/** A plant that gives less than this share of what its light calls for stands still: no dirt and no shade on good light takes nineteen twentieths. */
export const STILL_FRAC = 0.05;
