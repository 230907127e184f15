import { near } from "@test/near";
import { plainPayback } from "@test/payback-builder";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { payback } from "../money";
import type { ModuleType } from "../site";
import { circuitsOf, costPerKwh, modulePlan, siteWithModule, stringsNow } from ".";

const plant = site({
  modules: {
    m: {
      pmpW: 400,
      gammaPmpPerK: -0.0035,
      areaM2: 1.9,
      vocV: 49,
      vmpV: 41,
      iscA: 10.4,
      impA: 9.76,
      cellsInSeries: 72,
      betaVocPerK: -0.0027,
      alphaIscPerK: 0.0005,
    },
    thin: { pmpW: 100, gammaPmpPerK: -0.003 },
  },
});
const module = plant.modules.m!;
const prices = { perModule: 100, electronicsPerModule: 40, rackingPerM2: 30, fixed: 500 };

describe("a module on a roof", () => {
  it("as many as bring a power, as fit an area, or just so many", () => {
    const count = (goal: Parameters<typeof modulePlan>[2]) => modulePlan("m", module, goal, prices).count;
    expect([
      count({ kind: "power", kwp: 4 }),
      count({ kind: "power", kwp: 4.001 }),
      count({ kind: "area", areaM2: 19 }),
      count({ kind: "area", areaM2: 20.8 }),
      count({ kind: "count", count: 7 }),
    ]).toEqual([10, 11, 10, 10, 7]);
    expect(() => modulePlan("thin", plant.modules.thin!, { kind: "area", areaM2: 10 }, prices)).toThrow("can't be counted onto one");
  });

  it("costs its modules, electronics, racking and all else", () => {
    expect(modulePlan("m", module, { kind: "count", count: 10 }, prices)).toMatchObject({
      kwp: 4,
      areaM2: near(19, 9),
      efficiencyFrac: near(400 / 1900, 9),
      hotFrac: near(1 - 0.0035 * 40, 12),
      cost: near(10 * 140 + 19 * 30 + 500, 9),
    });
    const thin = modulePlan("thin", plant.modules.thin!, { kind: "count", count: 10 }, prices);
    expect(thin).toMatchObject({ areaM2: null, efficiencyFrac: null, lowLightFrac: null, cost: 1900 });
  });

  it("in weak light gives a little less than its share", () => {
    const { lowLightFrac } = modulePlan("m", module, { kind: "count", count: 1 }, prices);
    expect(lowLightFrac!).toBeGreaterThan(0.88);
    expect(lowLightFrac!).toBeLessThan(1);
  });

  it("in the place of an array: the inverter grows with the power, one at each module with the module", () => {
    const [array] = plant.arrays;
    const other: ModuleType = { ...module, pmpW: 500 };
    const whole = siteWithModule(plant, array!, "other", other, 24);
    expect(whole.arrays).toMatchObject([{ module: "other", count: 24, modulesPerString: null }]);
    expect(whole.inverters[0]!.acRatedW).toBeCloseTo(6000 * ((500 * 24) / (400 * 20)), 9);
    expect(whole.modules.other).toBe(other);
    const each = site({
      ...plant,
      inverters: [{ id: "i", arrays: ["a"], acRatedW: 300, ratedEfficiencyFrac: 0.96, perModule: true }],
    });
    expect(siteWithModule(each, each.arrays[0]!, "other", other, 24).inverters[0]!.acRatedW).toBeCloseTo(375, 9);
  });

  it("a kilowatt-hour costs what is paid over what comes, aged and discounted, as the payback has it", () => {
    // A year's middle stands at 99.5 and 98.5 % of the nameplate.
    const ageing = { firstYearFrac: 0.01, perYearFrac: 0.01 };
    const kwh = 1000 / 1.05 + (1000 * (0.985 / 0.995)) / 1.05 ** 2;
    expect(costPerKwh(500, 1000, 2, ageing, 0.05)).toBeCloseTo(500 / kwh, 12);
    const plain = { ...ageing, firstYearFrac: 0, perYearFrac: 0 };
    expect(costPerKwh(500, 1000, 2, plain, 0)).toBeCloseTo(0.25, 12);
    expect(costPerKwh(500, 0, 2, plain, 0)).toBeNaN();
    const terms = { ...plainPayback, costs: ["500"], firstYearKwh: 1000, horizonYears: 2, ageing, discountFrac: 0.05 };
    expect(costPerKwh(500, 1000, 2, ageing, 0.05).toFixed(4)).toBe(payback(terms).levelisedPerKwh);
  });
});

describe("strings of the site's modules at a moment", () => {
  const circuits = circuitsOf(plant);

  it("knows the circuits of those whose sheets hold enough", () => {
    expect([...circuits.keys()]).toEqual(["m"]);
    expect(circuits.get("m")!.photocurrentA).toBeCloseTo(10.4, 1);
  });

  it("lights each bypassed group by its share", () => {
    const part = { module: "m", count: 2, tiltDeg: 0, azimuthDeg: 0, groupLightFrac: [1, 0.5, 0], irradianceWm2: 800, cellTempC: 40 };
    const [only] = stringsNow([[part, { ...part, count: 1, cellTempC: 20 }]], circuits);
    expect(only!.modules.map(({ groupIrradianceWm2, cellTempC }) => [groupIrradianceWm2, cellTempC])).toEqual([
      [[800, 400, 0], 40],
      [[800, 400, 0], 40],
      [[800, 400, 0], 20],
    ]);
    expect(only!.modules[0]!.reference).toBe(circuits.get("m"));
    expect(() => stringsNow([[{ ...part, module: "thin" }]], circuits)).toThrow("Module thin has no circuit");
  });
});
