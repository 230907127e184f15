import { describe, expect, it } from "vitest";
import { type SpotReading, spotDoubts } from ".";
import { causesOf } from "./spot-causes";
import type { Judged, SpotModule } from "./spot-reading";

const sound: SpotReading = {
  irradianceWm2: 800,
  moduleTempC: 40,
  airTempC: null,
  panes: 0,
  vocV: 45,
  iscA: 8,
  operatingV: null,
  operatingA: null,
};
const meter = { maxV: 600, maxA: 10 };
const doubts = (parts: Partial<SpotReading>, series = 1) => spotDoubts({ ...sound, ...parts }, series, meter);

describe("readings that can't be taken as they are", () => {
  it.each<[string, Partial<SpotReading>, string[]]>([
    ["just enough light", { irradianceWm2: 10 }, []],
    ["too little light", { irradianceWm2: 9.9 }, ["no-light"]],
    ["no light at all", { irradianceWm2: Number.NaN }, ["no-light"]],
    ["the most that clouds make", { irradianceWm2: 1800 }, []],
    ["more than any sun", { irradianceWm2: 1801 }, ["light-beyond-sun"]],
    ["a voltage at the meter's end", { vocV: 600 }, []],
    ["a voltage beyond it", { vocV: 601 }, ["voc-beyond-meter"]],
    ["a working voltage beyond it", { vocV: null, operatingV: 601 }, ["voc-beyond-meter"]],
    ["a current at the meter's end", { iscA: 10 }, []],
    ["a current beyond it", { iscA: 10.1 }, ["isc-beyond-meter"]],
    ["a working current beyond it", { iscA: null, operatingA: 10.1 }, ["isc-beyond-meter"]],
    ["the coldest", { moduleTempC: -40 }, []],
    ["colder", { moduleTempC: -40.1 }, ["temperature-out-of-range"]],
    ["the hottest", { moduleTempC: 110 }, []],
    ["hotter", { moduleTempC: 110.1 }, ["temperature-out-of-range"]],
    ["a working voltage as high as the open one", { operatingV: 45 }, []],
    ["a working voltage above the open one", { operatingV: 45.1 }, ["operating-above-voc"]],
    ["a working voltage without an open one", { vocV: null, operatingV: 45 }, []],
    ["a voltage alone", { iscA: null }, []],
    ["a current alone", { vocV: null }, []],
    ["a working current alone", { vocV: null, iscA: null, operatingA: 7 }, []],
    ["nothing", { vocV: null, iscA: null }, ["nothing-read"]],
  ])("%s", (_, parts, said) => {
    expect(doubts(parts)).toEqual(said);
  });

  it("sixty in series may be, more are not believed", () => {
    expect(doubts({}, 60)).toEqual([]);
    expect(doubts({}, 61)).toEqual(["too-many-in-series"]);
  });
});

const module: SpotModule = { reference: {} as SpotModule["reference"], modulesInSeries: 10, bypassDiodes: 3 };
const judged = (quantity: Judged["quantity"], read: number, expected: number, verdict: Judged["verdict"]): Judged => ({
  quantity,
  read,
  expected,
  plusMinus: 1,
  verdict,
});
const causes = (own: Judged[], { of = module, reading = sound, cell = 40, implied = null as number | null } = {}) =>
  causesOf(of, reading, own, cell, implied);

describe("what to check at a string", () => {
  it("low current: shade, dirt, the sensor; under six tenths of it the meter too", () => {
    expect(causes([judged("iscA", 6, 10, "low")])).toEqual(["shade-on-a-cell", "dirt", "sensor-tilt"]);
    expect(causes([judged("iscA", 5.9, 10, "low")])).toEqual(["shade-on-a-cell", "dirt", "meter-range", "sensor-tilt"]);
  });

  it("low working current may be away from the maximum, where its voltage was read", () => {
    const own = [judged("operatingA", 7, 10, "low")];
    expect(causes(own)).not.toContain("not-at-maximum");
    expect(causes(own, { reading: { ...sound, operatingV: 38 } })).toContain("not-at-maximum");
    expect(causes([judged("iscA", 7, 10, "low"), ...own], { reading: { ...sound, operatingV: 38 } })).not.toContain("not-at-maximum");
  });

  it("high current speaks of the sensor, high voltage of cold cells", () => {
    expect(causes([judged("iscA", 12, 10, "high")])).toEqual(["sensor-shaded", "sensor-tilt", "brighter-than-sensor"]);
    expect(causes([judged("vocV", 470, 450, "high")])).toEqual(["colder-cells"]);
  });

  it("a missing voltage near a whole module is that module, near a third of one a bypassed group", () => {
    const missing = (share: number, of = module) => causes([judged("vocV", 450 - 45 * share, 450, "low")], { of });
    expect(missing(1)).toEqual(["module-out", "connector"]);
    expect(missing(2.34)).toEqual(["module-out", "connector"]);
    expect(missing(2.5)).toEqual(["warmer-cells", "connector"]);
    expect(missing(0.66)).toEqual(["module-out", "connector"]);
    expect(missing(1 / 3)).toEqual(["group-out"]);
    expect(missing(0.21)).toEqual(["warmer-cells", "connector"]);
    expect(missing(0.23)).toEqual(["group-out"]);
    expect(missing(1 / 3, { ...module, bypassDiodes: 0 })).toEqual(["warmer-cells", "connector"]);
    expect(causes([judged("vocV", 30, 45, "low")], { of: { ...module, modulesInSeries: 1 } })).toEqual(["group-out"]);
  });

  it("cells far warmer than their voltage says were read in another unit", () => {
    expect(causes([], { cell: 65, implied: 40 })).toEqual([]);
    expect(causes([], { cell: 65.1, implied: 40 })).toEqual(["temperature-unit"]);
    expect(causes([], { cell: 65.1, implied: null })).toEqual([]);
  });

  it("low power with a current as expected, or without one, is away from the maximum", () => {
    const power = judged("operatingW", 200, 300, "low");
    expect(causes([power])).toEqual(["not-at-maximum"]);
    expect(causes([judged("iscA", 10, 10, "as-expected"), power])).toEqual(["not-at-maximum"]);
    expect(causes([judged("iscA", 12, 10, "high"), power])).not.toContain("not-at-maximum");
    expect(causes([judged("operatingW", 300, 300, "as-expected")])).toEqual([]);
  });
});
