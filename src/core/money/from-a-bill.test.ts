import { describe, expect, it } from "vitest";
import { Exact } from "./exact";
import { readBill, shareOfCosts } from "./from-a-bill";

const sum = (text: string | null) => (text === null ? null : new Exact(text));
const read = (amount: string | null, boughtKwh: number | null, perKwh: string | null, fixed: string | null) =>
  readBill({ amount: sum(amount), boughtKwh, perKwh: sum(perKwh), fixed: sum(fixed) });

describe("a usual bill taken apart", () => {
  it("by its energy and its fixed part has one price", () => {
    // 160 - 12 = 148 for 400 kWh.
    const parts = read("160", 400, null, "12");
    expect(parts).toMatchObject({ kind: "parts", isFixedAssumed: false, boughtKwh: 400 });
    expect(parts.kind === "parts" && [parts.perKwh, parts.perKwhLow, parts.perKwhHigh].map(String)).toEqual(["0.37", "0.37", "0.37"]);
  });

  it("without its fixed part has a price between two, the assumption said", () => {
    // 100 % and 75 % of 160 over 400 kWh, a tenth assumed fixed.
    const parts = read("160", 400, null, null);
    expect(parts.kind === "parts" && [parts.perKwhLow, parts.perKwh, parts.perKwhHigh].map(String)).toEqual(["0.3", "0.36", "0.4"]);
    expect(parts).toMatchObject({ isFixedAssumed: true });
  });

  it("by its price and its minimum tells what was bought", () => {
    const parts = read("167", null, "0.31", "12");
    expect(parts.kind === "parts" && parts.boughtKwh).toBe(500);
  });

  it("by price and energy tells its fixed part", () => {
    const parts = read("167", 500, "0.31", null);
    expect(parts.kind === "parts" && String(parts.fixed)).toBe("12");
  });

  it("that contradicts itself is named with by how much, and rounding is no contradiction", () => {
    expect(read("100", 500, "0.31", null)).toMatchObject({ kind: "apart" });
    const apart = read("167", 500, "0.31", "20");
    expect(apart.kind === "apart" && String(apart.by)).toBe("8");
    // A fiftieth of 167 is 3.34.
    expect(read("167", 500, "0.31", "15.3").kind).toBe("parts");
    expect(read("167", 500, "0.31", "15.4").kind).toBe("apart");
  });

  it("alone is no price, and a minimum bill tells of no kilowatt-hour", () => {
    expect(read("160", null, null, null)).toEqual({ kind: "needs", what: "kwh-or-price" });
    expect(read(null, 400, null, null)).toEqual({ kind: "needs", what: "anything" });
    expect(read("12", 30, null, "12")).toEqual({ kind: "all-fixed" });
    expect(read(null, null, "0.31", null)).toMatchObject({ kind: "parts", boughtKwh: null });
  });
});

it("a credit of a quarter is a quarter of what was paid", () =>
  expect(shareOfCosts(["9000.00", "501.00"], "25").toFixed(2)).toBe("2375.25"));
