import { describe, expect, it } from "vitest";
import { guaranteedFrac, type ModuleLevel, moduleLevel, rateVerdict, readAgeing, warrantyVerdict } from ".";

const warranty = { firstYearFrac: 0.02, perYearFrac: 0.005 };

/** A plant that starts at a level and fades, without scatter: every day tells. */
function reading(years: number, { start = 1, perYear = 0.005 } = {}) {
  const count = Math.round(years * 365.2425);
  const cleanLog = Float64Array.from({ length: count }, (_, d) => Math.log(start * (1 - (perYear * d) / 365.2425)));
  const weight = new Float64Array(count).fill(1);
  const dirtFrac = new Float64Array(count);
  const days = Array.from({ length: count }, (_, d) => new Date(Date.UTC(2019, 0, 1 + d)).toISOString().slice(0, 10));
  const input = {
    days,
    cleanLog,
    rawLog: cleanLog,
    causesOutLog: cleanLog,
    weight,
    dirtFrac,
    months: [],
    ageAtStartYears: 0,
    light: { clearLog: null, stabilityPerYearFrac: 0, calibratedDays: [] },
    dirtOffsets: [],
    draws: 40,
    seed: 1,
  };
  return { reading: readAgeing(input), cleanLog, ageAtStartYears: 0 };
}
const levelOf = (years: number, parts = {}, standardFrac = 0.01): ModuleLevel => moduleLevel({ ...reading(years, parts), standardFrac })!;

describe("what is guaranteed", () => {
  it("is the first year's share, then a line", () => {
    expect([0, 0.5, 1, 11].map((age) => guaranteedFrac(warranty, age))).toEqual([0.98, 0.98, 0.98, 0.98 - 0.05]);
  });
});

describe("a warranty by steps", () => {
  const steps = {
    ...warranty,
    steps: [
      { untilYears: 10, frac: 0.9 },
      { untilYears: 25, frac: 0.8 },
    ],
    toleranceFrac: 0,
  };

  it("guarantees a level until an age, and the last one's beyond", () => {
    expect([0, 10, 10.1, 25, 26].map((age) => guaranteedFrac(steps, age))).toEqual([0.9, 0.9, 0.8, 0.8, 0.8]);
  });

  it("guarantees no rate, and its tolerance comes off the rating", () => {
    const { reading: own } = reading(5);
    expect(rateVerdict(own, steps)).toBeNull();
    expect(rateVerdict(own, { ...steps, steps: [] })).not.toBeNull();
    expect(guaranteedFrac({ ...steps, toleranceFrac: 0.03 }, 5)).toBeCloseTo(0.9 * 0.97, 12);
    expect(guaranteedFrac({ ...warranty, toleranceFrac: 0.03 }, 1)).toBeCloseTo(0.98 * 0.97, 12);
  });
});

describe("the level of the modules", () => {
  it("is that of the record's end, carried along the slope", () => {
    const { frac, ageYears } = levelOf(5, { start: 0.97, perYear: 0.006 });
    expect(frac).toBeCloseTo(0.97 * (1 - 0.03), 3);
    expect(ageYears).toBeCloseTo(5, 1);
  });

  it("is no surer than light and meter are, however quiet the days", () => {
    const { frac, low, high } = levelOf(5, {}, 0.027);
    expect((high - low) / 2).toBeGreaterThanOrEqual(1.96 * 0.027 * frac);
  });

  it("is not carried up a slope that rises: modules don't grow better", () => {
    const { frac } = levelOf(4, { start: 0.9, perYear: -0.02 });
    // The middle of the record, not its end.
    expect(frac).toBeCloseTo(0.9 * 1.04, 2);
  });

  it("has no age where nobody knows since when the plant stands", () => {
    expect(moduleLevel({ ...reading(2), ageAtStartYears: null, standardFrac: 0.01 })!.ageYears).toBeNull();
  });

  it("is not told of less than a month", () => {
    expect(moduleLevel({ ...reading(29 / 365.2425), standardFrac: 0.01 })).toBeNull();
    expect(moduleLevel({ ...reading(30 / 365.2425), standardFrac: 0.01 })).not.toBeNull();
  });
});

describe("a warranty of a level", () => {
  it("is not kept by a plant that fell short at once and ages slowly", () => {
    const short = levelOf(0.6, { start: 0.94, perYear: 0 });
    expect(short.frac).toBeCloseTo(0.94, 3);
    expect(warrantyVerdict(short, warranty)).toBe("below");
    // With an ordinary light sensor the same fall is no proof, and still not a level that was kept.
    expect(warrantyVerdict(levelOf(0.6, { start: 0.94, perYear: 0 }, 0.027), warranty)).toBe("undecided");
  });

  it("is judged by the whole interval, on both sides", () => {
    const level = { ageYears: 3, frac: 0.96, low: 0.94, high: 0.98 };
    const guarantees = (frac: number) => ({ firstYearFrac: 1 - frac, perYearFrac: 0 });
    expect(warrantyVerdict(level, guarantees(0.9401))).toBe("undecided");
    expect(warrantyVerdict(level, guarantees(0.9399))).toBe("within");
    expect(warrantyVerdict(level, guarantees(0.9801))).toBe("below");
    expect(warrantyVerdict(level, guarantees(0.9799))).toBe("undecided");
    expect(warrantyVerdict(level, null)).toBe("no-warranty");
    expect(warrantyVerdict(null, warranty)).toBe("too-soon");
    expect(warrantyVerdict({ ...level, ageYears: null }, warranty)).toBe("age-unknown");
  });
});
