import { describe, expect, it } from "vitest";
import { cellText, shownTable } from "./table-text";

describe("a table saved as it is shown", () => {
  it.each([
    ["12\u202f345.6", "12345.6"],
    ["\u22123.2", "-3.2"],
    ["  two\n  lines ", "two lines"],
    ["–", ""],
  ])("reads %j as %j", (shown, read) => {
    expect(cellText(shown)).toBe(read);
  });

  it("keeps columns in line under a head that spans several", () => {
    const cell = (textContent: string, colSpan = 1) => ({ textContent, colSpan });
    const rows = [{ cells: [cell("month"), cell("kWh", 2)] }, { cells: [cell("May"), cell("1\u202f000"), cell("900")] }];
    expect(shownTable({ rows })).toEqual([
      ["month", "kWh", ""],
      ["May", "1000", "900"],
    ]);
  });
});
