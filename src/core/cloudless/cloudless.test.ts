import { randomPlant, simulateWeather, simulateWithTruth } from "@simulators";
import { describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import { monthBins } from "../time";
import { clearSkyWeather } from "../weather";
import { runYield } from "../yield";
import { type CloudlessReading, readCloudless } from ".";

const documentOf = (k: number) => ({ ...siteSchema.parse(randomPlant(k).site), commissioned: "2016-06-01" });
const axisOf = (years: number) => ({ startUtcMs: Date.UTC(2018, 0, 1), stepMinutes: 60, count: Math.round(years * 8766) });

/** What a plant's meter alone tells, of a sky with clouds, haze and warm and cold spells that the reader never sees. */
function read(k: number, { years = 5, ageingPerYearFrac = 0.006, turnDeg = 0 } = {}): CloudlessReading {
  const plant = randomPlant(k);
  const site = documentOf(k);
  const axis = axisOf(years);
  const weather = simulateWeather({ ...plant.climate, hasClearDays: true }, site.place, axis, plant.seed);
  const truth = {
    toleranceFrac: -0.01,
    ageingPerYearFrac,
    soilingPerDayFrac: 0,
    cleaningRainMm: 5,
    cleanings: [],
    outages: [],
    lost: [],
    meterGainFrac: 0,
  };
  const turned = { ...site, arrays: site.arrays.map((array) => ({ ...array, azimuthDeg: (array.azimuthDeg + turnDeg + 360) % 360 })) };
  const { energyKwh } = simulateWithTruth(turned, truth, weather);
  return readCloudless({
    site,
    axis,
    meters: [{ meterId: site.meters[0]!.id, quantity: "energy_kwh", axis, values: energyKwh }],
    draws: 300,
    seed: 4,
  });
}

describe("clear days of the meter alone", () => {
  it.each([1, 2, 3])("tell plant %i's ageing with an interval that holds it, and one that ages faster apart", (k) => {
    const [slow, fast] = [read(k, { ageingPerYearFrac: 0.003 }), read(k, { ageingPerYearFrac: 0.012 })];
    for (const [{ ageing }, truth] of [
      [slow, 0.003],
      [fast, 0.012],
    ] as const) {
      expect(ageing!.low).toBeLessThan(truth);
      expect(ageing!.high).toBeGreaterThan(truth);
      expect(ageing!.high - ageing!.low).toBeLessThan(0.03);
    }
    expect(fast.ageing!.perYearFrac - slow.ageing!.perYearFrac).toBeCloseTo(0.009, 2);
    expect([slow.turn, fast.turn]).toEqual([null, null]);
  });

  it.each([0, 2])("show that plant %i looks otherwise than the book has it", (k) => {
    const { turn } = read(k, { years: 3, turnDeg: 25 });
    expect(turn!.low).toBeLessThan(25);
    expect(turn!.high).toBeGreaterThan(25);
    expect(turn!.high - turn!.low).toBeLessThan(12);
  });

  it("tell no rate of a year and a half", () => {
    expect(read(1, { years: 1.2 }).ageing).toBeNull();
  });
});

describe("what a clear day is", () => {
  const document = documentOf(1);
  // No ceiling comes before the sun.
  const site = { ...document, inverters: document.inverters.map((inverter) => ({ ...inverter, acRatedW: 3 * inverter.acRatedW })) };
  const axis = axisOf(0.5);
  const { expectedKwh } = runYield(site, clearSkyWeather(axis, site.place), monthBins(axis, site.place.timeZone));
  const morning = 100 * 24 + 8;
  const clearDays = (spoil: (values: Float64Array) => void): number => {
    const values = expectedKwh.map((kwh) => 0.9 * kwh);
    spoil(values);
    return readCloudless({
      site,
      axis,
      meters: [{ meterId: site.meters[0]!.id, quantity: "energy_kwh", axis, values }],
      draws: 10,
      seed: 1,
    }).clearDays;
  };
  const all = clearDays(() => {});

  it("has no hour that bends out of the others by more than a thirtieth", () => {
    const bent = (frac: number) =>
      clearDays((values) => {
        values[morning] = values[morning]! * (1 - frac);
      });
    expect([all - bent(0.03), all - bent(0.045)]).toEqual([0, 1]);
  });

  it("gives what the best of its season give, a twentieth less at the most", () => {
    const dim = (frac: number) =>
      clearDays((values) => {
        for (let i = 100 * 24; i < 101 * 24; i++) values[i] = values[i]! * (1 - frac);
      });
    expect([all - dim(0.04), all - dim(0.06)]).toEqual([0, 1]);
  });

  it("was read in all its bright hours", () => {
    const unread = clearDays((values) => {
      values[morning] = Number.NaN;
    });
    expect(all - unread).toBe(1);
  });

  it("has nothing out: an eighth less than the same season of other years is no ageing", () => {
    const long = axisOf(2.2);
    const run = runYield(site, clearSkyWeather(long, site.place), monthBins(long, site.place.timeZone)).expectedKwh;
    const daysWith = (lowFrac: number): number => {
      const values = run.map((kwh, i) => (i >= 400 * 24 && i < 530 * 24 ? 0.9 * (1 - lowFrac) * kwh : 0.9 * kwh));
      return readCloudless({
        site,
        axis: long,
        meters: [{ meterId: site.meters[0]!.id, quantity: "energy_kwh", axis: long, values }],
        draws: 10,
        seed: 1,
      }).clearDays;
    };
    // At its ends such a stretch lies beside better days, and goes with them.
    const [tenth, eighth] = [daysWith(0) - daysWith(0.1), daysWith(0) - daysWith(0.13)];
    expect(tenth).toBeLessThan(60);
    expect(eighth - tenth).toBeGreaterThan(40);
  });
});
