import { describe, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import { fillKimber } from "../soiling";
import { degToRad } from "../units";
import { coverLossFrac, fillSnowCover, type SnowClimate, townsendPowers } from ".";

describe("snow", () => {
  it("slides as the vectors say", () => {
    interface In {
      stepHours: number;
      newSnowCm: number[];
      poaWm2: number[];
      airTempC: number[];
      tiltDeg: number;
      newSnowThresholdCm: number;
      initialCoverage: number;
      stringsAlongSlant: number;
    }
    for (const { id, input, expected } of referenceCases<In, { coverage: number[]; dcLossFraction: number[] }>(
      "snow-and-soiling",
      "marion",
    )) {
      const terms = {
        sinTilt: Math.sin(degToRad(input.tiltDeg)),
        stepHours: input.stepHours,
        coveringCm: input.newSnowThresholdCm,
        initialCover: input.initialCoverage,
      };
      const cover = fillSnowCover(input.newSnowCm, input.poaWm2, input.airTempC, terms, new Float64Array(input.newSnowCm.length));
      expected.coverage.forEach((share, i) => {
        expectNear(cover[i]!, share, { absolute: 1e-9 }, `${id} step ${i}`);
        expectNear(coverLossFrac(cover[i]!, input.stringsAlongSlant), expected.dcLossFraction[i]!, { absolute: 1e-9 }, `${id} loss ${i}`);
      });
    }
  });

  it("takes by month what the vectors say", () => {
    interface Out {
      effectiveSnowIn: number[];
      groundInterference: number[];
      lossFraction: number[];
    }
    for (const { id, input, expected } of referenceCases<SnowClimate, Out>("snow-and-soiling", "townsend-powers")) {
      const got = townsendPowers(input);
      for (const key of ["effectiveSnowIn", "groundInterference", "lossFraction"] as const) {
        expected[key].forEach((value, m) => {
          expectNear(got[key][m]!, value, { absolute: 1e-6 }, `${id} ${key} month ${m + 1}`);
        });
      }
    }
  });
});

describe("dirt", () => {
  it("builds up and is taken off as the vectors say", () => {
    interface In {
      rainMm: number[];
      ratePerDay: number;
      cleaningThresholdMm: number;
      graceDays: number;
      maxSoiling: number;
      initialSoiling: number;
      manualWashDays: number[];
    }
    for (const { id, input, expected } of referenceCases<In, { soilingFraction: number[] }>("snow-and-soiling", "kimber")) {
      const terms = {
        ratePerDayFrac: input.ratePerDay,
        cleaningRainMm: input.cleaningThresholdMm,
        graceDays: input.graceDays,
        maxFrac: input.maxSoiling,
      };
      const cleaned = input.rainMm.map((_, day) => (input.manualWashDays.includes(day) ? 1 : 0));
      const got = fillKimber(input.rainMm, cleaned, terms, input.initialSoiling, new Float64Array(input.rainMm.length));
      expected.soilingFraction.forEach((share, day) => {
        expectNear(got[day]!, share, { absolute: 1e-9 }, `${id} day ${day}`);
      });
    }
  });
});
