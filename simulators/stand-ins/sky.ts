import type { Dice } from "./dice";

const RAD = Math.PI / 180;
const HOUR_MS = 3_600_000;

/** Where the sun stands: height and bearing (clockwise from north) in degrees. Source: Michalsky, 1988, The Astronomical Almanac's algorithm for approximate solar position. */
export function sunAt(
  utcMs: number,
  latitudeDeg: number,
  longitudeDeg: number,
): { heightDeg: number; bearingDeg: number; beyondAirWm2: number } {
  const days = utcMs / 86_400_000 + 2440587.5 - 2451545;
  const meanLong = 280.46 + 0.9856474 * days;
  const anomaly = (357.528 + 0.9856003 * days) * RAD;
  const ecliptic = (meanLong + 1.915 * Math.sin(anomaly) + 0.02 * Math.sin(2 * anomaly)) * RAD;
  const obliquity = (23.439 - 0.0000004 * days) * RAD;
  const ascension = Math.atan2(Math.cos(obliquity) * Math.sin(ecliptic), Math.cos(ecliptic));
  const declination = Math.asin(Math.sin(obliquity) * Math.sin(ecliptic));
  const utcHours = (((utcMs % 86_400_000) + 86_400_000) % 86_400_000) / HOUR_MS;
  const sidereal = (6.697375 + 0.0657098242 * days + utcHours) * 15 + longitudeDeg;
  const hourAngle = sidereal * RAD - ascension;
  const latitude = latitudeDeg * RAD;
  const sinHeight = Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.cos(hourAngle);
  const height = Math.asin(Math.min(1, Math.max(-1, sinHeight)));
  const east = -Math.cos(declination) * Math.sin(hourAngle);
  const north = Math.cos(latitude) * Math.sin(declination) - Math.sin(latitude) * Math.cos(declination) * Math.cos(hourAngle);
  return {
    heightDeg: height / RAD,
    bearingDeg: (Math.atan2(east, north) / RAD + 360) % 360,
    beyondAirWm2: 1361 * (1 + 0.0334 * Math.cos(anomaly)),
  };
}

/** What a region's sky is like, season by season (January, April, July, October of the north; halves are mixed between). */
export interface Region {
  readonly name: string;
  readonly latitudeDeg: readonly [number, number];
  readonly longitudeDeg: readonly [number, number];
  readonly elevationM: readonly [number, number];
  readonly timeZone: string;
  readonly currency: string;
  /** Share of days that are clear, and that are dull. */
  readonly clear: readonly number[];
  readonly dull: readonly number[];
  readonly meanTempC: readonly number[];
  readonly wetDays: readonly number[];
  readonly meanRainMm: number;
  readonly windMs: number;
  readonly snows: boolean;
  /** Dust in the air and on the ground: dirt a dry day, as a share, lowest to highest. Source: Kimber et al., 2006; Sarver, Al-Qaraghuli & Kazmerski, 2013. */
  readonly dirtPerDay: readonly [number, number];
}

export const REGIONS: readonly Region[] = [
  {
    name: "dry south",
    latitudeDeg: [35.5, 39],
    longitudeDeg: [-6, -1.5],
    elevationM: [20, 900],
    timeZone: "Europe/Madrid",
    currency: "EUR",
    clear: [0.42, 0.4, 0.78, 0.5],
    dull: [0.22, 0.2, 0.02, 0.17],
    meanTempC: [9, 14, 26, 18],
    wetDays: [0.2, 0.2, 0.02, 0.16],
    meanRainMm: 7,
    windMs: 2.6,
    snows: false,
    dirtPerDay: [0.0004, 0.0018],
  },
  {
    name: "oceanic",
    latitudeDeg: [50, 54],
    longitudeDeg: [6.5, 11.5],
    elevationM: [5, 220],
    timeZone: "Europe/Berlin",
    currency: "EUR",
    clear: [0.14, 0.2, 0.2, 0.16],
    dull: [0.55, 0.36, 0.33, 0.45],
    meanTempC: [1.5, 9, 18, 10],
    wetDays: [0.46, 0.36, 0.4, 0.42],
    meanRainMm: 5,
    windMs: 3.6,
    snows: true,
    dirtPerDay: [0.00003, 0.0002],
  },
  {
    name: "alpine",
    latitudeDeg: [46.2, 47.3],
    longitudeDeg: [8, 12],
    elevationM: [900, 2000],
    timeZone: "Europe/Zurich",
    currency: "CHF",
    clear: [0.3, 0.22, 0.28, 0.33],
    dull: [0.33, 0.35, 0.28, 0.27],
    meanTempC: [-4, 3, 14, 5],
    wetDays: [0.28, 0.36, 0.42, 0.28],
    meanRainMm: 7,
    windMs: 2.2,
    snows: true,
    dirtPerDay: [0.00002, 0.00015],
  },
  {
    name: "continental",
    latitudeDeg: [46.5, 48.3],
    longitudeDeg: [13, 16.5],
    elevationM: [150, 600],
    timeZone: "Europe/Vienna",
    currency: "EUR",
    clear: [0.18, 0.25, 0.33, 0.25],
    dull: [0.48, 0.3, 0.2, 0.35],
    meanTempC: [-0.5, 10, 20, 10],
    wetDays: [0.28, 0.34, 0.36, 0.28],
    meanRainMm: 6,
    windMs: 2.4,
    snows: true,
    dirtPerDay: [0.00004, 0.0003],
  },
  {
    name: "southern plain",
    latitudeDeg: [-33, -29],
    longitudeDeg: [145, 150.5],
    elevationM: [120, 600],
    timeZone: "Australia/Sydney",
    currency: "AUD",
    clear: [0.55, 0.52, 0.48, 0.55],
    dull: [0.12, 0.13, 0.18, 0.12],
    meanTempC: [10, 18, 27, 18],
    wetDays: [0.16, 0.14, 0.14, 0.15],
    meanRainMm: 8,
    windMs: 3,
    snows: false,
    dirtPerDay: [0.0001, 0.0008],
  },
  {
    name: "desert",
    latitudeDeg: [22.5, 26.5],
    longitudeDeg: [44, 50],
    elevationM: [50, 700],
    timeZone: "Asia/Riyadh",
    currency: "SAR",
    clear: [0.6, 0.5, 0.72, 0.75],
    dull: [0.08, 0.09, 0.02, 0.03],
    meanTempC: [15, 26, 36, 28],
    wetDays: [0.06, 0.07, 0.002, 0.02],
    meanRainMm: 7,
    windMs: 3.2,
    snows: false,
    dirtPerDay: [0.0006, 0.0025],
  },
  {
    name: "italian plain",
    latitudeDeg: [40, 45.2],
    longitudeDeg: [10, 16],
    elevationM: [20, 500],
    timeZone: "Europe/Rome",
    currency: "EUR",
    clear: [0.28, 0.33, 0.6, 0.35],
    dull: [0.38, 0.25, 0.06, 0.27],
    meanTempC: [4, 13, 24, 15],
    wetDays: [0.24, 0.28, 0.16, 0.26],
    meanRainMm: 8,
    windMs: 2,
    snows: false,
    dirtPerDay: [0.0001, 0.0006],
  },
];

/** The sky of one quarter of an hour. */
export interface Sky {
  readonly count: number;
  readonly startUtcMs: number;
  readonly heightDeg: Float32Array;
  readonly bearingDeg: Float32Array;
  readonly beamWm2: Float32Array;
  readonly diffuseWm2: Float32Array;
  readonly beyondAirWm2: Float32Array;
  readonly airC: Float32Array;
  readonly windMs: Float32Array;
  readonly rainMm: Float32Array;
  /** Snow on the ground and fresh this quarter of an hour, cm. */
  readonly snowCm: Float32Array;
  readonly freshCm: Float32Array;
}

export const STEP_MS = 900_000;
const A_DAY = 96;

/** A season's figure on a day of the year, mixed between the four named ones. */
function onDay(four: readonly number[], yearShare: number): number {
  const at = yearShare * 4 - 0.15 + 4;
  const before = Math.floor(at) % 4;
  const frac = at - Math.floor(at);
  return four[before]! * (1 - frac) + four[(before + 1) % 4]! * frac;
}

/** Airmass. Source: Kasten & Young, 1989. */
const airmass = (heightDeg: number): number => 1 / (Math.sin(heightDeg * RAD) + 0.50572 * (heightDeg + 6.07995) ** -1.6364);

/**
 * A sky from a seed: days that are clear, broken or dull and stay so for a while, haze that drifts over weeks, clouds that pass. Beam of a clear sky by the law of
 * Meinel & Meinel, 1976, Applied Solar Energy; all its strengths are drawn.
 */
export function makeSky(
  region: Region,
  at: { latitudeDeg: number; longitudeDeg: number; elevationM: number },
  startUtcMs: number,
  days: number,
  dice: Dice,
): Sky {
  const count = days * A_DAY;
  const column = (): Float32Array => new Float32Array(count);
  const sky = {
    count,
    startUtcMs,
    heightDeg: column(),
    bearingDeg: column(),
    beamWm2: column(),
    diffuseWm2: column(),
    beyondAirWm2: column(),
    airC: column(),
    windMs: column(),
    rainMm: column(),
    snowCm: column(),
    freshCm: column(),
  };
  const isSouth = at.latitudeDeg < 0;
  const stays = dice.between(0.3, 0.6);
  /** Of the air at sea level, straight up: from hazy to clean. */
  const clearness = dice.between(0.68, 0.73);
  const hazeSize = dice.between(0.01, 0.035);
  const brokenPasses = Math.exp(-15 / dice.between(25, 70));
  let [kind, haze, warm, passing, wind, lying] = ["broken" as "clear" | "broken" | "dull", 0, 0, 0, 0, 0];
  let [yearSky, year, thick] = [0, -1, 1];
  for (let i = 0; i < count; i++) {
    const utcMs = startUtcMs + i * STEP_MS;
    const date = new Date(utcMs);
    const dayShare = (utcMs - Date.UTC(date.getUTCFullYear(), 0, 1)) / (365.25 * 86_400_000);
    const yearShare = (dayShare + (isSouth ? 0.5 : 0)) % 1;
    if (i % A_DAY === 0) {
      if (date.getUTCFullYear() !== year) [year, yearSky] = [date.getUTCFullYear(), 0.06 * dice.normal()];
      const [isClear, isDull] = [onDay(region.clear, yearShare) + yearSky, onDay(region.dull, yearShare) - yearSky];
      if (!dice.chance(stays)) {
        const drawn = dice.between(0, 1);
        kind = drawn < isClear ? "clear" : drawn > 1 - isDull ? "dull" : "broken";
      }
      haze = 0.9 * haze + 0.44 * dice.normal();
      warm = 0.82 * warm + 1.7 * dice.normal();
      thick = kind === "dull" ? dice.between(0.12, 0.5) : kind === "broken" ? dice.between(0.25, 0.85) : 1;
      const mayRain = onDay(region.wetDays, yearShare) * (kind === "dull" ? 2 : kind === "broken" ? 0.7 : 0.05);
      if (dice.chance(mayRain)) {
        const fall = -Math.log(1 - dice.between(0, 1)) * region.meanRainMm;
        const from = dice.whole(0, A_DAY - 9);
        for (let k = 0; k < 8; k++) sky.rainMm[i + from + k] = fall / 8;
      }
    }
    const { heightDeg, bearingDeg, beyondAirWm2 } = sunAt(utcMs + STEP_MS / 2, at.latitudeDeg, at.longitudeDeg);
    passing = brokenPasses * passing + Math.sqrt(1 - brokenPasses ** 2) * dice.normal();
    wind = 0.985 * wind + 0.17 * dice.normal();
    sky.heightDeg[i] = heightDeg;
    sky.bearingDeg[i] = bearingDeg;
    sky.beyondAirWm2[i] = beyondAirWm2;
    let openShare: number;
    if (heightDeg > 0) {
      const air = airmass(heightDeg);
      const up = Math.sin(heightDeg * RAD);
      const high = 0.14 * (at.elevationM / 1000);
      const clearBeam = beyondAirWm2 * ((1 - high) * clearness ** (air ** 0.678) + high) * Math.exp(-hazeSize * (1.4 + haze) * air);
      const clearDiffuse = (0.105 + hazeSize * (1.4 + haze)) * clearBeam * up ** 0.2 + 14 * up;
      // Clouds cut the beam by their cover of this moment and turn part of it to diffuse.
      openShare =
        kind === "clear"
          ? 1
          : kind === "dull"
            ? Math.max(0, 0.02 + 0.06 * passing)
            : Math.min(1, Math.max(0, 0.55 + 0.5 * (thick - 0.55) + 0.6 * passing));
      const clouded = 1 - openShare;
      sky.beamWm2[i] = clearBeam * openShare ** 2.2;
      const scattered = clearBeam * up * (kind === "dull" ? thick : 0.64) * clouded;
      sky.diffuseWm2[i] = clearDiffuse * (1 - 0.5 * clouded) + scattered;
    }
    const solarHour = ((utcMs % 86_400_000) / HOUR_MS + at.longitudeDeg / 15 + 24) % 24;
    const dayWave = Math.cos(((solarHour - 15) / 24) * 2 * Math.PI);
    sky.airC[i] = onDay(region.meanTempC, yearShare) + warm + (kind === "clear" ? 5.5 : kind === "broken" ? 4 : 2) * dayWave;
    sky.windMs[i] = Math.max(0.2, region.windMs * Math.exp(0.45 * wind) * (1 + 0.2 * dayWave));
    if (region.snows && sky.rainMm[i]! > 0 && sky.airC[i]! < 0.7) {
      sky.freshCm[i] = sky.rainMm[i]!;
      lying += sky.freshCm[i]!;
      sky.rainMm[i] = 0;
    }
    lying = Math.max(0, lying * 0.9996 - Math.max(0, sky.airC[i]!) * 0.03);
    sky.snowCm[i] = lying;
  }
  return sky;
}
