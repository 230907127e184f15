import { readFileSync } from "node:fs";
import path from "node:path";
import { gunzipSync } from "node:zlib";
import { clearWeather, hours } from "@test/clear-weather";
import { reference } from "@test/paths";
import { expectNear } from "@test/reference-vectors";
import { site } from "@test/site-builder";
import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { MODEL_ACCOUNTS } from "../accounts";
import { dayBins, monthBins } from "../time";
import { runYield, type YieldRun } from ".";

const place = { latitudeDeg: 40, longitudeDeg: 0 };
const year = hours("2023-01-01T00:00Z", 8760);
const weather = clearWeather(year, place);
const months = monthBins(year, "Europe/Madrid");
const sum = (values: ArrayLike<number>): number => Array.from(values).reduce((a, b) => a + b, 0);

function gapOf(run: YieldRun, bin: number): number {
  const accounts = MODEL_ACCOUNTS.reduce((total, account) => total + run.accountsKwh[account][bin]!, 0);
  return run.referenceKwh[bin]! - accounts - run.expectedByBinKwh[bin]!;
}

describe("the chain", () => {
  it("balances: reference less all accounts is expected, in every month", () => {
    const run = runYield(site(), weather, months);
    run.bins.keys.forEach((key, bin) => {
      expect(Math.abs(gapOf(run, bin)), key).toBeLessThanOrEqual(1e-6 * Math.max(1, run.referenceKwh[bin]!));
    });
  });

  it("balances for any losses, tilt, azimuth and inverter", () => {
    const frac = fc.double({ min: 0, max: 0.5, noNaN: true });
    const plan = fc.record({
      tiltDeg: fc.integer({ min: 0, max: 90 }),
      azimuthDeg: fc.integer({ min: 0, max: 359 }),
      soilingFrac: frac,
      mismatchFrac: frac,
      acRatedW: fc.integer({ min: 500, max: 20_000 }),
    });
    const axis = hours("2023-06-01T00:00Z", 24 * 10);
    const ten = clearWeather(axis, place);
    const bins = dayBins(axis, "UTC");
    fc.assert(
      fc.property(plan, ({ tiltDeg, azimuthDeg, soilingFrac, mismatchFrac, acRatedW }) => {
        const run = runYield(
          site({
            arrays: [{ id: "a", module: "m", count: 20, tiltDeg, azimuthDeg }],
            losses: { soilingFrac, mismatchFrac },
            inverters: [{ id: "i", arrays: ["a"], acRatedW }],
          }),
          ten,
          bins,
        );
        expect(Math.abs(sum(bins.keys.map((_, bin) => gapOf(run, bin))))).toBeLessThanOrEqual(1e-6 * sum(run.referenceKwh));
      }),
      { numRuns: 30 },
    );
  });

  it("owes nothing at night", () => {
    const run = runYield(site(), weather, months);
    for (let i = 0; i < year.count; i++) if (weather.ghiWm2![i] === 0) expect(run.expectedKwh[i]).toBe(0);
  });

  it("scales the DC side exactly with the module count", () => {
    const of = (count: number) =>
      runYield(site({ arrays: [{ id: "a", module: "m", count, tiltDeg: 30, azimuthDeg: 180 }], inverters: [] }), weather, months);
    const [one, three] = [of(10), of(30)];
    expect(sum(three.expectedByBinKwh)).toBeCloseTo(3 * sum(one.expectedByBinKwh), 6);
  });

  it("gives the plane of a flat array its GHI", () => {
    const run = runYield(site({ arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 0, azimuthDeg: 90 }] }), weather, months);
    expect(sum(run.planeKwhM2)).toBeCloseTo(sum(weather.ghiWm2!) / 1000, -0.5);
    expect(Math.abs(sum(run.planeKwhM2) / (sum(weather.ghiWm2!) / 1000) - 1)).toBeLessThan(0.002);
  });

  it("never delivers more than the inverter's rating, and books the rest as clipping", () => {
    const small = runYield(site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 3000 }] }), weather, months);
    expect(Math.max(...small.expectedKwh)).toBeLessThanOrEqual(3);
    expect(sum(small.accountsKwh.clipping)).toBeGreaterThan(500);
  });

  it("holds each module's own inverter at its rating", () => {
    const run = runYield(site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 200, perModule: true }] }), weather, months);
    expect(Math.max(...run.expectedKwh)).toBeLessThanOrEqual(4);
    expect(Math.max(...run.expectedKwh)).toBeGreaterThan(3.9);
  });

  it("credits cold modules instead of charging them", () => {
    const cold = { ...weather, airTempC: new Float64Array(year.count).fill(-25) };
    expect(sum(runYield(site(), cold, months).accountsKwh.temperature)).toBeLessThan(0);
  });

  it("ages from commissioning on, and not without a date", () => {
    const aged = runYield(site({ commissioned: "2013-01-01" }), weather, months);
    const undated = runYield(site({ commissioned: null }), weather, months);
    expect(sum(undated.accountsKwh.ageing)).toBe(0);
    expect(sum(aged.accountsKwh.ageing) / sum(aged.referenceKwh)).toBeGreaterThan(0.04);
  });

  it("leaves an interval without weather missing, and out of every sum", () => {
    const holed = { ...weather, ghiWm2: weather.ghiWm2!.slice() };
    holed.ghiWm2.fill(Number.NaN, 0, 24 * 90);
    const run = runYield(site(), holed, months);
    expect(run.expectedKwh[12]).toBeNaN();
    expect(run.referenceKwh[0]).toBe(0);
    expect(Math.abs(gapOf(run, 3))).toBeLessThan(1e-6);
  });
});

describe("a dated site", () => {
  it("is read as it stood: a revision counts from its day on", () => {
    const turned = site({ revisions: [{ from: "2023-07-01", change: { arrays: [{ id: "a", azimuthDeg: 270 }] } }] });
    const [before, after] = [runYield(site(), weather, months), runYield(turned, weather, months)];
    const same = (month: string) => after.referenceKwh[months.keys.indexOf(month)]! / before.referenceKwh[months.keys.indexOf(month)]!;
    expect(same("2023-06")).toBe(1);
    expect(same("2023-10")).toBeLessThan(0.9);
  });

  it("follows a yearly schedule of tilts", () => {
    const rack = site({
      arrays: [
        {
          id: "a",
          module: "m",
          count: 20,
          tiltDeg: 30,
          azimuthDeg: 180,
          tiltSchedule: [
            { from: "03-20", tiltDeg: 10 },
            { from: "09-22", tiltDeg: 60 },
          ],
        },
      ],
    });
    const at = (tiltDeg: number) =>
      runYield(site({ arrays: [{ id: "a", module: "m", count: 20, tiltDeg, azimuthDeg: 180 }] }), weather, months).referenceKwh;
    const run = runYield(rack, weather, months).referenceKwh;
    expect(run[months.keys.indexOf("2023-01")]).toBeCloseTo(at(60)[months.keys.indexOf("2023-01")]!, 9);
    expect(run[months.keys.indexOf("2023-06")]).toBeCloseTo(at(10)[months.keys.indexOf("2023-06")]!, 9);
  });
});

interface YearVectors {
  input: { latitudeDeg: number; longitudeDeg: number; albedo: number };
  orientations: { tiltDeg: number; surfaceAzimuthDeg: number; models: { hayDavies: { monthly: { poaKwhM2: number[] } } } }[];
}

describe("a year of three places", () => {
  const folder = path.join(reference, "year");
  for (const name of ["alpine47", "north37", "south31"]) {
    const vectors = JSON.parse(readFileSync(path.join(folder, `year-${name}.json`), "utf8")) as YearVectors;
    const { data } = Papa.parse<Record<string, number>>(gunzipSync(readFileSync(path.join(folder, `year-${name}.csv.gz`))).toString(), {
      header: true,
      dynamicTyping: true,
      skipEmptyLines: true,
    });
    const column = (key: string) => Float64Array.from(data, (row) => row[key]!);
    const axis = hours("2019-01-01T00:00Z", data.length);
    const measured = {
      axis,
      ghiWm2: column("ghiWm2"),
      dniWm2: column("dniWm2"),
      dhiWm2: column("dhiWm2"),
      poaWm2: null,
      airTempC: column("airTempC"),
      windSpeedMs: column("windSpeedMs"),
    };
    for (const { tiltDeg, surfaceAzimuthDeg, models } of vectors.orientations) {
      it(`${name} at tilt ${tiltDeg} facing ${surfaceAzimuthDeg} agrees month by month in the plane`, () => {
        const { latitudeDeg, longitudeDeg, albedo } = vectors.input;
        const there = site({
          place: { latitudeDeg, longitudeDeg, timeZone: "UTC" },
          albedo,
          arrays: [{ id: "a", module: "m", count: 1, tiltDeg, azimuthDeg: surfaceAzimuthDeg }],
        });
        const run = runYield(there, measured, monthBins(axis, "UTC"));
        models.hayDavies.monthly.poaKwhM2.forEach((expected, month) => {
          expectNear(run.planeKwhM2[month]!, expected, { relative: 0.003 }, `${name} month ${month + 1}`);
        });
      });
    }
  }
});
