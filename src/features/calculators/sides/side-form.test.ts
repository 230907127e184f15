import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { firstForm, type SideForm, sideMeters, sideOf } from "./side-form";

const form = (change: Partial<SideForm> = {}): SideForm => ({
  meter: "",
  name: "left",
  kwp: 3,
  point: "dc",
  dcW: "",
  acW: "",
  efficiency: 95,
  ...change,
});

describe("a side as it was filled in", () => {
  it("is none without a size", () => {
    for (const kwp of ["", 0, -2]) expect(sideOf(form({ kwp }))).toBeNull();
  });

  it("is brought behind its inverter by two readings of a display, else by the plate's efficiency, which is surer", () => {
    expect(sideOf(form({ dcW: 1000, acW: 940 }))).toMatchObject({ toAcFrac: 0.94, toAcOff: 0.02 });
    expect(sideOf(form())).toMatchObject({ toAcFrac: 0.95, toAcOff: 0.01 });
    expect(sideOf(form({ point: "ac", dcW: 1000, acW: 940 }))).toMatchObject({ toAcFrac: 1, toAcOff: 0 });
  });

  it("doesn't take a display for true that gives more than it gets", () => {
    expect(sideOf(form({ dcW: 900, acW: 940 }))).toMatchObject({ toAcFrac: 0.95 });
    expect(sideOf(form({ dcW: 900, acW: 900 }))).toMatchObject({ toAcFrac: 1, toAcOff: 0.02 });
  });
});

describe("the sides of a book", () => {
  const array = (id: string, count: number) => ({ id, module: "m", count, tiltDeg: 30, azimuthDeg: 180 });
  const meter = (id: string, arrays: string[], point: "ac" | "dc" = "ac") => ({ id, arrays, point });
  const twoOf = (meters: ReturnType<typeof meter>[]) =>
    site({
      arrays: [array("a", 10), array("b", 15)],
      inverters: [{ id: "i", arrays: ["a", "b"], acRatedW: 9000, ratedEfficiencyFrac: 0.97 }],
      meters,
    });

  it("are its meters of a part each, before one of the whole", () => {
    const book = twoOf([meter("all", ["a", "b"]), meter("left", ["a"], "dc"), meter("right", ["b"], "dc")]);
    expect(sideMeters(book).map(({ id }) => id)).toEqual(["left", "right"]);
    expect(firstForm(book, sideMeters(book)[1], 1)).toMatchObject({ meter: "right", kwp: 6, point: "dc", efficiency: 97 });
  });

  it("are two halves where there is one meter", () => {
    const book = twoOf([meter("all", ["a", "b"])]);
    expect(sideMeters(book)).toEqual([]);
    expect(firstForm(book, undefined, 1)).toMatchObject({ meter: "", kwp: 5, point: "ac" });
  });
});
