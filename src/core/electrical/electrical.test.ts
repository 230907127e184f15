import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fitDatasheet } from "../module";
import {
  cableLoss,
  groupsOf,
  groupVoltageV,
  mixedPoint,
  type StringModule,
  stringCurrentA,
  stringCurve,
  stringLimits,
  stringVoltageV,
} from ".";
import { highestPeak } from "./peaks";

const reference = fitDatasheet({
  iscA: 10.3,
  vocV: 49.1,
  impA: 9.76,
  vmpV: 41,
  alphaIscPerK: 0.0005,
  betaVocPerK: -0.0028,
  cellsInSeries: 72,
})!;
const module = (light: number | readonly number[] = 1000, cellTempC = 25): StringModule => ({
  reference,
  cellTempC,
  groupIrradianceWm2: typeof light === "number" ? [light, light, light] : light,
});
const string = (count: number, light?: number | readonly number[]) => ({ modules: Array.from({ length: count }, () => module(light)) });
const array = (strings: { modules: StringModule[] }[], blockingDiodes = true) => mixedPoint({ strings, bypassDropV: 0.5, blockingDiodes });

describe("modules in series", () => {
  it("of one kind add up, and lose nothing", () => {
    const [one, ten] = [array([string(1)]), array([string(10)])];
    expect(one.pmpW).toBeCloseTo(41 * 9.76, 2);
    expect(ten.pmpW).toBeCloseTo(10 * one.pmpW, 4);
    expect(ten.mismatchLossFrac).toBeCloseTo(0, 6);
  });

  it("with one in shade lose about that one where its bypass diodes conduct, far less than the rule of thumb says", () => {
    const shaded = array([{ modules: [...string(9).modules, module(200)] }]);
    const full = array([string(9)]).pmpW;
    expect(shaded.pmpW).toBeGreaterThan(0.985 * full);
    expect(shaded.pmpW).toBeLessThan(full);
    expect(shaded.rule.pmpW).toBeLessThan(0.4 * full);
  });

  it("lose a third of a module when one of its three groups is dark", () => {
    const dark = array([{ modules: [module([1000, 1000, 0])] }]);
    const whole = array([string(1)]);
    expect(dark.pmpW / whole.pmpW).toBeCloseTo(2 / 3, 1);
  });

  it("have a voltage that falls with the current, whatever the light", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 1100 }), { minLength: 3, maxLength: 3 }), (light) => {
        const curve = stringCurve([module(light), module()], 0.5);
        let before = Number.POSITIVE_INFINITY;
        for (let current = 0; current < 11; current += 0.4) {
          const voltage = stringVoltageV(curve, current);
          expect(voltage).toBeLessThanOrEqual(before + 1e-9);
          before = voltage;
        }
      }),
      { numRuns: 40 },
    );
  });

  it("give a current at a voltage and that voltage at the current", () => {
    const curve = stringCurve(string(6).modules, 0.5);
    for (const voltage of [10, 120, 246, 280]) expect(stringVoltageV(curve, stringCurrentA(curve, voltage))).toBeCloseTo(voltage, 6);
  });
});

describe("strings side by side", () => {
  it("of one kind add their currents", () => {
    const [one, two] = [array([string(8)]), array([string(8), string(8)])];
    expect(two.pmpW).toBeCloseTo(2 * one.pmpW, 3);
    expect(two.iscA).toBeCloseTo(2 * one.iscA, 4);
  });

  it("of unlike length hold each other back, without blocking diodes never less", () => {
    const blocked = array([string(10), string(8)]);
    const open = array([string(10), string(8)], false);
    expect(blocked.mismatchLossFrac).toBeGreaterThan(0.02);
    expect(open.pmpW).toBeLessThanOrEqual(blocked.pmpW + 1e-6);
    expect(open.vocV).toBeLessThan(blocked.vocV);
  });

  it("let a dark string drop out behind its diode", () => {
    const withDark = array([string(6), string(6, 0)]);
    expect(withDark.pmpW).toBeCloseTo(array([string(6)]).pmpW, 3);
  });
});

describe("a group of cells", () => {
  it("is held by its bypass diode in reverse, and gives its open voltage at no current", () => {
    const [group] = groupsOf(module(300), 0.5);
    expect(groupVoltageV(group!, 9)).toBe(-0.5);
    expect(groupVoltageV(group!, 0)).toBeGreaterThan(14);
  });

  it("in the dark carries nothing", () => {
    const [group] = groupsOf(module(0), 0.5);
    expect(groupVoltageV(group!, 0.1)).toBe(-0.5);
  });
});

it("the highest of several peaks is found, not the first", () => {
  const twoPeaks = (x: number) => 3 * Math.exp(-((x - 2) ** 2)) + 4 * Math.exp(-((x - 7) ** 2) * 4);
  expect(highestPeak(twoPeaks, 0, 10).at).toBeCloseTo(7, 3);
  expect(highestPeak(() => 0, 3, 3)).toEqual({ at: 3, value: 0 });
});

describe("cables and string limits", () => {
  const cable = { oneWayLengthM: 30, areaMm2: 4, conductorTempC: 20, currentA: 10, voltageV: 400 };

  it("lose with the square of the current, and half with twice the copper", () => {
    const base = cableLoss(cable);
    expect(cableLoss({ ...cable, currentA: 20 }).lossW).toBeCloseTo(4 * base.lossW, 9);
    expect(cableLoss({ ...cable, areaMm2: 8 }).lossW).toBeCloseTo(base.lossW / 2, 9);
    expect(cableLoss({ ...cable, conductorTempC: 70 }).dropV).toBeGreaterThan(1.19 * base.dropV);
  });

  it("fit fewer modules the colder it gets, and need more the hotter", () => {
    const limits = (recordLowCellTempC: number, hotCellTempC: number) =>
      stringLimits({
        modulesInSeries: 18,
        vocStcV: 49.1,
        vmpStcV: 41,
        betaVocPerK: -0.0028,
        vmpCoeffPerK: -0.0036,
        recordLowCellTempC,
        hotCellTempC,
        maxSystemV: 1000,
        mpptMinV: 500,
      });
    expect(limits(-30, 60).maxModules).toBeLessThan(limits(5, 60).maxModules);
    expect(limits(-10, 75).minModules).toBeGreaterThanOrEqual(limits(-10, 45).minModules);
    expect(limits(25, 25)).toMatchObject({ stringVocColdV: 18 * 49.1, stringVmpHotV: 18 * 41 });
  });
});
