import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { efficiencyAt, usualCurve } from "../inverter";
import { diodeTable, tableHeat, tableLowLight } from "../module";
import { circuitOf } from "../site";
import { ASSUMED_EFFICIENCY_FRAC, curveOf, inverterGroups, ratedDcW } from "./inverter-groups";
import { diodeTableOf, fillDiodeHeat, fillDiodeLowLight, lowLightLossFrac, USUAL_LOW_LIGHT_LOSS } from "./module-power";
import { planeTerms } from "./plane-energy";

const array = { id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180 };
const plant = site();

describe("inverters and their arrays", () => {
  const two = site({
    arrays: [array, { ...array, id: "b", count: 10 }, { ...array, id: "c", count: 5 }],
    inverters: [
      { id: "i", arrays: ["a"], acRatedW: 6000, ratedEfficiencyFrac: 0.97 },
      { id: "each", arrays: ["b"], acRatedW: 350, ratedEfficiencyFrac: 0.95, perModule: true },
    ],
    meters: [{ id: "main", point: "ac", arrays: ["a", "b", "c"] }],
  });

  it("are groups, one at each module counts as many, and what hangs on none never clips", () => {
    expect(
      inverterGroups(two).map(({ arrays, devices, acRatedW, efficiencyFrac }) => [
        arrays.map(({ id }) => id).join(),
        devices,
        acRatedW,
        efficiencyFrac,
      ]),
    ).toEqual([
      ["a", 1, 6000, 0.97],
      ["b", 10, 3500, 0.95],
      ["c", 1, Number.POSITIVE_INFINITY, ASSUMED_EFFICIENCY_FRAC],
    ]);
  });

  it("one without arrays is none", () => {
    const idle = { ...plant, inverters: [...plant.inverters, { ...plant.inverters[0]!, id: "spare", arrays: [] }] };
    expect(inverterGroups(idle)).toHaveLength(1);
  });

  it("their DC rating is the AC rating over the efficiency, else the nameplate", () => {
    const [own, , orphan] = inverterGroups(two);
    expect(ratedDcW(two, own!)).toBeCloseTo(6000 / 0.97, 9);
    expect(ratedDcW(two, orphan!)).toBe(2000);
  });

  it("their curve is what was measured, else the usual one", () => {
    const [own] = inverterGroups(two);
    expect(curveOf(own!)).toEqual(usualCurve(0.97));
    const measured = [{ loadFrac: 0.5, efficiencyFrac: 0.9 }];
    expect(curveOf({ ...own!, inverter: { ...own!.inverter!, efficiencyCurve: measured } })).toBe(measured);
  });
});

describe("what of a site does not depend on its plane", () => {
  const losses = {
    ...plant.losses,
    mismatchFrac: 0.02,
    dcWiringFrac: 0.01,
    acWiringFrac: 0.03,
    transformerFrac: 0.04,
    availabilityFrac: 0.05,
    soilingFrac: 0.06,
  };

  it("keeps what each loss leaves, before the inverter and after", () => {
    const terms = planeTerms({ ...plant, losses });
    expect(terms.dcRetainedFrac).toBeCloseTo(0.98 * 0.99, 12);
    expect(terms.acRetainedFrac).toBeCloseTo(0.97 * 0.96 * 0.95, 12);
    expect(terms.soilingRetainedFrac).toBeCloseTo(0.94, 12);
    expect(
      planeTerms({ ...plant, losses: { ...losses, soilingMonthlyFrac: [0.1, 0, 0.1, 0, 0.1, 0, 0.1, 0, 0.1, 0, 0.1, 0] } })
        .soilingRetainedFrac,
    ).toBeCloseTo(0.95, 12);
    expect(terms).toMatchObject({ ratedW: 8000, acRatedW: 6000, gammaPmpPerK: -0.0035 });
  });

  it("has the inverters' mean efficiency, constant or by load", () => {
    const constant = planeTerms({ ...plant, models: { ...plant.models, inverter: "constant" } });
    expect(constant.curve[500]).toBeCloseTo(0.97, 12);
    expect(constant.curve[100]).toBeCloseTo(0.97, 12);
    expect(constant.curvePerW).toBeCloseTo(1000 / (6000 / 0.97), 9);
    const byLoad = planeTerms({ ...plant, models: { ...plant.models, inverter: "part-load" } });
    expect(byLoad.curve[100]).toBeCloseTo(efficiencyAt(usualCurve(0.97), 0.1), 9);
    const both = planeTerms({
      ...plant,
      models: { ...plant.models, inverter: "constant" },
      inverters: [plant.inverters[0]!, { ...plant.inverters[0]!, id: "j", ratedEfficiencyFrac: 0.95 }],
    });
    expect(both.curve[500]).toBeCloseTo(0.96, 12);
  });

  it("without an inverter never clips", () => {
    const terms = planeTerms({ ...plant, inverters: [], models: { ...plant.models, inverter: "part-load" } });
    expect(terms.acRatedW).toBe(Number.POSITIVE_INFINITY);
    expect(terms.curve[100]).toBeCloseTo(0.96, 12);
    expect(terms.curvePerW).toBeCloseTo(1000 / 8000, 12);
  });
});

describe("power by the single diode", () => {
  const sheet = {
    pmpW: 400,
    gammaPmpPerK: -0.0035,
    vocV: 49,
    vmpV: 41,
    iscA: 10.4,
    impA: 9.76,
    cellsInSeries: 72,
    betaVocPerK: -0.0027,
    alphaIscPerK: 0.0005,
  };
  const { modules } = site({ modules: { m: sheet } });
  const module = modules.m!;

  it("is remembered by the datasheet, and none where the sheet is too thin", () => {
    expect(diodeTableOf(module)).toBe(diodeTableOf({ ...module }));
    expect(diodeTableOf({ ...module, iscA: 10.5 })).not.toBe(diodeTableOf(module));
    for (const field of ["vocV", "iscA", "vmpV", "impA", "cellsInSeries"] as const)
      expect(diodeTableOf({ ...module, [field]: null })).toBeNull();
  });

  it("weak light and heat take what the table says, and the light is noted", () => {
    const table = diodeTable(circuitOf(module)!);
    const power = Float64Array.of(0, 80, 400, 200);
    const light = new Float64Array(4);
    const lost = fillDiodeLowLight(power, 400, table, 3, light);
    expect([...light]).toEqual([0, 200, 1000, 0]);
    expect(power[1]).toBeCloseTo(80 * tableLowLight(table, 200), 9);
    expect(power[2]).toBeCloseTo(400 * tableLowLight(table, 1000), 9);
    expect(power[3]).toBe(200);
    expect(lost).toBeCloseTo(480 - power[1]! - power[2]!, 9);
    const before = power.slice();
    const heat = fillDiodeHeat(power, light, Float64Array.of(25, 10, 60, 60), table, 3);
    expect(power[1]).toBeCloseTo(before[1]! * tableHeat(table, 200, 10), 9);
    expect(power[2]).toBeCloseTo(before[2]! * tableHeat(table, 1000, 60), 9);
    expect(power[3]).toBe(200);
    expect(heat).toBeCloseTo(before[1]! + before[2]! - power[1]! - power[2]!, 9);
    expect(power[2]! / before[2]!).toBeLessThan(0.9);
  });
});

describe("what a module loses under weak light", () => {
  const bare = site().modules.m!;
  const sheet = { vocV: 49.1, iscA: 10.3, vmpV: 41, impA: 9.76, cellsInSeries: 72 };

  it("is its datasheet's, else that of its circuit, else a usual share", () => {
    expect(lowLightLossFrac({ ...bare, ...sheet, lowLightLossFrac: 0.024 })).toBe(0.024);
    const circuit = lowLightLossFrac({ ...bare, ...sheet });
    expect(circuit).toBeCloseTo(1 - tableLowLight(diodeTableOf({ ...bare, ...sheet })!, 200), 12);
    expect(lowLightLossFrac(bare)).toBe(USUAL_LOW_LIGHT_LOSS);
  });
});
