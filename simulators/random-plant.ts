import { randomLcg } from "d3";
import type { SiteInput } from "@/contracts/site";
import { DAY_MS, HOUR_MS } from "@/core/units";
import type { Climate } from "./climate";
import type { PlantTruth, SkyDisc } from "./plant";

/** A plant made up from a seed: what its owner believes, its weather, and what really happens to it. */
export interface RandomPlant {
  readonly name: string;
  readonly site: SiteInput;
  readonly climate: Climate;
  readonly truth: PlantTruth;
  readonly seed: number;
  readonly firstUtc: string;
  readonly lastUtc: string;
  /** Cleanings that the owner wrote down. */
  readonly recordedCleanings: readonly string[];
}

/** A place with its climate. */
export interface Where {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly timeZone: string;
  readonly elevationM: number;
  readonly climate: Climate;
}

const CLIMATES: readonly Where[] = [
  {
    latitudeDeg: 36.6,
    longitudeDeg: -3.1,
    timeZone: "Europe/Madrid",
    elevationM: 260,
    climate: {
      brightness: [0.78, 0.8, 0.82, 0.85, 0.9, 0.95, 0.97, 0.95, 0.89, 0.82, 0.78, 0.76],
      meanTempC: [9, 10, 13, 15, 19, 23, 27, 27, 23, 18, 13, 10],
      dailySwingK: 11,
      meanWindMs: 2.5,
      wetDays: [0.14, 0.13, 0.13, 0.11, 0.07, 0.03, 0.01, 0.02, 0.07, 0.12, 0.14, 0.15],
      meanRainMm: 7,
    },
  },
  {
    latitudeDeg: 47.1,
    longitudeDeg: 11.2,
    timeZone: "Europe/Vienna",
    elevationM: 1400,
    climate: {
      brightness: [0.68, 0.72, 0.74, 0.72, 0.7, 0.7, 0.74, 0.74, 0.74, 0.74, 0.68, 0.66],
      meanTempC: [-5, -4, -1, 3, 8, 12, 14, 14, 10, 5, -1, -4],
      dailySwingK: 8,
      meanWindMs: 2.2,
      wetDays: [0.26, 0.26, 0.3, 0.34, 0.4, 0.44, 0.42, 0.42, 0.34, 0.26, 0.28, 0.28],
      meanRainMm: 6,
      snows: true,
    },
  },
  {
    latitudeDeg: -30.4,
    longitudeDeg: 146.8,
    timeZone: "Australia/Sydney",
    elevationM: 240,
    climate: {
      brightness: [0.9, 0.9, 0.88, 0.85, 0.8, 0.75, 0.75, 0.8, 0.84, 0.86, 0.87, 0.89],
      meanTempC: [27, 26, 23, 18, 13, 10, 9, 11, 14, 18, 22, 25],
      dailySwingK: 13,
      meanWindMs: 2.9,
      wetDays: [0.1, 0.1, 0.1, 0.12, 0.15, 0.18, 0.18, 0.16, 0.14, 0.13, 0.12, 0.11],
      meanRainMm: 6,
    },
  },
  {
    latitudeDeg: 53.2,
    longitudeDeg: 9.6,
    timeZone: "Europe/Berlin",
    elevationM: 20,
    climate: {
      brightness: [0.48, 0.54, 0.62, 0.69, 0.72, 0.72, 0.7, 0.69, 0.65, 0.56, 0.48, 0.44],
      meanTempC: [1.5, 2, 5, 9, 13, 16, 18, 18, 14, 10, 5, 3],
      dailySwingK: 7,
      meanWindMs: 3.6,
      wetDays: [0.46, 0.4, 0.38, 0.34, 0.34, 0.36, 0.4, 0.4, 0.4, 0.44, 0.48, 0.5],
      meanRainMm: 5,
    },
  },
];

const YEARS = 4;
const FIRST_YEAR = 2021;

/** Makes plant number k, at a place of its own: without `faults` nothing is wrong with it but ageing and a little dirt. */
export function randomPlant(k: number, faults = true, where: Where = CLIMATES[k % CLIMATES.length]!): RandomPlant {
  const next = randomLcg((0.137 + k * 0.6180339887) % 1);
  const draw = (low: number, high: number): number => low + (high - low) * next();
  const chance = (share: number): boolean => next() < share;
  const whole = (low: number, high: number): number => Math.floor(draw(low, high + 1));
  const strings = whole(3, 10);
  const perString = whole(10, 18);
  const nameplateW = strings * perString * 400;
  const facing = where.latitudeDeg < 0 ? 0 : 180;
  const azimuthDeg = (facing + whole(-25, 25) + 360) % 360;
  const tiltDeg = whole(12, 38);
  const wrong = faults && chance(0.3) ? (chance(0.5) ? 1 : -1) * whole(15, 45) : 0;
  const dusty = where.climate.wetDays[6]! < 0.05 || where.latitudeDeg < 0;
  const soilingPerDayFrac = dusty ? draw(0.0004, 0.002) : draw(0.00005, 0.0003);
  const instant = (): number => Date.UTC(FIRST_YEAR, 0, 1) + draw(90, YEARS * 365 - 90) * DAY_MS;
  const hourOf = (utcMs: number): string => new Date(Math.round(utcMs / HOUR_MS) * HOUR_MS).toISOString();
  const outages = Array.from({ length: faults ? whole(0, 2) : 0 }, () => {
    const from = instant();
    return { from: hourOf(from), to: hourOf(from + draw(0.6, 12) * DAY_MS) };
  });
  const out = faults && chance(0.5) ? instant() : null;
  const cleanings =
    faults && dusty
      ? Array.from({ length: whole(0, 4) }, (_, y) => `${FIRST_YEAR + (y % YEARS)}-0${where.latitudeDeg < 0 ? 2 : 7}-1${whole(0, 9)}`)
      : [];
  const commissioned = `${FIRST_YEAR - 1}-0${whole(3, 9)}-15`;
  const acRatedW = Math.round(nameplateW / draw(1.02, 1.4) / 500) * 500;
  const hidden = {
    toleranceFrac: draw(-0.025, 0.015),
    ageingPerYearFrac: draw(0.003, 0.014),
    soilingPerDayFrac,
    cleaningRainMm: draw(3, 7),
    cleanings,
    outages,
    stringsOut: out === null ? [] : [{ from: hourOf(out), to: hourOf(out + draw(15, 200) * DAY_MS), lostFrac: 1 / strings }],
    lost: [],
    meterGainFrac: draw(-0.008, 0.008),
  };
  // Drawn last: what was drawn before stays as it was when these faults were added.
  const limited = faults && chance(0.3) ? instant() : null;
  const limits =
    limited === null ? [] : [{ from: hourOf(limited), to: hourOf(limited + draw(12, 90) * DAY_MS), acW: draw(0.3, 0.7) * acRatedW }];
  const ceilingFrac = faults && chance(0.2) ? draw(0.8, 0.93) : 1;
  const aside = (chance(0.5) ? 1 : -1) * draw(45, 80);
  const tree: SkyDisc = {
    azimuthDeg: (facing + aside + 360) % 360,
    elevationDeg: draw(8, 22),
    halfWidthDeg: draw(12, 25),
    halfHeightDeg: draw(10, 20),
    throughFrac: new Array<number>(12).fill(0.25),
  };
  const isShaded = faults && chance(0.25);
  return {
    name: `plant-${String(k + 1).padStart(2, "0")}`,
    seed: (0.31 + k * 0.7548776662) % 1,
    firstUtc: `${FIRST_YEAR}-01-01T00:00:00Z`,
    lastUtc: `${FIRST_YEAR + YEARS}-01-01T00:00:00Z`,
    climate: where.climate,
    recordedCleanings: cleanings.filter((_, c) => c % 2 === 0),
    site: {
      format: "dusty-ledger/site",
      version: 1,
      name: `Stand-in ${k + 1}`,
      currency: "EUR",
      commissioned,
      place: { latitudeDeg: where.latitudeDeg, longitudeDeg: where.longitudeDeg, elevationM: where.elevationM, timeZone: where.timeZone },
      modules: { m: { pmpW: 400, gammaPmpPerK: -0.0036, betaVocPerK: -0.0028, alphaIscPerK: 0.0005, noctC: 45 } },
      arrays: [
        {
          id: "a",
          name: "Roof",
          module: "m",
          count: strings * perString,
          modulesPerString: perString,
          tiltDeg,
          azimuthDeg,
          mounting: "open-rack",
        },
      ],
      inverters: [
        {
          id: "i",
          arrays: ["a"],
          acRatedW,
          ratedEfficiencyFrac: 0.972,
          perModule: false,
        },
      ],
      meters: [{ id: "main", point: "ac", arrays: ["a"] }],
      losses: { mismatchFrac: 0.01, dcWiringFrac: 0.012, acWiringFrac: 0.005, soilingFrac: 0.02 },
    },
    truth: {
      ...hidden,
      limits,
      ceilingFrac,
      ...(isShaded ? { discs: { a: [tree] } } : {}),
      ...(wrong !== 0 ? { azimuthDeg: { a: (azimuthDeg + wrong + 360) % 360 } } : {}),
    },
  };
}
