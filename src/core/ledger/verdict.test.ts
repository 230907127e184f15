import { foundLine, ledgerLine } from "@test/ledger-line";
import { describe, expect, it } from "vitest";
import { asksForCheck, avoidableKwh, LEAST_READ_FRAC, type LedgerLine, lineState, TOLD_FRAC, verdictOf } from ".";

const TOLERANCE = 0.05;
const stateOf = (line: LedgerLine) => lineState(line, TOLERANCE);
const kindOf = (line: LedgerLine): string => stateOf(line).kind;

describe("a line at a glance", () => {
  it("is within tolerance where nothing is found and little is unexplained, to check beyond it on both sides", () => {
    const of = (unexplainedKwh: number): string => kindOf(ledgerLine({ meteredKwh: 1000 - unexplainedKwh, unexplainedKwh }));
    expect([50, 50.1, -50, -50.1].map(of)).toEqual(["within", "to-check", "within", "to-check"]);
  });

  it("of a part that was read is held against that part", () => {
    const of = (unexplainedKwh: number): string =>
      kindOf(ledgerLine({ dataGapKwh: 400, readFrac: 0.6, meteredKwh: 600 - unexplainedKwh, unexplainedKwh }));
    expect([30, 30.1].map(of)).toEqual(["within", "to-check"]);
  });

  it("is a gap where less than half was read, or nothing", () => {
    const read = (readFrac: number): string =>
      kindOf(ledgerLine({ readFrac, dataGapKwh: 1000 * (1 - readFrac), meteredKwh: 1000 * readFrac }));
    expect([read(LEAST_READ_FRAC), read(LEAST_READ_FRAC - 0.001)]).toEqual(["within", "gap"]);
    expect(kindOf(ledgerLine({ meteredKwh: null, unexplainedKwh: null }))).toBe("gap");
  });

  it("an outage explains a line from the least that would turn its index, and the pill names it", () => {
    const of = (share: number) => stateOf(foundLine({ downtime: 1000 * share }, 1000 - 1000 * share));
    expect(of(TOLD_FRAC * 1.01)).toEqual({ kind: "explained", account: "downtime", isGain: false });
    expect(of(TOLD_FRAC * 0.99)).toEqual({ kind: "within" });
  });

  it("a level against the plan explains a line only where the index lies outside the tolerance", () => {
    const of = (kwh: number) => stateOf(foundLine({ soiling: kwh }, 1000 - kwh));
    expect(of(49)).toEqual({ kind: "within" });
    expect(of(51)).toEqual({ kind: "explained", account: "soiling", isGain: false });
  });

  it("names a loss where the index is short, a gain where it is over, and no snow that stayed away", () => {
    expect(stateOf(foundLine({ soiling: 90, ageing: -20 }, 930))).toEqual({ kind: "explained", account: "soiling", isGain: false });
    expect(stateOf(foundLine({ soiling: -90, ageing: 20 }, 1070))).toEqual({ kind: "explained", account: "soiling", isGain: true });
    expect(stateOf(foundLine({ snow: -30 }, 1030))).toEqual({ kind: "within" });
  });

  it("what is found does not hide what is not: the rest is judged by itself", () => {
    expect(kindOf(foundLine({ downtime: 200 }, 740))).toBe("to-check");
    expect(stateOf(foundLine({ downtime: 200, snow: 20 }, 780))).toEqual({ kind: "explained", account: "downtime", isGain: false });
  });

  it("an outage hidden by as much over is told, not swallowed", () => {
    // Ten days out, and the model over by as much in the rest: 100 % of expected came, and it is not fine.
    expect(kindOf(foundLine({ downtime: 200 }, 1000))).toBe("to-check");
  });
});

const TOLERANCES = { page: 0.02, line: 0.05 };

describe("the sentences above a page", () => {
  const months = [10, 40, -30].map((unexplainedKwh, k) =>
    ledgerLine({ key: `2024-0${k + 1}`, unexplainedKwh, meteredKwh: 1000 - unexplainedKwh }),
  );
  const page = (unexplainedKwh: number) => ledgerLine({ unexplainedKwh, meteredKwh: 1000 - unexplainedKwh });

  it("two hundredths are within what instruments tell, on both sides", () => {
    const kind = (unexplainedKwh: number) => verdictOf(page(unexplainedKwh), months, TOLERANCES).kind;
    expect([20, 20.1, -20, -20.1].map(kind)).toEqual(["within", "to-check", "within", "to-check"]);
  });

  it("a month that asks by itself is not swallowed by its year", () => {
    const asking = (unexplainedKwh: number) =>
      verdictOf(page(5), [...months, ledgerLine({ key: "2024-04", unexplainedKwh, meteredKwh: 1000 - unexplainedKwh })], TOLERANCES);
    expect(asking(50)).toMatchObject({ kind: "within", toCheckKeys: [] });
    expect(asking(50.1)).toMatchObject({ kind: "within", toCheckKeys: ["2024-04"] });
    expect([asksForCheck(asking(50)), asksForCheck(asking(50.1)), asksForCheck(verdictOf(page(30), months, TOLERANCES))]).toEqual([
      false,
      true,
      true,
    ]);
  });

  it("names the month with most unexplained first", () => {
    const lines = [60, 90, -70].map((unexplainedKwh, k) =>
      ledgerLine({ key: `2024-0${k + 1}`, unexplainedKwh, meteredKwh: 1000 - unexplainedKwh }),
    );
    expect(verdictOf(page(0), lines, TOLERANCES)).toMatchObject({ toCheckKeys: ["2024-02", "2024-03", "2024-01"] });
  });

  it("names the largest loss that can be avoided, and the largest of all where none can", () => {
    const largest = (found: Partial<LedgerLine["foundKwh"]>) =>
      (verdictOf(foundLine(found, 700), [], TOLERANCES) as { largest: unknown }).largest;
    expect(largest({ ageing: 60, downtime: 40, soiling: 20 })).toEqual({ account: "downtime", kwh: 40, isAvoidable: true });
    expect(largest({ ageing: 60, orientation: 10 })).toEqual({ account: "ageing", kwh: 60, isAvoidable: false });
    // A gain is no loss, and what would not turn the index is not worth a sentence.
    expect(largest({ ageing: -60, downtime: 1000 * TOLD_FRAC })).toBeNull();
  });

  it("holds metered against what was expected of the time read", () => {
    const verdict = verdictOf(foundLine({ downtime: 40 }, 850, { dataGapKwh: 60, readFrac: 0.94, unmatchedKwh: 0 }), [], TOLERANCES);
    expect(verdict).toMatchObject({ expectedReadKwh: 940, meteredReadKwh: 850, dataGapKwh: 60, unexplainedKwh: 50 });
    expect((verdict as { index: number }).index).toBeCloseTo(850 / 940, 12);
  });

  it("without weather, without readings or with too few it says that", () => {
    expect(verdictOf(ledgerLine({ referenceKwh: 0 }), [], TOLERANCES).kind).toBe("no-weather");
    expect(verdictOf(ledgerLine({ referenceKwh: Number.NaN }), [], TOLERANCES).kind).toBe("no-weather");
    expect(verdictOf(ledgerLine({ meteredKwh: null }), [], TOLERANCES)).toEqual({ kind: "no-readings", expectedKwh: 1000 });
    expect(verdictOf(ledgerLine({ readFrac: 0.3, dataGapKwh: 700, meteredKwh: 300 }), [], TOLERANCES).kind).toBe("gap");
  });

  it("counts as avoidable what somebody can do something about, and no gains", () => {
    expect(avoidableKwh(foundLine({ downtime: 40, soiling: -8, ageing: 30, strings: 5 }, 900))).toBe(45);
  });
});
