import { COLDEST_C, HOTTEST_C, type SpotReading } from "./spot-reading";

export const SPOT_DOUBTS = [
  "no-light",
  "light-beyond-sun",
  "voc-beyond-meter",
  "isc-beyond-meter",
  "temperature-out-of-range",
  "operating-above-voc",
  "nothing-read",
  "too-many-in-series",
] as const;
export type SpotDoubt = (typeof SPOT_DOUBTS)[number];

/** Enhanced by clouds no pane gets more, W/m2. Source: Gueymard, 2017, Cloud and albedo enhancement impacts on solar irradiance. */
const MOST_LIGHT_WM2 = 1800;
/** Under so little light currents are too small to tell anything, W/m2. Source: IEC 61829:2015 asks for 700, and warns below. */
const LEAST_LIGHT_WM2 = 10;
export const MOST_IN_SERIES = 60;

/** Why readings can't be taken as they are; none when they can. `meter` holds the most that the multimeter bears. */
export function spotDoubts(
  reading: SpotReading,
  modulesInSeries: number,
  meter: { readonly maxV: number; readonly maxA: number },
): SpotDoubt[] {
  const out: SpotDoubt[] = [];
  const { irradianceWm2, moduleTempC, airTempC, vocV, iscA, operatingV, operatingA } = reading;
  if (!(irradianceWm2 >= LEAST_LIGHT_WM2)) out.push("no-light");
  if (irradianceWm2 > MOST_LIGHT_WM2) out.push("light-beyond-sun");
  if (Math.max(vocV ?? 0, operatingV ?? 0) > meter.maxV) out.push("voc-beyond-meter");
  if (Math.max(iscA ?? 0, operatingA ?? 0) > meter.maxA) out.push("isc-beyond-meter");
  if ([moduleTempC, airTempC].some((tempC) => tempC !== null && (tempC < COLDEST_C || tempC > HOTTEST_C)))
    out.push("temperature-out-of-range");
  if (vocV !== null && operatingV !== null && operatingV > vocV) out.push("operating-above-voc");
  if (vocV === null && iscA === null && operatingA === null) out.push("nothing-read");
  if (modulesInSeries > MOST_IN_SERIES) out.push("too-many-in-series");
  return out;
}
