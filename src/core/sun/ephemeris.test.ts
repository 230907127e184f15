import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ephemeris, runSun, sunPosition } from ".";

const place = { latitudeDeg: 46.7, longitudeDeg: 10.2 };
const single = (utcMs: number) => sunPosition(utcMs, { ...place, pressurePa: 101_325, airTempC: 10 }).vector;
/** A millionth of the sphere: 0.00006 deg. */
const NEAR = 1e-6;

function expectSame(
  got: { east: number; north: number; up: number },
  want: { east: number; north: number; up: number },
  label: string,
): void {
  for (const part of ["east", "north", "up"] as const) expect(Math.abs(got[part] - want[part]), `${label} ${part}`).toBeLessThan(NEAR);
}

describe("the year's table", () => {
  it("agrees with single positions at any step, phase and year from 1990 to 2060", () => {
    const axis = fc.record({
      year: fc.integer({ min: 1990, max: 2060 }),
      stepMinutes: fc.constantFrom(1, 5, 10, 15, 30, 60),
      minuteOfYear: fc.integer({ min: 0, max: 525_000 }),
    });
    fc.assert(
      fc.property(axis, ({ year, stepMinutes, minuteOfYear }) => {
        const startUtcMs = Date.UTC(year, 0, 1) + minuteOfYear * 60_000;
        const sun = runSun({ startUtcMs, stepMinutes, count: 40 }, place, ephemeris());
        for (const i of [0, 17, 39]) {
          const got = { east: sun.east[i]!, north: sun.north[i]!, up: sun.up[i]! };
          // Steps that sunrise or sunset crosses are taken at another moment.
          if (Math.abs(got.up) < 0.15) continue;
          expectSame(got, single(startUtcMs + (i + 0.5) * stepMinutes * 60_000), `${year} step ${stepMinutes} at ${i}`);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("goes over from one year to the next without a seam, leap years and half-hour grids included", () => {
    for (const [year, phase] of [
      [2023, 0],
      [2024, 30],
      [2000, 15],
    ] as const) {
      const startUtcMs = Date.UTC(year, 11, 30) + phase * 60_000;
      const sun = runSun({ startUtcMs, stepMinutes: 60, count: 96 }, place, ephemeris());
      for (let i = 0; i < 96; i++) {
        if (Math.abs(sun.up[i]!) < 0.15) continue;
        expectSame(
          { east: sun.east[i]!, north: sun.north[i]!, up: sun.up[i]! },
          single(startUtcMs + (i + 0.5) * 3_600_000),
          `${year} hour ${i}`,
        );
      }
    }
  });

  it("serves every place: the poles see the sun turn at one height, the equator sees it rise and set", () => {
    const tables = ephemeris();
    const axis = { startUtcMs: Date.UTC(2023, 5, 21), stepMinutes: 60, count: 24 };
    const pole = runSun(axis, { latitudeDeg: 90, longitudeDeg: 0 }, tables);
    expect(Math.max(...pole.up) - Math.min(...pole.up)).toBeLessThan(0.001);
    const equator = runSun(axis, { latitudeDeg: 0, longitudeDeg: 0 }, tables);
    expect(equator.up.filter((up) => up > 0).length).toBe(13);
  });

  it("is made once a year and step, and made anew when others have pushed it out", () => {
    const tables = ephemeris();
    const first = tables.table(2023, 60, 0);
    expect(tables.table(2023, 60, 0)).toBe(first);
    for (let year = 2000; year < 2015; year++) tables.table(year, 5, 0);
    const again = tables.table(2023, 60, 0);
    expect(again).not.toBe(first);
    expect(again.x).toEqual(first.x);
  });

  it("gives the same extraterrestrial light all day, least in July", () => {
    const year = runSun({ startUtcMs: Date.UTC(2023, 0, 1), stepMinutes: 60, count: 8760 }, place);
    expect(new Set(year.extraterrestrialWm2.subarray(0, 24)).size).toBe(1);
    const least = year.extraterrestrialWm2.indexOf(Math.min(...year.extraterrestrialWm2));
    expect(new Date(Date.UTC(2023, 0, 1) + least * 3_600_000).getUTCMonth()).toBe(6);
  });
});
