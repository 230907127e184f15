import { describe, expect, it } from "vitest";
import { rowName, runningTotals, sinceRowAbove, typedNumber } from "./typed-rows";

describe("rows that are typed", () => {
  it.each([
    ["10 482", 10_482],
    ["1.234,5", 1234.5],
    ["1,234.5", 1234.5],
    ["412.5", 412.5],
    ["3,5", 3.5],
    ["", null],
    ["lots", null],
  ])("%s reads as %s", (text, value) => {
    expect(typedNumber(text)).toBe(value);
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
