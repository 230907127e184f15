import { bandAt } from "./price-at";
import type { Plan, Season } from "./types";

/** Which band of a season holds from one local hour to another; null where none does. */
export interface BandStretch {
  readonly from: number;
  readonly to: number;
  readonly band: number | null;
}

export interface SeasonWeek {
  readonly season: Season;
  readonly weekdays: readonly BandStretch[];
  readonly weekends: readonly BandStretch[];
}

/** Hours are told apart by quarters. */
const STEP_H = 0.25;

/** A week of each season of a plan, whatever its prices: which band holds when. */
export const planWeeks = ({ seasons }: Pick<Plan, "seasons">): SeasonWeek[] =>
  seasons.map((season) => ({ season, weekdays: dayOf(season, false), weekends: dayOf(season, true) }));

function dayOf(season: Season, isWeekend: boolean): BandStretch[] {
  const stretches: { from: number; to: number; band: number | null }[] = [];
  for (let from = 0; from < 24; from += STEP_H) {
    const at = bandAt({ season, isWeekend }, from);
    const band = at < 0 ? null : at;
    const last = stretches.at(-1);
    if (last && last.band === band) last.to = from + STEP_H;
    else stretches.push({ from, to: from + STEP_H, band });
  }
  return stretches;
}
