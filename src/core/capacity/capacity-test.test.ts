import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform } from "../statistics";
import { type CapacityColumns, capacityTest, LEAST_INTERVALS, USUAL_TERMS } from ".";

const DAYS = 30;
const STEP = 5;
const A_DAY = (24 * 60) / STEP;

interface Made {
  readonly gain?: number;
  /** Scatter of whole days and of single steps, as shares. */
  readonly dayScatter?: number;
  readonly stepScatter?: number;
  readonly seed?: number;
  readonly change?: (columns: CapacityColumns) => void;
}

/** A month of five-minute readings of a plant of 100 kW whose law is known. */
function columnsOf({ gain = 0.97, dayScatter = 0, stepScatter = 0, seed = 1, change = () => {} }: Made = {}): CapacityColumns {
  const random = seededUniform(seed);
  const normal = (): number => normalFrom(random);
  const count = DAYS * A_DAY;
  const of = (value: (i: number) => number): Float64Array => Float64Array.from({ length: count }, (_, i) => value(i));
  const sky = Array.from({ length: DAYS }, () => 0.75 + 0.3 * random());
  const warm = Array.from({ length: DAYS }, () => 12 + 14 * random());
  const windy = Array.from({ length: DAYS }, () => 1 + 4 * random());
  const dayError = Array.from({ length: DAYS }, () => 1 + dayScatter * normal());
  const day = (i: number): number => Math.floor(i / A_DAY);
  const poaWm2 = of((i) => Math.max(0, Math.sin((((i % A_DAY) / A_DAY) * 24 - 6) * (Math.PI / 12))) * 1000 * sky[day(i)]!);
  const airTempC = of((i) => warm[day(i)]! + 5 * Math.sin((((i % A_DAY) / A_DAY) * 24 - 9) * (Math.PI / 12)));
  const windSpeedMs = of((i) => windy[day(i)]! + (i % 7) / 7);
  const expectedKw = of((i) => poaWm2[i]! * (0.104 - 5e-6 * poaWm2[i]! - 3e-4 * airTempC[i]! + 1e-4 * windSpeedMs[i]!));
  const meteredKw = of((i) => gain * expectedKw[i]! * dayError[day(i)]! * (1 + stepScatter * normal()));
  const columns = {
    axis: { startUtcMs: Date.UTC(2025, 4, 1), stepMinutes: STEP, count },
    ...{ poaWm2, airTempC, windSpeedMs, expectedKw, meteredKw },
    held: new Uint8Array(count),
  };
  change(columns);
  return columns;
}

const tested = (made: Made = {}, terms: Partial<typeof USUAL_TERMS> = {}, ratedKw: number | null = null) =>
  capacityTest(columnsOf(made), { ...USUAL_TERMS, ...terms }, ratedKw, "UTC");

const taken = (report: ReturnType<typeof tested>, name: string): number => report.filters.find(({ filter }) => filter === name)!.takenOut;

describe("capacityTest", () => {
  it("gives back the law and the gain of a plant without scatter", () => {
    const report = tested();
    const { poaWm2, airTempC, windSpeedMs } = report.conditions!;
    const law = poaWm2 * (0.104 - 5e-6 * poaWm2 - 3e-4 * airTempC + 1e-4 * windSpeedMs);
    // Means of a quarter of an hour of a law with a square are nearly the law of the means.
    expect(report.expected!.capacityKw).toBeCloseTo(law, 2);
    expect(report.ratio).toBeCloseTo(0.97, 9);
    expect(report.scatterFrac).toBeLessThan(1e-9);
    expect(report.halfFrac).toBeCloseTo(0.97 * 1.959964 * 0.02, 6);
  });

  it.each([
    [0.99, 0.95, "passed"],
    [0.9, 0.95, "failed"],
    [0.96, 0.95, "open"],
  ] as const)("a gain of %f against a line of %f: %s", (gain, passFrac, outcome) => {
    expect(tested({ gain }, { passFrac }).outcome).toBe(outcome);
  });

  it("passes exactly at the line and fails just under it, where the interval is nothing", () => {
    const terms = { lightErrorFrac: 0 };
    const { ratio, halfFrac } = tested({ gain: 0.95 }, terms);
    expect(tested({ gain: 0.95 }, { ...terms, passFrac: ratio! - halfFrac! }).outcome).toBe("passed");
    expect(tested({ gain: 0.95 }, { ...terms, passFrac: ratio! + 2 * halfFrac! + 1e-9 }).outcome).toBe("failed");
  });

  it("holds the true ratio in nineteen intervals of twenty, when days err as a whole", () => {
    const runs = 200;
    const held = Array.from({ length: runs }, (_, seed) =>
      tested({ dayScatter: 0.02, stepScatter: 0.01, seed: seed + 1 }, { lightErrorFrac: 0 }),
    );
    const inside = held.filter(({ ratio, halfFrac }) => Math.abs(ratio! - 0.97) <= halfFrac!).length;
    expect(inside / runs).toBeGreaterThan(0.9);
    expect(inside / runs).toBeLessThan(0.99);
  });

  it("takes a capacity that was agreed at conditions that were", () => {
    const conditions = { poaWm2: 800, airTempC: 20, windSpeedMs: 3 };
    const report = tested({}, { conditions, targetKw: 80 });
    expect(report.conditions).toEqual(conditions);
    expect(report.ratio).toBeCloseTo((0.97 * 800 * (0.104 - 4e-3 - 6e-3 + 3e-4)) / 80, 3);
  });

  it.each([
    ["missing", (columns: CapacityColumns) => columns.meteredKw.fill(Number.NaN, 140, 150)],
    ["held", (columns: CapacityColumns) => columns.held.fill(1, 140, 150)],
    ["still", (columns: CapacityColumns) => columns.meteredKw.fill(0, 138, 150)],
    ["unsteady", (columns: CapacityColumns) => columns.poaWm2.set([300], 145)],
  ] as const)("leaves out what is %s, and says how much", (filter, change) => {
    const [plain, changed] = [tested(), tested({ change })];
    expect(taken(changed, filter)).toBeGreaterThan(taken(plain, filter));
    expect(changed.ratio).toBeCloseTo(0.97, filter === "unsteady" ? 4 : 9);
  });

  it("leaves out what an inverter's ceiling cuts, and would be wrong without", () => {
    const cut = (columns: CapacityColumns): void => {
      for (const [i, kw] of columns.meteredKw.entries()) columns.meteredKw[i] = Math.min(kw, 70);
    };
    const [known, unknown] = [tested({ change: cut }, {}, 70), tested({ change: cut })];
    expect(taken(known, "ceiling")).toBeGreaterThan(100);
    expect(unknown.filters.find(({ filter }) => filter === "ceiling")!.isTold).toBe(false);
    expect(known.ratio).toBeCloseTo(0.97, 6);
    expect(Math.abs(unknown.ratio! - 0.97)).toBeGreaterThan(0.005);
  });

  it("the lines of the filters account for every lit interval", () => {
    const { filters, intervals } = tested({ stepScatter: 0.02 });
    const all = filters[0]!.left + filters[0]!.takenOut;
    expect(all - filters.reduce((sum, { takenOut }) => sum + takenOut, 0)).toBe(intervals);
    expect(filters.every(({ takenOut, alone }) => takenOut <= alone)).toBe(true);
  });

  it("tells nothing of light that swings within an interval of one step", () => {
    const hourly = { ...USUAL_TERMS, averageMinutes: STEP };
    expect(capacityTest(columnsOf(), hourly, null, "UTC").filters.find(({ filter }) => filter === "unsteady")!.isTold).toBe(false);
  });

  it("tells no capacity of too few intervals, nor of a band without weather of its own", () => {
    const few = tested({}, { leastWm2: 1030 });
    expect(few.intervals).toBeLessThan(LEAST_INTERVALS);
    expect(few.outcome).toBe("too-few");
    expect(tested({ change: ({ airTempC }) => airTempC.fill(20) }).outcome).toBe("not-separable");
  });

  it("leaves the wind's term out where nobody measured it", () => {
    const report = capacityTest({ ...columnsOf(), windSpeedMs: null }, USUAL_TERMS, null, "UTC");
    expect(report.metered!.coefficients[3]).toBe(0);
    expect(report.ratio).toBeCloseTo(0.97, 6);
  });

  it("wants intervals that hold a whole number of steps", () => {
    expect(() => tested({}, { averageMinutes: 12 })).toThrow(RangeError);
  });
});
