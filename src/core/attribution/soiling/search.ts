import { type Candidate, type DirtProblem, fitOneRate, gainOver } from "./fit";
import { suspect } from "./suspected-cleaning";
import { DATE_OFFSETS, LEAST_CLEANING_LOSS, MOST_REFUSALS, MOST_SUSPECTED, SIDE, WASHING_STEPS } from "./thresholds";
import { USUAL_WASHING, WASHINGS, type Washing, washingsNear } from "./washing";

/**
 * The setting that tells the record best. Unrecorded cleanings first, by the usual washing: a rain scale fitted over them would take rain for what a
 * brush did. Then once more, since the plant's own washing leaves less scatter to find them in.
 */
export function searchDirt(problem: DirtProblem, recorded: Uint8Array, hasRain: boolean): Candidate {
  const { days, rainMm } = problem;
  const usual = fitOneRate(problem, { days, rainMm, cleaned: recorded.slice(), washing: USUAL_WASHING });
  const cleaned = withCleanings(problem, usual);
  return hasRain ? withCleanings(problem, withWashing(problem, cleaned)) : cleaned;
}

/** Tries washings all over, then about the best one, each from the best fit so far. */
function withWashing(problem: DirtProblem, start: Candidate): Candidate {
  const coarse = bestWashing(problem, start, WASHINGS);
  return WASHING_STEPS.reduce((best, factor) => bestWashing(problem, best, washingsNear(best.setting.washing, factor)), coarse);
}

const bestWashing = (problem: DirtProblem, start: Candidate, washings: readonly Washing[]): Candidate =>
  washings.reduce((best, washing) => {
    const next = fitOneRate(problem, { ...best.setting, washing }, best);
    return gainOver(best, next) > 0 ? next : best;
  }, start);

/** Adds cleanings that nobody wrote down while each betters the fit by enough. */
function withCleanings(problem: DirtProblem, start: Candidate): Candidate {
  const refused = new Uint8Array(problem.days);
  let best = start;
  let refusals = 0;
  for (let k = 0; k < MOST_SUSPECTED; k++) {
    const day = suspect(best.fit, problem.y, problem.weight, best.setting.cleaned, refused, problem.rainMm);
    if (day === null) return best;
    const first = cleanedOn(problem, best, day);
    if (gainOver(best, first) < LEAST_CLEANING_LOSS) {
      refused.fill(1, Math.max(0, day - SIDE), day + SIDE + 1);
      if (++refusals >= MOST_REFUSALS) return best;
      continue;
    }
    best = bestDate(problem, best, day, first);
  }
  return best;
}

function cleanedOn(problem: DirtProblem, best: Candidate, date: number): Candidate {
  const cleaned = best.setting.cleaned.slice();
  cleaned[date] = 1;
  return fitOneRate(problem, { ...best.setting, cleaned }, best);
}

/** A jump is told between two good days; the date that fits best is within a few days of it. */
const bestDate = (problem: DirtProblem, best: Candidate, day: number, first: Candidate): Candidate =>
  DATE_OFFSETS.reduce((chosen, off) => {
    const next = cleanedOn(problem, best, Math.min(problem.days - 1, Math.max(0, day + off)));
    return gainOver(chosen, next) > 0 ? next : chosen;
  }, first);
