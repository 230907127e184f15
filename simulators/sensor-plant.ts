import { randomLcg, randomNormal } from "d3";
import type { LightSource } from "@/core/site";
import type { LightSensor } from "./light-sensor";
import { type RandomPlant, randomPlant } from "./random-plant";

/** A plant whose light is not read as it came, with nothing else wrong but dirt, level and ageing. */
export interface SensorPlant {
  readonly plant: RandomPlant;
  readonly sensor: LightSensor;
  readonly kind: "drifting" | "recalibrated" | "satellite" | "monsoon" | "one bad year";
  readonly source: LightSource;
  /** Whether the mast has a rain gauge. */
  readonly hasRain: boolean;
}

const KINDS = ["drifting", "recalibrated", "satellite", "monsoon", "one bad year"] as const;
const GOOD: LightSensor = {
  gainFrac: 0,
  driftPerYearFrac: 0,
  steps: [],
  hourlyNoiseFrac: 0,
  dailyNoiseFrac: 0,
  seasonalFrac: 0,
};
/** A dry half of the year and a wet one. */
const MONSOON = {
  latitudeDeg: 19.4,
  longitudeDeg: 75.2,
  timeZone: "Asia/Kolkata",
  elevationM: 480,
  climate: {
    brightness: [0.93, 0.94, 0.93, 0.91, 0.88, 0.66, 0.5, 0.5, 0.64, 0.84, 0.91, 0.93],
    meanTempC: [21, 24, 28, 31, 33, 30, 27, 26, 27, 27, 24, 21],
    dailySwingK: 11,
    meanWindMs: 2.6,
    wetDays: [0.01, 0.01, 0.01, 0.02, 0.06, 0.45, 0.65, 0.6, 0.4, 0.12, 0.03, 0.01],
    meanRainMm: 11,
  },
};

/** Makes plant number k: its kind, its years (3 to 6), its sensor and its truth from the seed. */
export function sensorPlant(k: number): SensorPlant {
  const source = randomLcg((0.523 + k * 0.5698402911) % 1);
  const normal = randomNormal.source(source)(0, 1);
  const between = (low: number, high: number): number => low + (high - low) * source();
  const kind = KINDS[k % KINDS.length]!;
  const years = 3 + Math.floor(between(0, 4));
  const drift = 0.002 * normal();
  const gainFrac = 0.015 * normal();
  /** The light of one year stands higher than what reached the modules: a dig beside the plant, smoke, a meter that slipped. */
  const bad = 1 + Math.floor(between(0, years - 1));
  const haze = between(0.01, 0.025);
  const sensors: Readonly<Record<SensorPlant["kind"], LightSensor>> = {
    drifting: { ...GOOD, gainFrac, driftPerYearFrac: between(-0.004, 0.003) },
    recalibrated: {
      ...GOOD,
      gainFrac,
      driftPerYearFrac: drift,
      steps: [{ atYears: years * between(0.25, 0.75), frac: (normal() > 0 ? 1 : -1) * 0.015 }],
    },
    satellite: {
      ...GOOD,
      gainFrac: 2 * gainFrac,
      driftPerYearFrac: drift,
      hourlyNoiseFrac: between(0.08, 0.16),
      dailyNoiseFrac: between(0.03, 0.07),
      seasonalFrac: between(-0.03, 0.03),
    },
    monsoon: { ...GOOD, gainFrac, driftPerYearFrac: drift },
    "one bad year": {
      ...GOOD,
      gainFrac,
      driftPerYearFrac: drift,
      steps: [
        { atYears: bad, frac: haze },
        { atYears: bad + 1, frac: -haze },
      ],
    },
  };
  const plain = randomPlant(300 + k, false, kind === "monsoon" ? MONSOON : undefined);
  const firstYear = Number(plain.firstUtc.slice(0, 4));
  return {
    plant: { ...plain, lastUtc: `${firstYear + years}-01-01T00:00:00Z` },
    sensor: sensors[kind],
    kind,
    source: kind === "satellite" ? "satellite" : "station-b",
    hasRain: kind !== "monsoon" || k % 2 === 0,
  };
}
