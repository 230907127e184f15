import type { LightRecord } from "../../ageing";
import { LIGHT_DOUBTS } from "../../site";
import { quantileOf } from "../../statistics";
import { DAYS_PER_YEAR } from "../../units";
import type { AttributionFrame } from "./frame";
import { BRIGHT_QUANTILE, CLEAR_LIGHT_HOURS, CLEAR_LIGHT_SPREAD, LEAST_CLEAR, LOW_SUN, NEAR_BRIGHT, SEASONS } from "./thresholds";

/**
 * What is known of the light: its source's stability, its calibrations, and the log of its clear days over a cloudless sky. A day is clear where its light
 * keeps to the sky's all day long. Null where the light was measured in the plane: what a cloudless sky gives there hangs on the plane itself.
 */
export function lightRecord(
  frame: AttributionFrame,
  calibrations: readonly string[],
  skyLog: Float64Array | null = clearSkyLog(frame),
): LightRecord {
  const { stabilityPerYearFrac } = LIGHT_DOUBTS[frame.site.lightSource];
  const calibratedDays = calibrations.map((date) => frame.days.keys.indexOf(date)).filter((day) => day > 0);
  return {
    stabilityPerYearFrac,
    calibratedDays,
    clearLog: skyLog?.map((below) => (below > -NEAR_BRIGHT ? below : Number.NaN)) ?? null,
  };
}

/**
 * Log of each clear day's light over the brightest clear days of its season, over all years; NaN where clouds are about, null where it can't be told. What haze and thin
 * cloud leave of a clear day lies below; a sensor that reads low does so too, for weeks on end.
 */
export function clearSkyLog(frame: AttributionFrame): Float64Array | null {
  if (frame.weather.poaWm2 !== null || frame.resolution !== "hours") return null;
  return belowBrightest(clearLog(frame));
}

function clearLog({ axis, days, sun, lit, clearness }: AttributionFrame): Float64Array {
  const out = new Float64Array(days.keys.length).fill(Number.NaN);
  let own: number[] = [];
  for (let i = 0; i <= axis.count; i++) {
    if (i === axis.count || (i > 0 && days.binOf[i] !== days.binOf[i - 1])) {
      out[days.binOf[i - 1]!] = levelOf(own, 60 / axis.stepMinutes);
      own = [];
    }
    if (i < axis.count && lit[i] === 1 && sun.up[i]! > 2 * LOW_SUN) own.push(clearness[i]!);
  }
  return out;
}

/** Against the brightest days of their season, over all years. */
function belowBrightest(log: Float64Array): Float64Array {
  const bySeason = Array.from({ length: SEASONS }, () => [] as number[]);
  const seasonOf = (day: number): number => Math.floor((((day % DAYS_PER_YEAR) / DAYS_PER_YEAR) * SEASONS) % SEASONS);
  log.forEach((value, day) => {
    if (!Number.isNaN(value)) bySeason[seasonOf(day)]!.push(value);
  });
  const envelope = bySeason.map((own, s) =>
    quantileOf(Float64Array.from([...bySeason.at(s - 1)!, ...own, ...bySeason[(s + 1) % SEASONS]!]).sort(), BRIGHT_QUANTILE),
  );
  return log.map((value, day) => value - envelope[seasonOf(day)]!);
}

function levelOf(own: readonly number[], stepsAnHour: number): number {
  if (own.length < CLEAR_LIGHT_HOURS * stepsAnHour) return Number.NaN;
  const mean = own.reduce((a, b) => a + b, 0) / own.length;
  const spread = Math.sqrt(own.reduce((sum, value) => sum + (value - mean) ** 2, 0) / own.length);
  return mean > LEAST_CLEAR && spread < CLEAR_LIGHT_SPREAD * mean ? Math.log(mean) : Number.NaN;
}
