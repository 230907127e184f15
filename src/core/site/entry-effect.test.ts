import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { entryEffect } from ".";

const plant = site();
type Entry = Parameters<typeof entryEffect>[1];
const entry = (parts: Partial<Entry>): Entry =>
  ({ kind: "tilt-change", from: "2024-05-10", to: "2024-05-10", value: "", note: "", array: null, meter: null, ...parts }) as Entry;
const effect = (parts: Partial<Entry>, of = plant) =>
  entryEffect(of, entry(parts)) as { kind: string; expected?: string; revisions?: { from: string; note: string; change: unknown }[] };
const change = (parts: Partial<Entry>, of = plant) => effect(parts, of).revisions?.[0]?.change;

describe("a tilt that was changed", () => {
  it.each(["35", "35°", "35 deg", "tilt=35", "tiltDeg = 35", " 35 ", "35,0", "35.0"])("is read from %j", (value) => {
    expect(change({ value })).toEqual({ arrays: [{ id: "a", tiltDeg: 35, tiltSchedule: [] }] });
  });

  it.each(["", "steep", "91", "-3", "35 36", "tilt 35", "35%"])("is not read from %j", (value) => {
    expect(effect({ value })).toEqual({ kind: "unclear", expected: "tilt" });
  });

  it("lies between flat and upright", () => {
    expect([effect({ value: "0" }).kind, effect({ value: "90" }).kind, effect({ value: "90.1" }).kind]).toEqual([
      "revision",
      "revision",
      "unclear",
    ]);
  });

  it("of several arrays wants one named", () => {
    const two = site({
      arrays: ["a", "b"].map((id) => ({ id, module: "m", count: 10, tiltDeg: 30, azimuthDeg: 180 })),
      inverters: [{ id: "i", arrays: ["a", "b"], acRatedW: 6000, ratedEfficiencyFrac: 0.97 }],
      meters: [{ id: "main", point: "ac", arrays: ["a", "b"] }],
    });
    expect(effect({ value: "20" }, two)).toEqual({ kind: "unclear", expected: "array" });
    expect(change({ value: "20", array: "b" }, two)).toMatchObject({ arrays: [{ id: "b" }] });
  });

  it("holds until the schedule's next date, this year or the next", () => {
    const rack = site({
      arrays: [
        {
          id: "a",
          module: "m",
          count: 20,
          tiltDeg: 30,
          azimuthDeg: 180,
          tiltSchedule: [
            { from: "03-20", tiltDeg: 20 },
            { from: "09-22", tiltDeg: 50 },
          ],
        },
      ],
    });
    const dates = (from: string) => effect({ value: "40", from }, rack).revisions!.map((revision) => revision.from);
    expect(dates("2024-05-10")).toEqual(["2024-05-10", "2024-09-22"]);
    expect(dates("2024-09-22")).toEqual(["2024-09-22", "2025-03-20"]);
    expect(dates("2024-09-21")).toEqual(["2024-09-21", "2024-09-22"]);
    expect(effect({ value: "40", from: "2024-12-01" }, rack).revisions![1]).toMatchObject({
      from: "2025-03-20",
      change: { arrays: [{ id: "a", tiltSchedule: rack.arrays[0]!.tiltSchedule }] },
    });
  });
});

describe("hardware that was changed", () => {
  const hardware = (value: string, of = plant) => effect({ kind: "hardware-change", value }, of);

  it("an inverter's rating and efficiency", () => {
    expect(hardware("acRatedW=8600").revisions![0]!.change).toEqual({ inverters: [{ id: "i", acRatedW: 8600 }] });
    expect(hardware("acRatedW = 8600,5 ; inverter = i").revisions![0]!.change).toEqual({ inverters: [{ id: "i", acRatedW: 8600.5 }] });
    expect(hardware("ratedEfficiencyFrac=0.98").revisions![0]!.change).toEqual({ inverters: [{ id: "i", ratedEfficiencyFrac: 0.98 }] });
    expect(hardware("ratedEfficiencyFrac=1").kind).toBe("revision");
    expect(hardware("ratedEfficiencyFrac=98")).toEqual({ kind: "unclear", expected: "hardware" });
  });

  it("modules and their count, of modules that the book knows", () => {
    expect(hardware("module=m; count=22").revisions![0]!.change).toEqual({ arrays: [{ id: "a", module: "m", count: 22 }] });
    expect(hardware("count=22").revisions![0]!.change).toEqual({ arrays: [{ id: "a", count: 22 }] });
    expect(hardware("module=unheard-of").kind).toBe("unclear");
    expect([hardware("count=2.5").kind, hardware("count=0").kind, hardware("count=-3").kind, hardware("count=x").kind]).toEqual(
      new Array(4).fill("unclear"),
    );
  });

  it("nothing written is a record, and what can't be read is said to be unclear", () => {
    expect(hardware(" ").kind).toBe("record");
    expect(["new fan", "acRatedW=", "=8600", "acRatedW=8=6"].map((value) => hardware(value).kind)).toEqual(new Array(4).fill("unclear"));
  });

  it("carries the note, cut to what fits", () => {
    const noted = effect({ kind: "hardware-change", value: "count=22", note: "x".repeat(300) }).revisions![0]!.note;
    expect(noted).toHaveLength(200);
    expect(noted.startsWith("field book: xxx")).toBe(true);
    expect(hardware("count=22").revisions![0]!.note).toBe("field book: hardware changed");
  });
});

describe("a meter that was moved", () => {
  const moved = (value: string, of = plant) => effect({ kind: "meter-change", value }, of);

  it("by the point it measures at", () => {
    expect(moved("point=dc").revisions![0]!.change).toEqual({ meters: [{ id: "main", point: "dc" }] });
    expect(moved(" DC ").revisions![0]!.change).toEqual({ meters: [{ id: "main", point: "dc" }] });
    expect(moved("behind the house")).toEqual({ kind: "unclear", expected: "point" });
    expect(moved("").kind).toBe("record");
  });

  it("of several wants one named", () => {
    const two = site({
      meters: [
        { id: "main", point: "ac", arrays: ["a"] },
        { id: "other", point: "dc", arrays: ["a"] },
      ],
    });
    expect(moved("dc", two)).toEqual({ kind: "unclear", expected: "meter" });
    expect(effect({ kind: "meter-change", value: "ac", meter: "other" }, two).revisions![0]!.change).toEqual({
      meters: [{ id: "other", point: "ac" }],
    });
  });
});

describe("other entries", () => {
  it("a cleaning is an event, an inspection a record", () => {
    expect(effect({ kind: "cleaning" }).kind).toBe("event");
    expect(effect({ kind: "inspection" }).kind).toBe("record");
  });
});
