import type { Shedding } from "@/contracts/parts";
import { arrayNameplateW, type Site } from "@/core/site";
import { HOURS_PER_YEAR } from "@/core/units";
import { type PreparedWeather, stormReport } from "@/core/yield";

/** Which array sheds when, by the model of a sliding cover; empty with one array, or where the readings know no snow. */
export function sheddingOf(site: Site, prepared: PreparedWeather, spells: number): Shedding[] {
  if (site.arrays.length < 2 || spells === 0 || !prepared.weather.snowDepthCm) return [];
  const { axis } = prepared.weather;
  const years = (axis.count * axis.stepMinutes) / 60 / HOURS_PER_YEAR;
  return site.arrays.flatMap((array) => {
    const falls = stormReport(site, array, prepared) ?? [];
    if (falls.length === 0) return [];
    const hours = falls.map(({ lyingHours }) => lyingHours);
    const lostKwh = falls.reduce((sum, fall) => sum + fall.lostKwh, 0);
    return [
      {
        id: array.id,
        name: array.name,
        tiltDeg: array.tiltDeg,
        azimuthDeg: array.azimuthDeg,
        falls: falls.length,
        meanHours: hours.reduce((a, b) => a + b, 0) / falls.length,
        longestHours: Math.max(...hours),
        lostKwhPerKwpYear: lostKwh / (arrayNameplateW(site, array) / 1000) / years,
      },
    ];
  });
}
