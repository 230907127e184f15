import { randomLcg, randomNormal } from "d3";
import type { TimeAxis } from "@/core/series";
import type { Place } from "@/core/site";
import { runSun } from "@/core/sun";
import { DAY_MS, MINUTE_MS } from "@/core/units";

/** A made-up climate, month by month where twelve values stand. */
export interface Climate {
  /** Share of a clear sky's light that a usual day brings, January first. */
  readonly brightness: readonly number[];
  readonly meanTempC: readonly number[];
  readonly dailySwingK: number;
  readonly meanWindMs: number;
  /** Chance of a wet day, January first. */
  readonly wetDays: readonly number[];
  readonly meanRainMm: number;
  /** Wet days in cold air bring snow, and the mast has a depth gauge. */
  readonly snows?: boolean;
  /** Its clear days are as clear as each other but for haze, as the light of a real sky is. */
  readonly hasClearDays?: boolean;
}

/** Weather of a simulated plant, at its own fine step. */
export interface SimulatedWeather {
  readonly axis: TimeAxis;
  readonly ghiWm2: Float64Array;
  readonly dhiWm2: Float64Array;
  readonly airTempC: Float64Array;
  readonly windSpeedMs: Float64Array;
  readonly rainMm: Float64Array;
  /** Lying on the ground, cm; null where it never snows. */
  readonly snowDepthCm: Float64Array | null;
  readonly sun: ReturnType<typeof runSun>;
}

/** Clear-sky GHI, W/m2. Source: Haurwitz, 1945, Insolation in relation to cloudiness and cloud density. */
const haurwitz = (cosZenith: number): number => (cosZenith > 0 ? 1098 * cosZenith * Math.exp(-0.059 / cosZenith) : 0);

/** Diffuse share of GHI; not the model's. Source: Boland, Ridley & Brown, 2008, Models of diffuse solar radiation. */
const bolandDiffuseFrac = (clearness: number): number => 1 / (1 + Math.exp(-5.0033 + 8.6025 * clearness));

/** Days whose state stands this high are clear, and their haze takes or gives so much of the light, one deviation. */
const CLEAR_STATE = 0.5;
const HAZE_FRAC = 0.012;

/** Weather made from a seed: day states that persist, clouds that drift through a day, rain on dull days. Same seed, same weather. */
export function simulateWeather(climate: Climate, place: Place, axis: TimeAxis, seed: number): SimulatedWeather {
  const source = randomLcg(seed);
  const normal = randomNormal.source(source)(0, 1);
  const sun = runSun(axis, place);
  const column = (): Float64Array => new Float64Array(axis.count);
  const [ghiWm2, dhiWm2, airTempC, windSpeedMs, rainMm] = [column(), column(), column(), column(), column()];
  const perDay = 1440 / axis.stepMinutes;
  const drift = Math.exp(-axis.stepMinutes / 45);
  let dayState = 0;
  let cloud = 0;
  let warm = 0;
  let wind = 0;
  let haze = 0;
  for (let i = 0; i < axis.count; i++) {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const month = new Date(utcMs).getUTCMonth();
    if (i % perDay === 0) {
      dayState = 0.55 * dayState + 0.83 * normal();
      if (climate.hasClearDays) haze = 0.8 * haze + 0.6 * normal();
      warm = 0.8 * warm + 0.6 * normal() * 3;
      const wet = source() < climate.wetDays[month]! * (dayState < 0 ? 1.7 : 0.3);
      if (wet) rainMm[i + Math.floor(source() * perDay)] = -Math.log(1 - source()) * climate.meanRainMm;
    }
    cloud = drift * cloud + Math.sqrt(1 - drift * drift) * normal();
    wind = 0.97 * wind + 0.24 * normal();
    const usual = climate.brightness[month]!;
    const restless = 0.05 + 0.28 * Math.max(0, 1 - usual) + (dayState < -0.3 ? 0.12 : 0);
    const isClear = climate.hasClearDays && dayState > CLEAR_STATE;
    const share = isClear
      ? 1 + HAZE_FRAC * haze
      : Math.min(1.12, Math.max(0.06, usual + 0.17 * Math.min(dayState, 0.9) + restless * cloud * (cloud < 0 ? 1 : 0.35)));
    const up = sun.up[i]!;
    ghiWm2[i] = haurwitz(up) * share;
    const clearness = up > 0.01 ? Math.min(1, ghiWm2[i]! / (sun.extraterrestrialWm2[i]! * up)) : 0;
    dhiWm2[i] = ghiWm2[i]! * (up > 0.01 ? bolandDiffuseFrac(clearness) : 1);
    airTempC[i] = climate.meanTempC[month]! + warm + climate.dailySwingK * swing(utcMs, place.longitudeDeg) * (0.5 + 0.5 * share);
    windSpeedMs[i] = Math.max(0.1, climate.meanWindMs * Math.exp(0.45 * wind));
  }
  const snowDepthCm = climate.snows ? lieSnow(axis, rainMm, airTempC) : null;
  return { axis, ghiWm2, dhiWm2, airTempC, windSpeedMs, rainMm, snowDepthCm, sun };
}

const SNOW_CM_PER_MM = 1.1;
const SNOWS_BELOW_C = 0.8;
const MELT_CM_PER_K_HOUR = 0.12;

/** Turns rain in cold air into snow that lies, settles and melts; what fell as snow is taken out of the rain. */
function lieSnow(axis: TimeAxis, rainMm: Float64Array, airTempC: Float64Array): Float64Array {
  const depth = new Float64Array(axis.count);
  const hours = axis.stepMinutes / 60;
  let lying = 0;
  for (let i = 0; i < axis.count; i++) {
    if (rainMm[i]! > 0 && airTempC[i]! < SNOWS_BELOW_C) {
      lying += rainMm[i]! * SNOW_CM_PER_MM;
      rainMm[i] = 0;
    }
    lying = Math.max(0, lying * (1 - 0.002 * hours) - Math.max(0, airTempC[i]!) * MELT_CM_PER_K_HOUR * hours);
    depth[i] = lying;
  }
  return depth;
}

/** Daily swing of the air, -0.5 to 0.5, warmest three hours after solar noon. */
function swing(utcMs: number, longitudeDeg: number): number {
  const solarHour = ((utcMs % DAY_MS) / DAY_MS) * 24 + longitudeDeg / 15;
  return 0.5 * Math.cos(((solarHour - 15) / 24) * 2 * Math.PI);
}
