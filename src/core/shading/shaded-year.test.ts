import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { YEAR_BANDS, yearBand } from "../geometry";
import { type ShadedSky, SKY_STEPS, shadedYear } from ".";

const wooded = (eastM: number, through: number[] | null = null) =>
  site({ obstacles: [{ id: "t", kind: "tree", heightM: 9, widthM: 6, eastM, northM: -14, lightThroughMonthlyFrac: through }] });
const bandOf = (sky: ShadedSky, band: number, values: "openKwhM2" | "lostKwhM2"): number =>
  sky[values].slice(band * SKY_STEPS, (band + 1) * SKY_STEPS).reduce((a, b) => a + b, 0);
const half = (sky: ShadedSky, from: number, to: number): number => {
  let sum = 0;
  for (let band = 0; band < YEAR_BANDS; band++) for (let step = from; step < to; step++) sum += sky.lostKwhM2[band * SKY_STEPS + step]!;
  return sum;
};

describe("the sun's year as an array sees it", () => {
  it("a date and its like in the other half of the year stand in one band", () => {
    expect(["2025-12-25", "2025-01-20", "2025-11-30", "2025-12-20"].map(yearBand)).toEqual([0, 0, 0, 0]);
    expect([yearBand("2025-01-21"), yearBand("2025-11-20")]).toEqual([1, 1]);
    expect([yearBand("2025-06-20"), yearBand("2025-06-21"), yearBand("2025-05-20")]).toEqual([5, 5, 4]);
  });

  it("a tree in the south takes the low sun and leaves the high one", () => {
    const sky = shadedYear(wooded(0), "a", 2025).sky;
    expect(bandOf(sky, 0, "lostKwhM2")).toBeGreaterThan(0.05 * bandOf(sky, 0, "openKwhM2"));
    expect(bandOf(sky, YEAR_BANDS - 1, "lostKwhM2")).toBe(0);
    sky.lostKwhM2.forEach((lost, cell) => {
      expect(lost).toBeLessThanOrEqual(sky.openKwhM2[cell]! + 1e-9);
    });
  });

  it("what stands in the east takes mornings", () => {
    const sky = shadedYear(wooded(8), "a", 2025).sky;
    expect(half(sky, 0, SKY_STEPS / 2)).toBeGreaterThan(3 * half(sky, SKY_STEPS / 2, SKY_STEPS));
  });

  it("a tree in leaf for half of the year counts for half where both halves meet", () => {
    const whole = shadedYear(wooded(0, new Array(12).fill(0)), "a", 2025).sky;
    const spring = shadedYear(wooded(0, [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1]), "a", 2025).sky;
    const share = bandOf(spring, 1, "lostKwhM2") / bandOf(whole, 1, "lostKwhM2");
    expect(share).toBeGreaterThan(0.4);
    expect(share).toBeLessThan(0.6);
  });

  it("holds the same hours of sun as the table of hours, and none is lost in an open field", () => {
    const open = site({});
    const { sky, hours } = shadedYear(open, "a", 2025);
    expect(sky.lostKwhM2.every((lost) => lost === 0)).toBe(true);
    expect(sky.openKwhM2.reduce((a, b) => a + b, 0)).toBeGreaterThan(0.2 * hours.sunHours.reduce((a, b) => a + b, 0));
  });
});
