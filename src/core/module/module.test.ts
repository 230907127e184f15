import { describe, expect, it } from "vitest";
import {
  ageingFactor,
  faiman,
  HEAT_LOSS,
  iamAt,
  iamTable,
  incidenceModifier,
  lowLightFactor,
  temperatureFactor,
  weakLight,
  weakLightTable,
} from ".";

describe("reflection", () => {
  it("is one at normal incidence and nothing from behind", () => {
    for (const model of ["martin-ruiz", "ashrae", "fresnel"] as const) {
      expect(incidenceModifier(model)(1)).toBeCloseTo(1, 12);
      expect(incidenceModifier(model)(-0.2)).toBe(0);
    }
  });

  it("is read from the table of the hot loop within 2e-5 of the law, weighed by the cosine as light on the plane is", () => {
    for (const model of ["martin-ruiz", "ashrae", "fresnel"] as const) {
      const law = incidenceModifier(model);
      const table = iamTable(law);
      for (let c = -0.1; c <= 1; c += 0.00037) {
        expect(Math.abs(iamAt(table, c) - law(c)) * Math.abs(c), `${model} at ${c}`).toBeLessThan(2e-5);
      }
    }
  });
});

describe("cell temperature", () => {
  it("rises with less air behind the module", () => {
    const at = (mounting: keyof typeof HEAT_LOSS) => faiman(800, 20, 1, HEAT_LOSS[mounting]);
    const warmer = [at("open-rack"), at("roof-gap"), at("roof-close"), at("building-integrated")].map((t, _, all) => t - all[0]!);
    expect(warmer.map(Math.round)).toEqual([0, 4, 9, 18]);
  });
});

describe("power and ageing", () => {
  it("under weak light is read from the table of the hot loop within 2e-6 of a sun", () => {
    for (let suns = 0; suns < 1.9; suns += 0.00137)
      expect(Math.abs(weakLight(weakLightTable(1 - lowLightFactor(200)), suns) - suns * lowLightFactor(1000 * suns))).toBeLessThan(2e-6);
  });

  it("loses at 200 W/m2 what the table was made for, and nothing at standard conditions", () => {
    for (const loss of [0, 0.03, 0.077]) {
      const table = weakLightTable(loss);
      expect(weakLight(table, 0.2) / 0.2).toBeCloseTo(1 - loss, 4);
      expect(weakLight(table, 1)).toBeCloseTo(1, 6);
    }
    expect(weakLightTable(0.03)).toBe(weakLightTable(0.03));
  });

  it("is the nameplate's at standard test conditions, by both parts", () => {
    expect([lowLightFactor(1000), temperatureFactor(25, -0.004)]).toEqual([1, 1]);
  });

  it("loses the first-year step within the first year and the rate after it", () => {
    const rate = { firstYearFrac: 0.02, perYearFrac: 0.005 };
    expect([-1, 0, 0.5, 1, 11].map((t) => ageingFactor(t, rate))).toEqual([1, 1, 0.99, 0.98, 0.98 - 0.05]);
  });
});
