import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { keptInverters } from "./kept-inverters";

const sheet = {
  pmpW: 400,
  gammaPmpPerK: -0.0035,
  vocV: 49,
  iscA: 10.3,
  vmpV: 41,
  impA: 9.76,
  betaVocPerK: -0.0028,
  alphaIscPerK: 0.0005,
  maxSystemV: 1000,
};
const book = (count = 10, module: object = {}, inverter: object = {}) =>
  site({
    place: { latitudeDeg: 40, longitudeDeg: 0, elevationM: 100, timeZone: "Europe/Madrid", recordLowC: -10 },
    modules: { m: { ...sheet, ...module } },
    arrays: [{ id: "a", module: "m", count, tiltDeg: 30, azimuthDeg: 180 }],
    inverters: [
      {
        ...{ id: "i", arrays: ["a"], acRatedW: 4000, ratedEfficiencyFrac: 0.97 },
        ...{ maxDcV: 600, mpptMinV: 120, mpptMaxV: 560, inputMaxA: 20, inputs: 1 },
        ...inverter,
      },
    ],
  });

describe("an inverter that stays under other modules", () => {
  it("is named with what stood before it and what does now", () => {
    expect(keptInverters(book(), book(11))).toMatchObject([{ id: "i", acRatedW: 4000, dcBeforeW: 4000, dcNowW: 4400 }]);
    expect(keptInverters(book(), book(10, { pmpW: 450, vmpV: 46 }))).toMatchObject([{ dcNowW: 4500 }]);
  });

  it("isn't named where nothing before it changed, nor where it was changed as well", () => {
    expect(keptInverters(book(), book())).toEqual([]);
    expect(keptInverters(book(), book(12, {}, { acRatedW: 5000 }))).toEqual([]);
  });

  it("bears one module more, not two: eleven of 49 V stay below 600 V at ten below nothing, twelve do not", () => {
    expect(keptInverters(book(), book(11))[0]!.holds).toBe(true);
    expect(keptInverters(book(), book(12))[0]!.holds).toBe(false);
  });

  it("isn't known to bear what it has no limits for", () => {
    const open = { maxDcV: undefined };
    expect(keptInverters(book(10, {}, open), book(11, {}, open))[0]!.holds).toBeNull();
  });

  it("of one a module grows with their number", () => {
    const each = { perModule: true, acRatedW: 380 };
    expect(keptInverters(book(10, {}, each), book(12, {}, each))).toMatchObject([{ acRatedW: 12 * 380, dcNowW: 4800 }]);
  });
});
