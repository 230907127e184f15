import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { MeteredOnAxis } from "../../ledger";
import { prepareWeather } from "../../yield";
import { attributionFrame } from "./frame";

const plant = site();
const axis = hours("2023-06-01T00:00Z", 48);
const weather = clearWeather(axis, plant.place);
const metered = (parts: Partial<MeteredOnAxis> = {}): MeteredOnAxis => ({
  kwh: new Float64Array(48).fill(1),
  readFrac: new Float32Array(48).fill(1),
  caughtUpRows: 0,
  impossibleRows: 0,
  split: new Uint8Array(48),
  ...parts,
});
const frame = (parts: Partial<MeteredOnAxis> = {}, light = weather, of = plant) =>
  attributionFrame(of, prepareWeather(of.place, light), metered(parts));

describe("what a search reads", () => {
  it("an hour is read where all of it was, by no share of a longer span than a day", () => {
    const readFrac = new Float32Array(48).fill(1);
    [readFrac[3], readFrac[4], readFrac[5]] = [0.9989, 0.9991, 0];
    expect([...frame({ readFrac }).read.subarray(2, 7)]).toEqual([1, 0, 1, 0, 1]);
    const split = new Uint8Array(48);
    [split[3], split[4]] = [1, 2];
    expect([...frame({ split }).read.subarray(2, 6)]).toEqual([1, 0, 1, 1]);
  });

  it("an hour is lit where its light was measured", () => {
    const ghiWm2 = weather.ghiWm2!.slice();
    ghiWm2[12] = Number.NaN;
    const { lit } = frame({}, { ...weather, ghiWm2 });
    expect([lit[11], lit[12], lit[13]]).toEqual([1, 0, 1]);
  });

  it("clearness is light over that of a cloudless sky, and one where there is none", () => {
    const clear = frame();
    const half = frame({}, { ...weather, ghiWm2: weather.ghiWm2!.map((ghi) => ghi / 2) });
    expect(half.clearness[12]! / clear.clearness[12]!).toBeCloseTo(0.5, 9);
    expect([clear.clearness[0], half.clearness[0]]).toEqual([1, 1]);
    expect(clear.clearness[12]!).toBeGreaterThan(0.8);
    expect(clear.clearness[12]!).toBeLessThan(1.2);
  });

  it("rated is what the inverters give, or the modules where that is less", () => {
    expect(frame().ratedKwh).toBe(6);
    const large = site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 20_000, ratedEfficiencyFrac: 0.97 }] });
    expect(frame({}, weather, large).ratedKwh).toBe(8);
    expect(frame({}, weather, { ...plant, inverters: [] }).ratedKwh).toBe(8);
  });

  it("is as fine as what most of it was read by", () => {
    const of = (hoursRead: number, months: number, days: number) => {
      const split = Uint8Array.from({ length: 48 }, (_, i) => (i < hoursRead ? 0 : i < hoursRead + months ? 1 : 2));
      const readFrac = Float32Array.from({ length: 48 }, (_, i) => (i < hoursRead + months + days ? 1 : 0));
      return frame({ split, readFrac }).resolution;
    };
    expect([of(10, 5, 5), of(5, 10, 5), of(5, 5, 10)]).toEqual(["hours", "months", "days"]);
    expect([of(10, 10, 5), of(10, 5, 10), of(0, 10, 10), of(0, 10, 9)]).toEqual(["hours", "hours", "days", "months"]);
  });
});
