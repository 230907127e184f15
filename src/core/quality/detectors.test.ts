import { hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { mostEnergyKwh } from "../ledger";
import { runSun } from "../sun";
import { derived, examine, type Finding } from ".";
import { findNegative, findNight } from "./below-zero";
import { clearYear } from "./clear-year";
import { type Examined, examined } from "./examined";
import { findFrozen } from "./frozen";
import { clearAt, findGaps } from "./gaps";
import { findLevelSteps } from "./level";
import { findSpikes } from "./spikes";
import { findUnitFactors } from "./unit-factors";

const plant = site();
const DAYS = 40;
const axis = hours("2023-06-01T00:00Z", 24 * DAYS);
const sun = runSun(axis, plant.place);
const most = mostEnergyKwh(plant, 60);

const cloudless = clearYear(axis, plant);
const clearKwh = (i: number): number => clearAt({ clear: cloudless } as Examined, i);

/** A record of fine days of unlike brightness, hour by hour. */
const fine = Float64Array.from({ length: axis.count }, (_, i) => {
  const dull = [0.9, 0.62, 0.97, 0.81, 0.7][Math.floor(i / 24) % 5]!;
  return Math.round(clearKwh(i) * dull * (1 + 0.01 * Math.sin(i)) * 1000) / 1000;
});

/** `isWeatherKnown`: the model owes what came, near enough; else the cloudless sky is the measure. */
const changed = (change: (out: Float64Array) => void, isWeatherKnown = false): Examined => {
  const out = fine.slice();
  change(out);
  return examined(axis, out, plant, isWeatherKnown ? { axis, kwh: fine.map((kwh) => kwh / 0.95) } : null, most);
};
const at = (day: number, hour: number): number => 24 * day + hour;
const utc = (i: number): number => axis.startUtcMs + i * 3_600_000;
const spans = (found: readonly Finding[]): number[][] =>
  found.map(({ fromUtcMs, toUtcMs }) => [fromUtcMs, toUtcMs].map((ms) => (ms - axis.startUtcMs) / 3_600_000));

describe("a record with nothing wrong", () => {
  it("shows nothing, detector by detector", () => {
    const x = changed(() => undefined);
    for (const find of [findGaps, findFrozen, findNight, findNegative, findUnitFactors]) expect(find(x), find.name).toEqual([]);
    expect(findSpikes(x, [])).toEqual([]);
  });
});

describe("gaps", () => {
  it("are told to the hour, with what a cloudless sky would have given", () => {
    const found = findGaps(changed((out) => out.fill(Number.NaN, at(5, 9), at(5, 15))));
    expect(spans(found)).toEqual([[at(5, 9), at(5, 15)]]);
    expect(found[0]).toMatchObject({ kind: "gap", count: 6, kwh: null, facts: { hours: 6, sunlitIntervals: 6 } });
    const expected = [9, 10, 11, 12, 13, 14].reduce((sum, hour) => sum + clearKwh(at(5, hour)), 0);
    expect(found[0]!.facts.clearKwh).toBeCloseTo(expected, 6);
    expect(found[0]!.remedy).toBeNull();
  });

  it("are spread where their energy stands in the next row, to the last watt-hour", () => {
    let held = 0;
    const x = changed((out) => {
      for (let i = at(8, 9); i <= at(8, 14); i++) held += out[i]!;
      out.fill(Number.NaN, at(8, 9), at(8, 14));
      out[at(8, 14)] = held;
    });
    const [found] = findGaps(x);
    expect(found!.kind).toBe("caught-up");
    expect(spans([found!])).toEqual([[at(8, 9), at(8, 15)]]);
    const mended = derived(axis, x.energyKwh, [found!.remedy!], sun);
    const after = mended.subarray(at(8, 9), at(8, 15));
    expect(after.reduce((a, b) => a + b, 0)).toBeCloseTo(held, 9);
    expect(after.every((kwh) => kwh > 0 && kwh < held)).toBe(true);
  });

  it("before the first reading and after the last are none", () => {
    const x = changed((out) => {
      out.fill(Number.NaN, 0, at(3, 0));
      out.fill(Number.NaN, at(36, 0));
    });
    expect(findGaps(x)).toEqual([]);
  });
});

describe("frozen values", () => {
  it("are repeated readings by day; the first is kept as true", () => {
    const x = changed((out) => out.fill(out[at(6, 9)]!, at(6, 9), at(6, 15)));
    const [found] = findFrozen(x);
    expect(spans([found!])).toEqual([[at(6, 10), at(6, 15)]]);
    expect(found!.facts.valueKwh).toBe(fine[at(6, 9)]);
    const mended = derived(axis, x.energyKwh, [found!.remedy!], sun);
    expect(mended[at(6, 9)]).toBe(fine[at(6, 9)]);
    expect([...mended.subarray(at(6, 10), at(6, 15))].every(Number.isNaN)).toBe(true);
  });

  it("are none at night, for three hours, or where a limit holds the plant day after day", () => {
    expect(findFrozen(changed((out) => out.fill(out[at(6, 9)]!, at(6, 9), at(6, 12))))).toEqual([]);
    const limited = changed((out) => out.set(out.map((kwh) => Math.min(kwh, 0.5 * most))));
    expect(findFrozen(limited)).toEqual([]);
  });
});

describe("spikes", () => {
  it("are what neither nameplate nor sky allow, neighbours together", () => {
    const x = changed((out) => {
      out[at(9, 12)] = 3 * most;
      out[at(9, 13)] = 2 * most;
      out[at(20, 11)] = 9 * most;
    });
    const found = findSpikes(x, []);
    expect(spans(found)).toEqual([
      [at(9, 12), at(9, 14)],
      [at(20, 11), at(20, 12)],
    ]);
    expect(found[0]!.kwh).toBeCloseTo(5 * most, 9);
    expect(found[0]!.facts.valueKwh).toBeCloseTo(3 * most, 9);
  });

  it("are also what a low sun does not allow, and not what is told otherwise", () => {
    const dawn = at(10, 4);
    const x = changed((out) => {
      out[dawn] = 0.9 * most;
    });
    expect(spans(findSpikes(x, []))).toEqual([[dawn, dawn + 1]]);
    expect(findSpikes(x, [{ fromUtcMs: utc(dawn - 3), toUtcMs: utc(dawn + 1) }])).toEqual([]);
  });
});

describe("readings where there should be none", () => {
  it("are a fault on a night or two and a battery evening after evening", () => {
    const once = findNight(
      changed((out) => {
        out[at(12, 23)] = 0.3 * most;
      }),
    );
    expect(once).toMatchObject([{ kind: "night-output", count: 1, facts: { nights: 1 } }]);
    const often = changed((out) => {
      for (let day = 0; day < DAYS; day += 2) out[at(day, 23)] = 0.2 * most;
    });
    expect(findNight(often)).toMatchObject([{ kind: "battery", facts: { nights: 20 } }]);
    const mended = derived(axis, often.energyKwh, [findNight(often)[0]!.remedy!], sun);
    expect(mended[at(2, 23)]).toBe(0);
    expect(mended[at(2, 12)]).toBe(fine[at(2, 12)]);
  });

  it("under zero are the inverter's own draw, or a meter that counts the net", () => {
    const draw = changed((out) => out.set(out.map((kwh) => (kwh === 0 ? -0.003 : kwh))));
    expect(findNegative(draw)).toMatchObject([{ kind: "negative", facts: { leastKwh: -0.003 } }]);
    expect(derived(axis, draw.energyKwh, [findNegative(draw)[0]!.remedy!], sun)[at(3, 0)]).toBe(0);
    const net = changed((out) => out.set(out.map((kwh) => kwh - 0.25 * most)));
    expect(findNegative(net)).toMatchObject([{ kind: "looks-net", remedy: null }]);
  });
});

describe("a level that steps", () => {
  /** Half a year; from a day on the plant gives a sixth more. */
  const long = hours("2023-03-01T00:00Z", 24 * 180);
  const clear = clearYear(long, plant);
  const owed = Float64Array.from({ length: long.count }, (_, i) => clearAt({ clear } as Examined, i));
  const AT = 90;
  const steps = (frac: number, rainDay: number | null, day = AT, mm = 12, before = 0) => {
    const out = owed.map((kwh, i) => kwh * (0.8 + 0.004 * ((Math.floor(i / 24) * 7) % 5)) * (i >= 24 * day ? 1 + frac : 1));
    const rainMm = Float64Array.from({ length: long.count }, (_, i) =>
      rainDay !== null && i === 24 * rainDay + 3 ? mm : rainDay !== null && i === 24 * (rainDay - 8) ? before : 0,
    );
    return findLevelSteps(examined(long, out, plant, { axis: long, kwh: owed, rainMm }, most));
  };

  it("is placed on its day", () => {
    const [step, ...more] = steps(0.16, null);
    expect(more).toEqual([]);
    expect(Math.abs((step!.fromUtcMs - long.startUtcMs) / 86_400_000 - AT)).toBeLessThan(1.5);
  });

  it("is placed on its day near the end of the record too", () => {
    const [step] = steps(0.16, null, 156);
    expect(Math.abs((step!.fromUtcMs - long.startUtcMs) / 86_400_000 - 156)).toBeLessThan(1.5);
  });

  it("up after a light rain is dirt that went where it had been dry, and not between other rains", () => {
    expect(steps(0.16, AT - 1, AT, 1.2)).toEqual([]);
    expect(steps(0.16, AT - 1, AT, 0.8)).toHaveLength(1);
    expect(steps(0.16, AT - 1, AT, 1.2, 3)).toHaveLength(1);
  });

  it("up after a night of rain is dirt that went, and down is none", () => {
    expect(steps(0.16, AT - 1)).toEqual([]);
    expect(steps(0.16, AT - 20)).toHaveLength(1);
    expect(steps(-0.16, AT - 1)).toHaveLength(1);
  });
});

describe("units about dark days", () => {
  it("a snowed or dark day in the midst of a thousandfold stretch belongs to it, and one at its edge", () => {
    const x = changed((out) => {
      for (let i = at(10, 0); i < at(20, 0); i++) out[i] = out[i]! * 1000 * ([13, 19].includes(Math.floor(i / 24)) ? 0.02 : 1);
    }, true);
    expect(spans(findUnitFactors(x))).toEqual([[at(10, 0), at(20, 0)]]);
  });

  it("a row that holds its gap is told once, and not as output at night", () => {
    const x = changed((out) => {
      const held = out.subarray(at(8, 9), at(8, 20)).reduce((sum, kwh) => sum + kwh, 0);
      out.fill(Number.NaN, at(8, 9), at(9, 1));
      out[at(9, 1)] = held;
    });
    const gaps = findGaps(x);
    expect(gaps.map(({ kind }) => kind)).toEqual(["caught-up"]);
    expect(findNight(x, gaps)).toEqual([]);
    expect(findNight(x)).toHaveLength(1);
  });
});

describe("units", () => {
  it.each([
    [1000, 3, true],
    [1000, 3, false],
    [4, 6, true],
    [1 / 1000, 9, true],
    [1 / 4, 9, true],
  ])("that are off by %d for %d days are found to the day, and put right (weather known: %s)", (factor, days, isWeatherKnown) => {
    const [from, to] = [at(15, 0), at(15 + days, 0)];
    const x = changed((out) => {
      for (let i = from; i < to; i++) out[i] = out[i]! * factor;
    }, isWeatherKnown);
    const [found] = findUnitFactors(x);
    expect(found!.facts).toMatchObject({ factor, whole: 0 });
    expect(Math.abs(found!.fromUtcMs - utc(from))).toBeLessThanOrEqual(3 * 3_600_000);
    expect(Math.abs(found!.toUtcMs - utc(to))).toBeLessThanOrEqual(3 * 3_600_000);
    const mended = derived(axis, x.energyKwh, [found!.remedy!], sun);
    expect(mended[at(16, 12)]).toBeCloseTo(fine[at(16, 12)]!, 9);
  });

  it("that are off throughout are one finding of the whole series, and are told before what they would look like", () => {
    const watts = fine.map((kwh) => kwh * 1000);
    const found = examine({ axis, energyKwh: watts, site: plant, expected: null, mostKwh: most });
    expect(found.filter(({ kind }) => kind === "unit-factor")).toMatchObject([{ facts: { factor: 1000, whole: 1 } }]);
    expect(found.filter(({ kind }) => kind === "spike")).toEqual([]);
  });

  it("are not told from one reading that brings what a hole before it kept", () => {
    const lump = (isHole: boolean) =>
      findUnitFactors(
        changed((out) => {
          const held = out.subarray(at(6, 12), at(18, 12)).reduce((sum, kwh) => sum + kwh, 0);
          if (isHole) out.fill(Number.NaN, at(6, 12), at(18, 12));
          out[at(18, 12)] = held;
        }, true),
      );
    expect(lump(true)).toEqual([]);
    expect(lump(false)).not.toEqual([]);
  });

  it("that change with a quarter's clouds are weather", () => {
    const x = changed((out) => {
      for (let i = at(15, 0); i < at(20, 0); i++) out[i] = out[i]! * (0.2 + 0.15 * (Math.floor(i / 24) % 3));
    });
    expect(findUnitFactors(x)).toEqual([]);
  });
});
