import { describe, expect, it } from "vitest";
import { runSun } from "../sun";
import { ASSUMED_WIND_MS, fillColumnGaps, fillGaps, usualAirC, type Weather } from ".";

const axis = { startUtcMs: Date.UTC(2023, 5, 1), stepMinutes: 60, count: 24 * 20 };
const PLACE = { latitudeDeg: 40, longitudeDeg: 0, elevationM: 200 };
const sun = runSun(axis, PLACE);
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

  it("are bridged to the last hour of three, and not at either end of the record", () => {
    const day = (i: number): number => 10 * (i % 4);
    const column = (from: number, to: number) => {
      const values = Float64Array.from({ length: 40 }, (_, i) => (i >= from && i < to ? Number.NaN : day(i)));
      return [...fillColumnGaps(values, { bridged: 3, perDay: 4 })];
    };
    // From 10 to 10 over three hours; a fourth takes the same hour of near days.
    expect(
      column(6, 9)
        .slice(6, 9)
        .map((value) => Number(value.toFixed(6))),
    ).toEqual([10, 10, 10]);
    expect(column(6, 10).slice(6, 10)).toEqual([20, 30, 0, 10]);
    expect(column(0, 2).slice(0, 2)).toEqual([0, 10]);
    expect(column(38, 40).slice(38, 40)).toEqual([20, 30]);
  });

  it("take the nearest days that are enough, of fifteen on each side", () => {
    const values = Float64Array.from({ length: 100 }, (_, i) => i);
    values.fill(Number.NaN, 48, 52);
    // Days of four hours: the middle of equal days to both sides is the day itself.
    expect([...fillColumnGaps(values.slice(), { bridged: 1, perDay: 4 }).slice(48, 52)]).toEqual([48, 49, 50, 51]);
    const late = Float64Array.from({ length: 100 }, (_, i) => (i < 90 ? Number.NaN : i));
    const filled = fillColumnGaps(late, { bridged: 1, perDay: 4 });
    expect(filled[88]!).toBeGreaterThan(90);
    expect(filled[92 - 16 * 4]).toBeNaN();
    expect(filled[92 - 15 * 4]).not.toBeNaN();
  });

  it("that nothing can fill stay missing", () => {
    expect(fillColumnGaps(new Float64Array(48).fill(Number.NaN), { bridged: 3, perDay: 24 })[7]).toBeNaN();
  });
});

describe("gaps in irradiance", () => {
  const holed = ghi.slice();
  for (let i = 24 * 9; i < 24 * 12; i++) holed[i] = Number.NaN;
  const out = fillGaps(weather(holed), PLACE, () => sun);

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

describe("a record without a gap", () => {
  it("is handed on as it is, and what is not measured stays so", () => {
    const out = fillGaps(weather(ghi), PLACE, () => sun);
    expect(out.ghiWm2).toBe(ghi);
    expect([out.poaWm2, out.rainMm, out.snowDepthCm, out.albedo, out.anyFilled]).toEqual([null, null, null, null, false]);
    expect(out.filled.every((flag) => flag === 0)).toBe(true);
  });

  it("gaps of temperature are filled and not marked: no energy hangs on them", () => {
    const airTempC = new Float64Array(axis.count).fill(12);
    airTempC[100] = Number.NaN;
    const out = fillGaps({ ...weather(ghi), airTempC }, PLACE, () => sun);
    expect([out.airTempC[100], out.filled[100], airTempC[100]]).toEqual([12, 0, Number.NaN]);
  });

  it("one with an irradiance missing at night is marked by day alone", () => {
    const night = [...sun.up.keys()].find((i) => i > 48 && sun.up[i]! <= 0)!;
    const values = ghi.slice();
    values[night] = Number.NaN;
    const out = fillGaps(weather(values), PLACE, () => sun);
    expect([out.ghiWm2![night], out.filled[night], out.anyFilled]).toEqual([0, 0, false]);
  });
});

it("a site without instruments for air gets the usual air of its place and the stated wind", () => {
  const out = fillGaps(weather(ghi), PLACE, () => sun);
  expect(out.assumed).toEqual({ air: true, wind: true });
  expect(out.windSpeedMs[5]).toBe(ASSUMED_WIND_MS);
  expect(out.airTempC).toEqual(usualAirC(axis, PLACE));
  expect(fillGaps({ ...weather(ghi), airTempC: ghi, windSpeedMs: ghi }, PLACE, () => sun).assumed).toEqual({ air: false, wind: false });
});
