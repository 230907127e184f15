import { hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { mostEnergyKwh } from "../ledger";
import { seededUniform } from "../statistics";
import { clearYear } from "./clear-year";
import { type Examined, examined } from "./examined";
import { clearAt } from "./gaps";
import { findStandIn } from "./stand-in";

const plant = site();
const DAYS = 150;
const axis = hours("2023-04-01T00:00Z", 24 * DAYS);
const cloudless = clearYear(axis, plant);
/** Every other day is dull, by unlike shares. */
const uniform = seededUniform(5);
const sky = Array.from({ length: DAYS }, (_, d) => (d % 2 === 0 ? 0.85 + 0.1 * uniform() : 0.12 + 0.12 * uniform()));
const owed = Float64Array.from({ length: axis.count }, (_, i) => clearAt({ clear: cloudless } as Examined, i) * sky[Math.floor(i / 24)]!);
const rated = examined(axis, owed, plant, null, mostEnergyKwh(plant, 60)).ratedKwh;
const [FROM, TO] = [60, 100];
const isInside = (i: number): boolean => i >= 24 * FROM && i < 24 * TO;

const found = (metered: (kwh: number, i: number) => number, expected: typeof owed | null = owed) => {
  const x = examined(axis, owed.map(metered), plant, expected && { axis, kwh: expected }, mostEnergyKwh(plant, 60));
  return findStandIn(x, expected && { axis, kwh: expected });
};
const less =
  (useKwh: number) =>
  (kwh: number, i: number): number =>
    isInside(i) ? Math.max(0, 0.95 * kwh - useKwh) : 0.95 * kwh;

describe("another meter that stands in for the plant's", () => {
  it("is told from the use that is missing from every hour alike, to the day, and is no reading of the plant", () => {
    const [one, ...more] = found(less(0.06 * rated));
    expect(more).toEqual([]);
    expect(one).toMatchObject({ kind: "looks-export", facts: { isStandIn: "yes" }, remedy: { op: "drop" } });
    const day = (utcMs: number): number => (utcMs - axis.startUtcMs) / 86_400_000;
    expect(Math.abs(day(one!.fromUtcMs) - FROM)).toBeLessThan(2);
    expect(Math.abs(day(one!.toUtcMs) - TO)).toBeLessThan(2);
  });

  it.each([
    ["a share of all hours is a fault", (kwh: number, i: number) => (isInside(i) ? 0.5 : 0.95) * kwh],
    [
      "days that are spared in between are snow or a clock",
      (kwh: number, i: number) => (Math.floor(i / 24) % 3 === 1 ? 0.95 * kwh : less(0.06 * rated)(kwh, i)),
    ],
    ["little use is not told from a model's error", less(0.008 * rated)],
    ["dull hours alone are a model's error", (kwh: number, i: number) => (isInside(i) && kwh < 0.3 * rated ? 0.5 : 0.95) * kwh],
    ["a plant that is read right has none", (kwh: number) => 0.95 * kwh],
  ])("%s", (_, metered) => {
    expect(found(metered)).toEqual([]);
  });

  it("is sought against its own season: what comes back each year is a winter's", () => {
    const years = hours("2021-01-01T00:00Z", 24 * 900);
    const clear = clearYear(years, plant);
    const dull = seededUniform(9);
    const days = Array.from({ length: 900 }, (_, d) => (d % 2 === 0 ? 0.9 : 0.12 + 0.12 * dull()));
    const due = Float64Array.from({ length: years.count }, (_, i) => clearAt({ clear } as Examined, i) * days[Math.floor(i / 24)]!);
    const expected = { axis: years, kwh: due };
    const spans = (of: (day: number) => boolean) => {
      const metered = due.map((kwh, i) => (of(Math.floor(i / 24)) ? Math.max(0, 0.95 * kwh - 0.06 * rated) : 0.95 * kwh));
      return findStandIn(examined(years, metered, plant, expected, mostEnergyKwh(plant, 60)), expected);
    };
    expect(spans((day) => day > 480 && day < 540)).toHaveLength(1);
    expect(spans((day) => [115, 480, 845].some((from) => day > from && day < from + 60))).toEqual([]);
  });

  it("is not sought without weather", () => {
    expect(found(less(0.06 * rated), null)).toEqual([]);
  });
});
