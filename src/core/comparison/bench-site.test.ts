import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { type Appliance, type BatteryTerms, loadDoubts, loadReport } from "../loads";
import { lying, type SnowRecord, storms } from "../snow";
import { monthBins } from "../time";
import { skyWithoutFile, type Weather } from "../weather";
import { albedoGain, clearingNow, hourProfile, prepareWeather, runPrepared, stormReport, typedStorms } from "../yield";
import { costPerKwh, modulePlan, siteWithModule } from ".";

const axis = hours("2023-01-01T00:00:00Z", 2 * 8760);
const winter = (depthAt: (day: number, hour: number) => number, tempC: number): Weather => {
  const clear = clearWeather(axis, site().place);
  return {
    ...clear,
    airTempC: new Float64Array(axis.count).fill(tempC),
    snowDepthCm: Float64Array.from({ length: axis.count }, (_, i) => depthAt(Math.floor(i / 24), i % 24)),
  };
};
const roof = site({
  arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, mounting: "roof-gap" }],
  models: { snow: "sliding" },
});
const [array] = roof.arrays;

describe("storms that somebody typed", () => {
  const cloudless = prepareWeather(roof.place, skyWithoutFile(null, roof.place));
  const dry = { on: "01-15", depthCm: 20, kind: "dry" as const };

  it("lie longer in the cold, and are worth the more for it", () => {
    const [cold] = typedStorms(roof, array!, cloudless, [{ ...dry, afterTempC: -25 }]);
    const [mild] = typedStorms(roof, array!, cloudless, [{ ...dry, afterTempC: 3 }]);
    expect(cold!.lyingHours).toBeGreaterThan(2 * mild!.lyingHours);
    expect(cold!.clearingKwh).toBeGreaterThan(mild!.clearingKwh);
    expect(new Date(cold!.fromUtcMs).toISOString().slice(5, 10)).toBe("01-15");
  });

  it("end where the next one falls, and are none under a centimetre", () => {
    const later = { ...dry, on: "01-16", afterTempC: -25 };
    const [first, second] = typedStorms(roof, array!, cloudless, [{ ...dry, afterTempC: -25 }, later]);
    expect(first!.lyingHours).toBe(24);
    expect(second!.lyingHours).toBeGreaterThan(24);
    expect(typedStorms(roof, array!, cloudless, [{ ...dry, depthCm: 0.9, afterTempC: -25 }])).toEqual([]);
  });

  it("are those of a gauge, where a gauge saw the same", () => {
    const fell = 14 * 24 + 18;
    const gauge = winter((day, hour) => (day * 24 + hour >= fell - 1 && day < 40 ? 20 : 0), -25);
    const [seen] = stormReport(roof, array!, prepareWeather(roof.place, gauge))!;
    const bare = prepareWeather(roof.place, { ...gauge, snowDepthCm: null });
    const [typed] = typedStorms(roof, array!, bare, [{ ...dry, afterTempC: null }]);
    expect(typed!.lostKwh / seen!.lostKwh).toBeCloseTo(1, 1);
  });
});

describe("sun without a file", () => {
  it("is cloudless, or a climate's, which gives less and knows its air", () => {
    const [clear, coast] = [skyWithoutFile(null, roof.place), skyWithoutFile("oceanic", roof.place)];
    const sum = (light: ArrayLike<number> | null): number => Array.from(light ?? []).reduce((a, b) => a + b, 0);
    expect(sum(coast.ghiWm2)).toBeLessThan(0.75 * sum(clear.ghiWm2));
    expect([clear.airTempC, coast.airTempC?.length]).toEqual([null, 8760]);
  });
});

describe("storms", () => {
  const steps = 24 * 20;
  const record = (change: Partial<SnowRecord> = {}): SnowRecord => ({
    newSnowCm: Float64Array.from({ length: steps }, (_, i) => (i === 30 || i === 31 || i === 240 ? 6 : 0)),
    airTempC: new Float64Array(steps).fill(-15),
    poaWm2: new Float64Array(steps),
    openKwh: new Float64Array(steps).fill(1),
    ...{ stepHours: 1, sinTilt: 0.5, stringsAlongSlant: 3, coveringCm: 1 },
    ...change,
  });

  it("are one where falls follow closely, and lie until the next where nothing thaws", () => {
    const found = storms(record());
    expect(found.map(({ depthCm }) => depthCm)).toEqual([12, 6]);
    expect(found[0]!.lyingHours).toBe(240 - 32);
    expect(found[0]!.lostKwh).toBeCloseTo(240 - 32, 9);
    expect(found[0]!.clearingKwh).toBeCloseTo(240 - 32 - 12, 9);
    expect(found[0]!.kind).toBe("dry");
  });

  it("bring nothing by clearing where the snow is gone by the next noon", () => {
    const [first] = storms(record({ airTempC: new Float64Array(steps).fill(4) }));
    expect(first!.kind).toBe("wet");
    expect(first!.lyingHours).toBeLessThanOrEqual(11);
    expect(first!.clearingKwh).toBe(0);
  });

  it("slide sooner the steeper the array", () => {
    const warm = { airTempC: new Float64Array(steps).fill(2) };
    expect(lying(record({ ...warm, sinTilt: 0.9 }), 0, steps, 1).hours).toBeLessThan(
      lying(record({ ...warm, sinTilt: 0.2 }), 0, steps, 1).hours,
    );
  });

  it("of a gauge that flickers by a centimetre are none", () => {
    const flicker = winter((day, hour) => (day > 20 && day < 60 ? 30 + ((day * 24 + hour) % 2) : 0), -4);
    const found = stormReport(roof, array!, prepareWeather(roof.place, flicker))!;
    expect(found).toHaveLength(1);
    expect(Math.abs(found[0]!.depthCm - 30)).toBeLessThanOrEqual(1);
  });

  it("can't be told without a depth gauge", () => {
    expect(stormReport(roof, array!, prepareWeather(roof.place, clearWeather(axis, roof.place)))).toBeNull();
  });
});

describe("clearing on a day of the year", () => {
  it("brings more in a cold spell than in a thaw, one figure a year of the record", () => {
    const at = (tempC: number) =>
      clearingNow(
        roof,
        array!,
        prepareWeather(
          roof.place,
          winter(() => 0, tempC),
        ),
        "02-10",
      )!;
    expect(at(-20).byYear.map(({ year }) => year)).toEqual(["2023", "2024"]);
    expect(at(-20).meanKwh).toBeGreaterThan(3 * at(3).meanKwh);
  });
});

describe("snow on the ground", () => {
  const prepared = prepareWeather(
    roof.place,
    winter((day) => (day % 365 < 59 ? 20 + 3 * Math.floor((day % 365) / 4) : 0), -4),
  );

  it("gives an upright array more than a flat one, in the months in which it lies and no other", () => {
    const [flat, upright] = albedoGain(roof, array!, prepared, [10, 90], null);
    expect(upright!.gainKwh[0]!).toBeGreaterThan(5 * flat!.gainKwh[0]!);
    expect(upright!.gainKwh[0]! / upright!.bareKwh[0]!).toBeGreaterThan(0.05);
    expect(Math.abs(upright!.gainKwh[6]!)).toBeLessThan(1e-6);
  });

  it("by a number a month is as bright as the number", () => {
    const white = new Array<number>(12).fill(0.7);
    const [gain] = albedoGain(roof, array!, prepared, [60], white);
    expect(gain!.gainKwh.every((kwh) => kwh > 0)).toBe(true);
  });
});

describe("power by month and hour", () => {
  it("adds up to the year's energy", () => {
    const year = hours("2023-01-01T00:00:00Z", 8760);
    const prepared = prepareWeather(roof.place, clearWeather(year, roof.place));
    const inUtc = { ...roof, place: { ...roof.place, timeZone: "UTC" } };
    const run = runPrepared(inUtc, prepared, monthBins(year, "UTC"));
    const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
    const sum = hourProfile(inUtc, prepared).reduce((total, row, m) => total + row.reduce((a, b) => a + b, 0) * days[m]!, 0);
    expect(sum).toBeCloseTo(
      run.expectedKwh.reduce((a, b) => a + b, 0),
      3,
    );
  });
});

describe("loads and battery", () => {
  const always = new Array<boolean>(12).fill(true);
  const kettle: Appliance = { name: "kettle", watts: 1000, count: 1, hoursPerDay: 2.4, months: always };
  const battery: BatteryTerms = { capacityKwh: 10, voltageV: 48, usableFrac: 0.8, roundTripFrac: 0.9, chargerMaxA: 60 };
  const made = Array.from({ length: 12 }, (_, m) => Array.from({ length: 24 }, (__, h) => (h >= 9 && h < 15 ? (m === 11 ? 0.3 : 2) : 0)));
  const report = loadReport({ appliances: [kettle], battery, madeKwByHour: made, arrayW: 4800 });

  it("find the worst month, the days without sun, and the amperes at the battery's voltage", () => {
    expect(report.worst.month).toBe(12);
    expect(report.worst.coverFrac).toBeCloseTo(1.8 / (0.6 + 1.8 / 0.9), 9);
    expect(report.autonomyDays).toBeCloseTo(8 / 2.4, 9);
    expect(report.chargeA).toBeCloseTo(100, 9);
    expect(report.chargerShort).toBe(true);
    expect(report.months[0]!.surplusFromTo).toEqual([9, 15]);
  });

  it.each([
    ["kW typed as W", [{ ...kettle, watts: 1.2 }], battery, "kilowatts-as-watts"],
    ["energy typed as power", [{ ...kettle, watts: 24_000 }], battery, "kilowatt-hours-as-watts"],
    ["a day of thirty hours", [{ ...kettle, hoursPerDay: 30 }], battery, "more-than-a-day"],
    ["ampere-hours as kWh", [kettle], { ...battery, capacityKwh: 200 }, "battery-in-ampere-hours"],
    ["nothing", [{ ...kettle, count: 0 }], battery, "nothing-used"],
  ])("are questioned: %s", (_name, appliances, terms, doubt) => {
    expect(loadDoubts(appliances, terms).map((each) => each.doubt)).toContain(doubt);
  });

  it("of usual figures are not questioned", () => {
    expect(loadDoubts([kettle, { ...kettle, name: "lamp", watts: 8 }], battery)).toEqual([]);
  });
});

describe("modules compared", () => {
  const prices = { perModule: 100, electronicsPerModule: 0, rackingPerM2: 30, fixed: 1000 };
  const module = { ...roof.modules.m!, areaM2: 2, pmpW: 400 };

  it("are counted up for a power and down onto an area", () => {
    expect(modulePlan("m", module, { kind: "power", kwp: 4.1 }, prices).count).toBe(11);
    expect(modulePlan("m", module, { kind: "area", areaM2: 9.9 }, prices)).toMatchObject({
      count: 4,
      areaM2: 8,
      cost: 4 * 100 + 8 * 30 + 1000,
    });
    expect(modulePlan("m", module, { kind: "power", kwp: 4 }, prices).count).toBe(10);
    expect(() => modulePlan("m", { ...module, areaM2: null }, { kind: "area", areaM2: 9 }, prices)).toThrow(/without an area/);
  });

  it("bear heat by their coefficient", () => {
    expect(modulePlan("m", module, { kind: "count", count: 1 }, prices).hotFrac).toBeCloseTo(1 - 0.0035 * 40, 9);
  });

  it("stand in the book with inverters that grow with them", () => {
    const grown = siteWithModule(roof, array!, "big", { ...module, pmpW: 800 }, 20);
    expect(grown.inverters[0]!.acRatedW).toBeCloseTo(12_000, 9);
    expect(grown.arrays[0]).toMatchObject({ module: "big", count: 20 });
  });

  it("cost a kilowatt-hour of cost over discounted energy", () => {
    const steady = { firstYearFrac: 0, perYearFrac: 0 };
    expect(costPerKwh(1000, 500, 10, steady, 0)).toBeCloseTo(0.2, 12);
    expect(costPerKwh(1000, 500, 10, steady, 0.05)).toBeGreaterThan(0.2);
    expect(costPerKwh(1000, 0, 10, steady, 0)).toBeNaN();
  });
});
