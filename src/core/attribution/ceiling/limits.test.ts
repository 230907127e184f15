import { near } from "@test/near";
import { describe, expect, it } from "vitest";
import type { MeterSeries } from "../../ledger";
import { ceilingEvidence, timeAtCeiling } from "./detect";

/** Readings of a quarter hour, kWh: an even spread up to nine tenths, and what is put on top of it. */
const meter = (top: readonly number[], { spread = 900, stepMinutes = 15, meterId = "main" } = {}): MeterSeries => {
  const values = Float64Array.from([...Array.from({ length: spread }, (_, k) => (0.9 * (k + 1)) / spread), 0, 0, Number.NaN, ...top]);
  return { meterId, quantity: "energy_kwh", axis: { startUtcMs: 0, stepMinutes, count: values.length }, values };
};
const times = (count: number, value: number): number[] => new Array<number>(count).fill(value);
const found = (top: readonly number[], parts: Parameters<typeof meter>[1] = {}) => ceilingEvidence([meter(top, parts)]);

describe("a flat top", () => {
  it("holds forty steps, and says its power and its share of the bright ones", () => {
    expect(found(times(39, 1))).toBeNull();
    const evidence = found(times(60, 1))!;
    expect(evidence.powerW).toBeCloseTo(4000, 9);
    expect(evidence.heldSteps).toBe(60);
    // Bright is what exceeds three tenths of it: two thirds of the spread, and the top.
    expect(evidence.heldFrac).toBeCloseTo(60 / (601 + 60), 3);
  });

  it("needs eight hundred readings in all", () => {
    expect(found(times(60, 1), { spread: 739 })).toBeNull();
    expect(found(times(60, 1), { spread: 740 })).not.toBeNull();
  });

  it("holds three times what the bands beneath hold", () => {
    const beneath = (count: number) => found([...times(60, 1), ...Array.from({ length: count }, (_, k) => 0.965 + (0.012 * k) / count)]);
    expect(beneath(38)).not.toBeNull();
    expect(beneath(44)).toBeNull();
  });

  it("has next to nothing above it", () => {
    const above = (count: number) => found([...times(100, 1), ...times(count, 1.2)]);
    expect(above(5)!.powerW).toBeCloseTo(4000, 9);
    expect(above(6)).toBeNull();
  });

  it("is as wide as six thousandths on either side", () => {
    const scattered = (frac: number) => found(Array.from({ length: 100 }, (_, k) => 1 + (k % 2 === 0 ? frac : -frac)));
    expect(scattered(0.005)!.heldSteps).toBe(100);
    expect(scattered(0.011)?.heldSteps ?? 0).toBeLessThan(100);
  });

  it("shows in hours, and not in what is coarser", () => {
    expect(found(times(60, 1), { stepMinutes: 60 })!.powerW).toBeCloseTo(1000, 9);
    expect(found(times(60, 1), { stepMinutes: 90 })).toBeNull();
  });

  it("of several meters is that of their sum, where they run side by side", () => {
    const a = meter(times(60, 1));
    // Half a kilowatt-hour all the time, but for its last reading.
    const b = { ...a, meterId: "other", values: a.values.map((_, i) => (i === a.values.length - 1 ? 0.2 : 0.5)) };
    expect(ceilingEvidence([a, b])).toMatchObject({ powerW: near(6000, 9), heldSteps: 59 });
    // A step later its last reading stands beside nothing of the first.
    expect(ceilingEvidence([a, { ...b, axis: { ...b.axis, startUtcMs: 15 * 60_000 } }])!.heldSteps).toBe(60);
    expect(ceilingEvidence([a, meter(times(60, 1), { meterId: "other", stepMinutes: 30 })])).toBeNull();
    expect(ceilingEvidence([])).toBeNull();
  });

  it("its time is counted where readings are finer than hours", () => {
    const [quarters, hours] = [meter(times(60, 1)), meter(times(60, 1), { stepMinutes: 60 })];
    expect(timeAtCeiling(ceilingEvidence([quarters])!, [quarters])).toBe(15);
    expect(timeAtCeiling(ceilingEvidence([hours])!, [hours])).toBe(0);
  });
});
