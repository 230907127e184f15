import { type Assumption, LIGHT_DOUBTS, type Site } from "../site";
import { Z_90 } from "../statistics";
import { ASSUMED_WIND_STANDARD_MS, USUAL_AIR_STANDARD_K } from "../weather";

export type UncertaintyName =
  | "irradiance"
  | "irradiance-month"
  | "usual-year"
  | "transposition"
  | "transposition-month"
  | "rating"
  | "temperature"
  | "air"
  | "wind"
  | "soiling"
  | "shading"
  | "snow"
  | "low-light"
  | "spectrum"
  | "rear"
  | "assumed"
  | "ageing"
  | "inverter"
  | "years";

/** One row of the budget: why the expected energy may be off. */
export interface UncertaintyPart {
  readonly name: UncertaintyName;
  /** What may be off, one deviation, in its own unit, and what one such unit does to the energy, as a share. */
  readonly amount: number;
  readonly unit: "share" | "K" | "m/s";
  readonly perUnit: number;
  readonly distribution: "normal" | "rectangular";
  /** What is off alike in all months, in the months of a year, or in each month for itself: the less it has in common, the more it averages out. */
  readonly shared: "always" | "year" | "month";
  /** Of the span's energy, one deviation, as a share. */
  readonly standardFrac: number;
}

export interface Uncertainty {
  readonly parts: readonly UncertaintyPart[];
  /** All parts in quadrature. */
  readonly standardFrac: number;
  /** Half width of the interval that holds nine of ten, as a share. */
  readonly halfWidth90Frac: number;
}

/** What the budget has to know beside the site. */
export interface UncertaintyTerms {
  readonly inPlane: boolean;
  /** Age of the plant. */
  readonly ageYears: number;
  /** Columns that nobody measured. */
  readonly assumed: { readonly air: boolean; readonly wind: boolean };
  /** Months of the span. */
  readonly months: number;
  /** The light is a usual year's, made of twelve figures: how far those are from the place's own. */
  readonly isUsualYear?: boolean;
}

/** Of the normal distribution: 25, 10 and 1 % lie below. */
const Z_ONE_SIDED = { p75: 0.6745, p90: 1.2816, p99: 2.3263 } as const;
/** Deviation of a rectangular distribution of half width one. */
const RECTANGULAR = 1 / Math.sqrt(3);

/** Measured in the plane: no splitting and turning of the light, and the sensor is soiled and turned like the modules. */
const IN_PLANE_OF_GAIN = 0.75;
/** Splitting and turning hourly GHI, near the latitude's tilt; grows with the tilt, and a month's sky adds to it. Source: Gueymard, 2009, Direct and indirect uncertainties in the prediction of tilted irradiance. */
const TRANSPOSITION_FLAT = 0.005;
const TRANSPOSITION_UPRIGHT = 0.04;
const TRANSPOSITION_MONTH = 0.5;
/** Flash-tested rating and its sorting. Source: Müller et al., 2017, Yield predictions for photovoltaic power plants: empirical validation, recent advances and remaining uncertainties. */
const RATING = 0.015;
const TEMPERATURE = 0.008;
const INVERTER = 0.005;
/** What wind does to the energy by the cells' temperature, a share per m/s about a usual wind: 2.5 K at 600 W/m2 by Faiman, 2008. */
const ENERGY_PER_MS = 0.009;
/** A fixed soiling share is a guess: it may be nothing or twice as much, and half a percent besides. */
const SOILING_LEAST = 0.005;
/** Shade that is drawn by hand, and snow that a model slides. Source: Marion et al., 2013, for snow. */
const SHADING = 0.01;
const SNOW = 0.01;
/** Whether a cover slides hangs on the air: without a thermometer half of what a snowy site loses in a year is open. Source: Marion et al., 2013, losses of a tenth and more. */
const SNOW_WITHOUT_AIR = 0.05;
/** Efficiency under weak light by a usual law instead of the module's own. Source: IEC 61853-1:2011; Müller et al., 2017. */
const LOW_LIGHT = 0.005;
/** The sun's spectrum over a year. Source: Dirnberger, Blackburn, Müller & Reise, 2015, On the impact of solar spectral irradiance on the yield of different PV technologies. */
const SPECTRUM = 0.008;
/** Light behind two-sided modules by rows and a fixed albedo: a fifth of a gain of some 6 %. */
const REAR = 0.012;
/**
 * What somebody took for granted when the book was opened, by what it does to a year's energy at middle latitudes: a tilt within some 15 degrees, a direction within
 * some 45, the power of a module that was counted, an inverter with a ceiling that is not known, some hundred metres of height.
 */
const ASSUMED: Readonly<Record<Assumption, number>> = { tilt: 0.03, azimuth: 0.05, modules: 0.1, inverter: 0.02, elevation: 0.003 };
/** Yearly ageing rates of healthy systems scatter by this. Source: Jordan et al., 2016, Compendium of photovoltaic degradation rates. */
const AGEING_PER_YEAR = 0.002;

/** Twelve typed figures, or a typical year, against the mean of a place's years; maps and tables of irradiation part by so much. Source: Sengupta et al., 2021, Best practices handbook for the collection and use of solar resource data. */
const USUAL_YEAR = 0.05;

const combined = (parts: readonly UncertaintyPart[]): Uncertainty => {
  const standardFrac = Math.sqrt(parts.reduce((sum, part) => sum + part.standardFrac ** 2, 0));
  return { parts, standardFrac, halfWidth90Frac: Z_90 * standardFrac };
};

type Row = Pick<UncertaintyPart, "name" | "amount"> & Partial<Pick<UncertaintyPart, "unit" | "perUnit" | "distribution" | "shared">>;

/** How much of a deviation is left in a span of so many months. */
function leftOf(shared: UncertaintyPart["shared"], months: number): number {
  if (shared === "month") return 1 / Math.sqrt(Math.max(1, months));
  return shared === "year" ? 1 / Math.sqrt(Math.max(1, months / 12)) : 1;
}

/**
 * Budget of the expected energy of a span, with the weather that came: the one source of every interval, tolerance and doubt. Rows are independent of each
 * other and combined in quadrature; what months or years do not share averages out over the span. Rows of nothing are left out.
 * Source: JCGM 100:2008, Guide to the expression of uncertainty in measurement.
 */
export function expectedUncertainty(site: Site, { months, ...terms }: UncertaintyTerms): Uncertainty {
  return combined(
    rowsOf(site, terms).flatMap((row): UncertaintyPart[] => {
      const { unit = "share", perUnit = 1, distribution = "normal", shared = "always" } = row;
      const standardFrac = row.amount * perUnit * leftOf(shared, months);
      return standardFrac > 0 ? [{ ...row, unit, perUnit, distribution, shared, standardFrac }] : [];
    }),
  );
}

function rowsOf(site: Site, { inPlane, ageYears, assumed, isUsualYear = false }: Omit<UncertaintyTerms, "months">): Row[] {
  const { arrays, modules, losses, models } = site;
  const count = arrays.reduce((sum, array) => sum + array.count, 0);
  const over = (of: (array: Site["arrays"][number]) => number): number =>
    arrays.reduce((sum, array) => sum + of(array) * array.count, 0) / count;
  const turned = inPlane ? 0 : TRANSPOSITION_FLAT + ((TRANSPOSITION_UPRIGHT - TRANSPOSITION_FLAT) * over(({ tiltDeg }) => tiltDeg)) / 90;
  const light = LIGHT_DOUBTS[site.lightSource];
  const isShaded =
    models.shading !== "none" &&
    (site.obstacles.length > 0 ||
      site.horizon.length > 0 ||
      arrays.some(({ obstacles, horizon }) => obstacles.length + horizon.length > 0));
  const isTwoSided = arrays.some(({ module, mounting }) => mounting === "open-rack" && modules[module]!.bifacialityFrac > 0);
  return [
    { name: "irradiance", amount: light.gainFrac * (inPlane ? IN_PLANE_OF_GAIN : 1) },
    { name: "irradiance-month", amount: light.monthFrac, shared: "month" },
    { name: "usual-year", amount: isUsualYear ? USUAL_YEAR : 0 },
    { name: "transposition", amount: turned },
    { name: "transposition-month", amount: TRANSPOSITION_MONTH * turned, shared: "month" },
    { name: "rating", amount: RATING },
    { name: "temperature", amount: TEMPERATURE },
    {
      name: "air",
      amount: assumed.air ? USUAL_AIR_STANDARD_K : 0,
      unit: "K",
      perUnit: Math.abs(over(({ module }) => modules[module]!.gammaPmpPerK)),
    },
    { name: "wind", amount: assumed.wind ? ASSUMED_WIND_STANDARD_MS : 0, unit: "m/s", perUnit: ENERGY_PER_MS },
    { name: "soiling", amount: Math.hypot(SOILING_LEAST, losses.soilingFrac * RECTANGULAR), distribution: "rectangular", shared: "year" },
    { name: "shading", amount: isShaded ? SHADING : 0 },
    {
      name: "snow",
      amount: models.snow === "none" ? 0 : models.snow === "sliding" && assumed.air ? SNOW_WITHOUT_AIR : SNOW,
      shared: "year",
    },
    { name: "low-light", amount: over(({ module }) => (modules[module]!.powerMatrix ? 0 : LOW_LIGHT)), distribution: "rectangular" },
    { name: "spectrum", amount: SPECTRUM, shared: "year" },
    { name: "rear", amount: isTwoSided ? REAR : 0 },
    { name: "assumed", amount: Math.hypot(...site.assumed.map((what) => ASSUMED[what])) },
    { name: "ageing", amount: AGEING_PER_YEAR * Math.max(0, ageYears) },
    { name: "inverter", amount: INVERTER },
  ];
}

/** Parts that stand between what is read on site and the modules' own level: neither their rating nor their ageing, which are what is asked. */
const NOT_OF_READING: ReadonlySet<UncertaintyName> = new Set(["rating", "ageing", "years"]);
/** An AC meter of class 0.5 S to 1. Source: IEC 62053-21:2020 and -22:2020. */
const METER = 0.005;
/** A level is read over the last year or more. */
const LEVEL_MONTHS = 12;

/** Uncertainty of the modules' level as it is read on site, one deviation, as a share. */
export function levelStandardFrac(site: Site, terms: Pick<UncertaintyTerms, "inPlane" | "assumed">): number {
  const { parts } = expectedUncertainty(site, { ...terms, ageYears: 0, months: LEVEL_MONTHS });
  return Math.hypot(METER, ...parts.filter(({ name }) => !NOT_OF_READING.has(name)).map(({ standardFrac }) => standardFrac));
}

/** A typical year: what half, three of four, nine of ten and all but one of a hundred years bring, and what nine of ten decades bring a year. */
export interface TypicalYear {
  readonly p50Kwh: number;
  readonly p75Kwh: number;
  readonly p90Kwh: number;
  readonly p99Kwh: number;
  readonly tenYearP90Kwh: number;
  /** Whole years that it is told from. */
  readonly years: number;
  readonly uncertainty: Uncertainty;
}

const TEN_YEARS = 10;

/**
 * Exceedance of a year from whole years there are: the mean, and the mean less what model and weather leave open. Year to year is the
 * sample's own scatter, widened for few years by Student's t over the normal (two years and up); over ten years it averages out, the model's
 * own error does not. Null under two whole years.
 */
export function typicalYear(yearlyKwh: readonly number[], expected: Uncertainty): TypicalYear | null {
  const n = yearlyKwh.length;
  if (n < 2) return null;
  const p50Kwh = yearlyKwh.reduce((a, b) => a + b, 0) / n;
  const variance = yearlyKwh.reduce((sum, kwh) => sum + (kwh - p50Kwh) ** 2, 0) / (n - 1);
  const scatter = (Math.sqrt(variance) / p50Kwh) * fewYears(n);
  const ofYears = (span: number): UncertaintyPart => {
    const amount = scatter * Math.sqrt(1 / span + 1 / n);
    return { name: "years", amount, unit: "share", perUnit: 1, distribution: "normal", shared: "year", standardFrac: amount };
  };
  const uncertainty = combined([...expected.parts, ofYears(1)]);
  const below = (z: number, { standardFrac }: Uncertainty): number => p50Kwh * (1 - z * standardFrac);
  return {
    p50Kwh,
    p75Kwh: below(Z_ONE_SIDED.p75, uncertainty),
    p90Kwh: below(Z_ONE_SIDED.p90, uncertainty),
    p99Kwh: below(Z_ONE_SIDED.p99, uncertainty),
    tenYearP90Kwh: below(Z_ONE_SIDED.p90, combined([...expected.parts, ofYears(TEN_YEARS)])),
    years: n,
    uncertainty,
  };
}

/** Student's t over the normal at 10 % below, by degrees of freedom from 1. Source: Student, 1908, The probable error of a mean. */
const T_OVER_Z = [2.401, 1.471, 1.278, 1.196, 1.152, 1.123, 1.104, 1.09, 1.079];
const fewYears = (n: number): number => T_OVER_Z[n - 2] ?? 1.05;
