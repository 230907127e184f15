import { describe, expect, it } from "vitest";
import { asOrdered } from "./ordered";

/** Ten days of four steps each. */
const STEPS = 40;
const frame = {
  axis: { startUtcMs: 0, stepMinutes: 360, count: STEPS },
  days: {
    keys: Array.from({ length: 10 }, (_, d) => `2024-05-${String(d + 1).padStart(2, "0")}`),
    binOf: Int32Array.from({ length: STEPS }, (_, i) => Math.floor(i / 4)),
  },
} as unknown as Parameters<typeof asOrdered>[1];

function stood(...spans: [number, number][]) {
  const downFrac = new Float64Array(STEPS);
  for (const [from, to] of spans) downFrac.fill(1, from, to);
  return {
    outages: { downFrac, outages: spans.map(([from, to]) => ({ from, to })) },
    curtailed: { lostFrac: new Float64Array(STEPS), touched: new Uint8Array(STEPS), spells: [] },
  };
}

describe("standstill that was ordered from outside", () => {
  const limits = [{ from: "2024-05-03", to: "2024-05-04" }];

  it("is curtailment and not downtime", () => {
    const { outages, curtailed } = asOrdered(stood([8, 16], [24, 28]), frame, limits);
    expect(outages.outages).toEqual([{ from: 24, to: 28 }]);
    expect([...outages.downFrac.subarray(8, 16)]).toEqual(new Array(8).fill(0));
    expect([...curtailed.lostFrac.subarray(8, 16)]).toEqual(new Array(8).fill(1));
    expect(curtailed.spells).toEqual([{ from: 8, to: 16, powerKw: 0, days: 2 }]);
    expect(curtailed.touched.reduce((sum, on) => sum + on, 0)).toBe(8);
  });

  it("lies in the span for more than its half", () => {
    const half = stood([12, 20]);
    expect(asOrdered(half, frame, limits).curtailed.spells).toEqual([]);
    expect(asOrdered(stood([11, 20]), frame, limits).outages.outages).toEqual([]);
  });

  it("leaves all as it was where the book knows no limit", () => {
    const before = stood([8, 16]);
    const after = asOrdered(before, frame, []);
    expect([after.outages, after.curtailed]).toEqual([before.outages, before.curtailed]);
  });
});
