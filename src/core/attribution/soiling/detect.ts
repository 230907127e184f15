import { medianOf, type RidgeColumn, type RidgeFit, robustRidge } from "../../statistics";
import { DAYS_PER_YEAR } from "../../units";
import type { DayIndex } from "../record/day-index";
import type { AttributionFrame } from "../record/frame";
import { SIDE, suspect } from "./suspected-cleaning";
import { firstDirt, rainByDay, retainedBy, type Setting, USUAL_WASHING, unitDirt, WASHINGS, type Washing, washingsNear } from "./washing";

/** A day on which dirt went, by rain or by hand. `effectFrac` is the jump of the output that it brought. */
export interface SoilingReset {
  readonly day: number;
  readonly cause: "rain" | "cleaning" | "suspected";
  readonly beforeFrac: number;
  readonly effectFrac: number;
}

export interface SoilingEvidence {
  /** Share of light lost to dirt, by local day. */
  readonly lostFracByDay: Float64Array;
  /** Growth a day, as a share, by day; its median over dry days and the range of the middle 80 %. */
  readonly ratePerDay: number;
  readonly ratePerDayRange: readonly [number, number];
  /** Mean of the lost share, and its standard error. */
  readonly meanLostFrac: number;
  readonly meanErrorFrac: number;
  readonly washing: Washing;
  /** Share of the dirt that a day's rain, mm, leaves. */
  readonly retainedBy: (rainMm: number) => number;
  readonly resets: readonly SoilingReset[];
  /** How much better the readings are told with dirt than without: the drop of Huber's loss. */
  readonly gain: number;
  /** Whether the readings tell dirt from nothing. */
  readonly isSeen: boolean;
  /** Log ratio by day with dirt put back; NaN where a day tells nothing. */
  readonly cleanLog: Float64Array;
}

/** A rate is free to change from one block to the next. */
const BLOCK_DAYS = 28;
/** How far a block's rate strays from the season's, one deviation, as a share of the mean rate. */
const STRAY_FRAC = 0.3;
/** Seasonal error of temperature and sky models: one deviation of the yearly and half-yearly wave. */
const YEARLY_WAVE = 0.012;
const HALF_YEARLY_WAVE = 0.005;
/**
 * Ratio of an overcast day to a cloudless one, one deviation. Found on plants of other physics: up to 0.15. The index is free of most of it
 * already; known beside dirt and ageing it comes out better (two of 64 stand-ins' rates).
 */
const CLOUD = 0.15;
/** What is known of ageing and of usual dirt before looking. Source: Jordan et al., 2016; Kimber et al., 2006. */
const SLOPE_PRIOR = -0.007;
const SLOPE_DEVIATION = 0.012;
const MOST_SUSPECTED = 16;
const MOST_REFUSALS = 4;
/** A cleaning that nobody wrote down has to shift the fit's loss by this much: there are a thousand days on which it could have been. */
const LEAST_CLEANING_LOSS = 18;
/** Rounds of reweighting in the search, and in the fit that stands. */
const SEARCH_ROUNDS = 4;
const FINAL_ROUNDS = 10;
/** Dirt that shifts the fit's loss by less than this is not told from scatter. */
const LEAST_LOSS = 8;
/** A hint is posted, and not called a finding. */
const LEAST_HINT = 3;

/** How often a fit is straightened and reweighed, and the dirt that it begins from. */
interface FitTerms {
  readonly rounds: number;
  readonly reweighs: number;
  readonly from?: { readonly lost: Float64Array; readonly fit: RidgeFit };
}

interface Fitted {
  readonly fit: RidgeFit;
}

/** How much better a second fit is than a first, in units of its scale: a middle deviation alone would not see two months gone astray. */
const gainOver = (first: Fitted, second: Fitted): number => first.fit.lossAt(second.fit.scale) - second.fit.lossAt(second.fit.scale);

type Prior = Omit<RidgeColumn, "values">;

/**
 * Fits dirt, level, ageing and a small seasonal wave to the daily ratio at once: dirt grows by a rate that may change every few weeks, rain
 * washes it by its amount, a cleaning takes it off. Cleanings that nobody wrote down are sought as jumps that no rain explains.
 * `seenFrac` is the share of the lost light that shows in the output: cells under dirt run cooler, which gives a part back.
 * Source: Kimber et al., 2006; Deceglie, Micheli & Muller, 2018, Quantifying soiling loss directly from PV yield.
 */
export function soilingEvidence(frame: AttributionFrame, index: DayIndex, cleanings: readonly number[], seenFrac = 1): SoilingEvidence {
  const days = index.ratio.length;
  const whole = (seen: number): number => seen / seenFrac;
  const seasons = standing(days, index.cloud);
  const rainMm = rainByDay(frame);
  const recorded = new Uint8Array(days);
  for (const day of cleanings) if (day >= 0 && day < days) recorded[day] = 1;
  const y = index.ratio.map((ratio) => (ratio > 0.3 && ratio < 1.5 ? Math.log(ratio) : Number.NaN));
  const hasRain = frame.weather.rainMm !== null;
  let best = coarse({ days, rainMm, cleaned: recorded.slice(), washing: USUAL_WASHING });
  // Unrecorded cleanings first, by the usual washing: a rain scale fitted over them would take rain for what a brush did. Then once more, since
  // the plant's own washing leaves less scatter to find them in.
  seekCleanings();
  if (hasRain) {
    for (const washing of WASHINGS) tryWashing(washing);
    for (const factor of [1, 0.5]) for (const washing of washingsNear(best.setting.washing, factor)) tryWashing(washing);
    seekCleanings();
  }
  const gain = gainOver({ fit: robustRidge(seasons, y, index.weight) }, best);
  const isSeen = gain > LEAST_LOSS && best.rate > 5e-5;
  return result(best, gain > LEAST_HINT && best.rate > 2e-5 ? fine(best) : null, { gain, isSeen });

  function tryWashing(washing: Washing): void {
    const next = coarse({ ...best.setting, washing }, best);
    if (gainOver(best, next) > 0) best = next;
  }

  function seekCleanings(): void {
    const refused = new Uint8Array(days);
    let refusals = 0;
    for (let k = 0; k < MOST_SUSPECTED; k++) {
      const day = suspect(best.fit, y, index.weight, best.setting.cleaned, refused, rainMm);
      if (day === null) return;
      const first = cleanedOn(day);
      if (gainOver(best, first) < LEAST_CLEANING_LOSS) {
        refused.fill(1, Math.max(0, day - SIDE), day + SIDE + 1);
        if (++refusals >= MOST_REFUSALS) return;
        continue;
      }
      best = bestDate(day, first);
    }
  }

  function cleanedOn(date: number): ReturnType<typeof coarse> {
    const tried = best.setting.cleaned.slice();
    tried[date] = 1;
    return coarse({ ...best.setting, cleaned: tried }, best);
  }

  /** A jump is told between two good days; the date that fits best is within a few days of it. */
  function bestDate(day: number, first: ReturnType<typeof coarse>): ReturnType<typeof coarse> {
    let chosen = first;
    for (const off of [-3, -2, -1, 1, 2]) {
      const next = cleanedOn(Math.min(days - 1, Math.max(0, day + off)));
      if (gainOver(chosen, next) > 0) chosen = next;
    }
    return chosen;
  }

  function coarse(setting: Setting, from?: FitTerms["from"]): { setting: Setting; fit: RidgeFit; lost: Float64Array; rate: number } {
    const oneRate = unitDirt(setting, 0, days);
    const { fit, lost } = fitDirt(
      [oneRate, firstDirt(setting)],
      [
        { prior: 0.0005, priorDeviation: 0.002, leastZero: true },
        { prior: 0.003, priorDeviation: 0.03, leastZero: true },
      ],
      from ? { rounds: 1, reweighs: SEARCH_ROUNDS, from } : { rounds: 2, reweighs: SEARCH_ROUNDS },
    );
    return { setting, fit, lost, rate: fit.coefficients[0]! };
  }

  /** Refines the one rate: it swings with the seasons, and strays block by block. */
  function fine({ setting, rate, lost, fit }: ReturnType<typeof coarse>): {
    fit: RidgeFit;
    lost: Float64Array;
    rates: Float64Array;
    columns: Float64Array[];
  } {
    const starts = Array.from({ length: Math.ceil(days / BLOCK_DAYS) }, (_, k) => k * BLOCK_DAYS);
    const planeOffset = (2 * Math.PI) / DAYS_PER_YEAR;
    const columns = [
      unitDirt(setting, 0, days),
      unitDirt(setting, 0, days, (d) => Math.cos(planeOffset * d)),
      unitDirt(setting, 0, days, (d) => Math.sin(planeOffset * d)),
      firstDirt(setting),
      ...starts.map((from) => unitDirt(setting, from, Math.min(days, from + BLOCK_DAYS))),
    ];
    const priors = [
      { prior: rate, priorDeviation: Math.max(2 * rate, 1e-3), leastZero: true },
      { prior: 0, priorDeviation: 0.4 * rate },
      { prior: 0, priorDeviation: 0.4 * rate },
      { prior: rate * 8, priorDeviation: Math.max(0.02, rate * 15), leastZero: true },
      ...starts.map(() => ({ prior: 0, priorDeviation: STRAY_FRAC * rate })),
    ];
    const refined = fitDirt(columns, priors, { rounds: 2, reweighs: FINAL_ROUNDS, from: { lost, fit } });
    const [whole, cosine, sine] = refined.fit.coefficients;
    const rates = Float64Array.from(starts, (from, k) => {
      const middle = planeOffset * (from + BLOCK_DAYS / 2);
      return Math.max(0, whole! + cosine! * Math.cos(middle) + sine! * Math.sin(middle) + refined.fit.coefficients[4 + k]!);
    });
    return { ...refined, rates, columns };
  }

  /** Gauss-Newton on the log ratio: ln(1 - s) is straightened at the dirt of the round before. */
  function fitDirt(dirt: Float64Array[], priors: Prior[], { rounds, reweighs, from }: FitTerms): { fit: RidgeFit; lost: Float64Array } {
    let lost: Float64Array = from?.lost ?? new Float64Array(days);
    let fit: RidgeFit | undefined = from?.fit;
    for (let round = 0; round < rounds; round++) {
      const target = y.map((value, d) => value - Math.log(1 - lost[d]!) - lost[d]! / (1 - lost[d]!));
      const shares = lost;
      const linearised = (unit: Float64Array): Float64Array => {
        const values = new Float64Array(days);
        for (let d = 0; d < days; d++) if (unit[d] !== 0) values[d] = -unit[d]! / (1 - shares[d]!);
        return values;
      };
      const columns: RidgeColumn[] = [...dirt.map((unit, k) => ({ ...priors[k]!, values: linearised(unit) })), ...seasons];
      fit = robustRidge(columns, target, index.weight, reweighs, fit);
      const { coefficients } = fit;
      lost = new Float64Array(days);
      for (let d = 0; d < days; d++) {
        for (let k = 0; k < dirt.length; k++) lost[d]! += coefficients[k]! * dirt[k]![d]!;
        lost[d] = Math.max(0, Math.min(0.6, lost[d]!));
      }
    }
    return { fit: fit!, lost };
  }

  function result(
    { setting, rate }: ReturnType<typeof coarse>,
    made: ReturnType<typeof fine> | null,
    told: Pick<SoilingEvidence, "gain" | "isSeen">,
  ): SoilingEvidence {
    const fit = made?.fit ?? robustRidge(seasons, y, index.weight);
    const lost = made?.lost ?? new Float64Array(days);
    const base = made ? made.columns.length : 0;
    const dry = made ? [...made.rates].filter((value) => value > 0).sort((a, b) => a - b) : [];
    const combination = new Float64Array(fit.coefficients.length);
    made?.columns.forEach((unit, k) => {
      combination[k] = unit.reduce((sum, value) => sum + value, 0) / days;
    });
    const resets: SoilingReset[] = [];
    for (let d = 1; made && d < days; d++) {
      const before = lost[d - 1]!;
      if (before - lost[d]! < 0.003) continue;
      const cause = setting.cleaned[d] === 1 ? (recorded[d] === 1 ? "cleaning" : "suspected") : "rain";
      resets.push({ day: d, cause, beforeFrac: whole(before), effectFrac: whole(before - lost[d]!) });
    }
    // Level and slope stay in the log, from which ageing is read; waves and clouds are taken out.
    const taken = seasons.slice(LEVEL_AND_SLOPE).map(({ values }, k) => ({ values, by: fit.coefficients[base + LEVEL_AND_SLOPE + k]! }));
    const cleanLog = y.map((value, d) => value - Math.log(1 - lost[d]!) - taken.reduce((sum, { values, by }) => sum + by * values[d]!, 0));
    return {
      lostFracByDay: lost.map(whole),
      ratePerDay: whole(made ? medianOf(dry) : Math.max(0, rate)),
      ratePerDayRange: dry.length > 0 ? [whole(dry[Math.floor(dry.length * 0.1)]!), whole(dry[Math.floor(dry.length * 0.9)]!)] : [0, 0],
      meanLostFrac: whole(lost.reduce((sum, value) => sum + value, 0) / days),
      meanErrorFrac: made ? fit.errorOf(combination) : 0.002,
      washing: setting.washing,
      retainedBy: (rainMm) => retainedBy(rainMm, setting.washing),
      resets,
      ...told,
      cleanLog,
    };
  }
}

/** Of the terms that stand beside dirt, the first two. */
const LEVEL_AND_SLOPE = 2;

/** Level, yearly change, seasonal waves, and what clouds do to the sky model. */
function standing(days: number, cloud: Float64Array): RidgeColumn[] {
  const column = (of: (years: number) => number): Float64Array => Float64Array.from({ length: days }, (_, d) => of(d / DAYS_PER_YEAR));
  const wave = (values: Float64Array, deviation: number): RidgeColumn => ({ values, prior: 0, priorDeviation: deviation });
  const planeOffset = 2 * Math.PI;
  return [
    { values: column(() => 1), prior: 0, priorDeviation: Number.POSITIVE_INFINITY },
    { values: column((t) => t), prior: SLOPE_PRIOR, priorDeviation: SLOPE_DEVIATION },
    wave(
      column((t) => Math.cos(planeOffset * t)),
      YEARLY_WAVE,
    ),
    wave(
      column((t) => Math.sin(planeOffset * t)),
      YEARLY_WAVE,
    ),
    wave(
      column((t) => Math.cos(2 * planeOffset * t)),
      HALF_YEARLY_WAVE,
    ),
    wave(
      column((t) => Math.sin(2 * planeOffset * t)),
      HALF_YEARLY_WAVE,
    ),
    wave(cloud, CLOUD),
  ];
}
