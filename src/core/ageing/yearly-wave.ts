import { medianOf } from "../statistics";
import type { MonthlyTrend } from "./monthly-trend";

/** The wave of the index through the year: half of its swing as a share, and its highest and lowest month, 0 to 11. */
export interface YearlyWave {
  readonly halfFrac: number;
  readonly highest: number;
  readonly lowest: number;
}

/**
 * What comes back each year is no ageing: shade, dirt that was not seen, the model's or the sensor's own season. Null where not every month of the year is
 * known.
 */
export function yearlyWave({ months, slopeLog }: MonthlyTrend): YearlyWave | null {
  const seasons = Array.from({ length: 12 }, (_, month) =>
    medianOf(
      months
        .filter(({ key, log }) => Number(key.slice(5, 7)) - 1 === month && !Number.isNaN(log))
        .map(({ log, deseasonedLog }) => log - deseasonedLog),
    ),
  );
  if (Number.isNaN(slopeLog) || seasons.some(Number.isNaN)) return null;
  const [most, least] = [Math.max(...seasons), Math.min(...seasons)];
  return { halfFrac: (most - least) / 2, highest: seasons.indexOf(most), lowest: seasons.indexOf(least) };
}
