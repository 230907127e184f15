import { at, axis, evidence, frame, zeros } from "@test/evidence-builder";
import { describe, expect, it } from "vitest";
import { upByMonth, upOfParts } from "./up-hours";

const AUGUST = [at(31), at(62)] as const;
const inverterOut = (from: number, to: number, kind: "inverter" | "strings" = "inverter") => ({
  from,
  to,
  lostFrac: 0.5,
  measuredFrac: 0.5,
  part: { kind, out: 1, of: 2 },
  restored: true,
});
const counted = [...frame.openKwh.keys()].filter(
  (i) => i >= AUGUST[0] && i < AUGUST[1] && frame.openKwh[i]! > 0.05 * frame.ratedKwh,
).length;

describe("hours in which a plant was up", () => {
  it("count from the light on at which inverters run, where they were read, and stand still", () => {
    const down = zeros().fill(1, at(31, 10), at(31, 12));
    const read = new Uint8Array(axis.count).fill(1);
    read.fill(0, at(31, 14), at(31, 16));
    const august = upByMonth(evidence({ frame: { ...frame, read }, outages: { downFrac: down, outages: [] } })).get("2021-08")!;
    expect(august).toEqual({ lit: counted - 2, up: counted - 4 });
    // Dawn and dusk owe something and are not counted.
    const lit = frame.openKwh.subarray(...AUGUST).filter((kwh) => kwh > 0).length;
    expect(counted).toBeLessThan(lit);
  });

  it("one of two inverters out for forty days is half of them down; a string out takes energy and no time", () => {
    const own = (kind: "inverter" | "strings") =>
      upByMonth(evidence({ frame: { ...frame, read: new Uint8Array(axis.count).fill(1) }, strings: [inverterOut(...AUGUST, kind)] })).get(
        "2021-08",
      )!;
    expect(own("inverter").up / own("inverter").lit).toBeCloseTo(0.5, 12);
    expect(own("strings").up).toBe(own("strings").lit);
  });

  it("are not told by monthly figures, which show no standstill", () => {
    const read = new Uint8Array(axis.count).fill(1);
    expect(upByMonth(evidence({ frame: { ...frame, read, resolution: "months" } })).size).toBe(0);
    expect(upByMonth(evidence({ frame: { ...frame, read, resolution: "days" } })).size).toBeGreaterThan(0);
  });

  it("of parts that are read apart are weighed by their rating, in months in which all were", () => {
    const of = (up: number, month = "2021-08") => new Map([[month, { up, lit: 100 }]]);
    const parts = [
      { ratedW: 30_000, up: of(100) },
      { ratedW: 10_000, up: of(20) },
    ];
    expect(upOfParts(parts)).toEqual(new Map([["2021-08", { up: 80, lit: 100 }]]));
    expect(upOfParts([parts[0]!, { ratedW: 10_000, up: of(20, "2021-09") }]).size).toBe(0);
    expect(upOfParts([]).size).toBe(0);
  });
});
