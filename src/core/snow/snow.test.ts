import { describe, expect, it } from "vitest";
import { coverLossFrac, fillSnowCover, lying, RELEASE_WM2_PER_K, type SnowRecord, storms, townsendPowers } from ".";

const steep = { sinTilt: 0.5, stepHours: 1, coveringCm: 1 };
const cover = (snowCm: number[], poaWm2: number[], airTempC: number[], terms: Parameters<typeof fillSnowCover>[3] = steep): number[] => [
  ...fillSnowCover(snowCm, poaWm2, airTempC, terms, new Float64Array(snowCm.length)),
];

describe("a cover that slides (Marion)", () => {
  it("lies whole with a fall, and slides by 0.197 an hour times the sine of the tilt where it lets go", () => {
    const [fall, first, second] = cover([2, 0, 0], [0, 800, 800], [-2, -5, -5]);
    expect(fall).toBe(1);
    expect(first).toBeCloseTo(1 - 0.197 * 0.5, 12);
    expect(second).toBeCloseTo(1 - 2 * 0.197 * 0.5, 12);
  });

  it("lets go above the line of light and cold, and holds on it", () => {
    expect(cover([1, 0], [0, 800], [-2, 800 / RELEASE_WM2_PER_K])[1]).toBe(1);
    expect(cover([1, 0], [0, 800], [-2, 800 / RELEASE_WM2_PER_K + 0.01])[1]).toBeLessThan(1);
    expect(cover([1, 0], [0, 0], [-2, 0.01])[1]).toBeLessThan(1);
  });

  it("a fall of just what covers does, a little less does not", () => {
    expect(cover([1], [0], [-2])[0]).toBe(1);
    expect(cover([0.99], [0], [-2])[0]).toBe(0);
  });

  it("begins with what lay there, never falls below none, and half a step slides half as far", () => {
    expect(cover([0], [1000], [5], { ...steep, initialCover: 0.05 })[0]).toBe(0);
    expect(cover([0], [1000], [5], { ...steep, initialCover: 1, stepHours: 0.5 })[0]).toBeCloseTo(1 - 0.197 * 0.25, 12);
  });

  it("missing snowfall is none, and without light or temperature nothing slides", () => {
    expect(cover([1, Number.NaN], [0, Number.NaN], [-2, 5])).toEqual([1, 1]);
    expect(cover([1, 0], [0, 800], [-2, Number.NaN])).toEqual([1, 1]);
  });

  it("takes whole strings along the slant", () => {
    expect([0, 0.01, 0.5, 0.51, 1].map((share) => coverLossFrac(share, 2) + 0)).toEqual([0, 0.5, 0.5, 1, 1]);
    expect(coverLossFrac(1 / 3, 3)).toBeCloseTo(1 / 3, 12);
  });
});

/** Three days of hours; snow where told, mild and bright or cold and dark all the time. */
function record(parts: Partial<SnowRecord> & { readonly falls: Readonly<Record<number, number>> }): SnowRecord {
  const count = 24 * 10;
  const { falls, ...rest } = parts;
  return {
    newSnowCm: Array.from({ length: count }, (_, i) => falls[i] ?? 0),
    airTempC: new Array<number>(count).fill(-3),
    poaWm2: new Array<number>(count).fill(0),
    openKwh: new Array<number>(count).fill(2),
    stepHours: 1,
    sinTilt: 1,
    stringsAlongSlant: 1,
    coveringCm: 1,
    ...rest,
  };
}

describe("storms", () => {
  it("falls less than 18 hours apart are one, with all its depth", () => {
    expect(storms(record({ falls: { 10: 3, 28: 4 } })).map(({ from, to, depthCm }) => ({ from, to, depthCm }))).toEqual([
      { from: 10, to: 29, depthCm: 7 },
    ]);
    expect(storms(record({ falls: { 10: 3, 29: 4 } }))).toHaveLength(2);
  });

  it("what does not cover is no storm, but adds to one", () => {
    expect(storms(record({ falls: { 10: 0.9 } }))).toEqual([]);
    expect(storms(record({ falls: { 10: 3, 11: 0.5, 12: 2 } }))[0]!.depthCm).toBeCloseTo(5.5, 12);
  });

  it("is wet above a degree of frost, else dry", () => {
    const at = (degrees: number) => storms(record({ falls: { 10: 3 }, airTempC: new Array<number>(240).fill(degrees) }))[0]!;
    expect(at(-1).kind).toBe("dry");
    expect(at(-0.9).kind).toBe("wet");
    expect(at(-3)).toMatchObject({ fallTempC: -3, afterTempC: -3 });
  });

  it("means leave out missing temperatures, and three days after it count", () => {
    const airTempC = new Array<number>(240).fill(-3);
    airTempC[10] = Number.NaN;
    airTempC[11] = -5;
    for (let i = 12 + 72; i < 240; i++) airTempC[i] = 20;
    const [storm] = storms(record({ falls: { 10: 3, 11: 3 }, airTempC }));
    expect(storm).toMatchObject({ fallTempC: -5, afterTempC: -3 });
  });

  it("lies until it has slid, and each hour under it is lost", () => {
    const warm = record({ falls: { 10: 3 }, airTempC: new Array<number>(240).fill(2) });
    const [storm] = storms(warm);
    // 1 / 0.197 an hour: gone in the sixth hour, which is free already.
    expect(storm!.lyingHours).toBe(6);
    expect(storm!.lostKwh).toBeCloseTo(2 * 5, 9);
    expect(storm!.clearingKwh).toBe(0);
  });

  it("clearing half a day after the fall saves what would have lain longer", () => {
    const [storm] = storms(record({ falls: { 10: 3 } }));
    const lain = 240 - 11;
    expect(storm!.lyingHours).toBe(lain);
    expect(storm!.lostKwh).toBeCloseTo(2 * lain, 9);
    expect(storm!.clearingKwh).toBeCloseTo(2 * (lain - 12), 9);
  });

  it("is followed to the next one at the latest, and for sixty days at most", () => {
    expect(storms(record({ falls: { 10: 3, 60: 3 } }))[0]!.lyingHours).toBe(60 - 11);
    const long = record({ falls: { 0: 3 } });
    const many = { ...long, openKwh: new Array<number>(24 * 90).fill(1), airTempC: new Array<number>(24 * 90).fill(-3), poaWm2: [] };
    expect(lying(many, 1, 24 * 90, 1).hours).toBe(60 * 24);
  });

  it("hours without an expected yield lose nothing; half steps are half hours", () => {
    const half = record({
      falls: { 10: 3 },
      stepHours: 0.5,
      openKwh: Array.from({ length: 240 }, (_, i) => (i % 2 === 0 ? 1 : Number.NaN)),
    });
    const [storm] = storms(half);
    expect(storm!.lyingHours).toBe((240 - 11) / 2);
    expect(storm!.lostKwh).toBe(Array.from({ length: 240 - 11 }, (_, k) => (k + 11) % 2 === 0).filter(Boolean).length);
  });

  it("strings along the slant come free one after the other", () => {
    const warm = record({ falls: { 10: 3 }, airTempC: new Array<number>(240).fill(2), stringsAlongSlant: 2 });
    // Covers 0.803, 0.606, 0.409, 0.212, 0.015, 0: both strings, both, one, one, one, none.
    expect(storms(warm)[0]!.lostKwh).toBeCloseTo(2 * (1 + 1 + 0.5 + 0.5 + 0.5), 9);
  });
});

describe("snow by month (Townsend and Powers)", () => {
  const climate = {
    monthlySnowCm: [25.4, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 50.8],
    snowEvents: [2, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 4],
    humidityPct: new Array<number>(12).fill(80),
    airTempC: new Array<number>(12).fill(-3.15),
    monthlyPoaKwhM2: new Array<number>(12).fill(50),
    tiltDeg: 30,
    slantLengthM: 2.54,
    lowerEdgeHeightM: 1.27,
  };

  it("a month counts two parts to one of the month before, around the new year too", () => {
    const { effectiveSnowIn } = townsendPowers(climate);
    // January 0.5 × 10 × 1.5 = 7.5 inches, December 0.5 × 20 × 1.25 = 12.5 inches.
    expect(effectiveSnowIn[0]).toBeCloseTo((12.5 + 2 * 7.5) / 3, 12);
    expect(effectiveSnowIn[1]).toBeCloseTo(7.5 / 3, 12);
    expect(effectiveSnowIn[2]).toBe(0);
    expect(effectiveSnowIn[11]).toBeCloseTo((2 * 12.5) / 3, 12);
  });

  it("snow on the ground in the way of what slides, and the share lost, by the published formulas", () => {
    const { effectiveSnowIn, groundInterference, lossFraction } = townsendPowers(climate);
    const snow = effectiveSnowIn[0]!;
    const room = 50 * 50 - snow * snow;
    const share = 1 - 0.51 * Math.exp((-100 * snow * Math.cos(Math.PI / 6) * 2 * Math.tan((40 * Math.PI) / 180)) / room);
    expect(groundInterference[0]).toBeCloseTo(share, 12);
    expect(lossFraction[0]).toBeCloseTo((5.7e4 * snow * 0.75 * share * 80) / (270 * 270 * 50 ** 0.67) / 100, 12);
    expect(lossFraction[5]).toBe(0);
  });

  it("loses no more than all, and a lower edge in the snow leaves no room", () => {
    const deep = townsendPowers({ ...climate, monthlySnowCm: new Array<number>(12).fill(500), snowEvents: new Array<number>(12).fill(5) });
    expect(deep.lossFraction.every((frac) => frac === 1)).toBe(true);
    expect(deep.groundInterference[0]).toBeCloseTo(1, 6);
  });
});
