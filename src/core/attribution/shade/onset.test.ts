import { describe, expect, it } from "vitest";
import { type ClearHour, shadeOnset } from "./onset";

const STEPS = 4 * 365 * 24;
const hoursOf = (ratioAt: (step: number) => number): ClearHour[] =>
  Array.from({ length: 4 * 52 }, (_, week) => {
    const step = week * 7 * 24 + 9;
    return { step, ratio: ratioAt(step), year: String(2020 + Math.floor(week / 52)) };
  });
const fields = (ratioAt: (step: number) => number) => new Map([1, 2, 3].map((field) => [field, hoursOf(ratioAt)]));
const AT = 500 * 24;

describe("shade that begins on a day", () => {
  it("is told by the hours on both sides of it, to the week", () => {
    const onset = shadeOnset(
      fields((step) => (step >= AT ? 0.5 : 1)),
      STEPS,
    );
    expect(Math.abs(onset - AT)).toBeLessThan(8 * 24);
  });

  it.each([
    ["what stood all along has no beginning", () => 0.5],
    ["an open sky has none", () => 1],
    ["what went has none either: it was there at the start", (step: number) => (step < AT ? 0.5 : 1)],
    ["a little less is no shade", (step: number) => (step >= AT ? 0.9 : 1)],
  ])("%s", (_, ratioAt) => {
    expect(shadeOnset(fields(ratioAt), STEPS)).toBe(0);
  });
});
