import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { meterMonths } from "./meter-months";

const roof = site({
  arrays: [
    { id: "a", module: "m", count: 10, tiltDeg: 30, azimuthDeg: 180 },
    { id: "b", module: "m", count: 10, tiltDeg: 30, azimuthDeg: 180 },
  ],
  inverters: [{ id: "i", arrays: ["a", "b"], acRatedW: 6000 }],
  meters: [
    { id: "east", point: "ac", arrays: ["a"] },
    { id: "west", point: "dc", arrays: ["b"] },
    { id: "house", point: "import", arrays: [] },
  ],
});
const hourly = (meterId: string, hours: number, value: number, gapFrom = hours) => ({
  ...{ quantity: "energy_kwh" as const, meterId },
  axis: { startUtcMs: Date.UTC(2025, 0, 1) - 3_600_000, stepMinutes: 60, count: hours },
  values: Float64Array.from({ length: hours }, (_, i) => (i < gapFrom ? value : Number.NaN)),
});
const span = (meterId: string, from: string, to: string, kwh: number) => ({
  ...{ meterId, kwh },
  fromUtcMs: Date.parse(from),
  toUtcMs: Date.parse(to),
});

describe("months of meters", () => {
  it("are those that were read nearly whole, on the site's clock", () => {
    // January whole, February half.
    const found = meterMonths(roof, [hourly("east", 24 * 45, 0.5)], []);
    expect(found).toEqual([{ meterId: "east", months: [{ key: "2025-01", kwh: 24 * 31 * 0.5 }] }]);
  });

  it("are typed totals where these are a month, and those stand over intervals", () => {
    const typed = [
      span("west", "2025-01-31T23:00Z", "2025-02-28T23:00Z", 300),
      span("west", "2025-03-05T00:00Z", "2025-04-05T00:00Z", 400),
      span("east", "2024-12-31T23:00Z", "2025-01-31T23:00Z", 123),
      span("house", "2024-12-31T23:00Z", "2025-01-31T23:00Z", 55),
    ];
    const found = meterMonths(roof, [hourly("east", 24 * 31, 0.5)], typed);
    expect(found).toEqual([
      { meterId: "east", months: [{ key: "2025-01", kwh: 123 }] },
      { meterId: "west", months: [{ key: "2025-02", kwh: 300 }] },
    ]);
  });

  it("are not made of a month with a gap", () => {
    const short = hourly("east", 24 * 31, 0.5, 24 * 29);
    expect(meterMonths(roof, [short], [])).toEqual([]);
  });
});
