/** What the light of a span of time is, from the strongest to the weakest. */
export const WEATHER_BASES = ["measured", "rough", "typical-year", "monthly-means", "own-meter", "climate", "cloudless", "none"] as const;
/**
 * - `measured`: from a sensor or a service for this very time.
 * - `rough`: the same, with a source that drifts or scatters too far to be held against.
 * - `typical-year`, `monthly-means`: right for a usual year, silent about any real one.
 * - `own-meter`: made so that the model gives what the meter counted: silent about performance.
 * - `climate`: made of a climate class that somebody picked.
 * - `cloudless`: geometry and clear sky alone.
 */
export type WeatherBasis = (typeof WEATHER_BASES)[number];

/** What the energy that was counted is, from the strongest to the weakest. */
export const ENERGY_BASES = ["intervals", "days", "months", "counter", "bills", "none"] as const;
export type EnergyBasisKind = (typeof ENERGY_BASES)[number];

export const PLANT_BASES = ["datasheet", "nameplate", "assumed"] as const;
export type PlantBasis = (typeof PLANT_BASES)[number];

export const TARIFF_BASES = ["reproduces-bills", "typed", "flat-price", "none"] as const;
export type TariffBasis = (typeof TARIFF_BASES)[number];

/** What an answer rests on; no sentence claims more than the weakest part can carry. */
export interface Basis {
  readonly weather: WeatherBasis;
  readonly energy: EnergyBasisKind;
  readonly plant: PlantBasis;
  readonly tariff: TariffBasis;
}

/** The weaker of two, by their order. */
export const weaker = <T>(order: readonly T[], a: T, b: T): T => (order.indexOf(a) >= order.indexOf(b) ? a : b);

/** Whether weather of this kind is a usual year's, made and not measured. */
export const isUsual = (weather: WeatherBasis): boolean =>
  weather === "typical-year" || weather === "monthly-means" || weather === "own-meter" || weather === "climate";
