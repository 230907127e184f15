import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import { MODEL_ACCOUNTS } from "../accounts";
import { monthBins } from "../time";
import type { Weather } from "../weather";
import { runYield, type YieldOptions, yieldLines, yieldSum } from ".";

const place = { latitudeDeg: 40, longitudeDeg: 0 };
const axis = hours("2023-01-01T00:00Z", 8760);
const weather = clearWeather(axis, place, 0.66);
const bins = monthBins(axis, "UTC");
const sheet = { pmpW: 400, vocV: 49.1, iscA: 10.3, vmpV: 41, impA: 9.76, cellsInSeries: 72, gammaPmpPerK: -0.0036 };
const total = (parts: Partial<SiteInput>, from: Weather = weather, options: YieldOptions = {}) =>
  yieldSum("", yieldLines(runYield(site(parts), from, bins, options)));

describe("every choice of method", () => {
  const choices: Partial<SiteInput>[] = [
    { models: { decomposition: "disc" } },
    { models: { transposition: "perez" } },
    { models: { transposition: "reindl" } },
    { models: { reflection: "fresnel" } },
    { models: { cellTemperature: "ross" } },
    { models: { cellTemperature: "king" } },
    { models: { power: "single-diode" }, modules: { m: sheet } },
    { models: { inverter: "constant" } },
    { models: { subHourlyClipping: "ignored" } },
  ];
  for (const parts of choices) {
    it(`${JSON.stringify(parts.models)} balances, and moves the year by under 5 %`, () => {
      const sum = total(parts);
      const accounts = MODEL_ACCOUNTS.reduce((all, account) => all + sum.accountsKwh[account], 0);
      expect(Math.abs(sum.referenceKwh - accounts - sum.expectedKwh)).toBeLessThan(1e-6 * sum.referenceKwh);
      expect(Math.abs(sum.expectedKwh / total({}).expectedKwh - 1)).toBeLessThan(0.05);
    });
  }

  it("an incomplete datasheet falls back on the temperature coefficient", () => {
    expect(total({ models: { power: "single-diode" } }).expectedKwh).toBe(total({}).expectedKwh);
  });
});

describe("soiling that builds up", () => {
  const terms: Partial<SiteInput> = { models: { soiling: "build-up" }, soiling: { ratePerDayFrac: 0.002, graceDays: 0, maxFrac: 1 } };

  it("grows through a dry year, and a cleaning brings energy back", () => {
    const dry = total(terms);
    const cleaned = total(terms, weather, { cleanings: ["2023-06-01"] });
    expect(dry.accountsKwh.soiling / dry.referenceKwh).toBeGreaterThan(0.25);
    expect(cleaned.expectedKwh).toBeGreaterThan(1.1 * dry.expectedKwh);
  });

  it("is taken off by rain, in the local day on which it fell", () => {
    const rainMm = new Float64Array(axis.count);
    for (let day = 0; day < 365; day += 10) rainMm[day * 24 + 12] = 8;
    const washed = total(terms, { ...weather, rainMm });
    expect(washed.accountsKwh.soiling / washed.referenceKwh).toBeLessThan(0.01);
  });
});

describe("snow", () => {
  const snowDepthCm = new Float64Array(axis.count);
  snowDepthCm.fill(20, 24, 24 * 8);
  const cold = { ...weather, airTempC: new Float64Array(axis.count).fill(-12), snowDepthCm };

  it("covers the array until it slides, and lights the ground", () => {
    const sliding = total({ models: { snow: "sliding" } }, cold);
    expect(sliding.accountsKwh.snow).toBeGreaterThan(10);
    const flatGround = total({}, { ...cold, snowDepthCm: null });
    expect(total({}, cold).referenceKwh).toBeGreaterThan(flatGround.referenceKwh);
  });

  it("is taken by month where shares are given", () => {
    const snowMonthlyFrac = [0.5, ...new Array<number>(11).fill(0)];
    const lines = yieldLines(runYield(site({ models: { snow: "monthly" }, losses: { snowMonthlyFrac } }), weather, bins));
    expect(lines[0]!.accountsKwh.snow / lines[0]!.referenceKwh).toBeCloseTo(0.5, 9);
    expect(lines[6]!.accountsKwh.snow).toBe(0);
  });
});

describe("light on the rear", () => {
  const twoSided = { modules: { m: { pmpW: 400, bifacialityFrac: 0.7 } }, inverters: [] };
  it("is a credit on an open rack, and none on a roof", () => {
    expect(total(twoSided).accountsKwh.rear).toBeLessThan(0);
    const roof = { arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, mounting: "roof-gap" as const }] };
    expect(total({ ...twoSided, ...roof }).accountsKwh.rear).toBe(0);
  });

  it("grows with the ground's albedo, month by month where it is given so", () => {
    const albedoMonthly = new Array<number>(12).fill(0.6);
    expect(total({ ...twoSided, albedoMonthly }).accountsKwh.rear).toBeLessThan(2 * total(twoSided).accountsKwh.rear);
  });
});

describe("limits", () => {
  const inverter = { id: "i", arrays: ["a"], acRatedW: 6000, ratedEfficiencyFrac: 0.97 };

  it("of an array's input are clipping, of the export curtailment", () => {
    expect(total({ inverters: [{ ...inverter, dcInputLimitW: 3000 }] }).accountsKwh.clipping).toBeGreaterThan(300);
    const run = runYield(site({ inverters: [{ ...inverter, exportLimitW: 2000 }] }), weather, bins);
    expect(Math.max(...run.expectedKwh)).toBeLessThanOrEqual(2 + 1e-9);
    expect(run.accountsKwh.curtailment.reduce((a, b) => a + b, 0)).toBeGreaterThan(300);
  });

  it("of a whole site hold the sum of its inverters, not each of them", () => {
    const arrays = [90, 270].map((azimuthDeg, k) => ({ id: `a${k}`, module: "m", count: 10, tiltDeg: 40, azimuthDeg }));
    const inverters = arrays.map(({ id }) => ({ ...inverter, id: `i-${id}`, arrays: [id] }));
    const meters = [{ id: "main", point: "ac" as const, arrays: arrays.map(({ id }) => id) }];
    const free = runYield(site({ arrays, inverters, meters }), weather, bins);
    const held = runYield(site({ arrays, inverters, meters, exportLimitW: 3000 }), weather, bins);
    const each = runYield(site({ arrays, inverters: inverters.map((own) => ({ ...own, exportLimitW: 1500 })), meters }), weather, bins);
    const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);
    expect(Math.max(...held.expectedKwh)).toBeCloseTo(3, 9);
    const over = free.expectedKwh.reduce((all, kwh) => all + Math.max(0, kwh - 3), 0);
    expect(sum(held.accountsKwh.curtailment)).toBeCloseTo(over, 6);
    expect(sum(held.expectedByBinKwh)).toBeCloseTo(sum(held.expectedKwh), 6);
    // East and west peak at other hours: two half limits cut more than one whole.
    expect(sum(each.accountsKwh.curtailment)).toBeGreaterThan(1.2 * over);
  });

  it("in the heat the rating falls, the more the warmer the inverter hangs", () => {
    const warm = { ...weather, airTempC: new Float64Array(axis.count).fill(40) };
    const held = (heatDerating: { fromC: number; perKFrac: number; overAirK?: number } | null) =>
      total({ inverters: [{ ...inverter, acRatedW: 4000, heatDerating }] }, warm);
    const [never, shade, wall] = [null, { fromC: 35, perKFrac: 0.03 }, { fromC: 35, perKFrac: 0.03, overAirK: 10 }].map(held);
    expect(never!.accountsKwh.derating).toBe(0);
    expect(shade!.accountsKwh.derating).toBeGreaterThan(0.2 * never!.accountsKwh.clipping);
    expect(wall!.accountsKwh.derating).toBeGreaterThan(shade!.accountsKwh.derating);
    expect(wall!.accountsKwh.clipping).toBeCloseTo(never!.accountsKwh.clipping, 9);
    const run = runYield(
      site({ inverters: [{ ...inverter, acRatedW: 4000, heatDerating: { fromC: 35, perKFrac: 0.03 } }], losses: { acWiringFrac: 0 } }),
      warm,
      bins,
    );
    expect(Math.max(...run.expectedKwh)).toBeCloseTo(4 * (1 - 0.03 * 5), 6);
    // Not a degree too early.
    expect(held({ fromC: 40, perKFrac: 0.03 }).accountsKwh.derating).toBe(0);
  });

  it("a transformer draws day and night, and the balance holds", () => {
    const sum = total({ inverters: [inverter], losses: { transformerNoLoadW: 25 } });
    const without = total({ inverters: [inverter] });
    expect(sum.accountsKwh.transformer - without.accountsKwh.transformer).toBeCloseTo((25 / 1000) * axis.count, 6);
    expect(without.expectedKwh - sum.expectedKwh).toBeCloseTo((25 / 1000) * axis.count, 6);
    const accounts = MODEL_ACCOUNTS.reduce((all, account) => all + sum.accountsKwh[account], 0);
    expect(sum.referenceKwh - accounts).toBeCloseTo(sum.expectedKwh, 6);
  });

  it("a night draw is owed to the meter in the dark, and the balance holds", () => {
    const sum = total({ inverters: [{ ...inverter, nightDrawW: 10 }] });
    expect(total({}).expectedKwh - sum.expectedKwh).toBeCloseTo((10 / 1000) * darkHours(), 1);
    const accounts = MODEL_ACCOUNTS.reduce((all, account) => all + sum.accountsKwh[account], 0);
    expect(sum.referenceKwh - accounts).toBeCloseTo(sum.expectedKwh, 6);
  });

  const darkHours = (): number => weather.ghiWm2!.filter((ghi) => ghi === 0).length;
});

describe("peaks inside an hour", () => {
  it("are cut: hours with the correction come nearer to minutes than hours without", () => {
    const fine = hours("2023-06-01T00:00Z", 30 * 24 * 12, 5);
    const minutes = clearWeather(fine, place, 0.75);
    // Broken cloud in the afternoon: light swings within the hour about half of the clear sky.
    for (let i = 0; i < fine.count; i++) if (i % 288 > 144) minutes.ghiWm2![i]! *= 0.66 + 0.4 * Math.sin(i * 1.3) * Math.cos(i * 0.37);
    const coarse = hours("2023-06-01T00:00Z", 30 * 24);
    const hourly: Weather = {
      ...clearWeather(coarse, place),
      ghiWm2: Float64Array.from(
        { length: coarse.count },
        (_, h) => minutes.ghiWm2!.subarray(h * 12, h * 12 + 12).reduce((a, b) => a + b, 0) / 12,
      ),
    };
    const clipping = (from: Weather, subHourlyClipping: "corrected" | "ignored") => {
      const s = site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 3600 }], models: { subHourlyClipping } });
      return runYield(s, from, monthBins(from.axis, "UTC")).accountsKwh.clipping.reduce((a, b) => a + b, 0);
    };
    const truth = clipping(minutes, "ignored");
    expect(Math.abs(clipping(hourly, "corrected") - truth)).toBeLessThan(Math.abs(clipping(hourly, "ignored") - truth));
  });
});

it("a site in polar night owes nothing, and the polar day is lit all round", () => {
  const north = { latitudeDeg: 80, longitudeDeg: 15, timeZone: "UTC" };
  const sky = clearWeather(axis, north, 0.6);
  const lines = yieldLines(runYield(site({ place: north }), sky, bins));
  expect(lines[11]!.expectedKwh).toBe(0);
  expect(lines[5]!.expectedKwh).toBeGreaterThan(300);
});

it("more tilt never changes the reference of a horizontal plane: azimuth means nothing to it", () => {
  const flat = (azimuthDeg: number) => total({ arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 0, azimuthDeg }] }).referenceKwh;
  expect(flat(180)).toBeCloseTo(flat(37), 9);
});
