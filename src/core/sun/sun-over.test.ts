import { describe, expect, it } from "vitest";
import { runSun, sunHeights, sunOver, sunWhole } from ".";

const place = { latitudeDeg: 47.1, longitudeDeg: 11.3 };
/** Fourteen months of five minutes, with a turn of the year within: more than is worked at once. */
const axis = { startUtcMs: Date.UTC(2022, 10, 3, 0, 5), stepMinutes: 5, count: 122_400 };
const whole = runSun(axis, place);

describe("the sun as one passes along an axis", () => {
  it("is to the digit what it is whole, wherever one looks", () => {
    const sun = sunOver(axis, place);
    for (const [from, to] of [
      [0, 288],
      [8000, 16_640],
      [100_000, 108_900],
      [105_000, 122_400],
      [40, 90],
    ] as const) {
      const { first, up, east, north, extraterrestrialWm2 } = sun.over(from, to);
      const cut = (column: Float64Array): Float64Array => column.slice(from - first, to - first);
      expect(cut(up)).toEqual(whole.up.slice(from, to));
      expect(cut(east)).toEqual(whole.east.slice(from, to));
      expect(cut(north)).toEqual(whole.north.slice(from, to));
      expect(cut(extraterrestrialWm2)).toEqual(whole.extraterrestrialWm2.slice(from, to));
    }
  });

  it("is held a stretch at a time, until it is asked for whole", () => {
    const sun = sunOver(axis, place);
    expect(sun.over(0, 288).up.length).toBeLessThan(axis.count);
    expect(sun.whole().up).toEqual(whole.up);
    expect(sun.over(0, 288).up.length).toBe(axis.count);
  });

  it("that is known is handed on as it is", () => {
    const sun = sunWhole(whole);
    expect(sun.whole()).toBe(whole);
    expect(sun.over(500, 600).up).toBe(whole.up);
  });

  it("has its height alone for less", () => {
    expect(sunHeights(axis, place)).toEqual(whole.up);
  });
});
