/** Where a book's light comes from, from the surest to the roughest; stations by the class of their sensor (ISO 9060:2018). */
export const LIGHT_SOURCES = [
  "station-a",
  "reference-cell",
  "station-b",
  "station-c",
  "satellite",
  "neighbour",
  "reanalysis",
  "unknown",
] as const;
export type LightSource = (typeof LIGHT_SOURCES)[number];

/** How far a source may be off, one deviation, as shares. */
export interface LightDoubt {
  /** Its gain: what all years share. */
  readonly gainFrac: number;
  /** What a month has beside it. */
  readonly monthFrac: number;
  /** How its gain may move within a year. */
  readonly stabilityPerYearFrac: number;
}

/**
 * Gains: IEC 61724-1:2021 and Sengupta et al., 2021, Best practices handbook for the collection and use of solar resource data. Stability: a quarter of the
 * change a year that ISO 9060:2018 allows a class (A 0.8 %, B 1.5 %, C 3 %), which is a limit and not a usual value; services move with their satellites and
 * with the dust that they are told of. A source that nobody named is taken as class B.
 */
export const LIGHT_DOUBTS: Readonly<Record<LightSource, LightDoubt>> = {
  "station-a": { gainFrac: 0.012, monthFrac: 0.005, stabilityPerYearFrac: 0.002 },
  "reference-cell": { gainFrac: 0.018, monthFrac: 0.008, stabilityPerYearFrac: 0.0025 },
  "station-b": { gainFrac: 0.02, monthFrac: 0.01, stabilityPerYearFrac: 0.00375 },
  "station-c": { gainFrac: 0.04, monthFrac: 0.02, stabilityPerYearFrac: 0.0075 },
  satellite: { gainFrac: 0.035, monthFrac: 0.025, stabilityPerYearFrac: 0.003 },
  neighbour: { gainFrac: 0.04, monthFrac: 0.03, stabilityPerYearFrac: 0.00375 },
  reanalysis: { gainFrac: 0.06, monthFrac: 0.05, stabilityPerYearFrac: 0.005 },
  unknown: { gainFrac: 0.02, monthFrac: 0.01, stabilityPerYearFrac: 0.00375 },
};
