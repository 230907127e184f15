import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  ageingFactor,
  faiman,
  HEAT_LOSS,
  iamAt,
  KING_MOUNT,
  kingCell,
  lowLightFactor,
  planeReflection,
  ross,
  temperatureFactor,
  weakLightTable,
} from "../module";
import {
  fillAgeing,
  fillClipping,
  fillFaiman,
  fillKing,
  fillLowLight,
  fillReference,
  fillReflection,
  fillRetainedShare,
  fillRoss,
  fillTemperature,
  fillVaryingShare,
} from "./stages";
import { excessByTable, fillClippingWithin, meanExcess } from "./sub-hourly";

const COUNT = 200;
/** Columns of made-up but possible moments, the same each time. */
const column = (of: (i: number) => number) => Float64Array.from({ length: COUNT }, (_, i) => of(i));
const wave = (i: number, k: number) => 0.5 + 0.5 * Math.sin(i * k);
const plane = {
  cosIncidence: column((i) => Math.cos(i * 0.05)),
  directionalWm2: column((i) => 800 * wave(i, 0.13) * Math.max(0, Math.cos(i * 0.05))),
  skyWm2: column((i) => 220 * wave(i, 0.31)),
  groundWm2: column((i) => 30 * wave(i, 0.7)),
};
const weather = {
  poaWm2: column((i) => 1000 * wave(i, 0.2)),
  airTempC: column((i) => -10 + 45 * wave(i, 0.05)),
  windSpeedMs: column((i) => 9 * wave(i, 0.9)),
};
const power = () => column((i) => 5000 * wave(i, 0.2));
const sum = (values: ArrayLike<number>) => Array.from(values).reduce((a, b) => a + b, 0);

/** A fill returns what it took, and changes every value as the law says. */
function expectLaw(fill: (powerW: Float64Array) => number, law: (beforeW: number, i: number) => number, digits = 8): void {
  const before = power();
  const after = before.slice();
  const lost = fill(after);
  for (let i = 0; i < COUNT; i++) expect(after[i]!, `step ${i}`).toBeCloseTo(law(before[i]!, i), digits);
  expect(lost).toBeCloseTo(sum(before) - sum(after), 6);
}

describe("every fill does what its law says, and returns what it took", () => {
  it("reference", () => {
    const [poa, made] = [column(() => 0), column(() => 0)];
    const expected = fillReference(plane, 5000, COUNT, poa, made);
    for (let i = 0; i < COUNT; i++) expect(poa[i]).toBeCloseTo(plane.directionalWm2[i]! + plane.skyWm2[i]! + plane.groundWm2[i]!, 9);
    expect(expected).toBeCloseTo(sum(made), 6);
    expect(expected).toBeCloseTo(5 * sum(poa), 6);
  });

  it("kept share", () =>
    expectLaw(
      (p) => fillRetainedShare(p, 0.97, COUNT),
      (w) => 0.97 * w,
    ));

  it("reflection", () => {
    const terms = planeReflection("martin-ruiz", 35);
    expectLaw(
      (p) => fillReflection(p, plane, terms, COUNT),
      (w, i) => {
        const [d, s, g] = [plane.directionalWm2[i]!, plane.skyWm2[i]!, plane.groundWm2[i]!];
        return (w * (d * iamAt(terms.table, plane.cosIncidence[i]!) + s * terms.skyFrac + g * terms.groundFrac)) / (d + s + g);
      },
    );
  });

  // The table is within 2e-6 of a sun: 0.01 W of 5 kW.
  it("low light", () =>
    expectLaw(
      (p) => fillLowLight(p, 5000, weakLightTable(1 - lowLightFactor(200)), COUNT),
      (w) => w * lowLightFactor(w / 5),
      1,
    ));

  it("heat", () => {
    const cell = column((i) => -10 + 80 * wave(i, 0.4));
    expectLaw(
      (p) => fillTemperature(p, cell, -0.0036, COUNT),
      (w, i) => w * temperatureFactor(cell[i]!, -0.0036),
    );
  });

  it("ageing, before commissioning, in its first year and after", () => {
    const at = Int32Array.from({ length: COUNT }, (_, i) => i);
    const rate = { firstYearFrac: 0.02, perYearFrac: 0.006 };
    expectLaw(
      (p) => fillAgeing(p, at, { startYears: -0.5, yearsPerStep: 0.05 }, rate, COUNT),
      (w, i) => w * ageingFactor(-0.5 + i * 0.05, rate),
    );
  });

  it("clipping", () =>
    expectLaw(
      (p) => fillClipping(p, 3000, COUNT),
      (w) => Math.min(w, 3000),
    ));

  it("a share that varies", () => {
    const share = column((i) => 0.3 * wave(i, 0.11));
    const at = Int32Array.from({ length: COUNT }, (_, i) => COUNT - 1 - i);
    expectLaw(
      (p) => fillVaryingShare(p, at, share, COUNT),
      (w, i) => w * (1 - share[COUNT - 1 - i]!),
    );
  });

  it("cell temperatures", () => {
    const out = column(() => 0);
    const mounting = "roof-close";
    fillFaiman(weather, HEAT_LOSS[mounting], COUNT, out);
    for (let i = 0; i < COUNT; i++)
      expect(out[i]).toBeCloseTo(faiman(weather.poaWm2[i]!, weather.airTempC[i]!, weather.windSpeedMs[i]!, HEAT_LOSS[mounting]), 9);
    fillRoss(weather, 45, COUNT, out);
    for (let i = 0; i < COUNT; i++) expect(out[i]).toBeCloseTo(ross(weather.poaWm2[i]!, weather.airTempC[i]!, 45), 9);
    fillKing(weather, KING_MOUNT[mounting], COUNT, out);
    for (let i = 0; i < COUNT; i++)
      expect(out[i]).toBeCloseTo(kingCell(weather.poaWm2[i]!, weather.airTempC[i]!, weather.windSpeedMs[i]!, KING_MOUNT[mounting]), 9);
  });

  it("leaves what lies behind the block alone", () => {
    const values = power();
    fillRetainedShare(values, 0.5, 10);
    expect(values.subarray(10)).toEqual(power().subarray(10));
  });
});

describe("what lies above a limit on the mean", () => {
  /** The same by adding up a fine picture of the normal. */
  const byHand = (mean: number, deviation: number, limit: number) => {
    let total = 0;
    for (let z = -8; z < 8; z += 0.001) {
      const density = Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
      total += Math.max(0, mean + z * deviation - limit) * density * 0.001;
    }
    return total;
  };

  it("is the integral of the normal beyond it", () => {
    for (const [mean, deviation, limit] of [
      [90, 10, 100],
      [100, 10, 100],
      [120, 30, 100],
      [40, 25, 100],
    ] as const) {
      expect(meanExcess(mean, deviation, limit)).toBeCloseTo(byHand(mean, deviation, limit), 4);
      expect(excessByTable(mean, deviation, limit)).toBeCloseTo(meanExcess(mean, deviation, limit), 3);
    }
  });

  it("is never less than the mean's own excess, and none far below", () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 200, noNaN: true }), fc.double({ min: 0.01, max: 60, noNaN: true }), (mean, deviation) => {
        expect(excessByTable(mean, deviation, 100)).toBeGreaterThanOrEqual(Math.max(0, mean - 100) - 1e-3);
      }),
    );
    expect(excessByTable(10, 5, 100)).toBe(0);
    expect(meanExcess(120, 0, 100)).toBe(20);
  });

  it("without a spread is plain clipping", () => {
    const [plain, within] = [power(), power()];
    const lost = fillClipping(plain, 3000, COUNT);
    expect(
      fillClippingWithin(
        within,
        column(() => 0),
        3000,
        COUNT,
      ),
    ).toBeCloseTo(lost, 9);
    expect(within).toEqual(plain);
  });
});
