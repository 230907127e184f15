import type { Site } from "../site";

/** One reason why the expected energy may be off; a standard uncertainty, as a share of the energy. */
export interface UncertaintyPart {
  readonly name: "irradiance" | "transposition" | "rating" | "temperature" | "soiling" | "ageing" | "inverter" | "years";
  readonly standardFrac: number;
}

export interface Uncertainty {
  readonly parts: readonly UncertaintyPart[];
  /** All parts in quadrature. */
  readonly standardFrac: number;
  /** Half width of the interval that holds nine of ten, as a share. */
  readonly halfWidth90Frac: number;
}

/** Of the normal distribution: 5 % lie beyond on each side; 10 % lie below. */
const Z_90_TWO_SIDED = 1.6449;
const Z_90_ONE_SIDED = 1.2816;

/** Measured light: a station's pyranometer over months. Source: ISO 9060:2018 class B and IEC 61724-1:2021, daily totals. */
const PYRANOMETER = 0.02;
/** Measured in the plane: no splitting and turning of the light. */
const IN_PLANE = 0.015;
/** Splitting and turning hourly GHI, near the latitude's tilt; grows with the tilt. Source: Gueymard, 2009, Direct and indirect uncertainties in the prediction of tilted irradiance. */
const TRANSPOSITION_FLAT = 0.005;
const TRANSPOSITION_UPRIGHT = 0.04;
/** Flash-tested rating and its sorting. Source: Müller et al., 2017, Yield predictions for photovoltaic power plants: empirical validation, recent advances and remaining uncertainties. */
const RATING = 0.015;
const TEMPERATURE = 0.008;
const INVERTER = 0.005;
/** A fixed soiling share is a guess: half of it, and at least this. */
const SOILING_LEAST = 0.005;
/** Yearly ageing rates of healthy systems scatter by this. Source: Jordan et al., 2016, Compendium of photovoltaic degradation rates. */
const AGEING_PER_YEAR = 0.002;

const combined = (parts: readonly UncertaintyPart[]): Uncertainty => {
  const standardFrac = Math.sqrt(parts.reduce((sum, part) => sum + part.standardFrac ** 2, 0));
  return { parts, standardFrac, halfWidth90Frac: Z_90_TWO_SIDED * standardFrac };
};

/**
 * Uncertainty of expected energy over a month or longer, with the weather that came. `ageYears` is the plant's age. Parts are taken as
 * independent and combined in quadrature. Source: JCGM 100:2008, Guide to the expression of uncertainty in measurement.
 */
export function expectedUncertainty(site: Site, weather: { readonly inPlane: boolean; readonly ageYears: number }): Uncertainty {
  const tilt =
    site.arrays.reduce((sum, array) => sum + array.tiltDeg * array.count, 0) / site.arrays.reduce((sum, array) => sum + array.count, 0);
  const turned = TRANSPOSITION_FLAT + ((TRANSPOSITION_UPRIGHT - TRANSPOSITION_FLAT) * tilt) / 90;
  return combined([
    { name: "irradiance", standardFrac: weather.inPlane ? IN_PLANE : PYRANOMETER },
    { name: "transposition", standardFrac: weather.inPlane ? 0 : turned },
    { name: "rating", standardFrac: RATING },
    { name: "temperature", standardFrac: TEMPERATURE },
    { name: "soiling", standardFrac: Math.max(SOILING_LEAST, site.losses.soilingFrac / 2) },
    { name: "ageing", standardFrac: AGEING_PER_YEAR * Math.max(0, weather.ageYears) },
    { name: "inverter", standardFrac: INVERTER },
  ]);
}

/** Parts that stand between what is read on site and the modules' own level: neither their rating nor their ageing, which are what is asked. */
const NOT_OF_READING: ReadonlySet<UncertaintyPart["name"]> = new Set(["rating", "ageing", "years"]);
/** An AC meter of class 0.5 S to 1. Source: IEC 62053-21:2020 and -22:2020. */
const METER = 0.005;

/** Uncertainty of the modules' level as it is read on site, one deviation, as a share. */
export function levelStandardFrac(site: Site, inPlane: boolean): number {
  const { parts } = expectedUncertainty(site, { inPlane, ageYears: 0 });
  return Math.hypot(METER, ...parts.filter(({ name }) => !NOT_OF_READING.has(name)).map(({ standardFrac }) => standardFrac));
}

/** A typical year: what half and nine of ten years bring. */
export interface TypicalYear {
  readonly p50Kwh: number;
  readonly p90Kwh: number;
  readonly years: number;
  readonly uncertainty: Uncertainty;
}

/**
 * P50 and P90 of a year from whole years there are: the mean, and the mean less what model and weather leave open. Year to year is the
 * sample's own scatter, widened for few years by Student's t over the normal (two years and up). Null under two whole years.
 */
export function typicalYear(yearlyKwh: readonly number[], expected: Uncertainty): TypicalYear | null {
  const n = yearlyKwh.length;
  if (n < 2) return null;
  const p50Kwh = yearlyKwh.reduce((a, b) => a + b, 0) / n;
  const variance = yearlyKwh.reduce((sum, kwh) => sum + (kwh - p50Kwh) ** 2, 0) / (n - 1);
  const years = (Math.sqrt(variance) / p50Kwh) * fewYears(n) * Math.sqrt(1 + 1 / n);
  const uncertainty = combined([...expected.parts, { name: "years", standardFrac: years }]);
  return { p50Kwh, p90Kwh: p50Kwh * (1 - Z_90_ONE_SIDED * uncertainty.standardFrac), years: n, uncertainty };
}

/** Student's t over the normal at 10 % below, by degrees of freedom from 1. Source: Student, 1908, The probable error of a mean. */
const T_OVER_Z = [2.401, 1.471, 1.278, 1.196, 1.152, 1.123, 1.104, 1.09, 1.079];
const fewYears = (n: number): number => T_OVER_Z[n - 2] ?? 1.05;
