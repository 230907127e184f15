import { describe, expect, it } from "vitest";
import { studentT975 } from "../statistics";
import { changeFromTotals, type TotalsSide, totalsTrial, twoMornings } from ".";

const side = (name: string, change: Partial<TotalsSide> = {}): TotalsSide => ({ name, kwp: 4, toAcFrac: 1, toAcOff: 0, ...change });
const row = (month: number, a: number | null, b: number | null) => ({ label: `month ${month}`, month, a, b });

describe("Student's t", () => {
  it("is the table's, and goes to the normal's", () => {
    expect([studentT975(1), studentT975(10)]).toEqual([12.706, 2.228]);
    expect(studentT975(11)).toBeCloseTo(2.201, 2);
    expect(studentT975(30)).toBeCloseTo(2.042, 2);
    expect(studentT975(1e6)).toBeCloseTo(1.96, 3);
    expect(() => studentT975(0)).toThrow(RangeError);
  });
});

describe("two sides by their totals", () => {
  it("are set against each other a kilowatt-peak, sum over sum and not month by month", () => {
    const report = totalsTrial(side("a"), side("b", { kwp: 8 }), [row(1, 100, 240), row(6, 500, 1000)])!;
    expect(report.frac).toBeCloseTo((240 + 1000) / 8 / (600 / 4) - 1, 12);
    expect(report.pairs.map(({ frac }) => Number(frac.toFixed(3)))).toEqual([0.2, 0]);
    expect([report.low, report.high]).toEqual([null, null]);
  });

  it("have an interval by the scatter of three spans or more, which is none where they agree", () => {
    const alike = [1, 2, 3, 4].map((m) => row(m, 100 * m, 110 * m));
    const same = totalsTrial(side("a"), side("b"), alike)!;
    expect(same.frac).toBeCloseTo(0.1, 9);
    expect(same.low).toBeCloseTo(0.1, 9);
    const apart = [row(1, 100, 120), row(2, 100, 100), row(3, 100, 110)];
    const { frac, low, high } = totalsTrial(side("a"), side("b"), apart)!;
    // By hand: residuals 10, -10, 0 about a ratio of 1.1 over 300.
    expect((high! - low!) / 2).toBeCloseTo(4.303 * Math.sqrt((3 / 2) * (200 / 300 ** 2)), 9);
    expect(low!).toBeLessThan(0);
    expect(frac).toBeCloseTo(0.1, 12);
  });

  it("are brought to AC, and are as unsure as that step", () => {
    const alike = [1, 2, 3].map((m) => row(m, 100, 100));
    const report = totalsTrial(side("a", { toAcFrac: 0.95, toAcOff: 0.02 }), side("b"), alike)!;
    expect(report.frac).toBeCloseTo(1 / 0.95 - 1, 9);
    expect(report.high! - report.frac).toBeCloseTo(0.02 / 0.95, 9);
  });

  it("say which months they leave out and of which they are silent", () => {
    const report = totalsTrial(side("a"), side("b"), [row(3, 100, 100), row(4, 100, null), row(5, null, null)])!;
    expect(report.leftOut).toEqual(["month 4"]);
    expect(report.silentMonths).toEqual([1, 2, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(totalsTrial(side("a"), side("b"), [row(3, 100, null)])).toBeNull();
  });
});

describe("a change by months before and after", () => {
  const month = (label: string, before: number | null, after: number | null, other: readonly [number, number] | null = null) => ({
    label,
    before,
    after,
    otherBefore: other?.[0] ?? null,
    otherAfter: other?.[1] ?? null,
  });

  it("keeps the weather of the years in its interval where nothing tells it apart", () => {
    const report = changeFromTotals([month("May", 400, 460), month("June", 420, 480), month("July", null, 450)])!;
    expect(report).toMatchObject({ by: "nothing", leftOut: ["July"] });
    expect(report.frac).toBeCloseTo(940 / 820 - 1, 12);
    expect(report.low).toBeLessThan(0);
  });

  it("takes the other plant's change out, and is surer for it", () => {
    const report = changeFromTotals([month("May", 400, 460, [1000, 1150]), month("June", 420, 483, [1000, 1150])])!;
    expect(report.by).toBe("other");
    expect(report.frac).toBeCloseTo(0, 9);
    expect(report.rawFrac).toBeCloseTo(0.15, 9);
    expect(report.high - report.low).toBeLessThan(0.15);
    expect(changeFromTotals([month("May", null, 3)])).toBeNull();
  });

  it("is surer with more months", () => {
    const widthOf = (n: number): number => {
      const { low, high } = changeFromTotals(Array.from({ length: n }, (_, k) => month(String(k), 100, 110)))!;
      return high - low;
    };
    expect(widthOf(4) / widthOf(1)).toBeCloseTo(0.5, 9);
  });
});

describe("two mornings", () => {
  const judge = (first: number, second: number) => twoMornings({ readKwh: first, cloudlessKwh: 3 }, { readKwh: second, cloudlessKwh: 3 })!;

  it("that differ by less than cloudless mornings do tell nothing", () => {
    expect(judge(2.9, 3.1).verdict).toBe("within");
    expect(judge(2.5, 2.5 * 1.101).verdict).toBe("more");
    expect(judge(2.5, 2.5 * 1.099).verdict).toBe("within");
    expect(judge(3, 3 * 0.899).verdict).toBe("less");
  });

  it("under cloud tell nothing at all", () => {
    expect(judge(3 * 0.749, 3).verdict).toBe("cloud");
    expect(judge(3 * 0.751, 3).verdict).toBe("more");
    expect(twoMornings({ readKwh: 1, cloudlessKwh: 0 }, { readKwh: 1, cloudlessKwh: 1 })).toBeNull();
  });
});
