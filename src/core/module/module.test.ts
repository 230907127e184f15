import { describe, expect, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import { degToRad } from "../units";
import {
  ageingFactor,
  ashrae,
  diffuseModifier,
  faiman,
  HEAT_LOSS,
  type HuldCoefficients,
  huldEfficiency,
  incidenceModifier,
  lowLightFactor,
  martinRuiz,
  temperatureFactor,
} from ".";

interface AngleIn {
  thetaDeg: number;
  b0: number;
  ar: number;
}
interface TiltIn {
  tiltDeg: number;
  b0: number;
  ar: number;
}

describe("reflection", () => {
  it("agrees with the vectors at single angles", () => {
    for (const { id, input, expected } of referenceCases<AngleIn, { ashrae: number; martinRuiz: number }>(
      "incidence-angle-modifier",
      "angle",
    )) {
      const cosIncidence = input.thetaDeg >= 90 ? 0 : Math.cos(degToRad(input.thetaDeg));
      expectNear(ashrae(cosIncidence, input.b0), expected.ashrae, { absolute: 1e-6 }, `${id} ASHRAE`);
      expectNear(martinRuiz(cosIncidence, input.ar), expected.martinRuiz, { absolute: 1e-6 }, `${id} Martin & Ruiz`);
    }
  });

  it("agrees with the vectors for diffuse light", () => {
    type Out = Record<"ashraeSky" | "ashraeGround" | "martinRuizSky" | "martinRuizGround", number | null>;
    for (const { id, input, expected } of referenceCases<TiltIn, Out>("incidence-angle-modifier", "diffuse")) {
      const near = { absolute: 1e-4 };
      const byAshrae = (c: number) => ashrae(c, input.b0);
      const byMartinRuiz = (c: number) => martinRuiz(c, input.ar);
      expectNear(diffuseModifier(byAshrae, input.tiltDeg, "sky"), expected.ashraeSky, near, `${id} ASHRAE sky`);
      expectNear(diffuseModifier(byAshrae, input.tiltDeg, "ground"), expected.ashraeGround, near, `${id} ASHRAE ground`);
      expectNear(diffuseModifier(byMartinRuiz, input.tiltDeg, "sky"), expected.martinRuizSky, near, `${id} Martin & Ruiz sky`);
      expectNear(diffuseModifier(byMartinRuiz, input.tiltDeg, "ground"), expected.martinRuizGround, near, `${id} Martin & Ruiz ground`);
    }
  });

  it("is one at normal incidence and nothing from behind", () => {
    for (const model of ["martin-ruiz", "ashrae"] as const) {
      expect(incidenceModifier(model)(1)).toBeCloseTo(1, 12);
      expect(incidenceModifier(model)(-0.2)).toBe(0);
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
    }
    for (const { id, input, expected } of referenceCases<In, { faimanModuleC: number }>("cell-temperature")) {
      expectNear(faiman(input.poaWm2, input.airTempC, input.windSpeedMs, input), expected.faimanModuleC, { absolute: 1e-6 }, id);
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
