import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform } from "../../statistics";
import { dirtyDomes, filmAt, type SensorDays, withoutDomeDays, withoutDomes } from "./detect";

const DAYS = 400;
const [FROM, TO] = [180, 215];
interface Plant {
  readonly low?: number;
  readonly dirt?: number;
  readonly isSeenInLight?: boolean;
  readonly isWiped?: boolean;
  readonly seed?: number;
}

/** Levels of a plant whose light sensor reads ever lower from day 180 on and is wiped on day 215. */
function daysOf({ low = 0, dirt = 0, isSeenInLight = true, isWiped = true, seed = 4 }: Plant): SensorDays {
  const normal = normalFrom.bind(null, seededUniform(seed));
  const film = (d: number): number =>
    (isWiped ? filmAt(d, { from: FROM, to: TO }) : d >= FROM ? Math.min(1, (d - FROM) / (TO - FROM)) : 0) * low;
  const rains = [60, 140, 220, 300];
  const dry = (d: number): number => d - (rains.findLast((rain) => rain <= d) ?? 0);
  return {
    index: {
      ratio: Float64Array.from({ length: DAYS }, (_, d) => ((1 - dirt * dry(d)) / (1 - film(d))) * (1 + 0.012 * normal())),
      weight: new Float64Array(DAYS).fill(1),
      cloud: new Float64Array(DAYS),
    },
    rainMm: Float64Array.from({ length: DAYS }, (_, d) => (rains.includes(d) ? 20 : 0)),
    cleaned: new Set(),
    skyLog: Float64Array.from({ length: DAYS }, (_, d) =>
      d % 4 === 0 ? (isSeenInLight ? Math.log(1 - film(d)) : 0) + 0.01 * normal() : Number.NaN,
    ),
  };
}

describe("weeks of a dirty dome", () => {
  it("are told to the day by the plant, and by the clear sky", () => {
    const [dome, ...more] = dirtyDomes(daysOf({ low: 0.07 }));
    expect(more).toEqual([]);
    expect(Math.abs(dome!.to - TO)).toBeLessThanOrEqual(1);
    expect(Math.abs(dome!.from - FROM)).toBeLessThanOrEqual(7);
    expect(dome!.lowFrac).toBeCloseTo(0.07, 1);
    expect(dome!.lightLackFrac).toBeGreaterThan(0.03);
  });

  it.each([
    ["a climb that the clear sky does not show is the plant's", { low: 0.07, isSeenInLight: false }],
    ["one that nobody wiped stays what it is", { low: 0.07, isWiped: false }],
    ["a film of one in a hundred is not told", { low: 0.01 }],
    ["dirt that rain takes goes the other way", { dirt: 0.001 }],
    ["a plant with nothing wrong has none", {}],
  ] as [string, Plant][])("%s", (_, plant) => {
    for (const seed of [1, 2, 3]) expect(dirtyDomes(daysOf({ ...plant, seed }))).toEqual([]);
  });

  it("are told where they took a twentieth, and not where they took a fiftieth", () => {
    const told = (low: number): number => [1, 2, 3].filter((seed) => dirtyDomes(daysOf({ low, seed })).length > 0).length;
    expect([told(0.055), told(0.02)]).toEqual([3, 0]);
  });

  it("are taken out of the index, and their light is not asked of the sky", () => {
    const { index, skyLog } = daysOf({ low: 0.07 });
    const dome = { from: FROM, to: TO, lowFrac: 0.07, lightLackFrac: 0.05 };
    const { ratio } = withoutDomes(index, [dome]);
    expect(ratio[TO - 1]! / index.ratio[TO - 1]!).toBeCloseTo(0.93, 9);
    expect(ratio[FROM - 1]).toBe(index.ratio[FROM - 1]);
    expect(withoutDomes(index, [])).toBe(index);
    const left = withoutDomeDays(skyLog, [dome]);
    expect([...left.subarray(FROM, TO)].every(Number.isNaN)).toBe(true);
    expect(left[TO + (4 - (TO % 4))]).not.toBeNaN();
  });
});
