import { site } from "@test/site-builder";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { csvOf } from "@/features/kit/save/csv";
import { emptyGrid, gridCsv, gridReducer } from "@/features/readings/grid-state";
import { meteredOnto } from "../ledger";
import { derivedCounters, examineCounter, misreadings } from "../quality";
import { compareSpans, counterSpans, healthSide, mergeMeterEnergy, promisedKwh, splitSpans, USUAL_TOLERANCE } from ".";

const DAY = 86_400_000;
const start = Date.UTC(2024, 0, 1);
const axis = { startUtcMs: start, stepMinutes: 60, count: 24 * 366 };
/** Owes more in summer, nothing at night. */
const expected = Float64Array.from(
  { length: axis.count },
  (_, i) => Math.max(0, Math.sin((((i % 24) - 6) / 12) * Math.PI)) * (1 - 0.6 * Math.cos((i / 24 / 366) * 2 * Math.PI)),
);
const expectedOver = (from: number, to: number): number =>
  expected.subarray((from - start) / 3_600_000, (to - start) / 3_600_000).reduce((a, b) => a + b, 0);

/** A counter read on Sundays, true to the model. */
const sundays = (first = 4000): { meterId: string; atUtcMs: number; kwh: number }[] =>
  Array.from({ length: 50 }, (_, k) => ({
    meterId: "m",
    atUtcMs: start + k * 7 * DAY,
    kwh: Math.round(first + expectedOver(start, start + k * 7 * DAY)),
  }));
const spoilt = (k: number, kwh: number) => sundays().map((reading, i) => (i === k ? { ...reading, kwh } : reading));

describe("a hand-read counter", () => {
  it("is found whole when it is", () => {
    expect(examineCounter(sundays(), expectedOver)).toEqual([]);
  });

  const at = (k: number): number => sundays()[k]!.kwh;
  const swapped = (kwh: number): number => Number(String(kwh).slice(0, 1) + String(kwh)[2]! + String(kwh)[1]! + String(kwh).slice(3));
  it.each([
    ["two digits swapped", 25, (kwh: number) => swapped(kwh)],
    ["a digit missing", 30, (kwh: number) => Number(String(kwh).slice(0, -2) + String(kwh).slice(-1))],
    ["a digit too many", 20, (kwh: number) => Number(`${String(kwh).slice(0, 2)}7${String(kwh).slice(2)}`)],
  ])("with %s is told, and what was meant", (_how, k, spoil) => {
    const readings = spoilt(k, spoil(at(k)));
    const found = examineCounter(readings, expectedOver);
    expect(found.map(({ kind }) => kind)).toEqual(["digit-slip"]);
    expect(found[0]!.fromUtcMs).toBe(readings[k]!.atUtcMs);
    const clean = derivedCounters(readings, [found[0]!.remedy!]);
    expect(Math.abs(clean[k]!.kwh - at(k))).toBeLessThan(25);
  });

  it("that is set back is carried on, and so is one that passes all nines", () => {
    const reset = sundays().map((reading, i) => (i >= 20 ? { ...reading, kwh: reading.kwh - at(19) } : reading));
    const [first] = examineCounter(reset, expectedOver);
    expect(first).toMatchObject({ kind: "counter-reset" });
    const rolled = sundays(9_000).map((reading) => ({ ...reading, kwh: reading.kwh % 10_000 }));
    const [second] = examineCounter(rolled, expectedOver);
    expect(second).toMatchObject({ kind: "counter-rollover", facts: { offsetKwh: 10_000 } });
    expect(derivedCounters(rolled, [second!.remedy!]).map(({ kwh }) => kwh)).toEqual(sundays(9_000).map(({ kwh }) => kwh));
  });

  it("has among its misreadings the number that was meant, whatever digit slipped", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 99_999 }), fc.nat({ max: 3 }), (kwh, k) => {
        const digits = String(kwh);
        const slipped = Number(digits.slice(0, k) + digits[k + 1]! + digits[k]! + digits.slice(k + 2));
        expect(
          slipped === kwh || misreadings(slipped).some((candidate) => candidate.kwh === kwh) || String(slipped).length < digits.length,
        ).toBe(true);
      }),
    );
  });
});

describe("spans", () => {
  const spans = counterSpans(sundays());

  it("are compared with what was owed over exactly their time", () => {
    for (const { kwh, expectedKwh, knownFrac } of compareSpans(spans, axis, expected)) {
      expect(knownFrac).toBe(1);
      expect(Math.abs(kwh - expectedKwh)).toBeLessThanOrEqual(1);
    }
  });

  it("keep their energy when a month splits them, and are marked", () => {
    const one = [{ meterId: "m", fromUtcMs: start + 20 * DAY, toUtcMs: start + 50 * DAY, kwh: 90 }];
    const { kwh, split } = splitSpans(one, axis, expected);
    const sum = (from: number, to: number): number => kwh.subarray(from * 24, to * 24).reduce((a, b) => a + (Number.isNaN(b) ? 0 : b), 0);
    expect(sum(0, 366)).toBeCloseTo(90, 9);
    expect(split.reduce((a, b) => a + b, 0)).toBe(30 * 24);
    // February is brighter: more of it falls there than by days.
    expect(sum(31, 50) / 90).toBeGreaterThan(19 / 30);
  });

  it("fill a meter's months where no finer reading stands, and never displace one", () => {
    const values = new Float64Array(axis.count).fill(Number.NaN);
    values.fill(0.5, 24 * 25, 24 * 30);
    const meter = { meterId: "main", quantity: "energy_kwh" as const, axis, values };
    const covering = [{ meterId: "main", fromUtcMs: start + 20 * DAY, toUtcMs: start + 50 * DAY, kwh: 90 }];
    const { kwh, split, readFrac } = meteredOnto(axis, [meter], site(), { spans: covering, expectedKwh: expected });
    expect([...kwh.subarray(24 * 25, 24 * 30)].every((value) => value === 0.5)).toBe(true);
    expect([split[24 * 26], split[24 * 21], readFrac[24 * 21], readFrac[24 * 10]]).toEqual([0, 1, 1, 0]);
  });
});

describe("several series of one meter", () => {
  const column = (values: number[], stepMinutes: number, startUtcMs = start) => ({
    axis: { startUtcMs, stepMinutes, count: values.length },
    kwh: Float64Array.from(values),
  });
  const gap = Number.NaN;

  it("of one step lie over each other, the later on top", () => {
    expect([...mergeMeterEnergy([column([1, 2, gap], 60), column([9, 3], 60, start + 3_600_000)]).kwh]).toEqual([1, 9, 3]);
  });

  it("of two steps keep the finer where it was read whole", () => {
    const { axis: merged, kwh } = mergeMeterEnergy([column([5, 6, 7], 60), column([1, 1, 1, 1, 2, 2, gap, 2], 15)]);
    expect([merged.stepMinutes, ...kwh]).toEqual([60, 4, 6, 7]);
  });

  it("leave the finer alone where the coarser tells nothing more", () => {
    expect(mergeMeterEnergy([column([4], 60), column([1, 1, 1, 1], 15)]).axis.stepMinutes).toBe(15);
  });
});

describe("the quick health check", () => {
  it("is in tolerance within a kilowatt-hour or a tenth", () => {
    expect(healthSide(2, 2.9, USUAL_TOLERANCE).within).toBe(true);
    expect(healthSide(95, 104, USUAL_TOLERANCE).within).toBe(true);
    expect(healthSide(80, 104, USUAL_TOLERANCE)).toMatchObject({ within: false, differenceKwh: -24 });
  });

  it("counts the promise by the days themselves: 303 days are not ten twelfths of a year", () => {
    const promise = [300, 400, 700, 900, 1000, 1100, 1100, 1000, 800, 500, 300, 250];
    const year = promise.reduce((a, b) => a + b, 0);
    expect(promisedKwh(promise, "2023-01-01", "2024-01-01")).toBeCloseTo(year, 9);
    expect(promisedKwh(promise, "2024-02-01", "2024-03-01")).toBeCloseTo(400, 9);
    const days303 = promisedKwh(promise, "2023-01-01", "2023-10-31");
    expect(days303 / year).toBeGreaterThan(303 / 365 + 0.05);
  });
});

describe("figures saved as CSV", () => {
  it("never hand a spreadsheet a formula, and keep numbers numbers", () => {
    expect(csvOf([["=1+1", "@cmd", "-x", -3.5, null]])).toBe(`"'=1+1","'@cmd","'-x",-3.5,`);
  });
});

describe("a typed table", () => {
  const grid = emptyGrid(3, 2);
  const pasted = gridReducer(grid, {
    kind: "paste",
    row: 1,
    column: 0,
    values: [
      ["2024-01", "10,5"],
      ["2024-02", "20"],
      ["2024-03", "30"],
    ],
  });

  it("grows with what is pasted, and keeps a row to go on", () => {
    expect(pasted.cells).toHaveLength(5);
    expect(pasted.cells[3]).toEqual(["2024-03", "30"]);
  });

  it("takes back and does again", () => {
    const back = gridReducer(pasted, { kind: "undo" });
    expect(back.cells).toEqual(grid.cells);
    expect(gridReducer(back, { kind: "redo" }).cells).toEqual(pasted.cells);
  });

  it("is written as a table that the import reads", () => {
    expect(gridCsv(["time", "energy_kwh"], pasted.cells)).toBe('time;energy_kwh\n2024-01;"10,5"\n2024-02;20\n2024-03;30');
  });
});
