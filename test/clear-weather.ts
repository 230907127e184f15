import type { TimeAxis } from "@/core/series";
import { runSun } from "@/core/sun";
import type { Weather } from "@/core/weather";

/** Cloudless weather at a place: GHI of a constant clearness, mild air, light wind. */
export function clearWeather(axis: TimeAxis, place: { latitudeDeg: number; longitudeDeg: number }, clearness = 0.7): Weather {
  const sun = runSun(axis, place);
  const fill = (value: number) => new Float64Array(axis.count).fill(value);
  return {
    axis,
    ghiWm2: Float64Array.from(sun.up, (up, i) => Math.max(0, up) * sun.extraterrestrialWm2[i]! * clearness),
    dniWm2: null,
    dhiWm2: null,
    poaWm2: null,
    airTempC: fill(18),
    windSpeedMs: fill(2),
  };
}

export const hours = (startIso: string, count: number, stepMinutes = 60): TimeAxis => ({
  startUtcMs: Date.parse(startIso),
  stepMinutes,
  count,
});
