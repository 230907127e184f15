import { describe, expect, it } from "vitest";
import { DAY_MS, HOUR_MS } from "../units";
import { findFalseZeros } from "./false-zeros";
import { derivedSpans } from "./remedies";

const START = Date.UTC(2024, 0, 1);
const days = (kwh: readonly number[]) =>
  kwh.map((value, d) => ({ meterId: "main", fromUtcMs: START + d * DAY_MS, toUtcMs: START + (d + 1) * DAY_MS, kwh: value }));
const usual = (count: number) => Array.from({ length: count }, (_, d) => 20 + (d % 3));
const owes = (): number => 25;
const unknown = (): number => Number.NaN;

describe("a day's total of nothing", () => {
  it("between two usual days is doubted, with what it owed, and taken as a gap where that is accepted", () => {
    const table = days([...usual(15), 0, ...usual(15)]);
    const [found, ...more] = findFalseZeros(table, owes);
    expect(more).toEqual([]);
    expect(found).toMatchObject({ kind: "false-zero", fromUtcMs: START + 15 * DAY_MS, toUtcMs: START + 16 * DAY_MS });
    // The plant's own usual: 21 of 25 owed.
    expect(Number(found!.facts.owedKwh)).toBeCloseTo(21, 9);
    expect(derivedSpans(table, [found!.remedy!]).map(({ kwh }) => kwh)).toEqual([...usual(15), ...usual(15)]);
  });

  it("is told without weather by the days around it", () => {
    expect(findFalseZeros(days([...usual(15), 0, ...usual(15)]), unknown)).toHaveLength(1);
  });

  it.each([
    ["two of them in a row are an outage", [...usual(15), 0, 0, ...usual(15)]],
    ["one that leads into a broken day is an outage", [...usual(15), 0, 9, ...usual(15)]],
    ["one after a broken day is an outage", [...usual(14), 9, 0, ...usual(15)]],
    ["a small day is a dark day", [...usual(15), 0.4, ...usual(15)]],
    ["the last of a record has nothing behind it", [...usual(30), 0]],
    ["a table of few days tells nothing of what is usual", [...usual(4), 0, ...usual(5)]],
  ])("%s", (_, kwh) => {
    expect(findFalseZeros(days(kwh), owes)).toEqual([]);
    expect(findFalseZeros(days(kwh), unknown)).toEqual([]);
  });

  it("leaves months and hours alone, and days that do not follow each other", () => {
    const table = days([...usual(15), 0, ...usual(15)]);
    const stretched = (hours: number) =>
      table.map((span, d) => ({ ...span, fromUtcMs: START + d * hours * HOUR_MS, toUtcMs: START + (d + 1) * hours * HOUR_MS }));
    expect(findFalseZeros(stretched(1), owes)).toEqual([]);
    expect(findFalseZeros(stretched(730), owes)).toEqual([]);
    expect(
      findFalseZeros(
        table.filter((_, d) => d !== 14),
        owes,
      ),
    ).toEqual([]);
  });
});
