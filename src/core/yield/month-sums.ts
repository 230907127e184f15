import type { Site } from "../site";
import { monthBins } from "../time";
import type { PreparedWeather } from "./prepare";
import { runPrepared } from "./run-yield";

/** A run of the chain folded onto twelve months, January first: kWh at the meter, and on the account of shading. */
export interface MonthSums {
  readonly expectedKwh: readonly number[];
  readonly shadingKwh: readonly number[];
}

export const sumOf = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

/** The chain over a weather series; months of the same name in several years are added. */
export function monthSums(site: Site, prepared: PreparedWeather): MonthSums {
  const bins = monthBins(prepared.weather.axis, site.place.timeZone);
  const run = runPrepared(site, prepared, bins);
  const fold = (values: Float64Array): number[] => {
    const out = new Array<number>(12).fill(0);
    bins.keys.forEach((key, b) => {
      out[Number(key.slice(5, 7)) - 1]! += values[b]!;
    });
    return out;
  };
  return { expectedKwh: fold(run.expectedByBinKwh), shadingKwh: fold(run.accountsKwh.shading) };
}
