import { quantileOf, Z_95 } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import { halfBetweenYears } from "./between-years";
import { type FirstStep, firstStep } from "./first-step";
import { type LightDrift, lightDrift, likelyDrift } from "./light-drift";
import { lightRateError } from "./light-stability";
import { type LightStep, lightStep } from "./light-step";
import { type MonthlyTrend, monthlyTrend } from "./monthly-trend";
import { type NaiveYears, naiveYears } from "./naive-years";
import { type RecentRate, recentRate } from "./recent-rate";
import { type YearOnYear, yearOnYear } from "./year-on-year";
import { type YearlyWave, yearlyWave } from "./yearly-wave";

export type AgeingMethodName = "year-on-year" | "trend" | "naive";

/** One way to read a rate: share of the first output lost a year (positive is loss), with its 95 % interval where it has one. */
export interface AgeingMethod {
  readonly name: AgeingMethodName;
  readonly perYearFrac: number;
  readonly low: number;
  readonly high: number;
}

/** What is left of the days after each filter, and the rate that they would give. */
export interface FilterStep {
  readonly name: "read-and-lit" | "causes-out" | "clear" | "little-dirt" | "light-drift";
  readonly days: number;
  readonly perYearFrac: number;
}

export interface AgeingReading {
  /** Years between the first and the last day that tell something. */
  readonly years: number;
  /** Share of the first output lost a year, and its 95 % interval; NaN when nothing can be told. */
  readonly perYearFrac: number;
  readonly low: number;
  readonly high: number;
  readonly isTooSoon: boolean;
  /** Half the interval's width with one, two and three more years. */
  readonly halfWidthLater: readonly number[];
  readonly firstStep: FirstStep | null;
  /** A change of pace; null where the course is straight as far as the days tell. */
  readonly recent: RecentRate | null;
  readonly wave: YearlyWave | null;
  /** Halves of the interval by what they come from: scatter of days with the dirt's own doubt, and the light. */
  readonly halfScatterFrac: number;
  readonly halfLightFrac: number;
  /** Calibrations within the record. */
  readonly calibrations: number;
  /** How the light moved against a cloudless sky, and what of it the rate is corrected by; null where too few clear days tell. */
  readonly lightDrift: (LightDrift & { readonly takenPerYearFrac: number }) | null;
  /** A step of the light column that was found; pairs across it are left out. */
  readonly lightStep: LightStep | null;
  /** Whether the light could be set against a cloudless sky at all. */
  readonly isLightStepSought: boolean;
  readonly methods: readonly AgeingMethod[];
  readonly filters: readonly FilterStep[];
  /** Days that the reading is made of: those of the last filter, or of fewer filters where too few would be left. */
  readonly usedDays: number;
  readonly yearOnYear: YearOnYear;
  readonly trend: MonthlyTrend;
  readonly naive: NaiveYears;
}

/** What is known of the light that the index stands on. */
export interface LightRecord {
  /** Log of a clear day's light over that of a cloudless sky, by day; NaN where clouds are about; null where it can't be told. */
  readonly clearLog: Float64Array | null;
  /** How its gain may move within a year, one deviation. */
  readonly stabilityPerYearFrac: number;
  /** Days on which the field book has a calibration. */
  readonly calibratedDays: readonly number[];
  /** Whether its dome was seen dirty for weeks. */
  readonly isNeglected?: boolean;
}

export interface AgeingInput {
  readonly days: readonly string[];
  /** Log of metered over expected without ageing, by day, with dirt put back; NaN where a day tells nothing. */
  readonly cleanLog: Float64Array;
  /** The same without any cause taken out, and with causes out but dirt left in. */
  readonly rawLog: Float64Array;
  readonly causesOutLog: Float64Array;
  /** 0 to 1, how well a day tells. */
  readonly weight: Float64Array;
  readonly dirtFrac: Float64Array;
  readonly months: readonly { readonly key: string; readonly kwh: number; readonly readFrac: number }[];
  /** Age of the plant at the first day, years. */
  readonly ageAtStartYears: number;
  readonly light: LightRecord;
  /** Days after long gaps of the meter: it may be another one, with a gain of its own. */
  readonly meterGaps?: readonly number[];
  /** What the correction of dirt may be off by, in the log, by day: other fits that tell the record as well. */
  readonly dirtOffsets: readonly Float64Array[];
  readonly draws: number;
  readonly seed: number;
}

/** Days that weigh this much tell well; where few do, under many clouds, the clearest two fifths of all days are taken. */
const CLEAR_WEIGHT = 0.5;
const CLEAREST = 0.6;
/** Days under more dirt than this say more of the dirt's correction than of the modules, unless most days are so. */
const LITTLE_DIRT_FRAC = 0.02;
const LEFT_BY_DIRT_FILTER = 0.6;
const LEAST_PAIRS = 60;
/** With one value a month a year of pairs is twelve, some of them under snow. */
const LEAST_MONTH_PAIRS = 8;
/** Modules settle in their first months: a fall apart from the slope. Source: Pingel et al., 2010. */
const SETTLING_YEARS = 0.35;
/** Two full years give one year of pairs: a year's whole weather decides what they say. */
const SOON_YEARS = 2;
/** Meters drift by about this a year, one deviation. Source: IEC 62053-21:2020, class 1 over the years to its next test. */
const METER_DRIFT = 0.0004;

/** Days that tell well, those of them with little dirt on settled modules, and whether a day's modules have settled. */
function tellingDays({ cleanLog, weight, dirtFrac, ageAtStartYears }: AgeingInput) {
  const least = Math.min(
    CLEAR_WEIGHT,
    quantileOf(
      weight.filter((value, d) => value > 0 && !Number.isNaN(cleanLog[d]!)),
      CLEAREST,
    ) || 0,
  );
  const clear = cleanLog.map((value, d) => (weight[d]! > least ? value : Number.NaN));
  const limit = Math.max(LITTLE_DIRT_FRAC, dirtFrac.slice().sort()[Math.floor(dirtFrac.length * LEFT_BY_DIRT_FILTER)] ?? 0);
  const settled = (d: number): boolean => ageAtStartYears + d / DAYS_PER_YEAR > SETTLING_YEARS;
  const little = clear.map((value, d) => (dirtFrac[d]! <= limit && settled(d) ? value : Number.NaN));
  return { clear, little, settled };
}

/** How the light moved, what of it is taken, and half the interval that it leaves open. */
function driftOf({ light, draws, seed }: AgeingInput, breaks: readonly number[], days: number) {
  const seen = light.clearLog && lightDrift(light.clearLog, { draws, seed, breaks, calibrated: light.calibratedDays });
  const taken = likelyDrift(seen, lightRateError(light.stabilityPerYearFrac, light.calibratedDays.length, days), light.isNeglected);
  return { seen, taken, halfFrac: Z_95 * Math.hypot(taken.standardFrac, METER_DRIFT) };
}

interface Methods {
  readonly perYearFrac: number;
  readonly half: number;
  readonly trend: MonthlyTrend;
  readonly naive: NaiveYears;
  readonly rate: (slopeLog: number) => number;
  readonly driftFrac: number;
}

const methodsOf = ({ perYearFrac, half, trend, naive, rate, driftFrac }: Methods): AgeingMethod[] => [
  { name: "year-on-year", perYearFrac, low: perYearFrac - half, high: perYearFrac + half },
  { name: "trend", perYearFrac: rate(trend.slopeLog + driftFrac), low: rate(trend.high + driftFrac), high: rate(trend.low + driftFrac) },
  { name: "naive", perYearFrac: -naive.changePerYearFrac, low: Number.NaN, high: Number.NaN },
];

/** Reads ageing through the weather by all methods. */
export function readAgeing(input: AgeingInput): AgeingReading {
  const { days, cleanLog, ageAtStartYears, light } = input;
  const { clear, little, settled } = tellingDays(input);
  const step = light.clearLog && lightStep(light.clearLog, little);
  const breaks = step ? [step.day] : [];
  const { draws, seed, dirtOffsets: offsets, meterGaps = [] } = input;
  const terms = { draws, seed, breaks, calibrated: [...light.calibratedDays, ...meterGaps], offsets };
  const first = yearOnYear(little, terms);
  const used = first.pairs.length >= LEAST_PAIRS ? little : cleanLog.map((value, d) => (settled(d) ? value : Number.NaN));
  const whole = used === little ? first : yearOnYear(used, terms);
  const [from, to] = ends(cleanLog);
  const years = to > from ? (to - from) / DAYS_PER_YEAR : 0;
  const middleYears = ageAtStartYears + (from + to) / 2 / DAYS_PER_YEAR;
  const rate = (slopeLog: number): number => asLossOfFirst(slopeLog, middleYears);
  const halfScatter = Math.max((whole.high - whole.low) / 2, halfBetweenYears(whole.pairs));
  const { seen: seenDrift, taken: drift, halfFrac: halfLight } = driftOf(input, breaks, to - from);
  const half = Math.hypot(halfScatter, halfLight);
  // A sensor that reads ever more makes the plant seem to give ever less.
  const perYearFrac = rate(whole.slopeLog + drift.perYearFrac);
  const isTooSoon = years < SOON_YEARS - 0.1 || whole.pairs.length < LEAST_MONTH_PAIRS;
  const trend = monthlyTrend(days, clear);
  const naive = naiveYears(input.months);
  const filter = (name: FilterStep["name"], index: Float64Array): FilterStep => ({
    name,
    days: countKnown(index),
    perYearFrac: rate(yearOnYear(index, { draws: 0, seed: 1 }).slopeLog),
  });
  return {
    years,
    perYearFrac,
    low: perYearFrac - half,
    high: perYearFrac + half,
    isTooSoon,
    halfWidthLater: [1, 2, 3].map((more) => Math.hypot(halfScatter * (years / (years + more)) ** 1.5, halfLight)),
    recent: isTooSoon ? null : recentRate(trend),
    wave: yearlyWave(trend),
    halfScatterFrac: halfScatter,
    halfLightFrac: halfLight,
    calibrations: light.calibratedDays.length,
    lightDrift: seenDrift && { ...seenDrift, takenPerYearFrac: drift.perYearFrac },
    lightStep: step,
    isLightStepSought: light.clearLog !== null,
    firstStep: firstStep(clear, Number.isNaN(whole.slopeLog) ? 0 : whole.slopeLog, ageAtStartYears),
    methods: methodsOf({ perYearFrac, half, trend, naive, rate, driftFrac: drift.perYearFrac }),
    filters: [
      filter("read-and-lit", input.rawLog),
      filter("causes-out", input.causesOutLog),
      filter("clear", clear),
      filter("little-dirt", little),
      ...(seenDrift ? [{ name: "light-drift", days: countKnown(used), perYearFrac } as const] : []),
    ],
    usedDays: countKnown(used),
    yearOnYear: whole,
    trend,
    naive,
  };
}

const countKnown = (values: Float64Array): number => values.reduce((count, value) => count + (Number.isNaN(value) ? 0 : 1), 0);

/** A yearly change of the log at an age, as the share of the first output that it is: ageing is linear in nameplate. */
const asLossOfFirst = (slopeLog: number, atYears: number): number => -slopeLog / (1 - slopeLog * Math.max(0, atYears));

function ends(values: Float64Array): [number, number] {
  const first = values.findIndex((value) => !Number.isNaN(value));
  return [Math.max(0, first), values.findLastIndex((value) => !Number.isNaN(value)) + 1];
}
