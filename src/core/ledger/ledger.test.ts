import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { monthBins } from "../time";
import { runYield } from "../yield";
import {
  designLosses,
  ledgerLines,
  lineState,
  type MeterSeries,
  meteredOnto,
  mostEnergyKwh,
  performanceIndex,
  performanceRatio,
  totalLine,
  verdictOf,
} from ".";

const plant = site();
const axis = hours("2023-02-28T23:00Z", 24 * 61 - 1);
const weather = clearWeather(axis, plant.place);
const run = runYield(plant, weather, monthBins(axis, plant.place.timeZone));
const promise = Array.from({ length: 12 }, (_, month) => 1000 + month);

const meter = (values: Float64Array, start = axis, quantity: MeterSeries["quantity"] = "energy_kwh"): MeterSeries => ({
  meterId: "main",
  quantity,
  axis: start,
  values,
});
const paying = (share: number) => meter(run.expectedKwh.map((kwh) => kwh * share));
const linesFor = (...meters: MeterSeries[]) => ledgerLines(run, meteredOnto(axis, meters, plant), promise);

describe("a ledger line", () => {
  it("closes: expected less data gaps less unexplained is metered", () => {
    const holed = paying(0.93);
    holed.values.fill(Number.NaN, 100, 200);
    for (const line of linesFor(holed)) {
      expect(line.expectedKwh - line.dataGapKwh - line.unexplainedKwh!).toBeCloseTo(line.meteredKwh!, 9);
    }
  });

  it("sets time without readings apart instead of calling it missing", () => {
    const holed = paying(1);
    holed.values.fill(Number.NaN, 24 * 5, 24 * 8);
    const [march] = linesFor(holed);
    expect(march!.dataGapKwh).toBeGreaterThan(50);
    expect(march!.unexplainedKwh).toBeCloseTo(0, 9);
    expect(march!.readFrac).toBeCloseTo(1 - march!.dataGapKwh / march!.expectedKwh, 12);
  });

  it("carries the promise of its calendar month", () => {
    expect(linesFor(paying(1)).map((line) => [line.key, line.promiseKwh])).toEqual([
      ["2023-03", 1002],
      ["2023-04", 1003],
    ]);
  });

  it("says nothing of the meter's side without readings", () => {
    const [march] = ledgerLines(run, null, null);
    expect([march!.meteredKwh, march!.unexplainedKwh, performanceIndex(march!)]).toEqual([null, null, null]);
    expect(lineState(march!, 0.05).kind).toBe("gap");
  });

  it("keeps metered energy that has no weather beside it out of the difference", () => {
    const blind = { ...weather, ghiWm2: weather.ghiWm2!.slice() };
    blind.ghiWm2.fill(Number.NaN, 24 * 31);
    const half = runYield(plant, blind, run.bins);
    const lines = ledgerLines(half, meteredOnto(axis, [paying(1)], plant), null);
    const april = lines[1]!;
    expect(april.unmatchedKwh).toBeGreaterThan(100);
    expect(Math.abs(april.unexplainedKwh!)).toBeLessThan(0.15 * april.expectedKwh + 1);
  });

  it("reads quarter-hours of power as the energy they are", () => {
    const quarters = { ...axis, stepMinutes: 15, count: axis.count * 4 };
    const watts = Float64Array.from({ length: quarters.count }, (_, i) => run.expectedKwh[Math.floor(i / 4)]! * 1000);
    const [march] = linesFor(meter(watts, quarters, "power_w"));
    expect(march!.meteredKwh).toBeCloseTo(march!.expectedKwh, 6);
  });
});

describe("the performance ratio", () => {
  /** A meter that gives the same share of every interval's light; its noons are lost for a month. */
  const even = meter(Float64Array.from(run.referenceStepKwh, (kwh) => 0.8 * kwh));
  for (let i = 0; i < axis.count; i++) {
    const hour = (i + 23) % 24;
    if (hour >= 10 && hour < 15) even.values[i] = Number.NaN;
  }

  it("of a span that was read in part stands on the light of what was read", () => {
    for (const line of linesFor(even)) {
      expect(performanceRatio(line)).toBeCloseTo(0.8, 6);
      // By the share of the expected energy it would be another: heat and weak light take more of some hours than of others.
      expect(Math.abs(line.meteredKwh! / (line.referenceKwh * line.readFrac) - 0.8)).toBeGreaterThan(0.001);
    }
  });

  it("is not told of a span of which nothing was read", () => {
    expect(performanceRatio(ledgerLines(run, null, promise)[0]!)).toBeNull();
  });

  it("reference energy of the intervals sums to that of the span", () => {
    const sum = run.referenceStepKwh.reduce((total, kwh) => total + kwh, 0);
    expect(sum / run.referenceKwh.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
    const [line] = linesFor(even);
    expect(line!.referenceGapKwh).toBeGreaterThan(0.3 * line!.referenceKwh);
  });
});

describe("totals and shares", () => {
  const lines = linesFor(paying(0.9));
  const all = totalLine("2023", lines);

  it("sum every column", () => {
    expect(all.expectedKwh).toBeCloseTo(lines[0]!.expectedKwh + lines[1]!.expectedKwh, 9);
    expect(all.promiseKwh).toBe(1002 + 1003);
  });

  it("take ratios of sums, never means of ratios", () => {
    expect(performanceIndex(all)).toBeCloseTo(all.meteredKwh! / all.expectedKwh, 12);
    expect(performanceIndex(all)).toBeCloseTo(0.9, 9);
  });

  it("post mismatch and all wiring on one account", () => {
    const { mismatch, dcWiring, acWiring } = all.accountsKwh;
    expect(designLosses(all).wiring).toBeCloseTo(mismatch + dcWiring + acWiring, 12);
  });
});

describe("the verdict", () => {
  const say = (share: number) => {
    const lines = linesFor(paying(share));
    return verdictOf(totalLine("2023", lines), lines, { page: 0.02, line: 0.05 });
  };

  it("is within what instruments can tell, to check beyond, short or over", () => {
    expect([0.99, 0.9, 1.1].map((share) => say(share).kind)).toEqual(["within", "to-check", "to-check"]);
  });

  it("before causes were sought all that is missing is unexplained", () => {
    expect(say(0.9)).toMatchObject({ isSought: false, largest: null, toCheckKeys: ["2023-04", "2023-03"] });
  });
});

it("no interval can hold more than the inverters or an enhanced sky allow", () => {
  expect(mostEnergyKwh(plant, 60)).toBeCloseTo(6.6, 9);
  expect(mostEnergyKwh(site({ inverters: [] }), 60)).toBeCloseTo(10.4, 9);
});

it("a row that no plant can make is a gap, not metered", () => {
  const spiked = paying(1);
  spiked.values[300] = 900;
  const [march] = linesFor(spiked);
  expect(march!.meteredKwh).toBeLessThan(march!.expectedKwh + 1);
});
