import { randomLcg, randomNormal } from "d3";
import type { TimeAxis } from "@/core/series";
import { MINUTE_MS, YEAR_MS } from "@/core/units";

/** What a light sensor or a service makes of the light that came. */
export interface LightSensor {
  readonly gainFrac: number;
  /** Change of its gain a year. */
  readonly driftPerYearFrac: number;
  /** Moments, years from the record's beginning, from which on the gain stands so much higher. */
  readonly steps: readonly { readonly atYears: number; readonly frac: number }[];
  /** Hourly and daily scatter, one deviation, as shares: clouds seen from above lie elsewhere than those overhead. */
  readonly hourlyNoiseFrac: number;
  readonly dailyNoiseFrac: number;
  /** Half of a wave through the year. */
  readonly seasonalFrac: number;
  /** Films that grow on its dome and are wiped off, years from the record's beginning. */
  readonly domes?: readonly { readonly fromYears: number; readonly toYears: number; readonly deepestFrac: number }[];
}

/** Light as a sensor gives it, W/m2. Same seed, same readings. Scatter lies on what is not clear: under a blue sky all see alike. */
export function throughSensor(lightWm2: Float64Array, axis: TimeAxis, sensor: LightSensor, seed: number): Float64Array {
  const normal = randomNormal.source(randomLcg(seed))(0, 1);
  const perDay = Math.round(1440 / axis.stepMinutes);
  const carried = Math.exp(-axis.stepMinutes / 60);
  let day = 0;
  let hour = 0;
  return lightWm2.map((light, i) => {
    if (i % perDay === 0) day = 0.4 * day + 0.92 * normal();
    hour = carried * hour + Math.sqrt(1 - carried * carried) * normal();
    const years = (i * axis.stepMinutes * MINUTE_MS) / YEAR_MS;
    const season = sensor.seasonalFrac * Math.cos(2 * Math.PI * (years - 0.04));
    const step = sensor.steps.reduce((sum, { atYears, frac }) => sum + (years >= atYears ? frac : 0), 0);
    const film = (sensor.domes ?? []).find(({ fromYears, toYears }) => years >= fromYears && years < toYears);
    const dimmed = film ? (film.deepestFrac * (years - film.fromYears)) / (film.toYears - film.fromYears) : 0;
    const noise = sensor.dailyNoiseFrac * day + sensor.hourlyNoiseFrac * hour;
    return Math.max(0, light * (1 - dimmed) * (1 + sensor.gainFrac + sensor.driftPerYearFrac * years + season + step) * Math.exp(noise));
  });
}
