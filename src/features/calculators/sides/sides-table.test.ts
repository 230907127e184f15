import { describe, expect, it } from "vitest";
import { cellsOfMeters, changeRows, monthOfLabel, totalRows, unreadCells } from "./sides-table";

describe("a month as it is labelled", () => {
  it.each([
    ["2025-03", 3],
    ["03/2025", 3],
    ["March 2025", 3],
    ["Mar", 3],
    ["sept", 9],
    ["Sep 24", 9],
    ["2025-13", null],
    ["first half", null],
    ["", null],
  ])("%s", (label, month) => {
    expect(monthOfLabel(label)).toBe(month);
  });
});

describe("a typed table of totals", () => {
  const cells = [
    ["2025-03", "1 200,5", "1100"],
    ["", "", ""],
    ["", "300", ""],
    ["June", "x", "10"],
  ];

  it("leaves empty lines out, and keeps what is missing missing", () => {
    expect(totalRows(cells)).toEqual([
      { label: "2025-03", month: 3, a: 1200.5, b: 1100 },
      { label: "line 3", month: null, a: 300, b: null },
      { label: "June", month: 6, a: null, b: 10 },
    ]);
  });

  it("names the cells that hold no number", () => {
    expect(unreadCells(cells)).toEqual([{ row: 4, text: "x" }]);
  });

  it("may be months before and after, with another plant's or without", () => {
    expect(
      changeRows([
        ["May", "400", "420", "", ""],
        ["June", "", "", "3", "4"],
      ]),
    ).toEqual([{ label: "May", before: 400, after: 420, otherBefore: null, otherAfter: null }]);
  });

  it("is filled with the months of two meters, each month once", () => {
    const meters = [
      { meterId: "a", months: [{ key: "2025-02", kwh: 10.04 }] },
      {
        meterId: "b",
        months: [
          { key: "2025-01", kwh: 7 },
          { key: "2025-02", kwh: 9 },
        ],
      },
    ];
    expect(cellsOfMeters(meters, "a", "b")).toEqual([
      ["2025-01", "", "7"],
      ["2025-02", "10", "9"],
    ]);
  });
});
