import { describe, expect, it } from "vitest";
import type { Remedy } from "./finding";
import { bestOf, litEdges } from "./lit-edges";
import { derived, derivedCounters } from "./remedies";

const axis = { startUtcMs: 1_000_000 * 3_600_000, stepMinutes: 60, count: 8 };
const at = (hour: number): number => axis.startUtcMs + hour * 3_600_000;
const stretch = (from: number, to: number) => ({ fromUtcMs: at(from), toUtcMs: at(to) });
const raw = Float64Array.of(1, 2, 3, -4, 5, 6, Number.NaN, 8);
const clean = (...remedies: Remedy[]): number[] => [...derived(axis, raw, remedies, { up: Float64Array.of(-1, -0.1, 0, 1, 1, 1, 1, -1) })];

describe("a clean series", () => {
  it("is the raw one where nothing was accepted, which stays as it is", () => {
    expect(clean()).toEqual([...raw]);
    expect([...raw]).toEqual([1, 2, 3, -4, 5, 6, Number.NaN, 8]);
  });

  it("scales, drops and fills just its own stretch", () => {
    expect(clean({ op: "scale", factor: 10, ...stretch(1, 3) })).toEqual([1, 20, 30, -4, 5, 6, Number.NaN, 8]);
    expect(clean({ op: "drop", ...stretch(4, 6) })).toEqual([1, 2, 3, -4, Number.NaN, Number.NaN, Number.NaN, 8]);
    expect(clean({ op: "fill", kwh: 9, ...stretch(5, 8) })).toEqual([1, 2, 3, -4, 5, 3, 3, 3]);
  });

  it("spreads what the last row holds over its gap", () => {
    expect(clean({ op: "spread", ...stretch(6, 8) })).toEqual([1, 2, 3, -4, 5, 6, 4, 4]);
  });

  it("takes nothing out but what is negative, or what stands at night", () => {
    expect(clean({ op: "zero", only: "negative", ...stretch(0, 8) })).toEqual([1, 2, 3, 0, 5, 6, Number.NaN, 8]);
    expect(clean({ op: "zero", only: "night", ...stretch(0, 8) })).toEqual([0, 0, 3, -4, 5, 6, Number.NaN, 0]);
    expect([...derived(axis, raw, [{ op: "zero", only: "night", ...stretch(0, 8) }], null)]).toEqual([...raw]);
  });

  it("a stretch that reaches beyond the series is cut, and one outside does nothing", () => {
    expect(clean({ op: "scale", factor: 2, ...stretch(-3, 1) })).toEqual([2, 2, 3, -4, 5, 6, Number.NaN, 8]);
    expect(clean({ op: "scale", factor: 2, ...stretch(7, 20) })).toEqual([1, 2, 3, -4, 5, 6, Number.NaN, 16]);
    expect(clean({ op: "fill", kwh: 9, ...stretch(9, 12) }, { op: "fill", kwh: 9, ...stretch(3, 3) })).toEqual([...raw]);
  });

  it("puts units first and the clock last, in whatever order they were accepted", () => {
    const [scale, fill, drop] = [
      { op: "scale", factor: 10, ...stretch(0, 8) },
      { op: "fill", kwh: 4, ...stretch(0, 2) },
      { op: "drop", ...stretch(0, 1) },
    ] as Remedy[];
    const expected = [Number.NaN, 2, 30, -40, 50, 60, Number.NaN, 80];
    expect(clean(scale!, fill!, drop!)).toEqual(expected);
    expect(clean(drop!, fill!, scale!)).toEqual(expected);
  });

  it("moves a stretch, and never over what stands elsewhere", () => {
    const shift = (minutes: number, from: number, to: number): Remedy => ({ op: "shift", minutes, ...stretch(from, to) });
    expect(clean(shift(60, 0, 3))).toEqual([Number.NaN, 1, 2, -4, 5, 6, Number.NaN, 8]);
    expect(clean(shift(-120, 4, 6))).toEqual([1, 2, 3, -4, Number.NaN, Number.NaN, Number.NaN, 8]);
    expect(clean(shift(-60, 0, 8))).toEqual([2, 3, -4, 5, 6, Number.NaN, 8, Number.NaN]);
    expect(clean(shift(60, 0, 8))).toEqual([Number.NaN, 1, 2, 3, -4, 5, 6, Number.NaN]);
  });
});

describe("counter readings", () => {
  const readings = [10, 20, 5, 15].map((kwh, k) => ({ meterId: "main", atUtcMs: at(k), kwh }));
  const carried = (...remedies: Remedy[]) => derivedCounters(readings, remedies).map(({ kwh }) => kwh);

  it("are restated, dropped, or carried on from a reset", () => {
    expect(carried()).toEqual([10, 20, 5, 15]);
    expect(carried({ op: "restate", kwh: 12, ...stretch(0, 0) })).toEqual([12, 20, 5, 15]);
    expect(carried({ op: "drop", ...stretch(1, 1) })).toEqual([10, 5, 15]);
    expect(carried({ op: "carry", kwh: 20, ...stretch(2, 3) })).toEqual([10, 20, 25, 35]);
    expect(carried({ op: "carry", kwh: 20, ...stretch(2, 3) }, { op: "carry", kwh: 100, ...stretch(3, 3) })).toEqual([10, 20, 25, 135]);
  });

  it("keep what else is known of them", () => {
    expect(derivedCounters([{ meterId: "main", atUtcMs: 1, kwh: 2, note: "cellar" }], [])).toEqual([
      { meterId: "main", atUtcMs: 1, kwh: 2, note: "cellar" },
    ]);
  });
});

describe("the light of a day", () => {
  const values = Float64Array.of(9, 0, 0.1, 1, Number.NaN, 2, 0.1, 0, 9);

  it("begins and ends with what exceeds a floor, counted from the day's first", () => {
    expect(litEdges(values, 1, 7, 0.5)).toEqual({ first: 2, last: 4 });
    expect(litEdges(values, 1, 7, 0.1)).toEqual({ first: 2, last: 4 });
    expect(litEdges(values, 1, 7, 0.09)).toEqual({ first: 1, last: 5 });
    expect(litEdges(values, 0, 9, 0.5)).toEqual({ first: 0, last: 8 });
    expect(litEdges(values, 3, 1, 0.5)).toEqual({ first: 0, last: 0 });
  });

  it("is none where nothing exceeds it, or there is no floor", () => {
    expect(litEdges(values, 1, 7, 3)).toBeNull();
    expect(litEdges(values, 1, 7, 0)).toBeNull();
    expect(litEdges(values, 1, 7, Number.NaN)).toBeNull();
  });

  it("its best passes over what is missing", () => {
    expect(bestOf(values, 1, 7)).toBe(2);
    expect(bestOf(values, 6, 2)).toBe(0.1);
    expect(bestOf(Float64Array.of(Number.NaN, -1), 0, 2)).toBe(0);
  });
});
