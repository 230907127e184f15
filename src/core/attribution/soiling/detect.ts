import { medianOf, robustRidge } from "../../statistics";
import type { DayIndex } from "../record/day-index";
import type { AttributionFrame } from "../record/frame";
import { type Candidate, type DirtProblem, gainOver, type RefinedFit, refine } from "./fit";
import { otherFits } from "./other-fits";
import { searchDirt } from "./search";
import { standingTerms } from "./standing-terms";
import {
  HALF_SURE_GAIN,
  LEAST_RATE,
  LEAST_RATIO,
  LEAST_REFINED_RATE,
  LEAST_RESET_FRAC,
  LEVEL_AND_SLOPE,
  MOST_RATIO,
  UNREFINED_ERROR_FRAC,
} from "./thresholds";
import { rainByDay, retainedBy, type Washing } from "./washing";

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
  /** What that may be off by, by day, as other fits have it; empty where no dirt was fitted. */
  readonly offsets: readonly Float64Array[];
}

/**
 * Fits dirt, level, ageing and a small seasonal wave to the daily ratio at once: dirt grows by a rate that may change every few weeks, rain
 * washes it by its amount, a cleaning takes it off. Cleanings that nobody wrote down are sought as jumps that no rain explains.
 * `seenFrac` is the share of the lost light that shows in the output: cells under dirt run cooler, which gives a part back.
 * Source: Kimber et al., 2006; Deceglie, Micheli & Muller, 2018, Quantifying soiling loss directly from PV yield.
 */
export function soilingEvidence(frame: AttributionFrame, index: DayIndex, cleanings: readonly number[], seenFrac = 1): SoilingEvidence {
  const days = index.ratio.length;
  const recorded = new Uint8Array(days);
  for (const day of cleanings) if (day >= 0 && day < days) recorded[day] = 1;
  const problem: DirtProblem = {
    days,
    y: index.ratio.map((ratio) => (ratio > LEAST_RATIO && ratio < MOST_RATIO ? Math.log(ratio) : Number.NaN)),
    weight: index.weight,
    standing: standingTerms(days, index.cloud),
    rainMm: rainByDay(frame),
  };
  const best = searchDirt(problem, recorded, frame.weather.rainMm !== null);
  const gain = gainOver({ fit: robustRidge(problem.standing, problem.y, index.weight) }, best);
  const refined = gain > HALF_SURE_GAIN && best.rate > LEAST_REFINED_RATE ? refine(problem, best) : null;
  return evidenceOf({ problem, best, refined, recorded, seenFrac }, { gain, isSeen: gain > HALF_SURE_GAIN && best.rate > LEAST_RATE });
}

interface FoundDirt {
  readonly problem: DirtProblem;
  readonly best: Candidate;
  readonly refined: RefinedFit | null;
  readonly recorded: Uint8Array;
  readonly seenFrac: number;
}

function evidenceOf(found: FoundDirt, how: Pick<SoilingEvidence, "gain" | "isSeen">): SoilingEvidence {
  const { problem, best, refined, seenFrac } = found;
  const { days, y, weight, standing } = problem;
  const whole = (seen: number): number => seen / seenFrac;
  const fit = refined?.fit ?? robustRidge(standing, y, weight);
  const lost = refined?.lost ?? new Float64Array(days);
  const base = refined ? refined.columns.length : 0;
  const dry = refined ? [...refined.rates].filter((value) => value > 0).sort((a, b) => a - b) : [];
  const combination = new Float64Array(fit.coefficients.length);
  refined?.columns.forEach((unit, k) => {
    combination[k] = unit.reduce((sum, value) => sum + value, 0) / days;
  });
  // Level and slope stay in the log, from which ageing is read; waves and clouds are taken out.
  const taken = standing.slice(LEVEL_AND_SLOPE).map(({ values }, k) => ({ values, by: fit.coefficients[base + LEVEL_AND_SLOPE + k]! }));
  const cleanLog = y.map((value, d) => value - Math.log(1 - lost[d]!) - taken.reduce((sum, { values, by }) => sum + by * values[d]!, 0));
  return {
    lostFracByDay: lost.map(whole),
    ratePerDay: whole(refined ? medianOf(dry) : Math.max(0, best.rate)),
    ratePerDayRange: dry.length > 0 ? [whole(dry[Math.floor(dry.length * 0.1)]!), whole(dry[Math.floor(dry.length * 0.9)]!)] : [0, 0],
    meanLostFrac: whole(lost.reduce((sum, value) => sum + value, 0) / days),
    meanErrorFrac: refined ? fit.errorOf(combination) : UNREFINED_ERROR_FRAC,
    washing: best.setting.washing,
    retainedBy: (rainMm) => retainedBy(rainMm, best.setting.washing),
    resets: refined ? resetsOf(found, lost) : [],
    ...how,
    cleanLog,
    offsets: refined ? otherFits(refined) : [],
  };
}

/** Days on which the dirt falls: by a cleaning in the book, a suspected one, or rain. */
function resetsOf({ best, recorded, seenFrac }: FoundDirt, lost: Float64Array): SoilingReset[] {
  const resets: SoilingReset[] = [];
  for (let day = 1; day < lost.length; day++) {
    const before = lost[day - 1]!;
    const effect = before - lost[day]!;
    if (effect < LEAST_RESET_FRAC) continue;
    const cause = best.setting.cleaned[day] === 1 ? (recorded[day] === 1 ? "cleaning" : "suspected") : "rain";
    resets.push({ day, cause, beforeFrac: before / seenFrac, effectFrac: effect / seenFrac });
  }
  return resets;
}
