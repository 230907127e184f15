import { describe, expect, it } from "vitest";
import { usualMarks, usualSpans } from "./usual-spans";

const brought = (isUsual: boolean, fromUtcMs: number, toUtcMs: number) => ({ isUsual, fromUtcMs, toUtcMs });

describe("light of a usual year", () => {
  it("is what was brought last", () => {
    expect(usualSpans([brought(true, 0, 100), brought(false, 40, 60)])).toEqual([
      { fromUtcMs: 0, toUtcMs: 40 },
      { fromUtcMs: 60, toUtcMs: 100 },
    ]);
    expect(usualSpans([brought(false, 40, 60), brought(true, 0, 100)])).toEqual([{ fromUtcMs: 0, toUtcMs: 100 }]);
    expect(usualSpans([brought(true, 0, 100), brought(false, 0, 100)])).toEqual([]);
    expect(usualSpans([brought(true, 0, 50), brought(true, 25, 80)])).toEqual([
      { fromUtcMs: 0, toUtcMs: 25 },
      { fromUtcMs: 25, toUtcMs: 80 },
    ]);
  });

  it("marks the intervals of an axis", () => {
    const axis = { startUtcMs: 0, stepMinutes: 60, count: 4 };
    expect([...usualMarks(axis, [{ fromUtcMs: 3_600_000, toUtcMs: 3 * 3_600_000 }])!]).toEqual([0, 1, 1, 0]);
    expect(usualMarks(axis, [{ fromUtcMs: -9e6, toUtcMs: -1 }])).toBeNull();
    expect(usualMarks(axis, [])).toBeNull();
  });
});
