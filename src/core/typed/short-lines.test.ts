import { describe, expect, it } from "vitest";
import { claimOfLine, moduleOfLine } from ".";

describe("a nameplate in one line", () => {
  it("is read as people copy it", () => {
    expect(moduleOfLine("Old ones: 195 W, Vmp 36.6, Imp 5.33, Voc 45.2 V, Isc 5.65 A, 72 cells, 1580 x 808 mm", ".")).toEqual({
      name: "Old ones",
      pmpW: 195,
      vocV: 45.2,
      iscA: 5.65,
      vmpV: 36.6,
      impA: 5.33,
      cellsInSeries: 72,
      areaM2: 1.277,
      gammaPmpPerK: null,
      betaVocPerK: null,
      unread: [],
    });
  });

  it.each([
    ["410 Wp, 1.95 m²", { pmpW: 410, areaM2: 1.95 }],
    ["0.41 kW 144 half-cells", { pmpW: 410, cellsInSeries: 72 }],
    ["100 W, 22.4 V Voc, 5.9 A Isc", { pmpW: 100, vocV: 22.4, iscA: 5.9 }],
    ["245 W gamma -0.44 %/K beta: −0,33 %/K", { pmpW: 245, gammaPmpPerK: -0.0044 }],
    ["330 W 1.68 m x 1.0 m", { pmpW: 330, areaM2: 1.68 }],
  ])("%s", (text, expected) => {
    const read = moduleOfLine(text, ".");
    expect(read.unread).toEqual([]);
    for (const [key, value] of Object.entries(expected)) expect(read[key as keyof typeof read], key).toBeCloseTo(value, 6);
  });

  it("names what nobody understood, and claims nothing of what was not said", () => {
    expect(moduleOfLine("shiny 300 W", ".")).toMatchObject({ pmpW: 300, vocV: null, unread: ["shiny"] });
    expect(moduleOfLine("", ".").pmpW).toBeNull();
  });
});

describe("a claimed gain", () => {
  it.each([
    ["40", 40, 40],
    ["15 to 30 %", 15, 30],
    ["15-30%", 15, 30],
    ["15 – 30 per cent", 15, 30],
    ["between 30 and 15 %", 15, 30],
    ["up to 25 %", 0, 25],
    ["about 12,5 %", 12.5, 12.5],
  ])("%s", (text, leastPercent, mostPercent) => {
    expect(claimOfLine(text, ".")).toEqual({ leastPercent, mostPercent });
  });

  it.each(["", "a lot", "%", "30 apples"])("%s is none", (text) => {
    expect(claimOfLine(text, ".")).toBeNull();
  });
});
