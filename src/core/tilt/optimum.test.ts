import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dayKwh, type EnergyTable, scheduleKwh, TILT_STEPS } from "./energy-table";
import { dayWeights, isWinterHalf, leastMonthKwhPerDay, monthDays } from "./goals";
import { lateCostKwh } from "./late";
import { bestSchedule } from "./optimum";
import { DAYS, dayOfText, textOfDay, tiltByDay } from "./schedule";

/** A made-up year: every day has a best tilt, and loses with the square of the distance from it. */
const tableOf = (bestTilt: (day: number) => number, height: (day: number) => number = () => 10): EnergyTable => {
  const kwh = new Float64Array(TILT_STEPS * DAYS);
  for (let tilt = 0; tilt < TILT_STEPS; tilt++) {
    for (let day = 0; day < DAYS; day++) kwh[tilt * DAYS + day] = height(day) - 0.001 * (tilt - bestTilt(day)) ** 2;
  }
  return { kwh, asIsKwh: new Float64Array(DAYS), days: DAYS };
};
const sum = (days: Float64Array): number => days.reduce((a, b) => a + b, 0);
const wish = (positions: number, goal: "energy" | "winter" | "flattest" | "money" = "energy") => ({
  goal,
  positions,
  latitudeDeg: 45,
  priceByMonth: null,
});

describe("a schedule", () => {
  it("days and their texts are each other's inverse, the leap day counts as the day before", () => {
    for (const day of [0, 58, 59, 200, 364]) expect(dayOfText(textOfDay(day))).toBe(day);
    expect(dayOfText("02-29")).toBe(58);
    expect(textOfDay(-1)).toBe("12-31");
    expect(textOfDay(365)).toBe("01-01");
  });

  it("its last step reaches over the new year", () => {
    const tilts = tiltByDay([
      { from: "09-22", tiltDeg: 50 },
      { from: "03-20", tiltDeg: 15 },
    ]);
    expect([tilts[0], tilts[dayOfText("03-19")], tilts[dayOfText("03-20")], tilts[dayOfText("09-22")], tilts[364]]).toEqual([
      50, 50, 15, 50, 50,
    ]);
  });

  it("energy between whole degrees lies between theirs", () => {
    const table = tableOf(() => 30);
    expect(dayKwh(table, 3, 30.5)).toBeCloseTo((dayKwh(table, 3, 30) + dayKwh(table, 3, 31)) / 2, 12);
    expect(dayKwh(table, 3, 90)).toBeCloseTo(10 - 3.6, 9);
  });
});

describe("the best schedule", () => {
  it.each([
    [12.3, 1],
    [45, 1],
    [71.8, 1],
  ])("of a year that wants %d degrees all through is that tilt", (tilt, positions) => {
    const [best] = bestSchedule(
      tableOf(() => tilt),
      wish(positions),
    );
    expect(best!.tiltDeg).toBeCloseTo(tilt, 0);
  });

  it.each([
    [60, 250],
    [101, 303],
    [7, 190],
  ])("of a year of two halves changes on their days, %d and %d, wherever they lie", (spring, autumn) => {
    const steps = bestSchedule(
      tableOf((day) => (day >= spring && day < autumn ? 15 : 55)),
      wish(2),
    );
    expect(steps.map((step) => dayOfText(step.from))).toEqual([spring, autumn]);
    expect(steps.map((step) => step.tiltDeg)).toEqual([15, 55]);
  });

  it("is never beaten by a schedule drawn at random", () => {
    const table = tableOf((day) => 35 - 25 * Math.cos((2 * Math.PI * (day - 172)) / 365));
    const best = sum(scheduleKwh(table, bestSchedule(table, wish(3))));
    const step = fc.record({ day: fc.integer({ min: 0, max: 364 }), tiltDeg: fc.integer({ min: 0, max: 90 }) });
    fc.assert(
      fc.property(fc.array(step, { minLength: 3, maxLength: 3 }), (steps) => {
        const drawn = steps.map(({ day, tiltDeg }) => ({ from: textOfDay(day), tiltDeg }));
        expect(sum(scheduleKwh(table, drawn))).toBeLessThanOrEqual(best + 1e-6);
      }),
      { numRuns: 300 },
    );
  });

  it("has as many positions as were asked for", () => {
    const table = tableOf((day) => 35 - 25 * Math.cos((2 * Math.PI * (day - 172)) / 365));
    for (const positions of [1, 2, 4, 12]) expect(bestSchedule(table, wish(positions))).toHaveLength(positions);
  });

  it("for the flattest year serves the dark months first", () => {
    const winter = (day: number): boolean => day < 80 || day >= 285;
    const table = tableOf(
      (day) => (winter(day) ? 65 : 15),
      (day) => (winter(day) ? 6 : 20),
    );
    const energy = scheduleKwh(table, bestSchedule(table, wish(1)));
    const flattest = scheduleKwh(table, bestSchedule(table, wish(1, "flattest")));
    expect(leastMonthKwhPerDay(flattest)).toBeGreaterThan(leastMonthKwhPerDay(energy));
    expect(bestSchedule(table, wish(1, "flattest"))[0]!.tiltDeg).toBeGreaterThan(55);
  });

  it("for money follows the price", () => {
    const table = tableOf((day) => (day < 181 ? 20 : 60));
    const dearLate = [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1];
    expect(bestSchedule(table, { ...wish(1, "money"), priceByMonth: dearLate })[0]!.tiltDeg).toBeCloseTo(60, 0);
    expect(bestSchedule(table, wish(1, "money"))[0]!.tiltDeg).toBeCloseTo(40, 0);
  });
});

describe("goals", () => {
  it("winter is the other half in the south", () => {
    expect([0, 3, 6, 9].map((month) => isWinterHalf(month, 45))).toEqual([true, false, false, true]);
    expect([0, 3, 6, 9].map((month) => isWinterHalf(month, -45))).toEqual([false, true, true, false]);
  });

  it("weights cover the year, and months have their days", () => {
    expect(dayWeights("energy", 45, null)).toHaveLength(DAYS);
    expect(Array.from({ length: 12 }, (_, m) => monthDays(m))).toEqual([31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]);
    expect(dayWeights("winter", 45, null)[0]).toBe(1);
    expect(dayWeights("winter", 45, null)[180]).toBeLessThan(0.001);
  });

  it("a late change costs what the days between lose", () => {
    const table = tableOf((day) => (day >= 100 && day < 250 ? 15 : 55));
    const steps = bestSchedule(table, wish(2));
    // Ten days at forty degrees from their best.
    expect(lateCostKwh(table, steps, 0, 10)).toBeCloseTo(10 * 0.001 * 40 ** 2, 6);
    expect(lateCostKwh(table, steps, 1, 0)).toBe(0);
  });
});
