import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform } from "../statistics";
import { fanOfRates, type YearOnYear } from ".";

const uniform = seededUniform(7);
const slopeLog = -0.006;
const draws = Float64Array.from({ length: 4000 }, () => slopeLog + 0.001 * normalFrom(uniform)).sort();
const yearOnYear: YearOnYear = { slopeLog, low: draws[100]!, high: draws[3900]!, pairs: [], draws };
const fan = (terms: { halfLightFrac: number; halfScatterFrac: number }) => fanOfRates({ yearOnYear, perYearFrac: -slopeLog, ...terms });
const half = (rates: number[]): number => (rates.at(-1)! - rates[0]!) / 2;

describe("the fan of ageing rates", () => {
  it("rises, has the rate in its middle and the whole doubt at its ends", () => {
    const rates = fan({ halfLightFrac: 0.004, halfScatterFrac: 0.00196 });
    expect(rates).toEqual([...rates].sort((a, b) => a - b));
    expect(rates[19]).toBeCloseTo(0.006, 6);
    expect(half(rates)).toBeCloseTo(Math.hypot(0.004, 0.00196), 3);
  });

  it("is as wide as the scatter that is claimed, never narrower than what was drawn", () => {
    expect(half(fan({ halfLightFrac: 0, halfScatterFrac: 0.004 }))).toBeCloseTo(0.004, 3);
    expect(half(fan({ halfLightFrac: 0, halfScatterFrac: 0.0001 }))).toBeCloseTo(0.00196, 3);
  });

  it("is empty where no two days are a year apart", () => {
    const none = { ...yearOnYear, slopeLog: Number.NaN, draws: new Float64Array(0) };
    expect(fanOfRates({ yearOnYear: none, perYearFrac: Number.NaN, halfLightFrac: 0.002, halfScatterFrac: Number.NaN })).toEqual([]);
  });
});
