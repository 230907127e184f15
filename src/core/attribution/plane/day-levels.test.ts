import { describe, expect, it } from "vitest";
import { seededUniform } from "../../statistics";
import type { ClearDays } from "./clear-days";
import { dayLevels, levelsOf } from "./day-levels";
import { fitPlane, knownOf } from "./plane-fit";

const DAYS = 36;
const HOURS = 24;
const DEG = Math.PI / 180;
const START = { planeOffset: 0, steeper: 0, clock: 0, contrast: 0, bend: 0 };
const BOOK_TILT_DEG = 25;

/** Clear days of a year at 45 degrees north: beam on a plane that looks south but for its turn, over a tenth of diffuse light. */
function run(azimuthOffsetDeg: number, tiltOffsetDeg: number): Float64Array {
  const tilt = Math.max(0, BOOK_TILT_DEG + tiltOffsetDeg) * DEG;
  return Float64Array.from({ length: DAYS * HOURS }, (_, i) => {
    const declination = -23.4 * DEG * Math.cos((2 * Math.PI * Math.floor(i / HOURS)) / DAYS);
    const hour = 15 * ((i % HOURS) + 0.5 - 12) * DEG;
    const up = Math.SQRT1_2 * (Math.sin(declination) + Math.cos(declination) * Math.cos(hour));
    if (up <= 0) return 0;
    const south = Math.SQRT1_2 * (Math.cos(declination) * Math.cos(hour) - Math.sin(declination));
    const west = Math.cos(declination) * Math.sin(hour);
    const toward = south * Math.cos(azimuthOffsetDeg * DEG) + west * Math.sin(azimuthOffsetDeg * DEG);
    return Math.max(0, up * Math.cos(tilt) + toward * Math.sin(tilt)) + 0.1 * up;
  });
}

function picked(meteredKwh: Float64Array): ClearDays {
  return {
    prepared: { weather: { axis: { startUtcMs: 0, stepMinutes: 60, count: meteredKwh.length } } } as unknown as ClearDays["prepared"],
    meteredKwh,
    use: Uint8Array.from(meteredKwh, (kwh) => (kwh > 0.25 ? 1 : 0)),
    dayOf: Int32Array.from({ length: meteredKwh.length }, (_, i) => Math.floor(i / HOURS)),
    days: DAYS,
    spanOf: new Int32Array(DAYS),
  };
}

const scattered = (azimuthOffsetDeg: number, tiltOffsetDeg: number, levelOf: (day: number) => number = () => 1): ClearDays => {
  const uniform = seededUniform(11);
  return picked(
    run(azimuthOffsetDeg, tiltOffsetDeg).map((kwh, i) => kwh * levelOf(Math.floor(i / HOURS)) * (1 + 0.01 * (uniform() - 0.5))),
  );
};

describe("levels of clear days", () => {
  it("are metered over owed, hours that are not used left out", () => {
    const days = {
      ...picked(Float64Array.of(9, 2, 4, 3, 3, 50)),
      use: Uint8Array.of(0, 1, 1, 1, 1, 0),
      dayOf: Int32Array.of(0, 0, 0, 1, 1, 1),
      days: 2,
    };
    expect([...levelsOf(days, Float64Array.of(1, 4, 4, 2, 2, 1))]).toEqual([0.75, 1.5]);
    expect([...levelsOf(days, new Float64Array(6))]).toEqual([1, 1]);
  });

  it("are read against each other: all off alike miss nothing", () => {
    const flat = new Float64Array(DAYS).fill(0.8);
    const even = dayLevels({ base: flat, flat, azimuthNudged: flat, tiltNudged: flat }, 2, 0);
    expect(even.missFrac).toBeCloseTo(0, 12);
    const waved = flat.map((level, d) => level * (1 + 0.1 * Math.cos((2 * Math.PI * d) / DAYS)));
    const seasons = dayLevels({ base: waved, flat: waved, azimuthNudged: waved, tiltNudged: flat }, 2, 0);
    expect(seasons.missFrac).toBeGreaterThan(0.05);
    expect(seasons.missFrac).toBeLessThan(0.1);
    // What a nudge of the tilt mends is what is missed.
    expect(seasons.sensitivities[1]![0]! * 2).toBeCloseTo(seasons.missed[0]!, 9);
  });

  it("weigh a day under snow down, and do not follow it", () => {
    const level = Float64Array.from({ length: DAYS }, (_, d) => (d === 3 ? 0.2 : 1 + 0.004 * (d % 3)));
    const { weights, missed } = dayLevels({ base: level, flat: level, azimuthNudged: level, tiltNudged: level }, 2, 0);
    expect(weights[3]! / weights[4]!).toBeLessThan(0.05);
    expect(missed[3]!).toBeLessThan(-1.4);
    expect(Math.abs(missed[6]!)).toBeLessThan(0.05);
  });
});

describe("a tilt the book has wrong", () => {
  it.each([
    [0, 15],
    [0, -15],
    [30, 12],
    [-40, -14],
  ])("shows in the seasons: turned by %d and steeper by %d", (azimuthOffsetDeg, tiltOffsetDeg) => {
    const { fitted } = fitPlane(scattered(azimuthOffsetDeg, tiltOffsetDeg), run, START, knownOf(false, true));
    expect(Math.abs(fitted.steeper - tiltOffsetDeg)).toBeLessThan(2);
    expect(Math.abs(fitted.planeOffset - azimuthOffsetDeg)).toBeLessThan(2);
  });

  it("is not mistaken for one where modules give a tenth less all year", () => {
    const { fitted, rows } = fitPlane(
      scattered(0, 0, () => 0.9),
      run,
      START,
      knownOf(false, true),
    );
    expect(Math.abs(fitted.steeper)).toBeLessThan(1);
    expect(rows.levels.missFrac).toBeLessThan(0.005);
  });

  it("is told within its limits where dirt takes up to a tenth of each summer", () => {
    const dirty = scattered(
      20,
      0,
      (day) => 1 - 0.1 * Math.max(0, Math.sin((Math.PI * (day - 12)) / 12)) * (day >= 12 && day <= 24 ? 1 : 0),
    );
    const free = fitPlane(dirty, run, START, knownOf(false, true)).fitted;
    expect(Math.abs(free.steeper)).toBeLessThan(8);
    const held = fitPlane(dirty, run, START, knownOf(false, false)).fitted;
    expect(Math.abs(held.planeOffset - 20)).toBeLessThan(2.5);
    expect(Math.abs(held.steeper)).toBeLessThan(Math.abs(free.steeper));
  });
});
