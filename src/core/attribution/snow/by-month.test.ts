import { handMadeFrame } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { monthSnow } from "./by-month";

const DAYS = 365;
const monthOf = (i: number): number => new Date(Date.UTC(2023, 0, 1, i)).getUTCMonth();
/** Snow falls on the first of February and lies in frost; all else is bare. */
const airTempC = (i: number): number => (monthOf(i) === 1 ? -20 : monthOf(i) === 0 || monthOf(i) === 11 ? 0 : 15);
const snowDepthCm = (i: number): number => (monthOf(i) === 1 ? 20 : 0);
const read = (share: (month: number) => number, parts: Partial<Parameters<typeof handMadeFrame>[0]> = {}) => {
  const frame = handMadeFrame({ days: DAYS, airTempC, snowDepthCm, metered: (i, kwh) => share(monthOf(i)) * kwh, ...parts });
  const snow = monthSnow(frame);
  const lost = [...snow.lostFrac].reduce((sum, frac, i) => sum + frac * frame.openKwh[i]!, 0);
  return { frame, snow, lost };
};
const FEBRUARY_KWH = 28 * 12 * 4;

describe("snow where only months are known", () => {
  it("is what a white month lacks against the others, laid on the hours under snow", () => {
    const { snow, lost } = read((month) => (month === 1 ? 0.6 : 1));
    expect(lost).toBeCloseTo(0.4 * FEBRUARY_KWH, 6);
    expect(snow.lostFrac.every((frac, i) => frac === 0 || monthOf(i) === 1)).toBe(true);
    expect(snow.covered[31 * 24 + 12]).toBe(1);
    expect(snow.covered[100 * 24 + 12]).toBe(0);
    expect(snow.spells.length).toBeGreaterThan(0);
  });

  it("what is usual is the plant's own", () => {
    expect(read((month) => (month === 1 ? 0.54 : 0.9)).lost * 0.9).toBeCloseTo(0.36 * FEBRUARY_KWH, 6);
  });

  it("less than half a hundredth is none, and more than usual is none", () => {
    expect(read((month) => (month === 1 ? 0.994 : 1)).lost).toBeGreaterThan(0);
    expect(read((month) => (month === 1 ? 0.996 : 1)).lost).toBe(0);
    expect(read((month) => (month === 1 ? 1.1 : 1)).lost).toBe(0);
  });

  it("a month that was not read whole tells nothing", () => {
    const gap = (month: number) =>
      read((m) => (m === 1 ? 0.6 : 1), {
        metered: (i, kwh) => (monthOf(i) === month && i % 24 === 12 ? Number.NaN : (monthOf(i) === 1 ? 0.6 : 1) * kwh),
      }).lost;
    expect(gap(1)).toBe(0);
    expect(gap(6)).toBeCloseTo(0.4 * FEBRUARY_KWH, 6);
  });

  it("a model that is off in the cold takes four hundredths from it at most", () => {
    // Warm months give all, cold bare ones nine tenths: February is colder still.
    const { lost } = read((month) => (month === 1 ? 0.6 : month === 0 || month === 11 ? 0.9 : 1));
    const usual = 1 - 0.04;
    expect(lost).toBeCloseTo((FEBRUARY_KWH * (usual - 0.6)) / usual, 4);
  });

  it("without a bare month nothing is usual", () => {
    const { lost } = read(() => 0.6, { days: 28, snowDepthCm: () => 20, airTempC: () => -20 });
    expect(lost).toBe(0);
  });
});
