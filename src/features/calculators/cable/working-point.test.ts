import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { inSeriesOf, workingPoint } from "./working-point";

const sheet = { pmpW: 400, gammaPmpPerK: -0.0035, vmpV: 40, impA: 10 };
const book = (array: object = {}, inverter: object = {}) =>
  site({
    modules: { m: sheet },
    arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, ...array }],
    inverters: [{ id: "i", arrays: ["a"], acRatedW: 6000, ratedEfficiencyFrac: 0.97, ...inverter }],
  });
const at = (of: ReturnType<typeof book>, scope: "string" | "array", ownV: number | null = null) =>
  workingPoint(of, of.arrays[0]!, scope, ownV);

describe("what a cable carries in full light", () => {
  it("is a string's current at the sum of its modules' voltages, or all strings' together", () => {
    const two = book({ modulesPerString: 10 });
    expect(at(two, "string")).toEqual({ currentA: 10, voltageV: 400 });
    expect(at(two, "array")).toEqual({ currentA: 20, voltageV: 400 });
  });

  it("is the same power at a voltage of one's own", () => {
    expect(at(book({ modulesPerString: 10 }), "array", 48)).toEqual({ currentA: 8000 / 48, voltageV: 48 });
  });

  it("takes a module for a string where each has its own inverter, and all of them where nobody said how they are connected", () => {
    const each = book({}, { perModule: true });
    expect(inSeriesOf(each, each.arrays[0]!)).toBe(1);
    expect(at(book(), "string").voltageV).toBe(800);
  });

  it("takes a usual voltage for a module without a sheet, and what its power then makes of it", () => {
    const bare = site();
    expect(workingPoint(bare, { ...bare.arrays[0]!, modulesPerString: 10 }, "string", null)).toEqual({ currentA: 400 / 35, voltageV: 350 });
  });
});
