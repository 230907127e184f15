import { describe, expect, it } from "vitest";
import { leanOf } from "./lean";
import { type StepOf, twoWay } from "./two-way";

/** Steps of a year of months: cells from cool to hot as the season has them, and a plant whose level swings with the months. */
function steps(perBin: number, swing = 0.1): StepOf[] {
  const out: StepOf[] = [];
  for (let month = 0; month < 24; month++) {
    const middle = Math.round(3 - 2 * Math.cos((2 * Math.PI * month) / 12));
    for (let bin = middle - 1; bin <= middle + 1; bin++)
      for (let k = 0; k < 30; k++) {
        const level = 1 + swing * Math.sin(month) + perBin * bin;
        out.push({ group: `month ${month}`, bin, expected: 2, metered: 2 * level * (1 + 0.02 * Math.sin(k * 7 + bin)) });
      }
  }
  return out;
}

describe("what a model leaves along an axis", () => {
  it("is told apart from what comes with the months, though hot hours come in summer alone", () => {
    const bins = twoWay(steps(-0.01));
    expect(bins.map(({ bin }) => bin)).toEqual([0, 1, 2, 3, 4, 5, 6]);
    const steps1 = bins.slice(1).map(({ log }, k) => log - bins[k]!.log);
    for (const step of steps1) expect(step).toBeCloseTo(-0.0102, 2);
    expect(bins.at(-1)!.log - bins[0]!.log).toBeCloseTo(-0.062, 2);
  });

  it("is nothing where the model is right, whatever the months do", () => {
    for (const { log } of twoWay(steps(0))) expect(Math.abs(log)).toBeLessThan(0.003);
  });

  it("leaves out a stretch that few months have, or few hours", () => {
    const rare = Array.from({ length: 40 }, (): StepOf => ({ group: "month 1", bin: 40, expected: 1, metered: 2 }));
    expect(twoWay([...steps(0), ...rare]).some(({ bin }) => bin === 40)).toBe(false);
    const thin = Array.from({ length: 24 }, (_, month): StepOf => ({ group: `month ${month}`, bin: 50, expected: 1, metered: 2 }));
    expect(twoWay([...steps(0), ...thin]).some(({ bin }) => bin === 50)).toBe(false);
  });
});

describe("the least that tells of a stretch", () => {
  /** So many steps of a far stretch in so many months beside a whole record. */
  const far = (months: number, count: number): boolean =>
    twoWay([
      ...steps(0),
      ...Array.from({ length: months }, (_, month) =>
        Array.from({ length: count }, (): StepOf => ({ group: `month ${month}`, bin: 60, expected: 2, metered: 2 })),
      ).flat(),
    ]).some(({ bin }) => bin === 60);

  it("are five steps of a month, in four months", () => {
    expect([far(4, 5), far(4, 4), far(3, 5)]).toEqual([true, false, false]);
  });
});

describe("a lean", () => {
  const bins = (fracs: readonly number[], standardFrac = 0.002) =>
    fracs.map((frac, k) => ({ from: k * 10, to: (k + 1) * 10, frac, standardFrac }));

  it("is the line's change from the first stretch to the last, with its interval", () => {
    const lean = leanOf(bins([0.01, 0, -0.01, -0.02]))!;
    expect(lean.frac).toBeCloseTo(-0.03, 10);
    expect(lean.halfFrac).toBeGreaterThan(0.003);
    expect(lean.halfFrac).toBeLessThan(0.009);
  });

  it("is less sure where stretches stray from the line by more than their own errors, and untold of two", () => {
    expect(leanOf(bins([0.03, -0.02, 0.02, -0.03]))!.halfFrac).toBeGreaterThan(0.04);
    expect(leanOf(bins([0.01, 0.02]))).toBeNull();
  });
});
