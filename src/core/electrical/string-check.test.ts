import { describe, expect, it } from "vitest";
import type { Inverter, ModuleType, Place, PvArray, Site } from "../site";
import { LIMIT_KEYS, siteStringCheck, stringCheck } from ".";

const place = { recordLowC: -20, recordHighC: 38, latitudeDeg: 46.5, elevationM: 1500 } as Place;
const module = {
  pmpW: 330,
  impA: null,
  cellsInSeries: null,
  areaM2: null,
  estimated: [] as ModuleType["estimated"],
  vocV: 40,
  vmpV: 33,
  iscA: 10,
  betaVocPerK: -0.003,
  gammaPmpPerK: -0.004,
  maxSystemV: 1000,
  bifacialityFrac: 0,
} as ModuleType;
const array = { count: 20, modulesPerString: 10 } as PvArray;
const inverter = { perModule: false, maxDcV: 600, mpptMinV: 200, mpptMaxV: 500, inputs: 1, inputMaxA: 25 } as Inverter;
const check = (
  parts: { place?: Partial<Place>; module?: Partial<ModuleType>; array?: Partial<PvArray>; inverter?: Partial<Inverter> } = {},
) =>
  stringCheck(
    { ...place, ...parts.place },
    { ...array, ...parts.array },
    { ...module, ...parts.module },
    { ...inverter, ...parts.inverter },
  );

// Ten in series: open at -20 C 10 × 40 × (1 + 0.003 × 45), at work at 73 C 10 × 33 × (1 - 0.004 × 48), at -20 C 10 × 33 × (1 + 0.004 × 45).
const COLD_VOC = 454;
const HOT_VMP = 10 * 33 * (1 - 0.004 * 48);
const COLD_VMP = 10 * 33 * 1.18;

describe("modules of which only a nameplate is known", () => {
  const estimated = { estimated: ["vocV"] as ModuleType["estimated"] };
  // Voc of Vmp is within 3.5 %.
  it.each([
    [COLD_VOC * 1.0363, true],
    [COLD_VOC * 1.0339, null],
    [COLD_VOC * 0.9661, null],
    [COLD_VOC * 0.9637, false],
  ])("are judged by both ends of the spread: against %d V it holds: %s", (maxDcV, holds) => {
    expect(check({ module: estimated, inverter: { maxDcV } }).coldVoc.holds).toBe(holds);
  });

  it("tell no range of modules in series", () => {
    expect([check().range === null, check({ module: estimated }).range]).toEqual([false, null]);
  });
});

describe("strings of modules that somebody took for granted", () => {
  const roof = (assumed: Site["assumed"]): Site =>
    ({ place, assumed, modules: { m: module }, arrays: [], inverters: [] }) as unknown as Site;
  const of = (assumed: Site["assumed"]) => siteStringCheck(roof(assumed), { ...array, module: "m" }, inverter);
  const site = { ...roof(["modules"]), arrays: [{ ...array, module: "m" }] };

  it("are not judged, whatever the sheet says; a tilt that was assumed changes no voltage", () => {
    const judged = (check: ReturnType<typeof of>) => LIMIT_KEYS.map((key) => check[key].holds);
    expect(judged(siteStringCheck(site, { ...array, module: "m" }, inverter))).toEqual([null, null, null, null, null]);
    expect(of(["modules"]).range).toBeNull();
    expect(judged(of(["tilt"]))).toEqual(judged(check()));
  });
});

describe("strings on an inverter", () => {
  it("have their voltages on the coldest morning and in the heat", () => {
    const { coldVoc, hotVmp, coldVmp, hotCellC, recordLowC, isHeatAssumed, strings, modulesInSeries } = check();
    expect(coldVoc.value).toBeCloseTo(COLD_VOC, 9);
    expect(hotVmp.value).toBeCloseTo(HOT_VMP, 9);
    expect(coldVmp.value).toBeCloseTo(COLD_VMP, 9);
    expect({ hotCellC, recordLowC, isHeatAssumed, strings, modulesInSeries }).toEqual({
      hotCellC: 73,
      recordLowC: -20,
      isHeatAssumed: false,
      strings: 2,
      modulesInSeries: 10,
    });
  });

  it.each([
    ["coldVoc", "maxDcV", COLD_VOC, true],
    ["coldVmp", "mpptMaxV", COLD_VMP, true],
    ["hotVmp", "mpptMinV", HOT_VMP, false],
  ] as const)("%s keeps %s to the volt", (name, limit, value, atMost) => {
    const beside = (by: number) => check({ inverter: { [limit]: value + by } })[name].holds;
    expect(beside(1e-6)).toBe(atMost);
    expect(beside(-1e-6)).toBe(!atMost);
  });

  it("current stands with a quarter on top against an input, with all the strings on it", () => {
    expect(check().current).toEqual({ value: 25, limit: 25, holds: true });
    expect(check({ inverter: { inputMaxA: 24.9 } }).current.holds).toBe(false);
    expect(check({ inverter: { inputs: 2 } }).current.value).toBe(12.5);
    expect(check({ array: { count: 30 }, inverter: { inputs: 2 } }).current.value).toBe(25);
  });

  it("an inverter at each module has strings of one", () => {
    const { strings, modulesInSeries, current, coldVoc } = check({ inverter: { perModule: true } });
    expect({ strings, modulesInSeries }).toEqual({ strings: 20, modulesInSeries: 1 });
    expect(current.value).toBe(12.5);
    expect(coldVoc.value).toBeCloseTo(COLD_VOC / 10, 9);
  });

  it("without a count to a string all modules are one", () => {
    expect(check({ array: { modulesPerString: null } })).toMatchObject({ modulesInSeries: 20, strings: 1 });
    expect(check({ array: { count: 21 } }).strings).toBe(3);
  });

  it("the count that may stand in a string keeps both ends", () => {
    // 600 / 45.4 = 13.2 at most; 200 / 26.664 = 7.5 at least.
    expect(check().range).toEqual({ least: 8, most: 13 });
    expect(check({ inverter: { maxDcV: null } }).range).toBeNull();
    expect(check({ inverter: { mpptMinV: null } }).range).toEqual({ least: 1, most: 13 });
  });

  it("says nothing of what it does not know", () => {
    const unknown = { value: null, limit: null, holds: null };
    expect(check({ module: { vocV: null } })).toMatchObject({ coldVoc: { holds: null }, moduleVoc: { value: null }, range: null });
    expect(check({ module: { vmpV: null } })).toMatchObject({ hotVmp: { value: null }, range: null });
    expect(check({ module: { vmpV: null } }).coldVmp.holds).toBeNull();
    expect(check({ module: { iscA: null }, inverter: { inputMaxA: null } }).current).toEqual(unknown);
    expect(check({ inverter: { maxDcV: null, mpptMinV: null, mpptMaxV: null } })).toMatchObject({
      coldVoc: { limit: null, holds: null },
      hotVmp: { holds: null },
      coldVmp: { holds: null },
    });
  });

  it("does not judge the cold without the place's record: a guess stands beside it", () => {
    const { coldVoc, moduleVoc, coldVmp, range, coldGuess, hotVmp } = check({ place: { recordLowC: null } });
    for (const limit of [coldVoc, moduleVoc, coldVmp]) expect(limit).toMatchObject({ value: null, holds: null });
    expect(range).toBeNull();
    expect(hotVmp.holds).toBe(true);
    // In the mountains an assumed -10 C would have passed what the cold breaks.
    expect(coldGuess!.airC).toBeLessThan(-25);
    expect(coldGuess!.vocV).toBeCloseTo(400 * (1 - 0.003 * (coldGuess!.airC - 25)), 9);
    expect(check().coldGuess).toBeNull();
  });

  it("guesses the colder the higher and the farther from the equator", () => {
    const guess = (latitudeDeg: number, elevationM: number) =>
      check({ place: { recordLowC: null, latitudeDeg, elevationM } }).coldGuess!.airC;
    expect(guess(46.5, 2500)).toBeCloseTo(guess(46.5, 1500) - 6.5, 9);
    expect([guess(0, 0) > guess(34, 0), guess(34, 0) > guess(65, 0)]).toEqual([true, true]);
    expect(guess(-34, 0)).toBe(guess(34, 0));
    expect(guess(0, 2850)).toBeGreaterThan(-5);
  });

  it("takes a usual hottest day where the book has none, and says so", () => {
    expect(check({ place: { recordHighC: null } })).toMatchObject({ recordLowC: -20, hotCellC: 75, isHeatAssumed: true });
  });

  it("holds the cold against what the modules themselves bear, and takes the lower for the count", () => {
    const beside = (maxSystemV: number | null) => check({ module: { maxSystemV } });
    expect([beside(COLD_VOC + 1e-6).moduleVoc.holds, beside(COLD_VOC - 1e-6).moduleVoc.holds]).toEqual([true, false]);
    expect(beside(null).moduleVoc.holds).toBeNull();
    expect(beside(500).range!.most).toBe(11);
  });

  it("two-sided modules bring the current of the light behind them", () => {
    const { current, rearFrac } = check({ module: { bifacialityFrac: 0.8 } });
    expect(rearFrac).toBeCloseTo(0.8 * 0.135, 12);
    expect(current.value).toBeCloseTo(25 * 1.108, 9);
    expect(current.holds).toBe(false);
  });
});
