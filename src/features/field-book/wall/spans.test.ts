import { describe, expect, it } from "vitest";
import { USUAL_TOLERANCE } from "@/core/readings";
import { isBelow, spanInWords } from "@/wording/wall";
import { spansRead, type WallBasis } from "./spans";

const basis: WallBasis = {
  days: ["2024-06-01", "2024-06-02"],
  expectedKwh: [40, 60],
  promiseKwh: [10, 20, 30, 40, 50, 900, 70, 60, 50, 40, 20, 10],
  commissioned: "2024-06-01",
};
const figures = { dayKwh: 20, lifetimeKwh: null, at: "2024-06-02T21:30", since: "2024-06-01", shareFrac: 1, soFarFrac: 1 };
const read = (dayKwh: number | null, lifetimeKwh: number | null, parts: { shareFrac?: number; soFarFrac?: number } = {}) =>
  spansRead(basis, { ...figures, dayKwh, lifetimeKwh, ...parts }, USUAL_TOLERANCE);

describe("a display beside what it should be", () => {
  it("has day and lifetime each over its own days", () => {
    const [day, lifetime] = read(58, 98);
    expect([day!.expected!.measureKwh, lifetime!.expected!.measureKwh]).toEqual([60, 100]);
    expect([day!.promise!.measureKwh, lifetime!.promise!.measureKwh]).toEqual([30, 60]);
    expect(spanInWords(day!)).toBe(
      "58.0 kWh on 2 June 2024: in tolerance, 97\u202f% of the 60.0 kWh that were expected, and 193\u202f% of the 30.0 kWh promised for those very days.",
    );
    expect(spanInWords(lifetime!)).toContain("98 kWh in 2 days, 49.0 kWh a day: in tolerance");
  });

  it("is below or above; above asks for nobody", () => {
    expect(read(30, null).map(isBelow)).toEqual([true]);
    expect(read(90, null).map(isBelow)).toEqual([false]);
    expect(spanInWords(read(90, null)[0]!)).toContain("above what was expected");
  });

  it("of one of several inverters is held against its share", () => {
    expect(read(30, null, { shareFrac: 0.5 })[0]!.expected!.within).toBe(true);
  });

  it("of a day that is not over is held against what has come by then; the lifetime is not", () => {
    const [day, lifetime] = read(29, 98, { soFarFrac: 0.5 });
    expect([day!.expected!.measureKwh, day!.promise!.measureKwh, lifetime!.expected!.measureKwh]).toEqual([30, 15, 100]);
    expect(spanInWords(day!)).toMatch(/^29\.0 kWh on 2 June 2024 by 21:30: in tolerance, .*, by then, as a cloudless day goes\.$/);
    expect(spanInWords(lifetime!)).not.toContain("by then");
  });

  it("without weather speaks of the promise, and without both of neither", () => {
    const dull = spansRead({ ...basis, days: [], expectedKwh: [] }, figures, USUAL_TOLERANCE);
    expect(spanInWords(dull[0]!)).toContain(
      "below the promise, 67\u202f% of the 30.0 kWh promised for those very days; no weather stands for them",
    );
    const nothing = spansRead({ ...basis, days: [], expectedKwh: [], promiseKwh: null }, figures, USUAL_TOLERANCE);
    expect(spanInWords(nothing[0]!)).toContain("Neither weather nor a promise stands in the book");
  });
});
