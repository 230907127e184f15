import { hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { type MeterSeries, meteredOnto, mostEnergyKwh } from ".";

const plant = site();
const axis = hours("2023-06-01T00:00Z", 48);
const series = (values: ArrayLike<number>, parts: Partial<MeterSeries> = {}): MeterSeries => ({
  meterId: "main",
  quantity: "energy_kwh",
  axis: { ...axis, count: values.length },
  values: Float64Array.from(values),
  ...parts,
});
const expectedKwh = Float64Array.from({ length: 48 }, (_, i) => (i % 24 >= 6 && i % 24 < 18 ? 1 : 0));
const flat = (kwh: number, count = 48): number[] => new Array<number>(count).fill(kwh);

describe("the most that a site delivers", () => {
  it("is a third over nameplate, or a tenth over the inverters where that is less", () => {
    expect(mostEnergyKwh(plant, 60)).toBeCloseTo(6.6, 12);
    expect(mostEnergyKwh(plant, 15)).toBeCloseTo(1.65, 12);
    const large = site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 20_000, ratedEfficiencyFrac: 0.97 }] });
    expect(mostEnergyKwh(large, 60)).toBeCloseTo(8 * 1.3, 12);
    expect(mostEnergyKwh({ ...plant, inverters: [] }, 60)).toBeCloseTo(8 * 1.3, 12);
  });
});

describe("meters on the model's axis", () => {
  it("are summed, and an interval that one of them misses is read by none", () => {
    const second = flat(2);
    second[5] = Number.NaN;
    const { kwh, readFrac, split } = meteredOnto(axis, [series(flat(1)), series(second, { meterId: "other" })], plant);
    expect([kwh[4], readFrac[4]]).toEqual([3, 1]);
    expect([kwh[5], readFrac[5]]).toEqual([Number.NaN, 0]);
    expect(split.every((flag) => flag === 0)).toBe(true);
  });

  it("of one alone are its own readings, not written to by what is taken out of them", () => {
    const only = series(flat(1));
    expect(meteredOnto(axis, [only], plant, { spans: [], expectedKwh }).kwh).toBe(only.values);
    const caughtUp = flat(1);
    caughtUp.fill(Number.NaN, 10, 13);
    caughtUp[13] = 12;
    const late = series(caughtUp);
    const { kwh, caughtUpRows } = meteredOnto(axis, [late], plant, { spans: [], expectedKwh });
    expect([kwh[10], kwh[13], caughtUpRows]).toEqual([3, 3, 1]);
    expect([...late.values]).toEqual(caughtUp);
  });

  it("without any there is nothing read", () => {
    const { kwh, readFrac } = meteredOnto(axis, [], plant);
    expect(readFrac.every((share) => share === 0)).toBe(true);
    expect(kwh.every(Number.isNaN)).toBe(true);
  });

  it("a meter that begins later leaves what is before unread", () => {
    const late = series(flat(1, 24), { axis: { ...axis, startUtcMs: axis.startUtcMs + 24 * 3_600_000, count: 24 } });
    const { readFrac } = meteredOnto(axis, [late], plant);
    expect([readFrac[23], readFrac[24]]).toEqual([0, 1]);
  });

  it("rows beyond what the site can give are counted and not believed", () => {
    const values = flat(1);
    values[10] = 100;
    const { kwh, impossibleRows, caughtUpRows } = meteredOnto(axis, [series(values)], plant);
    expect([impossibleRows, caughtUpRows]).toEqual([1, 0]);
    expect(kwh[10]).toBeNaN();
  });

  const span = (fromHour: number, toHour: number, kwh: number, meterId = "main") => ({
    meterId,
    fromUtcMs: axis.startUtcMs + fromHour * 3_600_000,
    toUtcMs: axis.startUtcMs + toHour * 3_600_000,
    kwh,
  });

  it("a span's energy is laid out by the expected shape where no finer reading stands", () => {
    const { kwh, readFrac, split } = meteredOnto(axis, [], plant, { spans: [span(0, 24, 24)], expectedKwh });
    expect([kwh[6], kwh[12], kwh[17], kwh[3]]).toEqual([2, 2, 2, 0]);
    expect([readFrac[12], readFrac[30]]).toEqual([1, 0]);
    expect(split[12]).toBeGreaterThan(0);
    expect(kwh[30]).toBeNaN();
  });

  it("and never over one", () => {
    const values = flat(Number.NaN);
    values.fill(0.5, 0, 24);
    const { kwh, split } = meteredOnto(axis, [series(values)], plant, { spans: [span(0, 48, 24)], expectedKwh });
    expect([kwh[12], split[12]]).toEqual([0.5, 0]);
    expect(split[36]).toBeGreaterThan(0);
  });

  it("stretches that are true in sum alone are laid out anew, their sum kept", () => {
    const values = flat(0.5);
    const evenly = [{ fromUtcMs: axis.startUtcMs + 24 * 3_600_000, toUtcMs: axis.startUtcMs + 48 * 3_600_000 }];
    const { kwh, split } = meteredOnto(axis, [series(values, { evenly })], plant, { spans: [], expectedKwh });
    expect([kwh[12], split[12]]).toEqual([0.5, 0]);
    expect(kwh.subarray(24).reduce((a, b) => a + b, 0)).toBeCloseTo(12, 9);
    expect([kwh[26], kwh[36]]).toEqual([0, 1]);
    expect(split[36]).toBeGreaterThan(0);
  });
});
