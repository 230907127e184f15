import { describe, expect, it } from "vitest";
import { fillSun, runSun, sunPosition } from ".";

describe("the sun over a time axis", () => {
  const place = { latitudeDeg: 37.2, longitudeDeg: -2.6 };
  const axis = { startUtcMs: Date.UTC(2023, 2, 20), stepMinutes: 60, count: 48 };

  it("is taken at the middle of the interval away from the horizon", () => {
    const noon = runSun(axis, place);
    const single = sunPosition(axis.startUtcMs + 12.5 * 3_600_000, { ...place, pressurePa: 101_325, airTempC: 12 });
    // The yearly table interpolates exact positions: within 0.00003 deg of them.
    expect(noon.up[12]).toBeCloseTo(single.vector.up, 6);
    expect(noon.east[12]).toBeCloseTo(single.vector.east, 6);
  });

  it("is above the horizon in every interval that sunrise or sunset crosses", () => {
    const fine = runSun({ ...axis, stepMinutes: 1, count: 48 * 60 }, place);
    const coarse = runSun(axis, place);
    for (let hour = 0; hour < axis.count; hour++) {
      const lit = fine.up.slice(hour * 60, hour * 60 + 60).some((up) => up > 0.001);
      expect(coarse.up[hour]! > 0, `hour ${hour}`).toBe(lit);
    }
  });

  it("is a unit vector", () => {
    const sun = fillSun(axis, place, runSun(axis, place));
    for (let i = 0; i < axis.count; i++) expect(Math.hypot(sun.east[i]!, sun.north[i]!, sun.up[i]!)).toBeCloseTo(1, 8);
  });
});
