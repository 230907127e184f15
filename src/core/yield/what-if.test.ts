import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { packWeather, unpackWeather } from "@/contracts/weather-wire";
import { bestPlane, withoutHoles } from "@/features/yield/map-grid";
import { wordsOf } from "@/features/yield/what-if-words";
import { monthBins } from "../time";
import {
  applyWhatIf,
  expectedUncertainty,
  litSky,
  planeEnergyKwh,
  planeTerms,
  prepareWeather,
  runPrepared,
  runYield,
  typicalYear,
  yieldLines,
  yieldSum,
} from ".";

const place = { latitudeDeg: 40, longitudeDeg: 0 };
const axis = hours("2023-01-01T00:00Z", 8760);
const weather = clearWeather(axis, place, 0.62);
// Clouds that come and go, so that every branch of the sky is lit.
for (let i = 0; i < axis.count; i++) weather.ghiWm2![i]! *= 0.35 + 0.65 * Math.abs(Math.sin(i * 0.7));
const bins = monthBins(axis, "UTC");
const prepared = prepareWeather(place as never, weather);
const kwhOf = (s: ReturnType<typeof site>) => yieldSum("2023", yieldLines(runPrepared(s, prepared, bins))).expectedKwh;

describe("a plant in one plane", () => {
  for (const transposition of ["hay-davies", "isotropic", "reindl", "perez"] as const) {
    it(`makes in one pass what the chain makes, by ${transposition}`, () => {
      for (const [tiltDeg, azimuthDeg] of [
        [0, 180],
        [35, 140],
        [70, 250],
        [90, 20],
      ] as const) {
        const s = site({ models: { transposition }, arrays: [{ id: "a", module: "m", count: 20, tiltDeg, azimuthDeg }] });
        const terms = planeTerms(s);
        const fast = planeEnergyKwh(litSky(s, prepared, { ...terms, mounting: "open-rack" }), terms, tiltDeg, azimuthDeg);
        expect(fast / kwhOf(s), `${tiltDeg}/${azimuthDeg}`).toBeCloseTo(1, 4);
      }
    });
  }

  it("refuses light that was measured in another plane", () => {
    const inPlane = prepareWeather(place as never, { ...weather, ghiWm2: null, poaWm2: weather.ghiWm2 });
    expect(() => litSky(site(), inPlane, { ratedW: 1, gammaPmpPerK: 0, mounting: "open-rack" })).toThrow(RangeError);
  });
});

describe("a what-if", () => {
  it("of nothing changes nothing", () => {
    expect(kwhOf(applyWhatIf(site(), { arrayId: null }) as ReturnType<typeof site>)).toBe(kwhOf(site()));
    expect(wordsOf({ arrayId: null })).toBe("");
  });

  it("overrules revisions and tilt schedules where it speaks, and nowhere else", () => {
    const dated = site({
      arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, tiltSchedule: [{ from: "03-20", tiltDeg: 10 }] }],
      revisions: [{ from: "2023-06-01", change: { arrays: [{ id: "a", azimuthDeg: 90, count: 10 }] } }],
    });
    const tried = applyWhatIf(dated, { arrayId: "a", tiltDeg: 40, azimuthDeg: 200 });
    expect(tried.arrays[0]).toMatchObject({ tiltDeg: 40, azimuthDeg: 200, tiltSchedule: [] });
    expect(tried.revisions[0]!.change.arrays).toEqual([{ id: "a", count: 10 }]);
  });

  it("speaks of one array when it names one", () => {
    const two = site({
      arrays: [
        { id: "a", module: "m", count: 10, tiltDeg: 30, azimuthDeg: 90 },
        { id: "b", module: "m", count: 10, tiltDeg: 30, azimuthDeg: 270 },
      ],
      inverters: [],
      meters: [],
    });
    expect(applyWhatIf(two, { arrayId: "b", tiltDeg: 5 }).arrays.map((array) => array.tiltDeg)).toEqual([30, 5]);
  });

  it("scales all inverters to a sum, each keeping its share", () => {
    const tried = applyWhatIf(site(), { arrayId: null, acRatedW: 3000 });
    expect(tried.inverters[0]!.acRatedW).toBe(3000);
  });

  it("gives less back when a cause is removed under clipping than the ledger posts for it", () => {
    const clipped = site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 3500 }], losses: { soilingFrac: 0.08 } });
    const run = (without: readonly "soiling"[]) => yieldSum("", yieldLines(runPrepared(clipped, prepared, bins, { without })));
    const base = run([]);
    const back = run(["soiling"]).expectedKwh - base.expectedKwh;
    expect(back).toBeGreaterThan(0);
    expect(back).toBeLessThan(0.9 * base.accountsKwh.soiling);
  });
});

describe("weather on its way to the browser", () => {
  it("arrives to the last bit, and gives the same months", () => {
    const arrived = unpackWeather(packWeather(prepared.weather, 0, axis.count).buffer);
    expect(arrived.axis).toEqual(axis);
    expect(arrived.ghiWm2).toEqual(prepared.weather.ghiWm2);
    expect(arrived.poaWm2).toBeNull();
    expect(runYield(site(), arrived, bins).expectedByBinKwh).toEqual(runPrepared(site(), prepared, bins).expectedByBinKwh);
  });

  it("can be a part of the whole", () => {
    const part = unpackWeather(packWeather(prepared.weather, 100, 148).buffer);
    expect([part.axis.count, part.ghiWm2![12], part.axis.startUtcMs]).toEqual([
      48,
      weather.ghiWm2![112],
      axis.startUtcMs + 100 * 3_600_000,
    ]);
  });
});

describe("how sure", () => {
  it("is a sum in quadrature, and grows with tilt and age", () => {
    const flat = expectedUncertainty(site({ arrays: [{ id: "a", module: "m", count: 1, tiltDeg: 0, azimuthDeg: 180 }] }), {
      inPlane: false,
      ageYears: 0,
      assumed: { air: false, wind: false },
      months: 12,
    });
    const steep = expectedUncertainty(site({ arrays: [{ id: "a", module: "m", count: 1, tiltDeg: 90, azimuthDeg: 180 }] }), {
      inPlane: false,
      ageYears: 9,
      assumed: { air: false, wind: false },
      months: 12,
    });
    expect(flat.standardFrac).toBeCloseTo(Math.hypot(...flat.parts.map((part) => part.standardFrac)), 12);
    expect(steep.standardFrac).toBeGreaterThan(flat.standardFrac);
  });

  it("of a typical year takes P90 under P50, and needs two years", () => {
    const expected = expectedUncertainty(site(), { inPlane: false, ageYears: 3, assumed: { air: false, wind: false }, months: 12 });
    expect(typicalYear([1000], expected)).toBeNull();
    const typical = typicalYear([1000, 1040, 980, 1010], expected)!;
    expect(typical.p50Kwh).toBe(1007.5);
    expect(typical.p90Kwh).toBeLessThan(typical.p50Kwh * (1 - 1.28 * expected.standardFrac));
  });
});

describe("the map of planes", () => {
  it("is shown whole from its first coarse part", () => {
    const part = new Float64Array(19 * 72).fill(Number.NaN);
    for (let t = 0; t < 19; t += 3) for (let a = 0; a < 72; a += 6) part[t * 72 + a] = t * 100 + a;
    const whole = withoutHoles(part);
    expect([...whole].some(Number.isNaN)).toBe(false);
    expect(whole[4 * 72 + 70]).toBe(300);
  });

  it("finds the best plane", () => {
    const kwh = new Float64Array(19 * 72);
    kwh[6 * 72 + 36] = 9;
    expect(bestPlane(kwh)).toEqual({ tiltDeg: 30, azimuthDeg: 180, kwh: 9 });
  });
});
