import { type SensorPlant, sensorPlant } from "../simulators";
import { simulate } from "./accuracy-rows";

/** Plants from this number on judge; those below it were built with. */
export const JUDGED_FROM = 1000;

/** Ageing of one plant whose light is read by a sensor that is not true, beside its truth. */
export interface SensorRow {
  readonly kind: SensorPlant["kind"];
  readonly k: number;
  readonly years: number;
  readonly truePerYearFrac: number;
  readonly perYearFrac: number;
  readonly low: number;
  readonly high: number;
  readonly holds: boolean;
  readonly found: { readonly atDay: number; readonly frac: number } | null;
}

export function sensorRow(k: number): SensorRow {
  const { plant, kind, ...read } = sensorPlant(k);
  const { report } = simulate(plant, read);
  const { perYearFrac, low, high, years, lightStep } = report.ageing;
  const truth = plant.truth.ageingPerYearFrac;
  const [rate, from, to] = [perYearFrac, low, high].map((value) => value ?? Number.NaN) as [number, number, number];
  return {
    kind,
    k,
    years,
    truePerYearFrac: truth,
    perYearFrac: rate,
    low: from,
    high: to,
    holds: from <= truth && truth <= to,
    found: lightStep && { atDay: lightStep.day, frac: lightStep.frac },
  };
}
