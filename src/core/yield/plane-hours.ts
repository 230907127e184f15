import { faiman, HEAT_LOSS, type Mounting } from "../module";
import type { Site } from "../site";
import type { PreparedWeather } from "./prepare";
import { arrayLightWm2 } from "./varying";

/** Light and warmth of a plane in sampled lit hours, each standing for `hoursEach` hours of the record. */
export interface PlaneHours {
  readonly irradianceWm2: Float64Array;
  readonly cellTempC: Float64Array;
  readonly hoursEach: number;
}

/** One of so many lit steps is taken. */
const EVERY_LIT_STEP = 7;
/** Steps by the golden section never fall into step with the hours of a day, as every seventh would with fourteen hours of light. Source: Weyl, 1916, on numbers spread evenly modulo one. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const LIT_UP = 0.01;

/** Samples of a year in each of some planes, on the same steps. Source: Faiman, 2008, for the cells' temperature. */
export function planeHours(
  site: Site,
  { weather, sun }: PreparedWeather,
  planes: readonly { readonly tiltDeg: number; readonly azimuthDeg: number; readonly mounting: Mounting }[],
  every = EVERY_LIT_STEP,
): PlaneHours[] {
  const at: number[] = [];
  let lit = 0;
  for (let i = 0; i < weather.axis.count; i++) if (sun.up[i]! > LIT_UP && (lit++ * GOLDEN) % 1 < 1 / every) at.push(i);
  const hoursEach = (lit / Math.max(1, at.length)) * (weather.axis.stepMinutes / 60);
  return planes.map(({ tiltDeg, azimuthDeg, mounting }) => {
    const all = arrayLightWm2(site, { tiltDeg, azimuthDeg }, { weather, sun });
    const irradianceWm2 = Float64Array.from(at, (i) => (Number.isNaN(all[i]) ? 0 : all[i]!));
    const cellTempC = irradianceWm2.map((light, k) =>
      faiman(light, weather.airTempC[at[k]!]!, weather.windSpeedMs[at[k]!]!, HEAT_LOSS[mounting]),
    );
    return { irradianceWm2, cellTempC, hoursEach };
  });
}
