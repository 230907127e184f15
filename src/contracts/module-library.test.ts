import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { stringCheck } from "@/core/electrical";
import { fitDatasheet, moduleDoubts } from "@/core/module";
import { libraryModule, moduleLibrary } from "./module-library";

describe("module library", () => {
  it.each(moduleLibrary.map(({ name, fields }) => [name, fields] as const))("%s is a possible datasheet", (_, fields) => {
    expect(moduleDoubts(fields)).toEqual([]);
    const { vocV, iscA, vmpV, impA, cellsInSeries, betaVocPerK, alphaIscPerK } = fields;
    expect(
      fitDatasheet({ vocV: vocV!, iscA: iscA!, vmpV: vmpV!, impA: impA!, cellsInSeries: cellsInSeries!, betaVocPerK, alphaIscPerK }),
    ).not.toBeNull();
  });

  it.each([
    ["fillFactor", { vocV: 60, iscA: 14 }],
    ["efficiency", { areaM2: 1 }],
    ["vocPerCell", { cellsInSeries: 36 }],
    ["gammaPmp", { gammaPmpPerK: -0.008 }],
    ["alphaIsc", { alphaIscPerK: 0.004 }],
    ["noct", { noctC: 70 }],
  ] as const)("doubts %s outside the usual", (quantity, change) => {
    const doubts = moduleDoubts({ ...moduleLibrary[0]!.fields, ...change });
    expect(doubts.map((doubt) => doubt.quantity)).toContain(quantity);
  });
});

it("a module is found by its name, and one that is not there is named", () => {
  expect(libraryModule("Ambry 400").pmpW).toBe(400);
  expect(() => libraryModule("Sunbeam 9000")).toThrow(/no module Sunbeam 9000/);
});

describe("strings on their inverter", () => {
  const stood = (modulesPerString: number, inverter: object = {}) =>
    site({
      place: { latitudeDeg: 40, longitudeDeg: 0, timeZone: "UTC", recordLowC: -20, recordHighC: 40 },
      modules: { m: moduleLibrary[0]!.fields },
      arrays: [{ id: "a", module: "m", count: 2 * modulesPerString, modulesPerString, tiltDeg: 30, azimuthDeg: 180 }],
      inverters: [
        { id: "i", arrays: ["a"], acRatedW: 6000, maxDcV: 1000, mpptMinV: 400, mpptMaxV: 850, inputMaxA: 15, inputs: 2, ...inverter },
      ],
    });
  const check = (n: number, inverter?: object) => {
    const s = stood(n, inverter);
    return stringCheck(s.place, s.arrays[0]!, s.modules.m!, s.inverters[0]!);
  };

  it("a usual string keeps all limits; too long fails in the cold, too short in the heat", () => {
    expect([check(15).coldVoc, check(15).hotVmp, check(15).current].map((limit) => limit.holds)).toEqual([true, true, true]);
    expect(check(20).coldVoc.holds).toBe(false);
    expect(check(10).hotVmp.holds).toBe(false);
    const range = check(15).range!;
    expect(check(range.most).coldVoc.holds).toBe(true);
    expect(check(range.most + 1).coldVoc.holds).toBe(false);
    expect(check(range.least).hotVmp.holds).toBe(true);
    expect(check(range.least - 1).hotVmp.holds).toBe(false);
  });

  it("two strings on one input carry twice the current", () => {
    expect(check(15, { inputs: 1 }).current.value! / check(15).current.value!).toBeCloseTo(2, 9);
    expect(check(15, { inputs: 1 }).current.holds).toBe(false);
  });

  it("says nothing of limits that the book does not know", () => {
    expect(check(15, { maxDcV: null }).coldVoc.holds).toBeNull();
    expect(check(15, { maxDcV: null }).range).toBeNull();
  });
});
