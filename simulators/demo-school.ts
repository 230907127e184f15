import { libraryModule } from "@/contracts/module-library";
import type { DemoBook } from "./demo-book";
import type { PlantTruth } from "./plant";

const both: PlantTruth = {
  toleranceFrac: -0.058,
  ageingPerYearFrac: 0.0049,
  soilingPerDayFrac: 0.0004,
  cleaningRainMm: 4,
  cleanings: [],
  outages: [{ from: "2022-05-03T08:00:00Z", to: "2022-05-04T11:00:00Z" }],
  lost: [
    { from: "2023-11-08T10:00:00Z", to: "2023-11-09T09:00:00Z" },
    { from: "2025-09-02T06:00:00Z", to: "2025-09-03T18:00:00Z" },
  ],
  meterGainFrac: 0,
};

/** Two roofs of one school, the same modules: strings on one inverter against one small inverter a module. Ten months of it were metered side by side. */
export const schoolBook: DemoBook = {
  seed: 0.297,
  firstUtc: "2020-12-31T23:00:00Z",
  lastUtc: "2025-12-31T23:00:00Z",
  site: {
    format: "dusty-ledger/site",
    version: 1,
    name: "Hill school",
    currency: "PLN",
    commissioned: "2020-09-01",
    place: { latitudeDeg: 50.2, longitudeDeg: 17.4, elevationM: 262, timeZone: "Europe/Warsaw", recordLowC: -24, recordHighC: 37 },
    modules: { "Quayle 375": libraryModule("Quayle 375") },
    arrays: [
      {
        id: "gym",
        name: "Gym roof",
        module: "Quayle 375",
        count: 32,
        modulesPerString: 16,
        tiltDeg: 24,
        azimuthDeg: 182,
        mounting: "roof-close",
        rows: 2,
        baseHeightM: 6,
        eastM: 0,
        northM: 0,
      },
      {
        id: "classes",
        name: "Classroom roof",
        module: "Quayle 375",
        count: 32,
        tiltDeg: 24,
        azimuthDeg: 182,
        mounting: "roof-gap",
        rows: 2,
        baseHeightM: 6,
        eastM: 34,
        northM: 2,
      },
    ],
    inverters: [
      {
        id: "gym-strings",
        arrays: ["gym"],
        acRatedW: 11_000,
        ratedEfficiencyFrac: 0.973,
        maxDcV: 1000,
        mpptMinV: 200,
        mpptMaxV: 800,
        inputMaxA: 15,
        inputs: 2,
      },
      { id: "class-modules", arrays: ["classes"], acRatedW: 270, ratedEfficiencyFrac: 0.966, perModule: true },
    ],
    meters: [
      { id: "main", point: "ac", arrays: ["gym", "classes"] },
      { id: "gym-dc", point: "dc", arrays: ["gym"] },
      { id: "class-ac", point: "ac", arrays: ["classes"] },
    ],
    losses: { mismatchFrac: 0.01, dcWiringFrac: 0.01, acWiringFrac: 0.005, soilingFrac: 0.012 },
    ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
    warranty: { years: 25, firstYearFrac: 0.02, perYearFrac: 0.0055 },
    promise: { monthlyKwh: [560, 950, 1950, 2720, 3180, 3240, 3230, 2900, 2110, 1350, 640, 450] },
    models: { snow: "sliding" },
    money: {
      costs: [{ on: "2020-09-01", amount: "118400.00", what: "both roofs" }],
      incentives: [{ on: "2021-02-10", amount: "35000.00", what: "municipal grant" }],
      tariff: { importPerKwh: "0.94", exportPerKwh: "0.31", priceRisePerYearFrac: 0.03, selfUsedFrac: 0.66 },
    },
  },
  climate: {
    brightness: [0.48, 0.54, 0.62, 0.69, 0.72, 0.73, 0.74, 0.73, 0.68, 0.6, 0.47, 0.43],
    meanTempC: [-0.5, 0.5, 4.5, 9.5, 14.5, 18, 20, 19.5, 15, 9.8, 4.8, 1],
    dailySwingK: 9,
    meanWindMs: 3.2,
    wetDays: [0.42, 0.38, 0.36, 0.33, 0.38, 0.4, 0.4, 0.35, 0.34, 0.34, 0.4, 0.44],
    meanRainMm: 4.5,
    snows: true,
  },
  truth: both,
  trial: {
    from: "2025-02-13T23:00:00Z",
    to: "2025-12-13T23:00:00Z",
    sides: [
      {
        arrays: ["gym"],
        truth: both,
        meterId: "gym-dc",
        point: "dc",
        battery: { from: "2025-06-08T22:00:00Z", to: "2025-06-29T22:00:00Z", kwhPerDay: 9 },
      },
      { arrays: ["classes"], truth: { ...both, toleranceFrac: -0.024 }, meterId: "class-ac", point: "ac" },
    ],
  },
  modules: {
    array: "classes",
    from: "2024-12-31T23:00:00Z",
    to: "2025-12-31T23:00:00Z",
    toleranceFrac: 0.008,
    noiseFrac: 0.01,
    tree: { eastM: -10, northM: -6, heightM: 8, widthM: 4 },
    weak: [{ at: [1, 14], levelFrac: 0.667 }],
    silent: [{ at: [0, 9], from: "2025-06-03T08:00:00Z", to: "2025-07-11T12:00:00Z" }],
    unread: [{ at: [1, 5], from: "2025-10-02T00:00:00Z", to: "2025-10-09T00:00:00Z" }],
    edge: { columns: [8, 12], perDayFrac: 0.005, mostFrac: 0.1 },
    swapped: [
      [
        [0, 2],
        [0, 14],
      ],
    ],
  },
  entries: [
    { from: "2022-05-04", kind: "repair", note: "main breaker reset after work on the lift" },
    {
      from: "2025-02-14",
      kind: "note",
      note: "trial begins: recorder on the gym's strings (DC), counter on the classrooms' inverters (AC)",
    },
    { from: "2025-06-09", to: "2025-06-29", kind: "note", note: "borrowed battery tried on the gym's DC side" },
    { from: "2025-12-13", kind: "note", note: "trial ends, recorders taken off" },
  ],
};
