import { describe, expect, it } from "vitest";
import type { TrainerCase } from "@/contracts/trainer";
import type { AlbedoGain, StormReport } from "@/core/yield";
import { bookSunTold, CLOUDLESS_TOLD } from "../sun-told";
import { dirtWorking } from "./dirt-working";
import * as electrical from "./electrical-workings";
import * as field from "./field-workings";
import * as snow from "./snow-workings";
import * as trainer from "./trainer-working";
import type { Working } from "./working";

/** A reader must be able to do the figure again: all parts are there, and no number fell through. */
function expectWhole(working: Working): void {
  const text = JSON.stringify(working);
  expect(working.title.length).toBeGreaterThan(3);
  expect(working.formula.length).toBeGreaterThan(5);
  expect(working.source.length).toBeGreaterThan(5);
  expect(text).not.toMatch(/NaN|undefined|Infinity|\[object/);
}
const input = (working: Working, name: string): string => working.inputs.find((each) => each.name === name)!.value;

describe("workings of the field book", () => {
  const side = (name: string, conversionFrac: number | null, kwh: number) =>
    ({
      name,
      kwp: 12,
      conversionFrac,
      foreign: { stretches: kwh > 0 ? [{ from: "2025-06-08", to: "2025-06-30" }] : [], kwh },
    }) as unknown as Parameters<typeof field.betterSideWorking>[1];
  const report = {
    a: side("Gym roof", 0.952, 96),
    b: side("Classroom roof", null, 0),
    difference: { frac: 0.041, low: 0.031, high: 0.052 },
    pairedDays: 262,
    days: 300,
    year: { a: 941, b: 980, frac: 0.039, months: [{ month: 6, filled: { a: 121.5, b: 127.2 }, measuredFrac: 0.4 }] },
  } as unknown as Parameters<typeof field.trialWorking>[0];

  it("a trial names what was brought to AC and which days were taken out", () => {
    const working = field.trialWorking(report);
    expectWhole(working);
    expect(input(working, "Gym roof: DC to AC")).toMatch(/^95\.2/);
    expect(working.inputs.find(({ name }) => name === "Gym roof: foreign energy")!.from).toContain("2025-06-08 to 2025-06-30");
    expect(working.inputs.some(({ name }) => name.startsWith("Classroom roof: DC"))).toBe(false);
    expect(input(working, "Days that both have")).toBe("262 of 300");
    expect(working.assumptions).toHaveLength(2);
  });

  it("a trial's year lists each month with what was measured of it", () => {
    const working = field.trialYearWorking(report);
    expectWhole(working);
    expect(input(working, "Month 6")).toBe("121.5 and 127.2 kWh/kWp");
    expect(working.inputs[0]!.from).toMatch(/^40.?% measured$/);
    expect(field.trialYearWorking({ ...report, year: null }).value).toBe("–");
  });

  it("the better side is reckoned on the other's nameplate, at the price that was given", () => {
    const working = field.betterSideWorking(report, report.a, 468, 0.7253, "PLN");
    expectWhole(working);
    expect(working.value).toBe("468");
    expect(input(working, "A kilowatt-hour")).toBe("0.7253 PLN");
    expect(input(working, "Whole years")).toBe("941 and 980 kWh/kWp");
  });

  it("a change says its index on both sides, and what the raw figure was", () => {
    const change = {
      frac: 0.062,
      low: 0.05,
      high: 0.074,
      before: { index: 0.934, days: 120 },
      after: { index: 0.992, days: 98 },
      sharedMonths: ["May", "June"],
      rawFrac: -0.11,
    } as unknown as Parameters<typeof field.changeWorking>[0];
    const working = field.changeWorking(change, "2024-05-02");
    expectWhole(working);
    expect(input(working, "Before")).toBe("index 0.934");
    expect(input(working, "Months on both sides")).toBe("May, June");
    expect(input(working, "Raw change")).toContain("−11");
    expect(input(field.changeWorking({ ...change, sharedMonths: [] }, "2024-05-02"), "Months on both sides")).toBe("none");
  });

  it("an input's power stands beside the others, and beside the light where it is known", () => {
    const own = { perStringW: 2010, dcW: 4020, ofMeanFrac: 0.91 } as unknown as Parameters<typeof field.inputWorking>[1];
    expectWhole(field.inputWorking(0, own, 2300));
    expect(input(field.inputWorking(0, own, 2300), "Expected of a string now")).toMatch(/2.?300 W/);
    expect(input(field.inputWorking(1, own, null), "Expected of a string now")).toBe("not known");
    expect(field.inputWorking(1, own, null).title).toBe("Input 2");
  });

  it("two readings by hand stand beside one minute of the chain", () => {
    const pair = { at: "2025-06-11T12:05", readA: 7.4, readB: 8.1, readFrac: 0.095, expectedA: 301, expectedB: 333, expectedFrac: 0.106 };
    const working = field.pairWorking(pair as unknown as Parameters<typeof field.pairWorking>[0]);
    expectWhole(working);
    expect(working.title).toBe("Readings of 2025-06-11 12:05");
    expect(input(working, "Read")).toBe("7.4 and 8.1");
  });
});

describe("workings of the electrical bench", () => {
  it("a mixed string lists every maximum of the common curve, the highest first", () => {
    const report = {
      togetherW: 812.4,
      byModuleW: 1040,
      peaks: [
        { powerW: 812.4, voltageV: 101, currentA: 8.04 },
        { powerW: 640.2, voltageV: 140, currentA: 4.57 },
      ],
      rule: { powerW: 612 },
      ruleOffFrac: -0.247,
    } as unknown as Parameters<typeof electrical.mixedWorking>[0];
    const working = electrical.mixedWorking(report, 4);
    expectWhole(working);
    expect(working.inputs.filter(({ name }) => name.includes("maximum")).map(({ name }) => name)).toEqual([
      "Highest maximum",
      "Lower maximum",
    ]);
    expect(input(working, "Highest maximum")).toBe("812.4 W at 101.0 V, 8.04 A");
  });

  it("a year of a way of connecting says which weather it was", () => {
    const year = { togetherKwh: 910.2, byModuleKwh: 1104.8, nameplateKwh: 1302 } as unknown as Parameters<
      typeof electrical.mixedYearWorking
    >[2];
    expectWhole(electrical.mixedYearWorking("on one input", 910.2, year, bookSunTold("2024", false)));
    expect(input(electrical.mixedYearWorking("on one input", 910.2, year, CLOUDLESS_TOLD), "Weather")).toBe("a cloudless year");
  });
});

describe("workings of snow", () => {
  const storm = {
    fromUtcMs: Date.UTC(2024, 0, 14, 5),
    depthCm: 12,
    fallTempC: -4.2,
    afterTempC: -1.1,
    kind: "dry",
    lyingHours: 61,
    lostKwh: 42.3,
    clearingKwh: 33.9,
  } as unknown as StormReport;

  it("a storm says how it fell, how long it lay and what clearing brings", () => {
    const working = snow.stormWorking(storm, 35);
    expectWhole(working);
    expect(working.title).toBe("Snow of 2024-01-14");
    expect(working.value).toBe("33.9");
    expect(input(working, "Fell")).toContain("−4.2 °C (dry)");
  });

  it("clearing by year and snow's light by month name their runs", () => {
    expectWhole(snow.clearingWorking("2023", 18.25, 3.4, 35));
    const gains = [{ tiltDeg: 30, gainKwh: Array(12).fill(1.5), bareKwh: Array(12).fill(40) }] as unknown as AlbedoGain[];
    const working = snow.albedoWorking("January", 0, gains);
    expectWhole(working);
    expect(working.inputs[0]!.value).toBe("40.0 + 1.5 kWh");
  });
});

describe("the working of dirt", () => {
  const soiling = {
    isSeen: true,
    ratePerDayFrac: 0.00117,
    rateLowFrac: 0.0008,
    rateHighFrac: 0.0016,
    meanLostFrac: 0.0312,
    washing: { thresholdMm: 3, scaleMm: 3.5 },
    lostFracByDay: [],
    resets: [],
    cleanings: [],
    gainByWeekKwh: [],
    nowFrac: 0.021,
    nowGainKwh: 412.4,
    daysToRain: 17,
  };

  it("gives growth, washing, today's dirt and what a cleaning brings", () => {
    const working = dirtWorking(soiling, "2025-12-31", "2025");
    expectWhole(working);
    expect(working.value).toMatch(/^3\.12/);
    expect(input(working, "rain leaves")).toBe("exp((3.0 − mm) ÷ 3.5)");
    expect(input(working, "on 2025-12-31")).toMatch(/^2\.10/);
    expect(input(working, "cleaning then brings")).toBe("412.4 kWh");
    expect(input(dirtWorking({ ...soiling, daysToRain: null }, "2025-12-31", "2025"), "days to rain that washes")).toBe("no rain gauge");
  });
});

describe("workings of the trainer", () => {
  const one: TrainerCase = {
    id: "x",
    title: "A bad week",
    question: "?",
    lesson: "Look at the snow.",
    month: "2022-02",
    days: ["2022-02-01", "2022-02-02", "2022-02-03"],
    expectedKwh: [20, 30, 25],
    meteredKwh: [2, null, 20],
    rainMm: [0, 0, 0],
    snowCm: null,
    answer: "snow",
    answerKwh: 40,
    missingKwh: 53,
  };

  it("what is missing is expected less metered, with the days that no reading tells of", () => {
    const working = trainer.missingWorking(one);
    expectWhole(working);
    expect(input(working, "expected")).toBe("75 kWh");
    expect(input(working, "metered")).toBe("22 kWh");
    expect(input(working, "days without a reading")).toBe("1 of 3");
  });

  it("what is left follows what is posted, and the answer carries its lesson", () => {
    expect(trainer.leftWorking(one, 40).value).toBe("13");
    expect(trainer.answerWorking(one).assumptions).toEqual(["Look at the snow."]);
    expect(trainer.answerWorking({ ...one, answer: "none" }).value).toBe("0");
    expect(trainer.answerWorking({ ...one, answer: "dataGap" }).formula).toContain("without readings");
  });
});
