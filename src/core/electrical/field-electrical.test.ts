// Long: whatever is measured in the field with a meter in the hand, over one bench of modules and readings.
import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mixedStringsSchema } from "@/contracts/mixed-string";
import { doubtInWords, inverterFindingInWords, judgedInWords, spotInWords } from "@/wording/electrical";
import { BYPASS_DROP_V, circuitsOf, mixedYearOnSite, stringsNow } from "../comparison";
import { currentA, diodeAt, fitDatasheet, operatingPoint } from "../module";
import { entryEffect, knownCircuit } from "../site";
import { momentPower, planeHours, prepareWeather } from "../yield";
import {
  arrayCurve,
  byVoltage,
  type CableRun,
  type CellGroup,
  cableLoss,
  cableSections,
  cheapestSection,
  checkInverter,
  fillGroupVoltage,
  groupsOf,
  groupVoltageV,
  type InverterReading,
  mixedPoint,
  mixedReport,
  mixedYear,
  pairingAdvice,
  type SpotModule,
  type SpotReading,
  type StringModule,
  spotCheck,
  spotDoubts,
  squaredHours,
} from ".";

const sheet = { iscA: 10.3, vocV: 49.1, impA: 9.76, vmpV: 41, alphaIscPerK: 0.0005, betaVocPerK: -0.0028, cellsInSeries: 72 };
const reference = fitDatasheet(sheet)!;
const module = { reference, modulesInSeries: 1, bypassDiodes: 3 };
const reading = (change: Partial<SpotReading> = {}): SpotReading => ({
  ...{ irradianceWm2: 800, moduleTempC: 40, airTempC: null, panes: 0, vocV: null, iscA: null, operatingV: null, operatingA: null },
  ...change,
});
const truth = (light: number, backC: number) => operatingPoint(diodeAt(reference, light, backC + (3 * light) / 1000));

describe("a spot check with little at hand", () => {
  const half = (parts: Partial<SpotReading>, of: SpotModule = module): number => {
    const [judged] = spotCheck(of, reading(parts)).judged;
    return judged!.plusMinus / judged!.expected;
  };

  it("takes the current alone without any temperature: it hardly hangs on it", () => {
    const { iscA } = truth(600, 45);
    const report = spotCheck(module, reading({ irradianceWm2: 600, moduleTempC: null, iscA }));
    expect([report.judged[0]!.verdict, report.cellFrom]).toEqual(["as-expected", "nothing"]);
    expect(half({ irradianceWm2: 600, moduleTempC: null, iscA })).toBeLessThan(1.1 * half({ irradianceWm2: 600, moduleTempC: 45, iscA }));
  });

  it("tells a voltage the less surely the less is known of its warmth", () => {
    const { vocV } = truth(800, 45);
    const widths = [{ moduleTempC: 45 }, { moduleTempC: null, airTempC: 22 }, { moduleTempC: null }].map((warmth) =>
      half({ irradianceWm2: 800, vocV, ...warmth }),
    );
    expect(widths[1]!).toBeGreaterThan(1.5 * widths[0]!);
    expect(widths[2]!).toBeGreaterThan(1.5 * widths[1]!);
    expect(spotCheck(module, reading({ moduleTempC: null, airTempC: 22, vocV })).judged[0]!.verdict).toBe("as-expected");
  });

  it("behind a pane expects some seventh less, and is as much less sure", () => {
    const { iscA } = truth(800 * 0.86, 40);
    const report = spotCheck(module, reading({ panes: 1, iscA }));
    expect(report.judged[0]!.expected / iscA).toBeCloseTo(1, 2);
    expect(half({ panes: 1, iscA })).toBeGreaterThan(1.1 * half({ panes: 0, iscA }));
    expect(half({ panes: 2, iscA })).toBeGreaterThan(half({ panes: 1, iscA }));
  });

  it("goes down to 10 W/m2 with the width that so little light has", () => {
    const { iscA } = truth(12, 10);
    expect(half({ irradianceWm2: 12, moduleTempC: 10, iscA })).toBeGreaterThan(0.9);
  });

  it("of a nameplate is wider by what was estimated", () => {
    const known = knownCircuit({
      ...site().modules.m!,
      pmpW: 400,
      vmpV: null,
      impA: 9.76,
      vocV: null,
      iscA: null,
      cellsInSeries: null,
      areaM2: null,
    })!;
    expect([known.vocFrac, known.iscFrac]).toEqual([0.035, 0.035]);
    const estimated: SpotModule = { ...module, reference: known.reference, spread: known };
    expect(half({ vocV: 45 }, estimated)).toBeGreaterThan(half({ vocV: 45 }));
    // At the knee the current hangs on the voltage that was estimated; a temperature is not told from it.
    const knee = { operatingV: 41, operatingA: 6 };
    expect(half(knee, estimated)).toBeGreaterThan(1.3 * half(knee, { ...estimated, spread: { vocFrac: 0, iscFrac: known.iscFrac } }));
    expect(spotCheck(estimated, reading({ vocV: 45 })).impliedCellTempC).toBeNull();
    expect(
      knownCircuit({ ...site().modules.m!, pmpW: 400, vmpV: null, impA: null, vocV: null, iscA: null, cellsInSeries: null, areaM2: null }),
    ).toBeNull();
  });
});

describe("a spot check", () => {
  it("finds true readings as they should be, at any light and warmth", () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 1100 }), fc.integer({ min: -5, max: 70 }), (light, backC) => {
        const { vocV, iscA, vmpV, impA } = truth(light, backC);
        const { judged, causes } = spotCheck(
          module,
          reading({ irradianceWm2: light, moduleTempC: backC, vocV, iscA, operatingV: vmpV, operatingA: impA }),
        );
        expect(judged.map(({ verdict }) => verdict)).toEqual(["as-expected", "as-expected", "as-expected", "as-expected"]);
        expect(causes).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });

  it("says that half the current that the light calls for is under half, and what to check", () => {
    const report = spotCheck(module, reading({ irradianceWm2: 165, moduleTempC: 22, iscA: 0.8 }));
    expect(judgedInWords(report.judged[0]!)).toMatch(
      /^0\.80 A read, 1\.7\d ± 0\.1\d expected: short-circuit current is under half of what this light gives$/,
    );
    expect(spotInWords(report)).toContain("shade on a cell, dirt, the meter's range");
    expect(report.impliedIrradianceWm2).toBeCloseTo((165 * 0.8) / report.expected.iscA, 6);
  });

  it("is told less surely the less light there is, and under 200 W/m2 as a rough word", () => {
    const isc = (irradianceWm2: number) =>
      spotCheck(module, reading({ irradianceWm2, moduleTempC: 25, iscA: (10.3 * irradianceWm2) / 1000 }));
    const share = (irradianceWm2: number): number => isc(irradianceWm2).judged[0]!.plusMinus / isc(irradianceWm2).judged[0]!.expected;
    expect(share(300)).toBeGreaterThan(1.04 * share(900));
    expect(share(150)).toBeGreaterThan(1.3 * share(900));
    expect([isc(199.9).isRough, isc(200).isRough]).toEqual([true, false]);
    expect(spotInWords(isc(150))).toMatch(/^A rough word only/);
    expect(spotInWords(isc(300))).not.toContain("rough");
  });

  it("tells a bypassed group and a missing module from warm cells by the volts that are missing", () => {
    const { vocV } = truth(800, 40);
    expect(spotCheck(module, reading({ vocV: (vocV * 2) / 3 })).causes).toContain("group-out");
    const string = { ...module, modulesInSeries: 10 };
    expect(spotCheck(string, reading({ vocV: vocV * 9 })).causes).toContain("module-out");
    expect(spotCheck(module, reading({ vocV: vocV * 0.96 })).causes).toContain("warmer-cells");
  });

  it("reads the cells' temperature out of the open-circuit voltage, and doubts a thermometer in another unit", () => {
    const { vocV } = truth(800, 40);
    expect(spotCheck(module, reading({ vocV })).impliedCellTempC).toBeCloseTo(42.4, 1);
    expect(spotCheck(module, reading({ moduleTempC: 104, vocV })).causes).toContain("temperature-unit");
  });

  it("of a current away from the maximum is judged on the curve at that voltage", () => {
    const at = diodeAt(reference, 800, 42.4);
    const report = spotCheck(module, reading({ operatingV: 20, operatingA: currentA(at, 20) }));
    expect(report.judged.find(({ quantity }) => quantity === "operatingA")!.verdict).toBe("as-expected");
    expect(report.causes).toContain("not-at-maximum");
  });

  it.each([
    ["no light", { irradianceWm2: 0 }, 1, "no-light", "at least 10"],
    ["a voltage beyond the meter", { vocV: 1180 }, 1, "voc-beyond-meter", "beyond this meter's 1000 V"],
    ["a temperature in the other unit", { moduleTempC: 113 }, 1, "temperature-out-of-range", "in °F, that is 45 °C"],
    [
      "working volts above open circuit",
      { vocV: 40, operatingV: 44, operatingA: 3 },
      1,
      "operating-above-voc",
      "no module works above its open circuit",
    ],
    ["three hundred in a string", { vocV: 40 }, 300, "too-many-in-series", "300 modules in one string"],
    ["nothing at all", {}, 1, "nothing-read", "at least one"],
  ] as const)("refuses %s in words", (_name, change, series, doubt, words) => {
    const given = reading(change);
    const meter = { maxV: 1000, maxA: 20 };
    expect(spotDoubts(given, series, meter)).toContain(doubt);
    expect(doubtInWords(doubt, given, meter, series)).toContain(words);
  });
});

describe("an inverter's display", () => {
  const shown = (change: Partial<InverterReading> = {}): InverterReading => ({
    inputs: [
      { dcV: 560, dcA: 9, strings: 1 },
      { dcV: 556, dcA: 9.1, strings: 1 },
    ],
    ...{ acV: null, acA: null, acW: 9750, phases: 1, dayKwh: null, lifetimeKwh: null },
    ...change,
  });
  const terms = { nameplateW: 12_000, acRatedW: 12_000, ratedEfficiencyFrac: 0.97, maxDcV: 1000, expectedW: 9800, expectedOffFrac: 0.15 };
  const findings = (change: Partial<InverterReading>, more: Partial<typeof terms> = {}) =>
    checkInverter(shown(change), { ...terms, ...more }).findings;

  it("that fits itself and the light is consistent", () => {
    expect(findings({})).toEqual(["consistent"]);
  });

  it.each([
    ["more out than in", { acW: 11_400 }, "efficiency-impossible"],
    ["AC in kilowatts", { acW: 9.75 }, "kilowatts-as-watts"],
    [
      "a dead input",
      {
        inputs: [
          { dcV: 560, dcA: 9, strings: 1 },
          { dcV: 540, dcA: 0.1, strings: 1 },
        ],
        acW: 4900,
      },
      "input-dead",
    ],
    [
      "a string out on one input",
      {
        inputs: [
          { dcV: 560, dcA: 18, strings: 2 },
          { dcV: 556, dcA: 9, strings: 2 },
        ],
        acW: 14_500,
      },
      "inputs-unbalanced",
    ],
    ["a day above its lifetime", { dayKwh: 44_000, lifetimeKwh: 44 }, "day-beyond-lifetime"],
    ["volts that break the input", { inputs: [{ dcV: 1040, dcA: 9, strings: 1 }], acW: 9000 }, "voltage-beyond-limit"],
    ["little output in good light", { inputs: [{ dcV: 560, dcA: 5, strings: 1 }], acW: 2700 }, "below-expected"],
    ["AC figures that disagree", { acV: 230, acA: 20 }, "ac-figures-disagree"],
  ] as const)("shows %s", (_name, change, finding) => {
    const report = checkInverter(shown(change), terms);
    expect(report.findings).toContain(finding);
    expect(inverterFindingInWords(finding, report)).not.toContain("?");
  });

  it("at its rating is told from one that is short of light", () => {
    expect(findings({ acW: 11_950, inputs: [{ dcV: 600, dcA: 20.6, strings: 2 }] }, { expectedW: 12_000 })).toEqual(["at-rating"]);
  });
});

describe("the waterfall of a moment", () => {
  const roof = site({ arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, mounting: "roof-gap" }] });
  const noon = Date.parse("2024-06-21T12:00:00Z");

  it("closes: what the light gives at nameplate less every account is what is expected", () => {
    const { referenceW, accountsW, expectedW } = momentPower(roof, { utcMs: noon, ghiWm2: 800, airTempC: 25 });
    expect(referenceW - Object.values(accountsW).reduce((a, b) => a + b, 0)).toBeCloseTo(expectedW, 6);
    expect(expectedW).toBeGreaterThan(3000);
  });

  it("takes light in the plane at its word", () => {
    expect(momentPower(roof, { utcMs: noon, ghiWm2: null, poaWm2: 500, airTempC: 20 }).planeWm2).toBeCloseTo(500, 6);
  });
});

const lit = (light: number | readonly number[], cellTempC = 45): StringModule => ({
  reference,
  cellTempC,
  groupIrradianceWm2: typeof light === "number" ? [light, light, light] : light,
});

describe("the quick curve of mixed strings", () => {
  it("is the slow law along rising currents", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1200 }), fc.integer({ min: -20, max: 80 }), (light, tempC) => {
        const [group] = groupsOf(lit(light, tempC), 0.5) as [CellGroup, ...CellGroup[]];
        const currents = Float64Array.from({ length: 60 }, (_, k) => k * 0.2);
        const quick = fillGroupVoltage(group, 1, currents, new Float64Array(60));
        for (const [k, current] of currents.entries()) expect(quick[k]!).toBeCloseTo(groupVoltageV(group, current), 6);
      }),
      { numRuns: 30 },
    );
  });

  it.each([
    ["one module in shade", [[...Array.from({ length: 9 }, () => lit(900)), lit(300)]]],
    ["a dark group", [[lit(900), lit([900, 900, 0]), lit(900)]]],
    ["two unlike strings", [Array.from({ length: 10 }, () => lit(900)), Array.from({ length: 8 }, () => lit(900))]],
    ["two planes", [Array.from({ length: 10 }, () => lit(900)), Array.from({ length: 10 }, () => lit(400, 30))]],
  ] as const)("has the exact maximum within a thousandth: %s", (_name, strings) => {
    const whole = strings.map((modules) => ({ modules: [...modules] }));
    const exact = mixedPoint({ strings: whole, bypassDropV: 0.5, blockingDiodes: true });
    const quick = mixedReport(whole, 0.5);
    expect(Math.abs(quick.togetherW / exact.pmpW - 1)).toBeLessThan(0.001);
    expect(Math.abs(quick.byModuleW / exact.sumOfModulesW - 1)).toBeLessThan(0.001);
    expect(quick.rule.powerW).toBeLessThanOrEqual(quick.byModuleW * 1.001);
  });

  it("never gives more together than apart, and apart by strings never more than by modules", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 50, max: 1100 }), { minLength: 4, maxLength: 8 }), (lights) => {
        const half = Math.ceil(lights.length / 2);
        const strings = [lights.slice(0, half), lights.slice(half)].map((own) => ({ modules: own.map((light) => lit(light)) }));
        const { togetherW, byStringW, byModuleW } = mixedReport(strings, 0.5);
        expect(togetherW).toBeLessThanOrEqual(byStringW * 1.0005);
        expect(byStringW).toBeLessThanOrEqual(byModuleW * 1.0005);
      }),
      { numRuns: 25 },
    );
  });

  it("of a dark array is nothing", () => {
    expect(arrayCurve({ strings: [{ modules: [lit(0)] }], bypassDropV: 0.5 }).peaks).toEqual([]);
  });
});

describe("a year of mixed strings", () => {
  const roof = site({ modules: { m: { pmpW: 400, ...sheet, bypassDiodes: 3 } } });
  const prepared = prepareWeather(roof.place, clearWeather(hours("2024-01-01T00:00:00Z", 8784), roof.place));
  const part = (count: number, share: number, azimuthDeg = 180) => ({
    ...{ module: "m", count, tiltDeg: 30, azimuthDeg, irradianceWm2: 800, cellTempC: 45 },
    groupLightFrac: [share, share, share],
  });

  it("sampled by one lit hour in seven is the year of all hours within half a percent", () => {
    const planes = [
      { tiltDeg: 30, azimuthDeg: 180, mounting: "roof-gap" as const },
      { tiltDeg: 30, azimuthDeg: 90, mounting: "roof-gap" as const },
    ];
    const yearOf = (every: number) => {
      const [south, east] = planeHours(roof, prepared, planes, every);
      const place = (plane: typeof south) => ({ ...plane!, reference, pmpW: 400, groupLightFrac: [1, 1, 1] });
      const string = [...Array.from({ length: 5 }, () => place(south)), ...Array.from({ length: 3 }, () => place(east))];
      return mixedYear([string], BYPASS_DROP_V, south!.hoursEach);
    };
    const [sampled, all] = [yearOf(7), yearOf(1)];
    expect(Math.abs(sampled.togetherKwh / all.togetherKwh - 1)).toBeLessThan(0.005);
    expect(Math.abs(sampled.byModuleKwh / all.byModuleKwh - 1)).toBeLessThan(0.005);
  });

  it("loses nothing among alike modules, and more the more they differ", () => {
    const lossOf = (share: number): number => {
      const year = mixedYearOnSite(roof, prepared, [[part(7, 1), part(1, share)]], 1)!;
      return 1 - year.togetherKwh / year.byModuleKwh;
    };
    expect(lossOf(1)).toBeLessThan(0.001);
    expect(lossOf(0.5)).toBeGreaterThan(lossOf(0.9));
  });

  it("is none where a module's datasheet is too thin", () => {
    expect(mixedYearOnSite(site(), prepared, [[part(4, 1)]], 1)).toBeNull();
    expect(() => stringsNow([[part(4, 1)]], circuitsOf(site()))).toThrow(/has no circuit/);
  });

  it("of three hundred modules in a string is refused with the way out", () => {
    const long = mixedStringsSchema.safeParse([[part(60, 1), part(60, 1), part(60, 1), part(60, 1), part(60, 1)]]);
    expect(long.error?.issues[0]?.message).toContain("string 1 has 300 modules in series");
  });
});

describe("advice on connecting", () => {
  const ways = (together: number, byString: number, byModule: number) =>
    [
      { way: "together", kwhPerYear: together, cost: 0 },
      { way: "by-string", kwhPerYear: byString, cost: 300 },
      { way: "by-module", kwhPerYear: byModule, cost: 900 },
    ] as const;

  it("leaves a small loss alone, gives strings inputs where that repays, and modules electronics where only they help", () => {
    expect(pairingAdvice(ways(1000, 1003, 1005), 0.2, 20, 1)).toMatchObject({ best: "together", reason: "small-loss" });
    expect(pairingAdvice(ways(1000, 1180, 1200), 0.2, 20, 1)).toMatchObject({ best: "by-string", reason: "own-input", extraKwh: 180 });
    expect(pairingAdvice(ways(1000, 1010, 1400), 0.2, 20, 1)).toMatchObject({ best: "by-module", reason: "module-electronics" });
    expect(pairingAdvice(ways(1000, 1000, 1030), 0.05, 20, 0.2)).toMatchObject({ best: "together", reason: "stranger" });
  });
});

describe("a cable's section", () => {
  const run: CableRun = {
    ...{ conductor: "copper", oneWayLengthM: 30, conductorTempC: 50, currentA: 9.76, voltageV: 615, squaredHours: 700 },
    ...{ lifeValuePerKwhYear: 3, pricePerM: 0.5, pricePerMm2M: 0.22 },
  };

  it("drops as Ohm's law has it, in copper, and more in aluminium", () => {
    const [choice] = cableSections(run, [6]);
    const known = cableLoss({ oneWayLengthM: 30, areaMm2: 6, conductorTempC: 50, currentA: 9.76, voltageV: 615 });
    expect(choice!.dropV).toBeCloseTo(known.dropV, 9);
    expect(choice!.lossKwhPerYear).toBeCloseTo((known.lossW * 700) / 1000, 9);
    expect(cableSections({ ...run, conductor: "aluminium" }, [6])[0]!.dropV).toBeGreaterThan(1.5 * choice!.dropV);
  });

  it("costs least between too thin and too thick", () => {
    const choices = cableSections(run);
    const best = cheapestSection(choices)!;
    expect(choices.every(({ lifeCost }) => lifeCost >= best.lifeCost)).toBe(true);
    expect(best.areaMm2).toBeGreaterThan(1.5);
    expect(cheapestSection(cableSections({ ...run, lifeValuePerKwhYear: 30 }))!.areaMm2).toBeGreaterThan(best.areaMm2);
  });

  it("loses with the square of the current: 48 V lose 56 times what 360 V lose", () => {
    const [low, high] = byVoltage(run, 6, [48, 360]);
    expect(low!.choice.lossKwhPerYear / high!.choice.lossKwhPerYear).toBeCloseTo((360 / 48) ** 2, 6);
  });

  it("heats in a year as long at full power as the squares of its hours say", () => {
    expect(squaredHours([100, 50, 0, Number.NaN], 1, 100)).toBeCloseTo(1.25, 12);
  });
});

describe("what a field-book entry does to the model", () => {
  const rack = site({
    arrays: [
      {
        id: "a",
        module: "m",
        count: 20,
        tiltDeg: 20,
        azimuthDeg: 0,
        tiltSchedule: [
          { from: "04-05", tiltDeg: 50 },
          { from: "09-15", tiltDeg: 20 },
        ],
      },
    ],
  });
  const entry = (change: object) => ({ kind: "note", from: "2024-05-10", array: "", meter: "", value: "", note: "", ...change });

  it("a tilt by hand holds until the schedule's next date", () => {
    const effect = entryEffect(rack, entry({ kind: "tilt-change", value: "35 deg" }));
    expect(effect).toMatchObject({ kind: "revision", what: "tilt" });
    if (effect.kind !== "revision") throw new Error("no revision");
    expect(effect.revisions.map(({ from }) => from)).toEqual(["2024-05-10", "2024-09-15"]);
  });

  it.each([
    [{ kind: "hardware-change", value: "acRatedW=8600; ratedEfficiencyFrac=0.967" }, "hardware"],
    [{ kind: "hardware-change", value: "count=22" }, "hardware"],
    [{ kind: "meter-change", value: "point=dc" }, "meter"],
  ])("%o is a revision", (change, what) => {
    expect(entryEffect(rack, entry(change))).toMatchObject({ kind: "revision", what });
  });

  it.each([
    [{ kind: "tilt-change", value: "95" }, "tilt"],
    [{ kind: "hardware-change", value: "bigger" }, "hardware"],
    [{ kind: "meter-change", value: "roof" }, "point"],
  ])("%o is unclear", (change, expected) => {
    expect(entryEffect(rack, entry(change))).toEqual({ kind: "unclear", expected });
  });
});
