import { describe, expect, it } from "vitest";
import { runSun } from "../sun";
import { fillColumnGaps, fillGaps, type Weather } from ".";

const axis = { startUtcMs: Date.UTC(2023, 5, 1), stepMinutes: 60, count: 24 * 20 };
const sun = runSun(axis, { latitudeDeg: 40, longitudeDeg: 0 });
const clearness = 0.6;
const ghi = Float64Array.from(sun.up, (up, i) => Math.max(0, up) * sun.extraterrestrialWm2[i]! * clearness);
const weather = (ghiWm2: Float64Array): Weather => ({
  axis,
  ghiWm2,
  dniWm2: null,
  dhiWm2: null,
  poaWm2: null,
  airTempC: null,
  windSpeedMs: null,
});

describe("gaps in a column", () => {
  it("of up to three hours are bridged on a straight line", () => {
    const values = Float64Array.of(1, Number.NaN, Number.NaN, 4);
    expect([...fillColumnGaps(values, { bridged: 3, perDay: 24 })]).toEqual([1, 2, 3, 4]);
  });

  it("that are longer take the same time of day of near days", () => {
    const days = Float64Array.from({ length: 24 * 5 }, (_, i) => i % 24);
    for (let i = 50; i < 60; i++) days[i] = Number.NaN;
    expect([...fillColumnGaps(days, { bridged: 3, perDay: 24 }).slice(50, 60)]).toEqual([2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
  });

  it("that nothing can fill stay missing", () => {
    expect(fillColumnGaps(new Float64Array(48).fill(Number.NaN), { bridged: 3, perDay: 24 })[7]).toBeNaN();
  });
});

describe("gaps in irradiance", () => {
  const holed = ghi.slice();
  for (let i = 24 * 9; i < 24 * 12; i++) holed[i] = Number.NaN;
  const out = fillGaps(weather(holed), sun);

  it("follow the sun's own path through the clearness index", () => {
    for (let i = 24 * 9; i < 24 * 12; i++) {
      if (sun.up[i]! > 0.05) expect(out.ghiWm2![i]).toBeCloseTo(ghi[i]!, 6);
      if (sun.up[i]! <= 0) expect(out.ghiWm2![i]).toBe(0);
    }
  });

  it("are marked, and measured hours are not", () => {
    expect(out.filled[24 * 10 + 12]).toBe(1);
    expect(out.filled[24 * 5 + 12]).toBe(0);
  });

  it("leave the measured column untouched", () => {
    expect(holed[24 * 10 + 12]).toBeNaN();
  });
});

it("a site without instruments for air gets the stated assumptions", () => {
  const out = fillGaps(weather(ghi), sun);
  expect([out.airTempC[5], out.windSpeedMs[5]]).toEqual([20, 1]);
});
