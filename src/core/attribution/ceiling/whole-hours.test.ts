import { handMadeFrame } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { seededUniform } from "../../statistics";
import { cutFracOfWholeHours } from "./whole-hours";

const DAYS = 300;
const CEILING = 10;
const uniform = seededUniform(7);
const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
const real = Float64Array.from(
  { length: DAYS * 24 },
  (_, i) => Math.max(0, 11.5 * Math.sin((((i % 24) - 6) / 12) * Math.PI)) * (0.75 + 0.25 * uniform()),
);
const read = (scatter: number) => {
  const frame = handMadeFrame({ days: DAYS, open: (i) => real[i]!, metered: (_, kwh) => Math.min(CEILING, kwh), ratedKwh: CEILING });
  // Light near a cloudless sky's swings little: what is cut is what lies above the ceiling.
  const ghiWm2 = frame.sun.up.map((up) => Math.max(0, 1098 * up * Math.exp(-0.059 / Math.max(0.01, up))));
  const expected = real.map((kwh) => kwh * (1 + scatter * normal()));
  const cut = cutFracOfWholeHours({ ...frame, weather: { ...frame.weather, ghiWm2 } }, expected, CEILING);
  return { cut, expected };
};
const above = real.reduce((sum, kwh) => sum + Math.max(0, kwh - CEILING), 0);

describe("what a ceiling cuts of whole hours under rough light", () => {
  it("is near what it was, where the light alone would have it half as much again", () => {
    const { cut, expected } = read(0.15);
    const byLight = expected.reduce((sum, kwh) => sum + Math.max(0, kwh - CEILING), 0);
    const ours = real.reduce((sum, kwh, i) => sum + (Number.isNaN(cut![i]!) ? 0 : (Math.min(CEILING, kwh) * cut![i]!) / (1 - cut![i]!)), 0);
    expect(byLight).toBeGreaterThan(1.4 * above);
    expect(Math.abs(ours / above - 1)).toBeLessThan(0.25);
  });

  it("is left to the law of the swing where light and meter agree, and where no light was read", () => {
    expect(read(0.03).cut).toBeNull();
    expect(cutFracOfWholeHours(handMadeFrame({ days: 30 }), new Float64Array(720), CEILING)).toBeNull();
  });
});
