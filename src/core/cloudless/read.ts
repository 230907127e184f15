import { yearOnYear } from "../ageing";
import { attributionFrame, ceilingKwhOf, type FittedAngle, orientationEvidence } from "../attribution";
import { type MeterSeries, meteredOnto } from "../ledger";
import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { Z_95 } from "../statistics";
import { monthBins } from "../time";
import { HOURS_PER_YEAR } from "../units";
import { clearSkyWeather } from "../weather";
import { prepareWeather, runYield } from "../yield";
import { clearDayLog } from "./clear-days";
import { LEAST_PAIRS, YEAR_OF_SKY_FRAC } from "./thresholds";

/** What clear days of the meter alone tell, with no weather at all. */
export interface CloudlessReading {
  readonly clearDays: number;
  /** Loss a year; null with less than two years of clear days a year apart. */
  readonly ageing: { readonly perYearFrac: number; readonly low: number; readonly high: number; readonly pairs: number } | null;
  /** By how much the modules look otherwise than the book has it, degrees clockwise; null where the days don't say so. */
  readonly turn: FittedAngle | null;
}

export interface CloudlessInput {
  readonly site: Site;
  /** Hours from the first reading to the last. */
  readonly axis: TimeAxis;
  readonly meters: readonly MeterSeries[];
  readonly draws: number;
  readonly seed: number;
}

/**
 * Reads ageing and bearing from the days on which nothing came before the sun. The air is the place's usual one and the sky always as clear: what years differ by in both is in the
 * interval, and a dirt that grows over the years, or a plant that loses more than its modules, is not told from ageing. Source: Jordan et al., 2018 (pairs a year apart).
 */
export function readCloudless({ site, axis, meters, draws, seed }: CloudlessInput): CloudlessReading {
  const weather = clearSkyWeather(axis, site.place);
  const expectedKwh = runYield(site, weather, monthBins(axis, site.place.timeZone)).expectedKwh;
  const metered = meteredOnto(axis, meters, site, { spans: [], expectedKwh });
  const frame = attributionFrame(site, prepareWeather(site.place, weather), metered);
  const ceilingKwh = ceilingKwhOf(frame, null);
  const log = clearDayLog(frame, ceilingKwh);
  const isCloudy = Uint8Array.from(frame.days.binOf, (day) => Number(Number.isNaN(log[day]!)));
  const orientation = orientationEvidence(frame, isCloudy, ceilingKwh);
  return {
    clearDays: log.filter((value) => !Number.isNaN(value)).length,
    ageing: ageingOf(log, axis, { draws, seed }),
    turn: orientation?.planeOffset && orientation.planeOffset.azimuthOffsetDeg !== 0 ? orientation.azimuthOffsetDeg : null,
  };
}

function ageingOf(log: Float64Array, axis: TimeAxis, terms: { draws: number; seed: number }): CloudlessReading["ageing"] {
  const { slopeLog, low, high, pairs } = yearOnYear(log, terms);
  if (pairs.length < LEAST_PAIRS) return null;
  const years = axis.count / HOURS_PER_YEAR;
  // The slope of so many years of which each is off by itself.
  const skyError = YEAR_OF_SKY_FRAC / Math.sqrt((years * (years ** 2 - 1)) / 12);
  const half = Math.hypot((high - low) / 2, Z_95 * skyError);
  return { perYearFrac: -slopeLog, low: -slopeLog - half, high: -slopeLog + half, pairs: pairs.length };
}
