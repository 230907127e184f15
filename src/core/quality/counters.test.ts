import { describe, expect, it } from "vitest";
import { counterSpans } from "../readings";
import { examineCounter, misreadings } from "./counters";
import { derivedCounters } from "./remedies";

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

describe("a slip that both spans would bear", () => {
  /** A plant that gives what it owes, near enough, and one reading with its digits in another order. */
  const usual = (k: number): number => 1000 + 100 * k + (k % 2);
  const long = (at: number, kwh: number): number[] => Array.from({ length: 24 }, (_, k) => (k === at ? kwh : usual(k)));

  it("is told where one side lacks what the other has too much, and the swap makes both usual", () => {
    // The counter stood at 2,101 and was written 2,011: 11 and 189 where 100 are owed.
    const [slip, ...more] = found(long(11, 2011));
    expect(more).toEqual([]);
    expect(slip).toMatchObject({ kind: "digit-slip", facts: { how: "digits-swapped", likelyKwh: 2101 } });
  });

  it("is none where a poor week is made good by no other, or where only another digit would help", () => {
    expect(found(Array.from({ length: 24 }, (_, k) => usual(k) - (k >= 11 ? 60 : 0)))).toEqual([]);
    // 2,061 for 2,101 is no swap: a week of clouds and one of sun.
    expect(found(long(11, 2061))).toEqual([]);
  });

  it("is turned in what was written, after the counter began anew", () => {
    const kwh = Array.from({ length: 24 }, (_, k) => (k < 8 ? 4000 + 100 * k : 60 + 100 * (k - 8)));
    kwh[15] = 670; // stood at 760
    const [reset, slip] = found(kwh);
    expect(reset).toMatchObject({ kind: "counter-reset", facts: { offsetKwh: 4700 }, remedy: { op: "carry", isGapBefore: true } });
    expect(slip).toMatchObject({ kind: "digit-slip", facts: { how: "digits-swapped", likelyKwh: 4700 + 760, carriedKwh: 4700 } });
    const clean = derivedCounters(readings(...kwh), [reset!.remedy!, slip!.remedy!]);
    expect(clean[15]!.kwh).toBe(5460);
    // Nobody read what came between the old counter's last reading and the new one's first.
    expect(counterSpans(clean).map(({ fromUtcMs }) => fromUtcMs)).not.toContain(at(7));
  });

  it("a span past all nines has to be usual: else the counter began anew", () => {
    const past = (now: number) => found([...Array.from({ length: 12 }, (_, k) => 8850 + 100 * k), now, now + 100]).map(({ kind }) => kind);
    expect(past(52)).toEqual(["counter-rollover"]);
    expect(past(400)).toEqual(["counter-reset"]);
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
