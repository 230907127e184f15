import { describe, expect, it } from "vitest";
import { cleaningGains, fillKimber } from ".";

const terms = { ratePerDayFrac: 0.002, cleaningRainMm: 6, graceDays: 3, maxFrac: 0.1 } as Parameters<typeof fillKimber>[2];
const kimber = (rainMm: readonly number[], cleaned: readonly number[] = [], initialFrac = 0): number[] => [
  ...fillKimber(
    rainMm,
    rainMm.map((_, d) => cleaned[d] ?? 0),
    terms,
    initialFrac,
    new Float64Array(rainMm.length),
  ),
];

describe("dirt that builds up (Kimber)", () => {
  it("grows by its rate each dry day up to the most there can be", () => {
    const dry = kimber(new Array<number>(80).fill(0));
    expect(dry[0]).toBeCloseTo(0.002, 12);
    expect(dry[9]).toBeCloseTo(0.02, 12);
    expect(dry.at(-1)).toBe(0.1);
  });

  it("is gone with enough rain, and stays away for the days of grace", () => {
    const rain = [0, 0, 7, 0, 0, 0, 0, 0];
    expect(kimber(rain).map((frac) => Math.round(frac * 1e6) / 1e6)).toEqual([0.002, 0.004, 0, 0, 0, 0, 0.002, 0.004]);
  });

  it("takes no notice of less rain", () => {
    expect(kimber([0, 5.9, 0])).toEqual(kimber([0, 0, 0]));
  });

  it("is gone with a cleaning, without grace, and a cleaning in the grace does not end it", () => {
    expect(kimber([0, 0, 0], [0, 1, 0])[2]).toBeCloseTo(0.002, 12);
    expect(kimber([7, 0, 0, 0, 0], [0, 1, 0, 0, 0])).toEqual([0, 0, 0, 0, 0.002]);
  });

  it("begins with what lay there, and takes missing rain for none", () => {
    expect(kimber([0], [], 0.03)[0]).toBeCloseTo(0.032, 12);
    expect(kimber([Number.NaN, Number.NaN])).toEqual(kimber([0, 0]));
  });
});

describe("what a cleaning would have brought", () => {
  const day = (lostFrac: number, retainedFrac = 1, cleanKwh = 100) => ({ lostFrac, retainedFrac: retainedFrac, cleanKwh });

  it("is the day's dirt on every day until rain takes it", () => {
    const gains = cleaningGains([day(0.02), day(0.022), day(0.024, 0), day(0.002)]);
    expect(gains[0]).toBeCloseTo(0.02 * 300, 9);
    expect(gains[2]).toBeCloseTo(0.024 * 100, 9);
    expect(gains[3]).toBeCloseTo(0.2, 9);
  });

  it("thins with rain that takes a part", () => {
    const gains = cleaningGains([day(0.04, 0.5), day(0.03, 0.5), day(0.02, 0)]);
    expect(gains[0]).toBeCloseTo(0.04 * (100 + 50 + 25), 9);
  });

  it("counts each day by what a clean plant would give on it", () => {
    const gains = cleaningGains([day(0.01, 1, 50), day(0.011, 0, 400)]);
    expect(gains[0]).toBeCloseTo(0.01 * 450, 9);
  });

  it("is nothing where nothing lies", () => {
    expect([...cleaningGains([day(0), day(0)])]).toEqual([0, 0]);
    expect(cleaningGains([])).toHaveLength(0);
  });

  it("ends after 240 days without rain", () => {
    const gains = cleaningGains(Array.from({ length: 400 }, () => day(0.01)));
    expect(gains[0]).toBeCloseTo(0.01 * 100 * 240, 6);
    expect(gains[399]).toBeCloseTo(1, 9);
  });
});
