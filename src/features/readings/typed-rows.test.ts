import { describe, expect, it } from "vitest";
import { rowName, runningTotals, sinceRowAbove } from "./typed-rows";

describe("rows that are typed", () => {
  it.each([
    [["10 482", "412"], 10_894],
    [["1.234,5", "2,5"], 1237],
    [["1,234.5", "412.5"], 1647],
    // As the reader of files takes it: a comma before three digits in every cell parts thousands.
    [["1,234", "2,345"], 3579],
    [["3,5", "0,25"], 3.75],
  ])("%s add up to %s", (column, sum) => {
    expect(runningTotals(column.map((cell) => ["2024-03", cell])).at(-1)).toBe(sum);
  });

  it.each([
    ["2024-03", "Mar 2024"],
    ["2024-03-21 18:30", "21 Mar 2024"],
    ["2024-13", ""],
    ["March", ""],
  ])("%s is called %s", (cell, name) => {
    expect(rowName(cell)).toBe(name);
  });

  it("add up as they go, and say what a counter counted since the row above", () => {
    const rows = [
      ["a", "100"],
      ["b", ""],
      ["c", "50.5"],
      ["d", "x"],
    ];
    expect(runningTotals(rows)).toEqual([100, null, 150.5, null]);
    expect(
      sinceRowAbove([
        ["a", "1000"],
        ["b", ""],
        ["c", "1180"],
        ["d", "1170"],
      ]),
    ).toEqual([null, null, 180, -10]);
  });
});
