import { ledgerOfShare } from "@test/open-ledger";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { type AcceptanceQuestion, acceptanceQuestionSchema, type CapacityQuestion, type GuaranteeQuestion } from "@/contracts/acceptance";
import { performanceIndex, performanceRatio } from "@/core/ledger";
import { canonical } from "@/formats/evidence";
import { capacityOf, guaranteeOf, measuredTest } from ".";

const plant = site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 9000, ratedEfficiencyFrac: 0.97 }] });
const half = ledgerOfShare({ site: plant, start: "2024-01-01T00:00:00Z", days: 366, stepMinutes: 15, meteredFrac: () => 0.96 });

const capacity = (parts: object = {}): CapacityQuestion =>
  acceptanceQuestionSchema.parse({ kind: "capacity", ...parts }) as CapacityQuestion;
const guarantee = (parts: object = {}): GuaranteeQuestion =>
  acceptanceQuestionSchema.parse({
    kind: "guarantee",
    of: "energy-index",
    from: "2024-01-01",
    years: 1,
    guaranteedFrac: 0.97,
    ...parts,
  }) as GuaranteeQuestion;

describe("a capacity test of a book", () => {
  it("reads the meter's share off the model, whatever the sky", () => {
    const report = capacityOf(half, capacity(), []);
    expect(report.ratio!).toBeCloseTo(0.96, 3);
    expect(report.ratedKw).toBe(9);
    expect(report.hasPlaneSensor).toBe(false);
    expect(report.shown.length).toBeLessThanOrEqual(1200);
  });

  it("looks at its days alone, and leaves out what the field book says was held", () => {
    const june = capacity({ from: "2024-06-01", to: "2024-06-30" });
    const report = capacityOf(half, june, [{ from: "2024-06-10", to: "2024-06-12" }]);
    expect(new Date(report.fromUtcMs).toISOString()).toBe("2024-05-31T22:00:00.000Z");
    expect(report.filters.find(({ filter }) => filter === "held")!.takenOut).toBeGreaterThan(3 * 4 * 12);
    expect(report.days).toBeLessThanOrEqual(27);
  });

  it("takes intervals that the readings fill: a meter that is read by the hour sets them", () => {
    expect(capacityOf(half, capacity(), []).averageMinutes).toBe(15);
    const hourly = { ...half, meters: half.meters.map((meter) => ({ ...meter, axis: { ...meter.axis, stepMinutes: 60 } })) };
    expect(capacityOf(hourly, capacity(), []).averageMinutes).toBe(60);
    expect(() => capacityOf(hourly, capacity({ averageMinutes: 15 }), [])).toThrow();
  });

  it.each([
    ["days outside the record", { from: "2026-01-01" }, "acceptance-outside-record"],
    ["intervals shorter than the readings", { averageMinutes: 10 }, "capacity-interval-too-short"],
  ])("refuses %s", (_, parts, reason) => {
    expect(() => capacityOf(half, capacity(parts), [])).toThrow(expect.objectContaining({ reason }) as Error);
  });
});

describe("a guarantee of a book", () => {
  it("with everything in is the ledger's own index and performance ratio", () => {
    const holes = ledgerOfShare({
      site: plant,
      start: "2023-12-31T23:00:00Z",
      days: 366,
      meteredFrac: (i) => (i % 97 === 0 ? Number.NaN : 0.9 + 0.1 * Math.sin(i)),
    });
    const line = holes.report.years.find(({ key }) => key === "2024")!;
    const [index] = guaranteeOf(holes, guarantee(), []).years;
    expect(index!.allIn.index!).toBeCloseTo(performanceIndex(line)!, 6);
    const [ratio] = guaranteeOf(holes, guarantee({ of: "performance-ratio" }), []).years;
    expect(ratio!.allIn.index!).toBeCloseTo(performanceRatio(line)!, 6);
  });

  it("owes damages for what is short, to the cent, and nothing for a year that is not told", () => {
    const certain = { ...half, site: { ...half.site, lightSource: "station-a" as const } };
    const [missed] = guaranteeOf(certain, guarantee({ guaranteedFrac: 0.99, damagesPerKwh: "0.10" }), []).years;
    expect(missed!.outcome).toBe("missed");
    expect(Number(missed!.damages)).toBeCloseTo(missed!.shortKwh * 0.1, 2);
    const [open] = guaranteeOf(certain, guarantee({ damagesPerKwh: "0.10" }), []).years;
    expect([open!.outcome, open!.damages]).toEqual(["open", null]);
  });
});

describe("a test that is made again", () => {
  const asked = (question: AcceptanceQuestion) => ({ question, held: [], cleanings: [] });

  it("is the same under the site of its time, and another under another", () => {
    const question = capacity();
    const first = measuredTest(half, { ...asked(question), site: null });
    const again = measuredTest(half, { ...asked(question), site: plant });
    expect(canonical(again.report)).toBe(canonical(first.report));
    const steeper = site({ ...plant, arrays: [{ ...plant.arrays[0]!, tiltDeg: 50 }] });
    const other = measuredTest(half, { ...asked(question), site: steeper });
    expect(canonical(other.report)).not.toBe(canonical(first.report));
    expect(other.inputHash).toBe(first.inputHash);
  });

  it("has another hash of its readings where one of them is another", () => {
    const once = ledgerOfShare({
      site: plant,
      start: "2024-01-01T00:00:00Z",
      days: 366,
      stepMinutes: 15,
      meteredFrac: (i) => (i === 50 ? 0.97 : 0.96),
    });
    const hash = (ledger: typeof half): string => measuredTest(ledger, { ...asked(capacity()), site: null }).inputHash;
    expect(hash(once)).not.toBe(hash(half));
    expect(hash(half)).toBe(hash(half));
  });
});
