import { handMadeFrame, LIT_KWH, nowhere, usualOf } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { snowEvidence, snowfallSteps, sureSnowfallSteps } from "./detect";

type Parts = Parameters<typeof handMadeFrame>[0];
const NO_CEILING = 1e6;
const hour = (day: number, h: number): number => 24 * day + h;
const marked = (flags: Uint8Array): number[] => [...flags.keys()].filter((i) => flags[i] === 1);
const read = (parts: Partial<Parts>, { ceilingKwh = NO_CEILING, usual = 1, down = (_: number): boolean => false } = {}) => {
  const frame = handMadeFrame({ days: 80, ...parts });
  return snowEvidence(
    frame,
    usualOf(frame, usual),
    nowhere(frame).map((_, i) => (down(i) ? 1 : 0)),
    ceilingKwh,
  );
};

describe("what counts as a fall", () => {
  const depth = (rise: number) => marked(snowfallSteps(handMadeFrame({ days: 1, snowDepthCm: (i) => (i < 5 ? 3 : 3 + rise) })));
  const rain = (mm: number, degrees: number) =>
    marked(snowfallSteps(handMadeFrame({ days: 1, rainMm: (i) => (i === 5 ? mm : 0), airTempC: () => degrees })));

  it("half a centimetre on the gauge, and not less; the first reading is no rise", () => {
    expect([depth(0.5), depth(0.49), depth(-2)]).toEqual([[5], [], []]);
  });

  it("without a gauge three tenths of a millimetre in air of 1.2 degrees", () => {
    expect([rain(0.3, 1.2), rain(0.29, 1.2), rain(0.3, 1.21)]).toEqual([[5], [], []]);
  });

  it("a gauge that scatters by three tenths of a centimetre is not believed in each rise", () => {
    // A change back and forth by c every hour has this deviation.
    const of = (c: number) => marked(sureSnowfallSteps(handMadeFrame({ days: 2, snowDepthCm: (i) => 20 + (i % 2 === 0 ? 0 : c) }))).length;
    const c = (0.3 * Math.SQRT2) / 1.4826;
    expect(c).toBeLessThan(0.5);
    expect(of(0.6)).toBe(0);
    const rise = (cm: number, scatter: number) =>
      marked(sureSnowfallSteps(handMadeFrame({ days: 4, snowDepthCm: (i) => (i < 51 ? 20 : 20 + cm) + (i % 2 === 0 ? 0 : scatter) })));
    expect(rise(0.3, c - 0.01)).toContain(51);
    expect(rise(0.3, c + 0.01)).toEqual([]);
  });

  it("beyond doubt is what stands out of its scatter by two deviations", () => {
    const scatterCm = 1.4826 / Math.SQRT2;
    const rise = (cm: number) =>
      marked(sureSnowfallSteps(handMadeFrame({ days: 6, snowDepthCm: (i) => (i < 60 ? 20 : 20 + cm) + (i % 2 === 0 ? 0 : 1) })));
    // Smoothed over five readings the scatter itself still swings by one.
    expect(rise(2 * scatterCm + 1)).not.toEqual([]);
    expect(rise(2 * scatterCm - 1.05)).toEqual([]);
  });

  it("bare ground says nothing of a gauge's scatter", () => {
    const low = handMadeFrame({ days: 2, snowDepthCm: (i) => (i % 2 === 0 ? 0 : 1) });
    expect(marked(sureSnowfallSteps(low))).toEqual(marked(snowfallSteps(low)));
  });
});

describe("a cover on the modules", () => {
  const fall = hour(10, 4);
  const snowDepthCm = (i: number): number => (i >= fall ? 10 : 0);
  /** Under snow from the fall for some hours; then bare. */
  const under =
    (until: number, share = 0): Parts["metered"] =>
    (i, kwh) =>
      i >= fall && i < until ? share * kwh : kwh;

  it("lies from the fall until two hours in a row give nine tenths of what is usual", () => {
    const { covered, spells } = read({ snowDepthCm, metered: under(hour(12, 12)) });
    expect(spells).toEqual([{ from: fall, to: hour(12, 14) }]);
    expect(marked(covered)).toEqual(Array.from({ length: hour(12, 14) - fall }, (_, k) => fall + k));
    const almost = (share: number) =>
      read({ snowDepthCm, metered: (i, kwh) => (i < fall || i >= hour(13, 0) ? kwh : i >= hour(12, 12) ? share * kwh : 0) }).spells[0]!.to;
    expect([almost(0.9), almost(0.89)]).toEqual([hour(12, 14), hour(13, 8)]);
  });

  it("one good hour alone does not bare them", () => {
    const metered: Parts["metered"] = (i, kwh) => (i >= fall && i < hour(12, 12) && i !== hour(11, 12) ? 0 : kwh);
    expect(read({ snowDepthCm, metered }).spells[0]!.to).toBe(hour(12, 14));
  });

  it("is judged against what is usual for the plant, and against its ceiling", () => {
    const low: Parts["metered"] = (i, kwh) => (i >= fall && i < hour(12, 12) ? 0 : 0.8 * kwh);
    expect(read({ snowDepthCm, metered: low }, { usual: 0.8 }).spells[0]!.to).toBe(hour(12, 14));
    const cut: Parts["metered"] = (i, kwh) => (i >= fall && i < hour(12, 12) ? 0 : Math.min(3, kwh));
    expect(read({ snowDepthCm, metered: cut }, { ceilingKwh: 3 }).spells[0]!.to).toBe(hour(12, 14));
  });

  it("loses what is missing in each hour, smoothed over its neighbours", () => {
    const { lostFrac } = read({ snowDepthCm, metered: under(hour(12, 12), 0.4) });
    expect(lostFrac[hour(11, 12)]).toBeCloseTo(0.6, 9);
    expect(lostFrac[hour(12, 12)]).toBeCloseTo(1 - (0.4 + 2) / 3, 9);
    expect(lostFrac[hour(11, 2)]).toBe(0);
    expect(lostFrac[hour(9, 12)]).toBe(0);
  });

  it("hours that were not read or stood still are filled from those beside them", () => {
    const { lostFrac } = read({ snowDepthCm, metered: under(hour(12, 12), 0.4), unread: (i) => i === hour(11, 12) });
    expect(lostFrac[hour(11, 12)]).toBeCloseTo(0.6, 9);
    const down = read(
      { snowDepthCm, metered: (i, kwh) => (i === hour(11, 12) ? 0 : i >= fall && i < hour(12, 12) ? 0.4 * kwh : kwh) },
      { down: (i) => i === hour(11, 12) },
    );
    expect(down.lostFrac[hour(11, 12)]).toBeCloseTo(0.6, 9);
    expect(down.lostFrac[hour(11, 11)]).toBeCloseTo(0.6, 9);
  });

  it("less than eight hundredths missing is none, nor are three hundredths of an hour", () => {
    const spells = (missing: number) => {
      const metered: Parts["metered"] = (i, kwh) => (i >= fall && i < hour(20, 0) ? (i % 2 === 0 ? 0.89 : 1) * (1 - missing) * kwh : kwh);
      return read({ snowDepthCm, metered }).spells.length;
    };
    expect([spells(0.2), spells(0)]).toEqual([1, 0]);
    const { lostFrac } = read({
      snowDepthCm,
      metered: (i, kwh) =>
        i < fall || i >= hour(14, 0) ? kwh : i < hour(12, 0) ? 0 : i % 24 === 12 ? 0.88 * kwh : i % 24 === 13 ? kwh : 0.89 * kwh,
    });
    expect(lostFrac[hour(13, 16)]!).toBeCloseTo(0.11, 9);
    expect(lostFrac[hour(11, 12)]!).toBe(1);
  });

  it("is given up after six weeks and a half unseen", () => {
    const never: Parts["metered"] = (i, kwh) => (i >= fall ? 0.5 * kwh : kwh);
    expect(read({ snowDepthCm, metered: never }).spells[0]!.to).toBe(fall + 45 * 24 + 1);
    expect(read({ days: 30, snowDepthCm, metered: never }).spells[0]!.to).toBe(30 * 24);
  });

  it("dim hours tell nothing of it", () => {
    const hours = (share: number) => marked(read({ snowDepthCm, ratedKwh: LIT_KWH / share, metered: under(hour(12, 12)) }).covered).length;
    expect([hours(0.051), hours(0.049)]).toEqual([hour(12, 14) - fall, 45 * 24 + 1]);
  });

  it("a second fall on it makes one cover of both", () => {
    const deeper = (i: number): number => (i >= hour(11, 20) ? 20 : snowDepthCm(i));
    expect(read({ snowDepthCm: deeper, metered: under(hour(14, 12)) }).spells).toEqual([{ from: fall, to: hour(14, 14) }]);
  });

  it("a fall that a scattering gauge may have made up lasts two days at most", () => {
    const scatter = (i: number): number => 20 + (i % 2 === 0 ? 0 : 1);
    const metered: Parts["metered"] = (i, kwh) => (i >= hour(10, 0) && i < hour(20, 0) ? 0.4 * kwh : kwh);
    expect(read({ snowDepthCm: scatter, metered }).spells.filter(({ from, to }) => to - from > 3 * 24)).toEqual([]);
  });
});
