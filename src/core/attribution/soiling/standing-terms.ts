import type { RidgeColumn } from "../../statistics";
import { DAYS_PER_YEAR } from "../../units";
import { CLOUD, HALF_YEARLY_WAVE, SLOPE_DEVIATION, SLOPE_PRIOR, YEARLY_WAVE } from "./thresholds";

/** Level, yearly change, seasonal waves, and what clouds do to the sky model: the terms that stand beside dirt. */
export function standingTerms(days: number, cloud: Float64Array): RidgeColumn[] {
  const column = (of: (years: number) => number): Float64Array => Float64Array.from({ length: days }, (_, d) => of(d / DAYS_PER_YEAR));
  const wave = (values: Float64Array, deviation: number): RidgeColumn => ({ values, prior: 0, priorDeviation: deviation });
  const turn = 2 * Math.PI;
  return [
    { values: column(() => 1), prior: 0, priorDeviation: Number.POSITIVE_INFINITY },
    { values: column((t) => t), prior: SLOPE_PRIOR, priorDeviation: SLOPE_DEVIATION },
    wave(
      column((t) => Math.cos(turn * t)),
      YEARLY_WAVE,
    ),
    wave(
      column((t) => Math.sin(turn * t)),
      YEARLY_WAVE,
    ),
    wave(
      column((t) => Math.cos(2 * turn * t)),
      HALF_YEARLY_WAVE,
    ),
    wave(
      column((t) => Math.sin(2 * turn * t)),
      HALF_YEARLY_WAVE,
    ),
    wave(cloud, CLOUD),
  ];
}
