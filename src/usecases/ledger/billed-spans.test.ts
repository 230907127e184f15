import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { billedSpans } from "./billed-spans";
import { openLedger } from "./open-ledger";

const bill = (from: string, to: string, productionKwh: number | null) => ({ from, to, productionKwh });
const roof = site({ commissioned: "2024-01-01", promise: { monthlyKwh: new Array<number>(12).fill(400) } });
const nothing = { production: [], sparse: { spans: [], counters: [] } };
const bills = [
  bill("2023-12-01", "2023-12-31", 111),
  bill("2024-01-01", "2024-01-31", 210),
  bill("2024-02-01", "2024-02-29", null),
  bill("2024-03-01", "2024-03-31", 420),
];

describe("production that bills print", () => {
  it("is the reading of the meter of the whole site, day for day, and none before it stood", () => {
    const spans = billedSpans(bills, roof, nothing);
    expect(spans.map(({ meterId, kwh }) => [meterId, kwh])).toEqual([
      ["main", 210],
      ["main", 420],
    ]);
    // Madrid's midnight, and the first hour of summer time.
    expect(new Date(spans[1]!.fromUtcMs).toISOString()).toBe("2024-02-29T23:00:00.000Z");
    expect(new Date(spans[1]!.toUtcMs).toISOString()).toBe("2024-03-31T22:00:00.000Z");
  });

  it("steps back where the book has readings, or no meter of the whole", () => {
    expect(billedSpans(bills, roof, { ...nothing, production: [{ meterId: "main" }] })).toEqual([]);
    const typed = { spans: [{ meterId: "main", fromUtcMs: 0, toUtcMs: 1, kwh: 1 }], counters: [] };
    expect(billedSpans(bills, roof, { ...nothing, sparse: typed })).toEqual([]);
    expect(billedSpans(bills, site({ meters: [{ id: "export", point: "export", arrays: [] }] }), nothing)).toEqual([]);
  });

  it("is held against the promise without any weather", () => {
    const spans = billedSpans(bills, roof, nothing);
    const { report } = openLedger({ site: roof, weather: [], production: [], promise: null, sparse: { spans, counters: [] } });
    expect(report.months.map(({ key, meteredKwh }) => [key, meteredKwh === null ? null : Math.round(meteredKwh * 1e6) / 1e6])).toEqual([
      ["2024-01", 210],
      ["2024-02", null],
      ["2024-03", 420],
    ]);
  });
});
