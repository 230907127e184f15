import { libraryModule } from "@/contracts/module-library";
import type { SiteInput } from "@/contracts/site";
import { deciduousThrough } from "@/core/shading";
import type { Climate } from "./climate";
import { ferryConsumer, ferryMoney } from "./demo-ferry-money";
import { schoolBook } from "./demo-school";
import type { PlantTruth } from "./plant";
import type { TrialTruth } from "./school";
import type { ConsumerTruth } from "./supplier";

/** One book of the demo: the owner's document, and what its stand-ins really do. All of it invented. */
export interface DemoBook {
  readonly site: SiteInput;
  readonly climate: Climate;
  readonly truth: PlantTruth;
  /** What the owner wrote down; not all that happened. */
  readonly entries?: readonly { readonly from: string; readonly to?: string; readonly kind: string; readonly note: string }[];
  /** Sides with a truth of their own, where a trial runs; the plant is their sum. */
  readonly trial?: TrialTruth;
  /** Who uses the energy, where bills are kept. */
  readonly consumer?: ConsumerTruth;
  readonly seed: number;
  readonly firstUtc: string;
  readonly lastUtc: string;
}

const packingShed: DemoBook = {
  seed: 0.371,
  firstUtc: "2020-12-31T23:00:00Z",
  lastUtc: "2025-12-31T23:00:00Z",
  site: {
    format: "dusty-ledger/site",
    version: 1,
    name: "Packing shed",
    currency: "EUR",
    commissioned: "2019-04-01",
    place: { latitudeDeg: 37.1, longitudeDeg: -2.3, elevationM: 310, timeZone: "Europe/Madrid", recordLowC: -6, recordHighC: 43 },
    modules: {
      "Ambry 400": libraryModule("Ambry 400"),
    },
    arrays: [
      {
        id: "roof",
        name: "South roof",
        module: "Ambry 400",
        count: 150,
        modulesPerString: 15,
        tiltDeg: 10,
        azimuthDeg: 180,
        mounting: "roof-gap",
        baseHeightM: 5,
      },
    ],
    inverters: [
      {
        id: "hall",
        arrays: ["roof"],
        acRatedW: 43_000,
        ratedEfficiencyFrac: 0.972,
        maxDcV: 1000,
        mpptMinV: 480,
        mpptMaxV: 850,
        inputMaxA: 30,
        inputs: 5,
      },
    ],
    meters: [{ id: "main", point: "ac", arrays: ["roof"] }],
    losses: { mismatchFrac: 0.01, dcWiringFrac: 0.015, acWiringFrac: 0.005, soilingFrac: 0.035 },
    ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
    warranty: { years: 25, firstYearFrac: 0.02, perYearFrac: 0.0055 },
    promise: { monthlyKwh: [4900, 5600, 7900, 8800, 9900, 10200, 10600, 9800, 8100, 6600, 5000, 4500] },
    money: {
      costs: [{ on: "2019-04-01", amount: "61000.00", what: "system" }],
      incentives: [{ on: "2019-09-15", amount: "7400.00", what: "fund's grant" }],
      tariff: { importPerKwh: "0.142", exportPerKwh: "0.058", priceRisePerYearFrac: 0.025, selfUsedFrac: 0.62 },
    },
  },
  climate: {
    brightness: [0.79, 0.81, 0.83, 0.85, 0.89, 0.94, 0.97, 0.95, 0.89, 0.83, 0.79, 0.77],
    meanTempC: [9, 10, 12.5, 15, 18.5, 23, 26.5, 26.5, 23, 18, 13, 10],
    dailySwingK: 11,
    meanWindMs: 2.6,
    wetDays: [0.13, 0.13, 0.13, 0.12, 0.08, 0.03, 0.01, 0.02, 0.07, 0.12, 0.14, 0.14],
    meanRainMm: 7,
  },
  truth: {
    toleranceFrac: -0.021,
    ageingPerYearFrac: 0.0062,
    soilingPerDayFrac: 0.0013,
    cleaningRainMm: 6,
    cleanings: ["2021-07-06", "2022-07-12", "2023-06-28", "2024-07-09"],
    outages: [{ from: "2025-10-06T09:30:00Z", to: "2025-10-15T10:00:00Z" }],
    lost: [
      { from: "2023-04-11T06:15:00Z", to: "2023-04-12T13:00:00Z" },
      { from: "2024-11-02T00:00:00Z", to: "2024-11-03T12:00:00Z" },
    ],
    meterGainFrac: 0.003,
  },
  entries: [
    { from: "2021-07-06", kind: "cleaning", note: "roof washed by the packing crew" },
    { from: "2023-06-28", kind: "cleaning", note: "roof washed by the packing crew" },
    { from: "2024-07-09", kind: "cleaning", note: "roof washed" },
    { from: "2025-10-15", kind: "repair", note: "inverter board replaced; running again" },
  ],
};

/** Snowed in every winter; in the autumn of 2023 one of four strings went out, and nobody saw it until spring. */
const alpineHut: DemoBook = {
  seed: 0.684,
  firstUtc: "2020-12-31T23:00:00Z",
  lastUtc: "2025-12-31T23:00:00Z",
  site: {
    format: "dusty-ledger/site",
    version: 1,
    name: "Alpine hut",
    currency: "CHF",
    commissioned: "2020-06-15",
    place: { latitudeDeg: 46.6, longitudeDeg: 9.4, elevationM: 1980, timeZone: "Europe/Zurich", recordLowC: -29, recordHighC: 27 },
    modules: { "Quayle 375": libraryModule("Quayle 375") },
    arrays: [
      {
        id: "slope",
        name: "South slope",
        module: "Quayle 375",
        count: 48,
        modulesPerString: 12,
        tiltDeg: 38,
        azimuthDeg: 184,
        mounting: "open-rack",
        rows: 2,
        baseHeightM: 1.1,
      },
    ],
    inverters: [
      {
        id: "cellar",
        arrays: ["slope"],
        acRatedW: 16_000,
        ratedEfficiencyFrac: 0.972,
        maxDcV: 800,
        mpptMinV: 200,
        mpptMaxV: 700,
        inputMaxA: 30,
        inputs: 2,
      },
    ],
    meters: [{ id: "main", point: "ac", arrays: ["slope"] }],
    losses: { mismatchFrac: 0.01, dcWiringFrac: 0.012, acWiringFrac: 0.005, soilingFrac: 0.005 },
    ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
    warranty: { years: 25, firstYearFrac: 0.02, perYearFrac: 0.0055 },
    promise: { monthlyKwh: [1050, 1290, 1840, 1950, 1980, 1890, 2050, 1930, 1650, 1420, 1060, 930] },
    models: { snow: "sliding" },
    money: {
      costs: [{ on: "2020-06-15", amount: "34200.00", what: "system, flown in" }],
      incentives: [{ on: "2021-01-20", amount: "6900.00", what: "canton's grant" }],
      tariff: { importPerKwh: "0.264", exportPerKwh: "0.098", priceRisePerYearFrac: 0.02, selfUsedFrac: 0.8 },
    },
  },
  climate: {
    brightness: [0.72, 0.74, 0.76, 0.73, 0.7, 0.7, 0.74, 0.74, 0.76, 0.77, 0.72, 0.7],
    meanTempC: [-6, -5.5, -3, 0.5, 5.5, 9, 11.5, 11.5, 8, 4, -2, -5],
    dailySwingK: 7,
    meanWindMs: 3.1,
    wetDays: [0.22, 0.22, 0.26, 0.32, 0.4, 0.44, 0.42, 0.42, 0.32, 0.24, 0.26, 0.24],
    meanRainMm: 9,
    snows: true,
  },
  truth: {
    toleranceFrac: -0.006,
    ageingPerYearFrac: 0.0041,
    soilingPerDayFrac: 0.0001,
    cleaningRainMm: 4,
    cleanings: [],
    outages: [{ from: "2022-08-09T13:00:00Z", to: "2022-08-11T08:30:00Z" }],
    stringsOut: [{ from: "2023-10-27T11:00:00Z", to: "2024-04-18T09:00:00Z", lostFrac: 0.25 }],
    lost: [{ from: "2021-02-03T10:00:00Z", to: "2021-02-04T20:00:00Z" }],
    meterGainFrac: -0.004,
  },
  entries: [
    { from: "2021-06-12", kind: "inspection", note: "looked over after the thaw; nothing found" },
    { from: "2022-08-11", kind: "repair", note: "lightning arrester reset by the warden" },
    { from: "2024-04-18", kind: "repair", note: "electrician: fuse of string 3 replaced" },
    { from: "2025-02-02", kind: "snow-clearing", note: "lower row swept" },
  ],
};

const ferryOffice: DemoBook = {
  consumer: ferryConsumer,
  seed: 0.543,
  firstUtc: "2020-12-31T23:00:00Z",
  lastUtc: "2025-12-31T23:00:00Z",
  site: {
    format: "dusty-ledger/site",
    version: 1,
    name: "Ferry office",
    currency: "EUR",
    commissioned: "2020-10-12",
    place: { latitudeDeg: 54.4, longitudeDeg: 10.3, elevationM: 6, timeZone: "Europe/Berlin", recordLowC: -19, recordHighC: 34 },
    modules: {
      "Quayle 375": libraryModule("Quayle 375"),
    },
    arrays: [
      {
        id: "quay",
        name: "Quay side",
        module: "Quayle 375",
        count: 18,
        modulesPerString: 9,
        tiltDeg: 34,
        azimuthDeg: 205,
        mounting: "roof-gap",
        rows: 2,
        baseHeightM: 4.2,
        eastM: 0,
        northM: 0,
      },
      {
        id: "lane",
        name: "Lane side",
        module: "Quayle 375",
        count: 10,
        modulesPerString: 10,
        tiltDeg: 34,
        azimuthDeg: 115,
        mounting: "roof-gap",
        rows: 1,
        baseHeightM: 5,
        eastM: 8.5,
        northM: 4,
      },
    ],
    obstacles: [
      {
        id: "lime",
        kind: "tree",
        name: "Lime tree",
        heightM: 13,
        widthM: 8,
        baseM: 3,
        eastM: 6,
        northM: -15,
        lightThroughMonthlyFrac: deciduousThrough(5, 10),
      },
      { id: "mast", kind: "pole", name: "Flag mast", heightM: 12, widthM: 0.25, eastM: -7, northM: -9 },
    ],
    inverters: [
      {
        id: "attic",
        arrays: ["quay", "lane"],
        acRatedW: 8000,
        ratedEfficiencyFrac: 0.955,
        maxDcV: 600,
        mpptMinV: 160,
        mpptMaxV: 520,
        inputMaxA: 26,
        inputs: 2,
      },
    ],
    meters: [{ id: "main", point: "ac", arrays: ["quay", "lane"] }],
    losses: { mismatchFrac: 0.012, dcWiringFrac: 0.012, acWiringFrac: 0.005, soilingFrac: 0.012 },
    ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
    warranty: { years: 25, firstYearFrac: 0.02, perYearFrac: 0.0055 },
    promise: { monthlyKwh: [190, 350, 740, 1150, 1370, 1400, 1350, 1140, 810, 480, 220, 140] },
    revisions: [
      {
        from: "2022-09-14",
        note: "inverter swapped",
        change: { inverters: [{ id: "attic", acRatedW: 8600, ratedEfficiencyFrac: 0.967 }] },
      },
    ],
    money: ferryMoney,
  },
  climate: {
    brightness: [0.46, 0.52, 0.6, 0.68, 0.71, 0.71, 0.69, 0.68, 0.64, 0.55, 0.46, 0.42],
    meanTempC: [1.5, 2, 4.5, 8.5, 13, 16, 18.5, 18, 14.5, 10, 6, 3],
    dailySwingK: 7,
    meanWindMs: 4.4,
    wetDays: [0.5, 0.42, 0.4, 0.33, 0.34, 0.36, 0.4, 0.42, 0.42, 0.47, 0.5, 0.52],
    meanRainMm: 5,
  },
  truth: {
    toleranceFrac: -0.045,
    ageingPerYearFrac: 0.0048,
    soilingPerDayFrac: 0.0005,
    cleaningRainMm: 4,
    cleanings: [],
    outages: [{ from: "2023-05-18T07:00:00Z", to: "2023-05-21T12:30:00Z" }],
    lost: [{ from: "2022-08-03T10:00:00Z", to: "2022-08-05T09:00:00Z" }],
    meterGainFrac: -0.002,
    discs: {
      quay: [{ azimuthDeg: 158, elevationDeg: 8, halfWidthDeg: 14.5, halfHeightDeg: 17, throughFrac: deciduousThrough(5, 10) }],
      lane: [{ azimuthDeg: 188, elevationDeg: 6, halfWidthDeg: 12, halfHeightDeg: 14, throughFrac: deciduousThrough(5, 10) }],
    },
  },
};

/** The owner laid it along the pump house's wall and believes that to be north; it is 22 degrees to the west. */
const boreField: DemoBook = {
  seed: 0.826,
  firstUtc: "2020-12-31T13:00:00Z",
  lastUtc: "2025-12-31T13:00:00Z",
  site: {
    format: "dusty-ledger/site",
    version: 1,
    name: "Bore field",
    currency: "AUD",
    commissioned: "2020-08-17",
    place: { latitudeDeg: -33.4, longitudeDeg: 147.2, elevationM: 196, timeZone: "Australia/Sydney", recordLowC: -5, recordHighC: 45 },
    modules: {
      "Tarn 330": libraryModule("Tarn 330"),
    },
    arrays: [
      {
        id: "rack",
        name: "Pump rack",
        module: "Tarn 330",
        count: 24,
        modulesPerString: 12,
        rows: 2,
        tiltDeg: 20,
        azimuthDeg: 0,
        mounting: "open-rack",
        baseHeightM: 0.6,
        eastM: 0,
        northM: 0,
        tiltSchedule: [
          { from: "04-05", tiltDeg: 50 },
          { from: "09-15", tiltDeg: 20 },
        ],
        rack: { frameM: 2.6, baseM: 2.2 },
      },
    ],
    obstacles: [{ id: "pepper", kind: "tree", name: "Pepper tree", heightM: 8, widthM: 6.5, baseM: 1.8, eastM: 11, northM: 7.5 }],
    inverters: [
      {
        id: "pump-house",
        arrays: ["rack"],
        acRatedW: 7000,
        ratedEfficiencyFrac: 0.968,
        maxDcV: 600,
        mpptMinV: 200,
        mpptMaxV: 500,
        inputMaxA: 15,
        inputs: 2,
      },
    ],
    meters: [{ id: "main", point: "ac", arrays: ["rack"] }],
    losses: { mismatchFrac: 0.012, dcWiringFrac: 0.015, acWiringFrac: 0.008, soilingFrac: 0.02 },
    ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
    warranty: { years: 25, firstYearFrac: 0.025, perYearFrac: 0.006 },
    promise: { monthlyKwh: [1320, 1130, 1180, 1020, 870, 740, 820, 980, 1110, 1290, 1300, 1350] },
    money: {
      costs: [{ on: "2020-08-17", amount: "14300.00", what: "system and rack" }],
      incentives: [],
      tariff: { importPerKwh: "0.287", exportPerKwh: "0.06", priceRisePerYearFrac: 0.03, selfUsedFrac: 0.71 },
    },
  },
  climate: {
    brightness: [0.9, 0.9, 0.88, 0.84, 0.78, 0.73, 0.73, 0.78, 0.82, 0.84, 0.86, 0.88],
    meanTempC: [26, 25.5, 22, 17, 12.5, 9.5, 8.5, 10, 13, 16.5, 20.5, 24],
    dailySwingK: 13,
    meanWindMs: 2.9,
    wetDays: [0.1, 0.1, 0.1, 0.12, 0.16, 0.2, 0.2, 0.18, 0.15, 0.14, 0.13, 0.12],
    meanRainMm: 6,
  },
  truth: {
    toleranceFrac: -0.012,
    ageingPerYearFrac: 0.0055,
    soilingPerDayFrac: 0.0009,
    cleaningRainMm: 5,
    cleanings: [],
    outages: [{ from: "2024-02-11T21:00:00Z", to: "2024-02-13T04:00:00Z" }],
    lost: [{ from: "2023-07-19T20:00:00Z", to: "2023-07-21T02:00:00Z" }],
    meterGainFrac: 0.002,
    azimuthDeg: { rack: 338 },
    discs: {
      rack: [
        { azimuthDeg: 55.7, elevationDeg: 13.5, halfWidthDeg: 14, halfHeightDeg: 13.5, throughFrac: new Array<number>(12).fill(0.05) },
      ],
    },
  },
};

export const DEMO_BOOKS: readonly DemoBook[] = [packingShed, alpineHut, boreField, schoolBook, ferryOffice];
