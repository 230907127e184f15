import { describe, expect, it } from "vitest";
import { examineCounter, misreadings } from "./counters";

const DAY = 86_400_000;
/** A reading each ten days; the plant owes ten a day. */
const at = (k: number): number => k * 10 * DAY;
const owes = (from: number, to: number): number => (10 * (to - from)) / DAY;
const readings = (...kwh: number[]) => kwh.map((value, k) => ({ meterId: "main", atUtcMs: at(k), kwh: value }));
const found = (kwh: number[], expected = owes) => examineCounter(readings(...kwh), expected);

describe("a counter read by hand", () => {
  it("that rises as the plant owes shows nothing", () => {
    expect(found([1000, 1100, 1205, 1300, 1390])).toEqual([]);
    expect(found([])).toEqual([]);
    expect(found([5])).toEqual([]);
  });

  it("digits that were swapped are seen by both their neighbours", () => {
    const [slip, ...rest] = found([1000, 1100, 2110, 1310, 1410]);
    expect(rest).toEqual([]);
    expect(slip).toMatchObject({
      kind: "digit-slip",
      fromUtcMs: at(2),
      kwh: 2110,
      confidenceFrac: 0.9,
      facts: { readKwh: 2110, betweenKwh: 1205, how: "digits-swapped", likelyKwh: 1210 },
      remedy: { op: "restate", kwh: 1210 },
    });
  });

  it("what no slip explains is dropped, and only where its neighbours make sense", () => {
    expect(found([1000, 1100, 987_654, 1310, 1410])).toMatchObject([
      { kind: "digit-slip", confidenceFrac: 0.6, facts: { how: "out-of-line" }, remedy: { op: "drop" } },
    ]);
    expect(found([1000, 1100, 1210, 9310, 9410])).toEqual([]);
  });

  it("a span may stand at 35 hundredths to 1.8 of what is usual, with twelve kilowatt-hours besides", () => {
    const fits = (kwh: number) => found([1000, 1100, 1200, 1200 + kwh, 1300 + kwh, 1400 + kwh]).length === 0;
    // 180 and 12 above, 35 less 12 beneath; a reading between doubted neighbours needs the next to make sense too.
    expect([fits(192), fits(23)]).toEqual([true, true]);
    const lone = (kwh: number) => found([1000, 1100, 1200, kwh, 1400, 1500]).length;
    expect([lone(1377), lone(1378)]).toEqual([0, 1]);
    expect([lone(1223), lone(1222)]).toEqual([0, 1]);
  });

  it("one that passed all nines is carried on by its size, one that was set back by what it showed", () => {
    expect(found([9800, 9900, 5, 105, 205])).toMatchObject([
      {
        kind: "counter-rollover",
        fromUtcMs: at(2),
        toUtcMs: at(4),
        count: 3,
        facts: { beforeKwh: 9900, afterKwh: 5, offsetKwh: 10_000 },
        confidenceFrac: 0.9,
        remedy: { op: "carry", kwh: 10_000 },
      },
    ]);
    expect(found([4800, 4900, 60, 160, 260])).toMatchObject([
      { kind: "counter-reset", facts: { offsetKwh: 4900 }, remedy: { op: "carry", kwh: 4900 } },
    ]);
  });

  it("a reset is sure where the counter fell to under a fifth", () => {
    const sure = (after: number) => found([4800, 4900, after, after + 100, after + 200])[0]!.confidenceFrac;
    expect([sure(979), sure(981)]).toEqual([0.9, 0.6]);
  });

  it("after a reset it is examined as if it had gone on", () => {
    expect(found([4800, 4900, 60, 160, 620, 360]).map(({ kind }) => kind)).toEqual(["counter-reset", "digit-slip"]);
  });

  it("what is usual is the plant's own", () => {
    // At half of what is owed throughout, a span of the full amount is no slip of the hand yet.
    expect(found([1000, 1050, 1100, 1150, 1200, 1250])).toEqual([]);
    expect(found([1000, 1050, 1100, 1210, 1200, 1250])).not.toEqual([]);
  });

  it("where the model can't say, it must only not fall", () => {
    const unknown = (): number => Number.NaN;
    expect(found([1000, 5000, 5001], unknown)).toEqual([]);
    expect(found([4800, 4900, 60, 160], unknown).map(({ kind }) => kind)).toContain("counter-reset");
  });
});

describe("numbers that a hand may have meant", () => {
  const how = (kwh: number, meant: number) => misreadings(kwh).find((each) => each.kwh === meant)?.how;

  it.each([
    [1234, 1324, "digits-swapped"],
    [1234, 2134, "digits-swapped"],
    [1234, 1243, "digits-swapped"],
    [1234, 124, "digit-too-many"],
    [1234, 234, "digit-too-many"],
    [1234, 1934, "digit-wrong"],
    [1234, 1230, "digit-wrong"],
    [1234, 12_345, "digit-missing"],
    [1234, 91_234, "digit-missing"],
    [1234, 123.4, "decimal-mark-lost"],
    [1234, 12_340, "digit-missing"],
  ])("%s for %s: %s", (kwh, meant, said) => {
    expect(how(kwh, meant)).toBe(said);
  });

  it("what was read is not among them, nor what two slips make", () => {
    expect(how(1234, 1234)).toBeUndefined();
    expect(how(1234, 4321)).toBeUndefined();
    expect(misreadings(12.5).some(({ kwh }) => kwh === 125)).toBe(true);
  });
});
