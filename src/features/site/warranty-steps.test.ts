import { describe, expect, it } from "vitest";
import { stepsOf, stepsText } from "./warranty-steps";

describe("steps of a warranty as they are typed", () => {
  it.each([
    [
      "10: 90, 25: 80",
      [
        { untilYears: 10, frac: 0.9 },
        { untilYears: 25, frac: 0.8 },
      ],
    ],
    [
      "10 years 92.5 %; 25 years: 83%",
      [
        { untilYears: 10, frac: 0.925 },
        { untilYears: 25, frac: 0.83 },
      ],
    ],
    ["", []],
  ])("%s", (text, steps) => {
    expect(stepsOf(text)).toEqual(steps);
  });

  it.each(["10", "ten: 90", "10: 90, soon"])("%s is none, and is not made into one", (text) => {
    expect(stepsOf(text)).toBeNull();
  });

  it("come back as they were written", () => {
    expect(stepsText(stepsOf("10: 90, 25: 80.7")!)).toBe("10: 90, 25: 80.7");
  });
});
