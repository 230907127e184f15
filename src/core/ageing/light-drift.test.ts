import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform } from "../statistics";
import { lightDrift, likelyDrift } from "./light-drift";

const TERMS = { draws: 200, seed: 3, breaks: [], calibrated: [] };
const clear = (perYear: number, every = 3, years = 4) => {
  const normal = normalFrom.bind(null, seededUniform(8));
  return Float64Array.from({ length: Math.round(365.25 * years) }, (_, d) =>
    d % every === 0 ? (perYear * d) / 365.2425 + 0.012 * normal() : Number.NaN,
  );
};

describe("a light sensor against the clear sky", () => {
  it("drifts by what clear days of unlike years part by, with the doubt that the sky leaves", () => {
    for (const perYear of [-0.01, 0, 0.008]) {
      const { perYearFrac, standardFrac } = lightDrift(clear(perYear), TERMS)!;
      expect(Math.abs(perYearFrac - perYear)).toBeLessThan(2 * standardFrac);
      expect(standardFrac).toBeGreaterThanOrEqual(0.002);
    }
  });

  it("is not told from few clear days", () => {
    expect(lightDrift(clear(0, 60), TERMS)).toBeNull();
  });
});

describe("what is taken for the drift", () => {
  const seen = (perYearFrac: number, standardFrac = 0.003) => ({ perYearFrac, standardFrac, pairs: 200 });
  const CLASS = 0.00375;

  it("is nothing, by the class alone, where the sky tells nothing", () => {
    expect(likelyDrift(null, CLASS)).toEqual({ perYearFrac: 0, standardFrac: CLASS });
  });

  it("hardly anything of a little, most of much; and never more than is seen", () => {
    const taken = (perYear: number) => likelyDrift(seen(perYear), CLASS).perYearFrac / perYear;
    expect(taken(0.002)).toBeLessThan(0.4);
    expect(taken(0.015)).toBeGreaterThan(0.75);
    expect(taken(0.015)).toBeLessThan(1);
    expect(likelyDrift(seen(-0.01), CLASS).perYearFrac).toBeCloseTo(-likelyDrift(seen(0.01), CLASS).perYearFrac, 12);
  });

  it("more where nobody looked after the sensor", () => {
    expect(likelyDrift(seen(0.006), CLASS, true).perYearFrac).toBeGreaterThan(likelyDrift(seen(0.006), CLASS).perYearFrac);
  });

  it("leaves less doubt than the class does where the sky tells well", () => {
    expect(likelyDrift(seen(0.001, 0.002), CLASS).standardFrac).toBeLessThan(CLASS);
  });
});
