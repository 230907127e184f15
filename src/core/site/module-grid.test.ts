import { site as siteOf } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { gridInOrder, inNaturalOrder, modulePlaces, PLAIN_ORDER } from "./module-grid";

const plant = siteOf({
  arrays: [
    { id: "a", name: "Barn", module: "m", count: 6, rows: 2, tiltDeg: 30, azimuthDeg: 180 },
    { id: "b", name: "Shed", module: "m", count: 4, rows: 1, tiltDeg: 30, azimuthDeg: 180 },
  ],
  inverters: [
    { id: "i", arrays: ["a"], acRatedW: 3000, ratedEfficiencyFrac: 0.97 },
    { id: "j", arrays: ["b"], acRatedW: 300, ratedEfficiencyFrac: 0.96, perModule: true },
  ],
  meters: [{ id: "main", point: "ac", arrays: ["a", "b"] }],
});
const six = ["1", "2", "3", "4", "5", "6"];
const grid = (order: Partial<typeof PLAIN_ORDER>): string =>
  gridInOrder(plant, plant.arrays[0]!, six, { ...PLAIN_ORDER, ...order })
    .map((row) => row.join(" "))
    .join(" | ");

describe("names laid in an order", () => {
  it("run from any corner, along rows or columns, there and back", () => {
    expect(grid({})).toBe("1 2 3 | 4 5 6");
    expect(grid({ turns: true })).toBe("1 2 3 | 6 5 4");
    expect(grid({ from: "lower-right" })).toBe("6 5 4 | 3 2 1");
    expect(grid({ from: "upper-right", along: "columns" })).toBe("5 3 1 | 6 4 2");
    expect(grid({ from: "lower-left", along: "columns", turns: true })).toBe("2 3 6 | 1 4 5");
  });

  it("count as people do", () => {
    expect(inNaturalOrder(["B10", "B2", "A1"])).toEqual(["A1", "B2", "B10"]);
  });
});

describe("places of modules", () => {
  const of = (ids: readonly string[], document = plant) =>
    modulePlaces(document, ids).map(({ id, array, row, column }) => `${id}@${array}${row}${column}`);

  it("are those of the array that the names begin with; else those with electronics of their own first", () => {
    expect(of(["Shed 2", "Shed 1", "Barn 1"])).toEqual(["Barn 1@a00", "Shed 1@b00", "Shed 2@b01"]);
    expect(of(["1", "2", "3", "4", "5"])).toEqual(["5@a00", "1@b00", "2@b01", "3@b02", "4@b03"]);
  });

  it("are the site's own where it says them, and none beyond its modules", () => {
    const laid = {
      ...plant,
      arrays: plant.arrays.map((array) => (array.id === "b" ? { ...array, moduleIds: [["3", "", "1", "9"]] } : array)),
    };
    expect(of(["1", "2", "3"], laid)).toEqual(["2@a00", "3@b00", "1@b02"]);
    expect(of(Array.from({ length: 12 }, (_, k) => String(k + 1)))).toHaveLength(10);
  });

  it("of one name twice are refused", () => {
    expect(() => siteOf({ arrays: [{ id: "a", module: "m", count: 2, tiltDeg: 30, azimuthDeg: 180, moduleIds: [["x", "x"]] }] })).toThrow(
      "two places",
    );
  });
});
