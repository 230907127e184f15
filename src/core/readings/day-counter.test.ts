import { describe, expect, it } from "vitest";
import { beginsAnewDaily, dayCounterStepKwh } from "./day-counter";

const DAYS = [0, 1, 2, 3, 4];
/** Light of a day by step, of which each day has its own share. */
const light = (perDay: number, from = 0.25, to = 0.75): number[] =>
  Array.from({ length: perDay }, (_, i) => {
    const at = i / perDay;
    return at < from || at > to ? 0 : Math.sin((Math.PI * (at - from)) / (to - from));
  });
const energies = (perDay: number): number[] =>
  DAYS.flatMap((d) => light(perDay).map((value, i) => value * (1 + 0.3 * Math.sin(d * 7 + i))));
const today = (perDay: number): number[] => {
  let [sum, k] = [0, 0];
  return energies(perDay).map((value) => {
    if (k++ % perDay === 0) sum = 0;
    sum += value;
    return sum;
  });
};
const lifetime = (values: readonly number[]): number[] => {
  let sum = 4000;
  return values.map((value) => {
    sum += value;
    return sum;
  });
};

describe("a counter that begins anew every day", () => {
  it.each([5, 15, 60])("is told from energies and from a lifetime's by its values alone, every %i minutes", (step) => {
    const perDay = 1440 / step;
    for (const isCalledCounter of [true, false]) {
      expect(beginsAnewDaily(today(perDay), step, isCalledCounter)).toBe(true);
      expect(beginsAnewDaily(energies(perDay), step, isCalledCounter)).toBe(false);
      expect(beginsAnewDaily(lifetime(energies(perDay)), step, isCalledCounter)).toBe(false);
    }
  });

  it("is told where only daylight is written, and where yesterday's figure stands until the morning", () => {
    const perDay = 24;
    const daylight = today(perDay).filter((_, i) => i % perDay >= 7 && i % perDay <= 18);
    expect(beginsAnewDaily(daylight, 60, false)).toBe(true);
    const held = today(perDay).map((value, i, all) => (i % perDay < 7 && i >= perDay ? all[i - (i % perDay) - 1]! : value));
    expect(beginsAnewDaily(held, 60, false)).toBe(true);
  });

  it("doesn't take a new device's start for a day's, nor noise", () => {
    const swapped = lifetime(energies(24)).map((value, i) => (i > 60 ? value - 4010 : value));
    expect(beginsAnewDaily(swapped, 60, true)).toBe(false);
    expect(
      beginsAnewDaily(
        Array.from({ length: 200 }, (_, i) => (i * 37) % 11),
        60,
        true,
      ),
    ).toBe(false);
  });

  it("read by hand once a day, falls where the day before was better; a lifetime's falls where a digit was mistaken", () => {
    expect(beginsAnewDaily([12.1, 8.4, 14.2, 13.9, 3.2, 9.8], 1440, true)).toBe(true);
    expect(beginsAnewDaily([12.1, 8.4, 14.2, 13.9, 3.2, 9.8], 1440, false)).toBe(false);
    const read = Array.from({ length: 30 }, (_, i) => 4000 + 12 * i);
    expect(beginsAnewDaily(read.with(9, 4018).with(20, 4024), 1440, true)).toBe(false);
  });

  it("read by hand is told from two falls in ten readings on, not from two in eleven, nor from one", () => {
    const read = (count: number, ...fallsAt: number[]) => Array.from({ length: count }, (_, i) => (fallsAt.includes(i) ? 1 : 10 + i));
    expect(beginsAnewDaily(read(10, 3, 7), 1440, true)).toBe(true);
    expect(beginsAnewDaily(read(11, 3, 7), 1440, true)).toBe(false);
    expect(beginsAnewDaily(read(4, 2), 1440, true)).toBe(false);
  });

  it("falls to a tenth of what it showed at the most, and four hours apart at the least", () => {
    // Saw teeth of so many hours, from 20 down to so much.
    const teeth = (hours: number, down: number) => Array.from({ length: 96 }, (_, i) => down + ((20 - down) * (i % hours)) / (hours - 1));
    expect([teeth(24, 1.9), teeth(24, 2.1)].map((values) => beginsAnewDaily(values, 60, true))).toEqual([true, false]);
    expect([teeth(4, 0), teeth(3, 0)].map((values) => beginsAnewDaily(values, 60, true))).toEqual([true, false]);
  });

  it("has the energy since it began anew between two readings, and none where one is missing", () => {
    expect([dayCounterStepKwh(3, 5), dayCounterStepKwh(21, 0.4), dayCounterStepKwh(21, 21)]).toEqual([2, 0.4, 0]);
    expect([dayCounterStepKwh(Number.NaN, 5), dayCounterStepKwh(5, Number.NaN)]).toEqual([Number.NaN, Number.NaN]);
  });
});
