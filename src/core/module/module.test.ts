import { describe, expect, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import { degToRad } from "../units";
import {
  ageingFactor,
  ashrae,
  diffuseModifier,
  faiman,
  fresnel,
  HEAT_LOSS,
  type HuldCoefficients,
  huldEfficiency,
  iamAt,
  iamTable,
  incidenceModifier,
  kingCell,
  kingModule,
  lowLightFactor,
  martinRuiz,
  ross,
  temperatureFactor,
} from ".";

interface Coefficients {
  b0: number;
  ar: number;
  refractiveIndex: number;
  glazingPerM: number;
  glassThicknessM: number;
}
type AngleIn = Coefficients & { thetaDeg: number };
type TiltIn = Coefficients & { tiltDeg: number };
const glassOf = ({ refractiveIndex, glazingPerM, glassThicknessM }: Coefficients) => ({
  refractiveIndex,
  glazingPerM,
  thicknessM: glassThicknessM,
});

describe("reflection", () => {
  it("agrees with the vectors at single angles", () => {
    type Out = { ashrae: number; martinRuiz: number; physical: number };
    for (const { id, input, expected } of referenceCases<AngleIn, Out>("incidence-angle-modifier", "angle")) {
      const cosIncidence = input.thetaDeg >= 90 ? 0 : Math.cos(degToRad(input.thetaDeg));
      expectNear(ashrae(cosIncidence, input.b0), expected.ashrae, { absolute: 1e-6 }, `${id} ASHRAE`);
      expectNear(martinRuiz(cosIncidence, input.ar), expected.martinRuiz, { absolute: 1e-6 }, `${id} Martin & Ruiz`);
      expectNear(fresnel(cosIncidence, glassOf(input)), expected.physical, { absolute: 1e-6 }, `${id} Fresnel`);
    }
  });

  it("agrees with the vectors for diffuse light", () => {
    type Out = Record<`${"ashrae" | "martinRuiz" | "physical"}${"Sky" | "Ground"}`, number | null>;
    for (const { id, input, expected } of referenceCases<TiltIn, Out>("incidence-angle-modifier", "diffuse")) {
      const near = { absolute: 1e-4 };
      const byAshrae = (c: number) => ashrae(c, input.b0);
      const byMartinRuiz = (c: number) => martinRuiz(c, input.ar);
      expectNear(diffuseModifier(byAshrae, input.tiltDeg, "sky"), expected.ashraeSky, near, `${id} ASHRAE sky`);
      expectNear(diffuseModifier(byAshrae, input.tiltDeg, "ground"), expected.ashraeGround, near, `${id} ASHRAE ground`);
      expectNear(diffuseModifier(byMartinRuiz, input.tiltDeg, "sky"), expected.martinRuizSky, near, `${id} Martin & Ruiz sky`);
      expectNear(diffuseModifier(byMartinRuiz, input.tiltDeg, "ground"), expected.martinRuizGround, near, `${id} Martin & Ruiz ground`);
      const byFresnel = (c: number) => fresnel(c, glassOf(input));
      expectNear(diffuseModifier(byFresnel, input.tiltDeg, "sky"), expected.physicalSky, near, `${id} Fresnel sky`);
      expectNear(diffuseModifier(byFresnel, input.tiltDeg, "ground"), expected.physicalGround, near, `${id} Fresnel ground`);
    }
  });

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
  it("agrees with the vectors", () => {
    interface In {
      poaWm2: number;
      airTempC: number;
      windSpeedMs: number;
      u0: number;
      u1: number;
      noctC: number;
      kingA: number;
      kingB: number;
      kingDeltaTK: number;
    }
    type Out = { faimanModuleC: number; rossCellC: number; kingModuleC: number; kingCellC: number };
    for (const { id, input, expected } of referenceCases<In, Out>("cell-temperature")) {
      const { poaWm2, airTempC, windSpeedMs } = input;
      const near = { absolute: 1e-6 };
      expectNear(faiman(poaWm2, airTempC, windSpeedMs, input), expected.faimanModuleC, near, `${id} Faiman`);
      expectNear(ross(poaWm2, airTempC, input.noctC), expected.rossCellC, near, `${id} Ross`);
      const mount = { a: input.kingA, b: input.kingB, deltaTK: input.kingDeltaTK };
      expectNear(kingModule(poaWm2, airTempC, windSpeedMs, mount), expected.kingModuleC, near, `${id} King module`);
      expectNear(kingCell(poaWm2, airTempC, windSpeedMs, mount), expected.kingCellC, near, `${id} King cell`);
    }
  });

  it("rises with less air behind the module", () => {
    const at = (mounting: keyof typeof HEAT_LOSS) => faiman(800, 20, 1, HEAT_LOSS[mounting]);
    const warmer = [at("open-rack"), at("roof-gap"), at("roof-close"), at("building-integrated")].map((t, _, all) => t - all[0]!);
    expect(warmer.map(Math.round)).toEqual([0, 4, 9, 18]);
  });
});

describe("power and ageing", () => {
  it("follows the linear temperature model of the vectors", () => {
    interface In {
      irradianceWm2: number;
      cellTempC: number;
      pmpStcW: number;
      gammaPctPerK: number;
    }
    for (const { id, input, expected } of referenceCases<In, { linearPowerW: number }>("single-diode", "dc-power")) {
      const got = (input.pmpStcW * input.irradianceWm2 * temperatureFactor(input.cellTempC, input.gammaPctPerK / 100)) / 1000;
      expectNear(got, expected.linearPowerW, { relative: 1e-6, absolute: 1e-9 }, id);
    }
  });

  it("follows the relative efficiency of the vectors", () => {
    interface In {
      irradianceWm2: number;
      cellTempC: number;
      huldK: HuldCoefficients;
    }
    for (const { id, input, expected } of referenceCases<In, { huldRelativeEfficiency: number }>("single-diode", "dc-power")) {
      expectNear(
        huldEfficiency(input.irradianceWm2, input.cellTempC, input.huldK),
        expected.huldRelativeEfficiency,
        { relative: 1e-6 },
        id,
      );
    }
    expect(lowLightFactor(1000)).toBe(1);
  });

  it("loses the first-year step within the first year and the rate after it", () => {
    const rate = { firstYearFrac: 0.02, perYearFrac: 0.005 };
    expect([-1, 0, 0.5, 1, 11].map((t) => ageingFactor(t, rate))).toEqual([1, 1, 0.99, 0.98, 0.98 - 0.05]);
  });
});
