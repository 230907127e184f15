import { describe, expect, it } from "vitest";
import { erbs, erbsDiffuseFrac } from ".";

describe("diffuse share (Erbs, Klein and Duffie)", () => {
  it("follows its three branches, which meet within a percent", () => {
    expect(erbsDiffuseFrac(0)).toBe(1);
    expect(erbsDiffuseFrac(0.1)).toBeCloseTo(0.991, 12);
    expect(erbsDiffuseFrac(0.22)).toBeCloseTo(1 - 0.09 * 0.22, 12);
    const k = 0.5;
    expect(erbsDiffuseFrac(k)).toBeCloseTo(0.9511 - 0.1604 * k + 4.388 * k ** 2 - 16.638 * k ** 3 + 12.336 * k ** 4, 12);
    expect(erbsDiffuseFrac(0.8)).toBeCloseTo(0.9511 - 0.1604 * 0.8 + 4.388 * 0.64 - 16.638 * 0.512 + 12.336 * 0.4096, 12);
    expect(erbsDiffuseFrac(0.81)).toBe(0.165);
    expect(Math.abs(erbsDiffuseFrac(0.220001) - erbsDiffuseFrac(0.22))).toBeLessThan(0.01);
  });

  const split = (ghi: number, cosZ: number, limit?: number) => ({ ...erbs(ghi, cosZ, 1367, { dniWm2: -1, dhiWm2: -1 }, limit) });

  it("always closes: what falls on the level is diffuse and the beam's share", () => {
    for (const [ghi, cosZ, limit] of [
      [600, 0.7],
      [80, 0.05],
      [80, 0.05, 500],
      [600, 0.7, 300],
    ] as const) {
      const { dniWm2, dhiWm2 } = split(ghi, cosZ, limit);
      expect(dhiWm2 + dniWm2 * cosZ).toBeCloseTo(ghi, 9);
      expect(dniWm2).toBeLessThanOrEqual(limit ?? Number.POSITIVE_INFINITY);
    }
    expect(split(600, 0.7, 300)).toEqual({ dniWm2: 300, dhiWm2: 600 - 210 });
    expect(split(600, 0.7).dhiWm2).toBeCloseTo(600 * erbsDiffuseFrac(600 / (1367 * 0.7)), 9);
  });

  it("a beam at the very limit is left as it is", () => {
    const free = split(600, 0.7);
    expect(split(600, 0.7, free.dniWm2)).toEqual(free);
  });

  it("all is diffuse with the sun down or no light, and missing stays missing", () => {
    expect(split(5, 0)).toEqual({ dniWm2: 0, dhiWm2: 5 });
    expect(split(5, -0.1)).toEqual({ dniWm2: 0, dhiWm2: 5 });
    expect(split(0, 0.5)).toEqual({ dniWm2: 0, dhiWm2: 0 });
    expect(split(-2, 0.5)).toEqual({ dniWm2: 0, dhiWm2: -2 });
    expect(split(Number.NaN, 0.5)).toEqual({ dniWm2: 0, dhiWm2: Number.NaN });
    expect(split(500, Number.NaN)).toEqual({ dniWm2: 0, dhiWm2: 500 });
  });
});
