import { describe, expect, it } from "vitest";
import { seededUniform } from "../../statistics";
import type { ClearDays } from "./clear-days";
import { BOOK, bootstrapPlane, fitPlane, knownOf, missOf } from "./plane-fit";

const DAYS = 20;
const HOURS = 24;
const DEG = Math.PI / 180;
const HELD = knownOf(false, false);
const START = { planeOffset: 0, steeper: 0, clock: 0, contrast: 0, bend: 0 };

/** Output of clear days of different sun heights by a plane turned about the vertical: a level part, and one that follows the turn. */
function run(azimuthOffsetDeg: number, tiltOffsetDeg: number): Float64Array {
  const lean = Math.max(0, Math.min(1, 0.35 + tiltOffsetDeg / 100));
  return Float64Array.from({ length: DAYS * HOURS }, (_, i) => {
    const hourDeg = 15 * ((i % HOURS) - 12);
    const height = 0.5 + 0.4 * Math.sin((Math.floor(i / HOURS) / DAYS) * Math.PI);
    const up = Math.max(0, height * Math.cos(hourDeg * DEG));
    return up === 0 ? 0 : Math.max(0, up + lean * Math.cos((hourDeg - azimuthOffsetDeg) * DEG));
  });
}

function picked(meteredKwh: Float64Array): ClearDays {
  const best = Math.max(...meteredKwh);
  return {
    prepared: { weather: { axis: { startUtcMs: 0, stepMinutes: 60, count: meteredKwh.length } } } as unknown as ClearDays["prepared"],
    meteredKwh,
    use: Uint8Array.from(meteredKwh, (kwh) => (kwh > 0.3 * best ? 1 : 0)),
    dayOf: Int32Array.from({ length: meteredKwh.length }, (_, i) => Math.floor(i / HOURS)),
    days: DAYS,
    spanOf: new Int32Array(DAYS),
  };
}

describe("the fit of a turn to clear days", () => {
  const uniform = seededUniform(8);
  const scattered = (azimuthOffsetDeg: number, scatter: number): ClearDays =>
    picked(run(azimuthOffsetDeg, 0).map((kwh, i) => kwh * (1 - 0.05 * (Math.floor(i / HOURS) % 3)) * (1 + scatter * (uniform() - 0.5))));

  it.each([-35, -12, 0, 20, 48])("finds %d degrees, whatever the level of each day", (azimuthOffsetDeg) => {
    const { fitted, rows } = fitPlane(scattered(azimuthOffsetDeg, 0.01), run, START, HELD);
    expect(Math.abs(fitted.planeOffset - azimuthOffsetDeg)).toBeLessThan(2.5);
    expect(rows.missFrac).toBeLessThan(0.01);
  });

  it("leaves the book's plane where it is, and misses what it can't explain", () => {
    const days = scattered(40, 0.01);
    const book = fitPlane(days, run, START, BOOK);
    expect(Math.abs(book.fitted.planeOffset)).toBeLessThan(0.01);
    expect(book.rows.missFrac).toBeGreaterThan(5 * fitPlane(days, run, START, HELD).rows.missFrac);
    expect(missOf(days, run(40, 0))).toBeLessThan(0.2 * missOf(days, run(0, 0)));
  });

  it("is sampled the same each time, about what was found", () => {
    const { rows } = fitPlane(scattered(20, 0.02), run, START, HELD);
    const [turns, steeper, clock] = bootstrapPlane(rows, HELD, DAYS);
    expect([...bootstrapPlane(rows, HELD, DAYS)[0]]).toEqual([...turns]);
    for (const drawn of [turns, steeper, clock]) {
      const sorted = drawn.slice().sort();
      expect(sorted[Math.floor(0.05 * sorted.length)]!).toBeLessThan(0.2);
      expect(sorted[Math.floor(0.95 * sorted.length)]!).toBeGreaterThan(-0.2);
      expect(sorted.at(-1)! - sorted[0]!).toBeGreaterThan(0);
      expect(Math.max(Math.abs(sorted[0]!), Math.abs(sorted.at(-1)!))).toBeLessThan(6);
    }
  });
});
