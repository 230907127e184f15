import { describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import { plantOfLine } from "@/core/typed";
import { answerable, contradictionIn, firstStop, hasSize, NOTHING_SAID, type Opening, siteOfOpening } from "./opening";

const where = { label: "Harrow Dale", latitudeDeg: -33, longitudeDeg: 147, timeZone: "Australia/Sydney" };
const opened = (line: string, parts: Partial<Opening> = {}) => {
  const site = siteOfOpening({ ...NOTHING_SAID, where, line, ...parts }, plantOfLine(line, "."));
  return site && siteSchema.parse(site);
};

describe("a book out of what was said", () => {
  it("is none without a place or a roof", () => {
    expect(opened("18 × 410 W", { where: null })).toBeNull();
    expect(opened("something nice")).toBeNull();
  });

  it("holds what was said and names what was taken for granted", () => {
    const site = opened("18 × 410 W, 30° north-east, 6 kW inverter", { elevationM: 120 })!;
    expect(site).toMatchObject({ name: "Harrow Dale", assumed: [], place: { elevationM: 120, timeZone: "Australia/Sydney" } });
    expect(site.arrays.map(({ count, tiltDeg, azimuthDeg }) => [count, tiltDeg, azimuthDeg])).toEqual([[18, 30, 45]]);
    expect(site.inverters.map(({ acRatedW }) => acRatedW)).toEqual([6000]);
  });

  it("assumes toward the equator and a usual tilt, and says so", () => {
    const site = opened("6 kWp")!;
    expect(site.assumed).toEqual(["elevation", "inverter", "modules", "tilt", "azimuth"]);
    expect(site.arrays[0]).toMatchObject({ azimuthDeg: 0, tiltDeg: 30, count: 15 });
    expect(opened("6 kWp", { where: { ...where, latitudeDeg: 8 } })!.arrays[0]).toMatchObject({ azimuthDeg: 180, tiltDeg: 15 });
  });

  it("of a level roof looks nowhere, and of a charge controller has no inverter", () => {
    const site = opened("4 × 100 W flat, charge controller")!;
    expect(site.assumed).toEqual(["elevation"]);
    expect([site.inverters, site.meters[0]!.point]).toEqual([[], "dc"]);
  });

  it("gives each roof an inverter of its own where there are as many", () => {
    const site = opened("10 × 410 W 15° east; 8 × 410 W 15° west, 2 × 3.6 kW inverters")!;
    expect(site.inverters.map(({ arrays, acRatedW }) => [arrays, acRatedW])).toEqual([
      [["roof-1"], 3600],
      [["roof-2"], 3600],
    ]);
    expect(opened("20 × 410 W 15° east, 2 × 3.6 kW inverters")!.inverters.map(({ acRatedW }) => acRatedW)).toEqual([7200]);
  });
});

describe("roofs of one line", () => {
  it("with modules of one power and two sizes have two types; an efficiency tells a size", () => {
    const site = opened("10 × 400 W of 1.9 m²; 8 × 400 W of 2.1 m²; 4 × 400 W of 20 %")!;
    expect(Object.values(site.modules).map(({ areaM2 }) => areaM2)).toEqual([1.9, 2.1, 2]);
    expect(site.arrays.map(({ module }) => site.modules[module]!.areaM2)).toEqual([1.9, 2.1, 2]);
  });

  it("are no roofs without a size", () => {
    const { roofs } = plantOfLine("10 × 400 W 30° south; 20° west", ".");
    expect(roofs.map(hasSize)).toEqual([true, false]);
    expect(opened("10 × 400 W 30° south; 20° west")!.arrays).toHaveLength(1);
  });
});

describe("figures that contradict each other", () => {
  const of = (line: string) => contradictionIn(plantOfLine(line, ".").roofs[0]!);
  it("are told where area and efficiency make another power", () => {
    expect(of("18 × 370 W, 1.9 m², 21 %")).toEqual({ saidW: 370, madeW: 399 });
    expect(of("18 × 400 W, 1.9 m², 21 %")).toBeNull();
    expect(of("18 × 370 W, 1.9 m²")).toBeNull();
  });
});

describe("what can be told of what somebody has", () => {
  const permission = (has: Parameters<typeof answerable>[0], answer: string) =>
    answerable(has, "datasheet").find((row) => row.answer === answer)!.permission;
  it("grows with what is ticked", () => {
    expect(permission([], "metered-against-promise")).toBe("withheld");
    expect(permission(["bills"], "metered-against-promise")).toBe("yes");
    expect(permission(["bills", "weather"], "ageing")).toBe("withheld");
    expect(permission(["logger", "weather"], "ageing")).toBe("yes");
  });

  it("is wider of a plant that was taken for granted, and judges no string of it", () => {
    const of = (plant: Parameters<typeof answerable>[1], answer: string) =>
      answerable(["logger", "weather"], plant).find((row) => row.answer === answer);
    expect(of("assumed", "expected-this-time")).toMatchObject({ permission: "wider", bring: "plant" });
    expect(of("assumed", "string-limits")).toMatchObject({ permission: "withheld" });
    expect(of("datasheet", "savings")).toMatchObject({ permission: "withheld", bring: "tariff" });
  });

  it("leads to where it is brought in", () => {
    expect(firstStop("b", ["quote", "bills"])).toBe("/books/b/money?view=bills");
    expect(firstStop("b", ["display"])).toBe("/books/b/field-book?view=wall");
    expect(firstStop("b", [])).toBe("/books/b/site");
  });
});
