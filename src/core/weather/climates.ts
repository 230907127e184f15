import { runSun } from "../sun";
import { monthBins } from "../time";
import type { MeansPlace, MonthlyMeans } from "./monthly-means";
import { localYear } from "./monthly-means";
import { usualDayAirC } from "./usual-air";

/**
 * Twelve clearness figures (light on the level over light above the air, January first) of the northern hemisphere, by a climate that somebody can tell from
 * living there. Own judgement, rounded from what textbooks print of such places; within some 15 % of a year. Form: Liu & Jordan, 1963, The long-term average
 * performance of flat-plate solar-energy collectors.
 */
export const CLIMATES = {
  "hot-desert": [0.62, 0.64, 0.65, 0.66, 0.67, 0.7, 0.69, 0.68, 0.68, 0.66, 0.63, 0.61],
  "cold-desert": [0.58, 0.61, 0.62, 0.62, 0.64, 0.66, 0.66, 0.66, 0.66, 0.63, 0.58, 0.56],
  steppe: [0.52, 0.54, 0.55, 0.57, 0.58, 0.6, 0.62, 0.61, 0.59, 0.56, 0.52, 0.5],
  mediterranean: [0.46, 0.49, 0.53, 0.56, 0.6, 0.64, 0.67, 0.66, 0.61, 0.54, 0.48, 0.45],
  oceanic: [0.32, 0.36, 0.4, 0.45, 0.47, 0.47, 0.46, 0.45, 0.43, 0.38, 0.33, 0.29],
  "grey-winter": [0.31, 0.38, 0.43, 0.47, 0.49, 0.5, 0.51, 0.51, 0.47, 0.4, 0.31, 0.27],
  "snowy-winter": [0.42, 0.48, 0.52, 0.5, 0.5, 0.51, 0.52, 0.5, 0.46, 0.41, 0.36, 0.37],
  subarctic: [0.35, 0.44, 0.52, 0.53, 0.49, 0.47, 0.46, 0.43, 0.38, 0.33, 0.3, 0.28],
  alpine: [0.48, 0.53, 0.54, 0.52, 0.49, 0.49, 0.52, 0.51, 0.51, 0.51, 0.46, 0.45],
  "humid-summer": [0.46, 0.48, 0.49, 0.5, 0.5, 0.5, 0.49, 0.5, 0.49, 0.52, 0.49, 0.46],
  monsoon: [0.6, 0.63, 0.63, 0.62, 0.6, 0.5, 0.4, 0.39, 0.48, 0.57, 0.6, 0.59],
  rainforest: [0.44, 0.46, 0.47, 0.47, 0.46, 0.46, 0.47, 0.48, 0.48, 0.46, 0.43, 0.42],
  savanna: [0.6, 0.61, 0.59, 0.56, 0.53, 0.48, 0.44, 0.42, 0.46, 0.52, 0.57, 0.6],
  "trade-wind": [0.53, 0.55, 0.57, 0.57, 0.56, 0.58, 0.58, 0.58, 0.56, 0.54, 0.52, 0.51],
} as const;
export type Climate = keyof typeof CLIMATES;

/** Any year serves for the sky above the air. */
const SKY_YEAR = 2023;
/** Middle of each month as a day of the year. */
const MID_MONTH = [16, 45, 75, 105, 136, 166, 197, 228, 258, 289, 319, 350] as const;

/** Twelve means of a place by its climate: the sky's light times the climate's clearness, and the usual air of latitude, season and height. South of the equator the seasons are turned. */
export function climateMeans(climate: Climate, place: MeansPlace & { readonly elevationM: number }): MonthlyMeans {
  const axis = localYear(SKY_YEAR, place.timeZone);
  const sun = runSun(axis, place);
  const { binOf } = monthBins(axis, place.timeZone);
  const aboveKwhM2 = new Float64Array(12);
  sun.up.forEach((up, i) => {
    const month = binOf[i]!;
    if (month < 12) aboveKwhM2[month]! += (Math.max(0, up) * sun.extraterrestrialWm2[i]!) / 1000;
  });
  const turned = place.latitudeDeg < 0 ? 6 : 0;
  return {
    ghiKwhM2: [...aboveKwhM2].map((above, month) => above * CLIMATES[climate][(month + turned) % 12]!),
    airTempC: MID_MONTH.map((day) => usualDayAirC(place, day)),
  };
}
