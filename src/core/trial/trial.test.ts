import { schoolBook } from "@test/school";
import { site } from "@test/site-builder";
import { beforeAll, describe, expect, it } from "vitest";
import { trialQuestionSchema } from "@/contracts/trial";
import { packTrial, unpackTrial } from "@/contracts/trial-wire";
import { changeDays, trialMeters, trialSources } from "@/usecases/trials";
import { changeVerdict, confounders, naiveReasons, trialVerdict } from "@/wording/trial";
import { partOfSite } from "../site";
import { seededUniform } from "../statistics";
import { dayBins } from "../time";
import {
  beforeAfter,
  differenceFrac,
  type IndexDay,
  pairedDifference,
  runTrial,
  shortPairs,
  type TrialReport,
  type TrialSide,
  wholeYear,
  withoutForeign,
} from ".";

const question = (change = {}) => trialQuestionSchema.parse({ a: "gym-dc", b: "class-ac", ...change });

describe("the trial of the demo's school", () => {
  let book: ReturnType<typeof schoolBook>;
  let report: TrialReport;
  beforeAll(() => {
    book = schoolBook();
    report = runTrial({ ...trialSources(question(), book.ledger, book.production), draws: 2000, seed: 1 })!;
  }, 120_000);

  it("yields the truth of its generator within one point, over the year and over paired days", () => {
    expect(Math.abs(report.year!.frac - book.trueFrac)).toBeLessThan(0.01);
    expect(Math.abs(report.difference.frac - book.trueFrac)).toBeLessThan(0.01);
    expect(report.difference.low).toBeLessThan(book.trueFrac);
    expect(report.difference.high).toBeGreaterThan(book.trueFrac);
  });

  it("shows the hurried figure to be wrong, and why", () => {
    expect(Math.abs(report.naive.frac - book.trueFrac)).toBeGreaterThan(0.02);
    const reasons = naiveReasons(report).join(" ");
    expect(reasons).toMatch(/read before its inverter: its figure is [34]\.\d\u202f% too large/);
    expect(reasons).toMatch(/Foreign energy ran through Gym roof's meter on 2\d days/);
  });

  it("finds the battery's three weeks from the readings alone", () => {
    const [stretch, ...rest] = report.a.foreign.stretches;
    expect(rest).toEqual([]);
    expect(stretch!.from).toBe("2025-06-08");
    expect(stretch!.to).toBe("2025-06-30");
    expect(report.b.foreign.stretches).toEqual([]);
    expect(report.pairedDays).toBeLessThanOrEqual(303 - 23);
  });

  it("counts the days on which one side lay on its modules' inverters", () => {
    expect(report.b.clipping.days).toBeGreaterThan(10);
    expect(report.a.clipping.days).toBe(0);
  });

  it("says what differs besides the inverter: the mounting, and where it stands", () => {
    const others = confounders(report.differs, "per-module").map(({ what }) => what);
    expect(others).toContain("mounting");
    expect(others).not.toContain("metering");
    expect(others).not.toContain("inverter");
    expect(trialVerdict(report)).toMatchObject({ kind: "b" });
  });

  it("has groups that add up to the whole", () => {
    const months = report.months.reduce((sum, group) => ({ a: sum.a + group.a, b: sum.b + group.b }), { a: 0, b: 0 });
    const hours = report.hours.reduce((sum, group) => ({ a: sum.a + group.a, b: sum.b + group.b }), { a: 0, b: 0 });
    expect(hours.a).toBeCloseTo(months.a, 6);
    expect(differenceFrac(hours)).toBeCloseTo(differenceFrac(months), 9);
  });

  it("is the same after its way to the browser", () => {
    const sources = trialSources(question(), book.ledger, book.production);
    const arrived = runTrial({ ...unpackTrial(packTrial(sources).buffer), draws: 2000, seed: 1 })!;
    expect(arrived.difference).toEqual(report.difference);
    expect(arrived.year!.frac).toBeCloseTo(report.year!.frac, 9);
  });

  it("leaves the ledger with the main meter alone: a meter within another counts once", () => {
    expect(book.ledger.report.sources.meterIds).toEqual(["main"]);
    expect(trialMeters(book.site, book.production).map(({ id }) => id)).toEqual(["main", "gym-dc", "class-ac"]);
    const year = book.ledger.report.years.find(({ key }) => key === "2025")!;
    expect(Math.abs(year.meteredKwh! / year.expectedKwh - 1)).toBeLessThan(0.03);
  });

  it("refuses days that the sides do not share, with what each has", () => {
    expect(() => trialSources(question({ from: "2024-01-01", to: "2024-02-01" }), book.ledger, book.production)).toThrow(
      /sides-share-no-time/,
    );
    expect(() => trialSources(question({ b: "cellar" }), book.ledger, book.production)).toThrow(/trial-meter-without-readings/);
  });

  it("reads no change where nothing was changed", () => {
    const days = changeDays({ on: "2025-01-01", meter: "", days: 365 }, book.ledger, book.production);
    const change = beforeAfter(days.before, days.after, 400, 3)!;
    expect(change.matched).toBe(true);
    expect(change.low).toBeLessThan(0.01);
    expect(change.high).toBeGreaterThan(-0.01);
    expect(changeVerdict(change)).toContain("Raw output moved by");
  });
});

describe("a trial's question", () => {
  it.each([
    [{ a: "x", b: "x" }, "against itself"],
    [{ a: "x", b: "y", from: "2025-03-01", to: "2025-02-01" }, "before the first"],
  ])("%o is refused in words", (asked, words) => {
    expect(JSON.stringify(trialQuestionSchema.safeParse(asked).error?.issues)).toContain(words);
  });
});

describe("foreign energy", () => {
  const axis = { startUtcMs: Date.parse("2025-06-01T00:00:00Z"), stepMinutes: 60, count: 24 * 60 };
  const days = dayBins(axis, "UTC");
  const up = Float64Array.from({ length: axis.count }, (_, i) => Math.sin((((i % 24) - 6) / 12) * Math.PI));
  const sunny = Float64Array.from(up, (sine) => Math.max(0, sine));
  const find = (kwh: Float64Array) => withoutForeign({ axis, days, sun: { up }, own: { kwh, kwp: 1 }, other: { kwh: sunny, kwp: 1 } });

  it("is none where nights are dark", () => {
    expect(find(sunny)).toMatchObject({ kwh: 0, stretches: [] });
  });

  it("given off in the evening, while the sun is still up, is seen against the other side", () => {
    const kwh = sunny.slice();
    for (let d = 20; d < 30; d++) kwh[d * 24 + 18]! += 0.2;
    const [stretch] = find(kwh).stretches;
    expect(stretch).toMatchObject({ from: "2025-06-20", to: "2025-07-01" });
  });

  it("is not what an inverter draws of itself at night", () => {
    expect(find(sunny.map((kwh) => (kwh > 0 ? kwh : -0.01))).stretches).toEqual([]);
  });
});

describe("paired days", () => {
  it("differ by their ratio of sums, and days without a pair take no part", () => {
    const a = Float64Array.of(1, 2, 3, Number.NaN, 5);
    const b = Float64Array.of(2, 4, 6, 99, Number.NaN);
    expect(pairedDifference(a, b, 200, 1)).toMatchObject({ frac: 1, low: 1, high: 1 });
  });

  it("have an interval that holds the truth of a noisy pair in about 95 of 100 seeds", () => {
    let held = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const uniform = seededUniform(seed);
      const a = Float64Array.from({ length: 200 }, () => 1 + uniform());
      const b = a.map((kwh) => kwh * 1.03 * (1 + (uniform() - 0.5) * 0.2));
      const { low, high } = pairedDifference(a, b, 300, seed);
      if (low <= 0.03 && high >= 0.03) held++;
    }
    expect(held).toBeGreaterThan(50);
  });
});

describe("a whole year", () => {
  const expected = Array.from({ length: 12 }, (_, m) => (m >= 3 && m <= 8 ? 150 : 40));

  it("takes months without a trial from their neighbours, not from the mean of days", () => {
    // Measured in summer alone, where the second side is held back; in winter the model says they are alike.
    const paired = expected.map((kwh, m) => ({
      metered: m === 6 ? { a: kwh, b: kwh * 0.9 } : { a: 0, b: 0 },
      expected: m === 6 ? { a: kwh, b: kwh * 0.9 } : { a: 0, b: 0 },
    }));
    const year = expected.map((kwh, m) => ({ a: kwh, b: m >= 3 && m <= 8 ? kwh * 0.9 : kwh }));
    const filled = wholeYear({ paired, year });
    expect(filled.frac).toBeCloseTo((6 * 135 + 6 * 40) / (6 * 150 + 6 * 40) - 1, 9);
    expect(filled.months[0]!.measuredFrac).toBe(0);
  });
});

describe("before and after", () => {
  const days = (from: string, count: number, index: number, noise = 0.05, seed = 1): IndexDay[] => {
    const uniform = seededUniform(seed);
    return Array.from({ length: count }, (_, d) => {
      const date = new Date(Date.parse(from) + d * 86_400_000).toISOString().slice(0, 10);
      const expectedKwh = 20 + 15 * Math.sin(d / 9);
      return { date, expectedKwh, meteredKwh: expectedKwh * index * (1 + (uniform() - 0.5) * noise) };
    });
  };

  it("finds the gain of a change within its interval, whatever the weather", () => {
    const change = beforeAfter(days("2023-01-01", 365, 0.95), days("2024-01-02", 365, 0.95 * 1.068, 0.05, 2), 800, 1)!;
    expect(change.frac).toBeCloseTo(0.068, 2);
    expect(change.low).toBeLessThan(0.068);
    expect(change.high).toBeGreaterThan(0.068);
    expect(change.sharedMonths).toHaveLength(12);
  });

  it("says when no month lies on both sides", () => {
    const change = beforeAfter(days("2024-02-01", 29, 1), days("2024-07-01", 31, 1.1), 200, 1)!;
    expect(change.matched).toBe(false);
    expect(changeVerdict(change)).toContain("No month of the year lies on both sides");
  });

  it("is not told from a few days", () => {
    expect(beforeAfter(days("2024-02-01", 4, 1), days("2024-03-01", 60, 1), 100, 1)).toBeNull();
  });
});

describe("readings by hand, minutes apart", () => {
  it("give the gain of tilting now, read and expected, sum over sum", () => {
    const report = shortPairs([
      { at: "07:35", readA: 100, readB: 180, expectedA: 105, expectedB: 190 },
      { at: "09:30", readA: 300, readB: 330, expectedA: 310, expectedB: 400 },
    ]);
    expect(report.readFrac).toBeCloseTo(510 / 400 - 1, 9);
    expect(report.pairs.map(({ agrees }) => agrees)).toEqual([true, false]);
  });
});

describe("a side", () => {
  const whole = site({
    arrays: [
      { id: "a", module: "m", count: 10, tiltDeg: 20, azimuthDeg: 180, mounting: "roof-gap" },
      { id: "b", module: "m", count: 6, tiltDeg: 20, azimuthDeg: 180, mounting: "roof-gap" },
    ],
    inverters: [{ id: "i", arrays: ["a", "b"], acRatedW: 5000 }],
    revisions: [{ from: "2023-01-01", change: { arrays: [{ id: "b", tiltDeg: 40 }] } }],
  });

  it("keeps its own arrays, and what revisions say of them", () => {
    const own = partOfSite(whole, ["a"]);
    expect(own.arrays.map(({ id }) => id)).toEqual(["a"]);
    expect(own.inverters[0]!.arrays).toEqual(["a"]);
    expect(own.revisions[0]!.change).toEqual({ arrays: [] });
    expect(partOfSite(whole, [])).toBe(whole);
  });

  it("that is the same as the other differs in nothing", () => {
    const side = (name: string): TrialSide => ({ name, site: partOfSite(whole, ["a"]), point: "ac", meteredKwh: new Float64Array(0) });
    expect(confounders([], null)).toEqual([]);
    expect(side("x").site.arrays).toEqual(side("y").site.arrays);
  });
});
