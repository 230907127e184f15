import { describe, expect, it } from "vitest";
import { moduleLibrary } from "@/contracts/module-library";
import { type EstimatedField, estimatedFrom, type Nameplate } from ".";

const NONE = { gammaPmpPerK: false, betaVocPerK: false, alphaIscPerK: false };
/** Datasheets are printed to hundredths of an ampere and tenths of a volt. */
const PRINTED = 0.002;
const plate = (parts: Partial<Nameplate> = {}): Nameplate => ({
  pmpW: 400,
  vocV: null,
  iscA: null,
  vmpV: null,
  impA: null,
  cellsInSeries: null,
  areaM2: null,
  ...parts,
});
const of = (parts: Partial<Nameplate>, field: EstimatedField) =>
  estimatedFrom(plate(parts), NONE).find((estimate) => estimate.field === field);

describe("what follows from a nameplate", () => {
  it("gives only what is missing", () => {
    const all = { vocV: 37, iscA: 13.8, vmpV: 31, impA: 12.9, cellsInSeries: 54, areaM2: 1.95 };
    expect(estimatedFrom(plate(all), { gammaPmpPerK: true, betaVocPerK: true, alphaIscPerK: true })).toEqual([]);
    expect(estimatedFrom(plate(all), NONE).map(({ field }) => field)).toEqual(["gammaPmpPerK", "betaVocPerK", "alphaIscPerK"]);
  });

  it("tells no voltage from power alone, and some from an area, wider than from cells, and those wider than from a current", () => {
    expect(of({}, "vocV")).toBeUndefined();
    const [byArea, byCells, byCurrent] = [of({ areaM2: 1.95 }, "vocV")!, of({ cellsInSeries: 54 }, "vocV")!, of({ impA: 12.9 }, "vocV")!];
    expect(byArea.halfFrac).toBeGreaterThan(byCells.halfFrac);
    expect(byCells.halfFrac).toBeGreaterThan(byCurrent.halfFrac);
    expect(byCurrent.value).toBeCloseTo(400 / 12.9 / 0.83, 6);
    expect(of({ impA: 12.9 }, "cellsInSeries")!.value).toBe(54);
  });

  it("takes the heat's toll by how good the cell is", () => {
    const gamma = (areaM2: number | null) => of({ areaM2 }, "gammaPmpPerK")!;
    expect(gamma(2.6).value).toBeLessThan(gamma(2.1).value);
    expect(gamma(1.78).value).toBeGreaterThan(gamma(1.9).value);
    expect(gamma(null).halfFrac).toBeGreaterThan(gamma(1.9).halfFrac);
  });

  it.each(moduleLibrary.filter(({ name }) => !name.includes("thin film")).map(({ name, fields }) => [name, fields] as const))(
    "holds the datasheet of %s within its spread, from any one value of it",
    (_, sheet) => {
      for (const known of ["vocV", "iscA", "vmpV", "impA", "cellsInSeries", "areaM2"] as const) {
        if (sheet[known] === null) continue;
        for (const { field, value, halfFrac } of estimatedFrom(plate({ pmpW: sheet.pmpW, [known]: sheet[known] }), {
          gammaPmpPerK: true,
          betaVocPerK: true,
          alphaIscPerK: true,
        })) {
          const truth = sheet[field];
          if (truth !== null)
            expect(Math.abs(value / truth - 1), `${field} from ${known}: ${value} for ${truth}`).toBeLessThanOrEqual(halfFrac + PRINTED);
        }
      }
    },
  );
});
