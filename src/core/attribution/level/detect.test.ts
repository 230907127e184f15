import { handMadeFrame, nowhere } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { flatCurve, levelOf, loadCurve, retainedAt } from "./detect";
import { BINS } from "./thresholds";

type Parts = Parameters<typeof handMadeFrame>[0];
const CEILING = 10;
/** Days that climb through all loads, hour by hour. */
const open = (i: number): number => {
  const h = i % 24;
  return h >= 6 && h < 18 ? ((h - 5.5) / 12) * CEILING : 0;
};
const curve = (parts: Partial<Parts>, spoilt = (_: number) => false, time: Parameters<typeof loadCurve>[4] = null) => {
  const frame = handMadeFrame({ days: 200, open, ratedKwh: CEILING, ...parts });
  return loadCurve(
    frame,
    frame.openKwh,
    nowhere(frame).map((_, i) => (spoilt(i) ? 1 : 0)),
    CEILING,
    time,
  );
};

describe("what a plant retains by load", () => {
  it("is its level where it is the same at all loads", () => {
    const { levelFrac, retained } = curve({ metered: (_, kwh) => 0.97 * kwh });
    expect(levelFrac).toBeCloseTo(0.97, 12);
    for (const value of retained) expect(value).toBeCloseTo(0.97, 9);
  });

  it("a level is no further off than six hundredths: more is something else", () => {
    expect(flatCurve(0.97)).toMatchObject({ levelFrac: 0.97 });
    expect([flatCurve(0.9).retained[3], flatCurve(1.2).retained[3], flatCurve(0.95).retained[3]]).toEqual([0.94, 1.06, 0.95]);
    expect(curve({ metered: (_, kwh) => 0.9 * kwh }).retained[10]).toBeCloseTo(0.94, 9);
  });

  it("bends with load, and beyond nine tenths follows the line before", () => {
    const bent = (load: number): number => 1 - 0.05 * load;
    const { retained } = curve({ metered: (i, kwh) => bent(open(i) / CEILING) * kwh });
    // Loads (h - 5.5)/12: the one at 0.625 stands in the bin from 0.6 to 0.65.
    expect(retained[12]! / retained[8]!).toBeCloseTo(bent(0.625) / bent(0.4583), 2);
    expect(retained[19]!).toBeLessThan(retained[14]!);
    expect(retained[19]! / retained[14]!).toBeCloseTo(bent(0.975) / bent(0.725), 2);
  });

  it("a bend is held within eight hundredths, of dim loads within three tenths", () => {
    const dim = curve({ metered: (i, kwh) => (open(i) < 0.2 * CEILING ? 0.5 : 1) * kwh }).retained;
    expect(dim[2]! / dim[10]!).toBeGreaterThan(0.68);
    expect(dim[2]! / dim[10]!).toBeLessThan(0.72);
    const middle = curve({ metered: (i, kwh) => (open(i) > 0.25 * CEILING && open(i) < 0.3 * CEILING ? 0.7 : 1) * kwh }).retained;
    expect(middle[5]! / middle[10]!).toBeGreaterThan(0.9);
    expect(middle[5]! / middle[10]!).toBeLessThan(0.94);
  });

  it("days a quarter off their usual are under a cause of their own", () => {
    const odd = (share: number) => curve({ metered: (i, kwh) => (Math.floor(i / 24) % 4 === 0 ? share : 1) * kwh }).levelFrac;
    expect(odd(0.74)).toBe(1);
    expect(odd(0.76)).toBeCloseTo(0.94, 9);
    expect(odd(1.26)).toBe(1);
    expect(odd(1.24)).toBeCloseTo(1.06, 9);
  });

  it("hours that another cause holds, that were not read or not lit, tell nothing", () => {
    const metered: Parts["metered"] = (i, kwh) => (i % 24 === 12 ? 0.5 : 1) * kwh;
    const noon = (i: number): boolean => i % 24 === 12;
    for (const { levelFrac } of [curve({ metered }, noon), curve({ metered, unread: noon }), curve({ metered, unlit: noon })])
      expect(levelFrac).toBeCloseTo(1, 12);
    expect(curve({ metered }).levelFrac).toBeLessThan(0.96);
    expect(curve({ unread: () => true }).levelFrac).toBe(1);
  });
});

describe("at a ceiling, by how long the plant was held there", () => {
  /** Each day's hours reach up to a load that differs by the day: from 0.8 to 1.2 of the ceiling. */
  const noon = (i: number): number =>
    i % 24 === 12 ? CEILING * (0.8 + (0.4 * (Math.floor(i / 24) % 100)) / 100) : i % 24 >= 6 && i % 24 < 18 ? 4 : 0;
  const retained = (level: number, hours: (held: number) => number, days = 200) => {
    const frame = handMadeFrame({ days, open: noon, ratedKwh: CEILING, metered: (_, kwh) => Math.min(CEILING, level * kwh) });
    const held = [...frame.meteredKwh].filter((kwh) => kwh > 0.97 * CEILING).length;
    return loadCurve(frame, frame.openKwh, nowhere(frame), CEILING, { hours: hours(held), swingFrac: null }).retained[BINS - 1]!;
  };

  it("is the level at which as many hours lie on it", () => {
    const counted = (level: number) => (held: number) => {
      void held;
      return Array.from({ length: 200 }, (_, d) => level * (0.8 + (0.4 * (d % 100)) / 100)).filter((load) => load > 1 - 0.006).length;
    };
    // A day in a hundred is a step of 0.4 hundredths in load.
    for (const level of [0.96, 1, 1.04]) expect(retained(level, counted(level))).toBeCloseTo(level, 1.9);
  });

  it("hours under 25 tell nothing", () => {
    expect(retained(1, () => 24)).toBeCloseTo(1, 6);
    expect(retained(1, () => 25)).toBeLessThan(0.95);
  });
});

describe("between the loads", () => {
  it("runs straight from middle to middle of the bins, and holds at both ends", () => {
    const retained = Float64Array.from({ length: BINS }, (_, k) => 1 + k / 100);
    const at = (load: number) => retainedAt({ retained, levelFrac: 1 }, load);
    expect(at(0)).toBe(1);
    expect(at(0.5 / BINS)).toBe(1);
    expect(at(1 / BINS)).toBeCloseTo(1.005, 12);
    expect(at(10.5 / BINS)).toBeCloseTo(1.1, 12);
    expect(at(5)).toBeCloseTo(1.19, 3);
  });
});

describe("the standing level", () => {
  it("is the middle of the days with ageing put back", () => {
    const log = Float64Array.from({ length: 1000 }, (_, d) => Math.log(0.98 * (1 - 0.01 * (2 + d / 365.2425))));
    expect(levelOf(log, 2, 0.01)).toBeCloseTo(0.98, 12);
    expect(levelOf(log, 2, 0)).toBeLessThan(0.98);
    expect(levelOf(new Float64Array(5).fill(Number.NaN), 0, 0.01)).toBe(1);
    expect(levelOf(Float64Array.of(Math.log(0.97)), -3, 0.01)).toBeCloseTo(0.97, 12);
  });
});
