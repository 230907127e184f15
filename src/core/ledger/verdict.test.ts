import { describe, expect, it } from "vitest";
import { MODEL_ACCOUNTS } from "../accounts";
import { type LedgerLine, lineState, verdictOf } from ".";

const none = Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, 0])) as LedgerLine["accountsKwh"];
const line = (parts: Partial<LedgerLine> = {}): LedgerLine => ({
  key: "2024-01",
  planeKwhM2: 100,
  referenceKwh: 1200,
  accountsKwh: none,
  expectedKwh: 1000,
  promiseKwh: null,
  meteredKwh: 1000,
  dataGapKwh: 0,
  unmatchedKwh: 0,
  unexplainedKwh: 0,
  readFrac: 1,
  filledReferenceKwh: 0,
  referenceGapKwh: 0,
  splitKwh: 0,
  ...parts,
});

describe("what to do with a line", () => {
  it.each<[string, Partial<LedgerLine>, string]>([
    ["a missing twentieth is let be", { unexplainedKwh: 50 }, "fits"],
    ["more than a twentieth is looked at", { unexplainedKwh: 50.1 }, "look"],
    ["as much too much is not", { unexplainedKwh: -200 }, "fits"],
    ["read for 95 of 100 it is whole", { readFrac: 0.95 }, "fits"],
    ["read for less it is a part", { readFrac: 0.949 }, "part-read"],
    ["what is missing outranks what is unread", { readFrac: 0.5, unexplainedKwh: 60 }, "look"],
    ["without a meter it is unread", { meteredKwh: null }, "unread"],
    ["without a difference too", { unexplainedKwh: null }, "unread"],
  ])("%s", (_, parts, state) => {
    expect(lineState(line(parts), 0.05)).toBe(state);
  });
});

const TOLERANCES = { page: 0.02, line: 0.05 };

describe("the sentence above a page", () => {
  const months = [
    line({ key: "2024-01", unexplainedKwh: 10 }),
    line({ key: "2024-02", unexplainedKwh: 40 }),
    line({ key: "2024-03", unexplainedKwh: -30 }),
  ];

  it("two hundredths are within what instruments tell, on both sides", () => {
    const kind = (unexplainedKwh: number) => verdictOf(line({ unexplainedKwh }), months, TOLERANCES).kind;
    expect([20, 20.1, -20, -20.1].map(kind)).toEqual(["settled", "short", "settled", "over"]);
  });

  it("a line that surely lacks something is not swallowed by its year", () => {
    const lacking = (unexplainedKwh: number) => [...months, line({ key: "2024-04", unexplainedKwh })];
    const kind = (lines: ReturnType<typeof lacking>, all = 15) => verdictOf(line({ unexplainedKwh: all }), lines, TOLERANCES).kind;
    expect([kind(lacking(50)), kind(lacking(50.1))]).toEqual(["settled", "short"]);
    // Where all together is above, no month makes it short.
    expect(kind(lacking(60), -5)).toBe("settled");
  });

  it("names the month that holds most of it, on its side", () => {
    const worst = (unexplainedKwh: number) =>
      (verdictOf(line({ unexplainedKwh }), months, TOLERANCES) as { worstKey: string | null }).worstKey;
    expect([worst(60), worst(-60), worst(0)]).toEqual(["2024-02", "2024-03", null]);
    expect(verdictOf(line({ unexplainedKwh: 60 }), [], TOLERANCES)).toMatchObject({ worstKey: null });
    expect(verdictOf(line({ unexplainedKwh: 60 }), [line({ unexplainedKwh: null })], TOLERANCES)).toMatchObject({ worstKey: null });
  });

  it("names the three largest losses, and gains are none", () => {
    const accountsKwh = { ...none, snow: 5, soiling: 9, temperature: 30, inverter: 20, orientation: -50 };
    const { largest } = verdictOf(line({ accountsKwh }), [], TOLERANCES) as { largest: unknown };
    expect(largest).toEqual([
      { account: "temperature", kwh: 30 },
      { account: "inverter", kwh: 20 },
      { account: "soiling", kwh: 9 },
    ]);
  });

  it("says what is missing in all, and what of it was not read", () => {
    expect(verdictOf(line({ meteredKwh: 900, dataGapKwh: 60, unexplainedKwh: 40 }), [], TOLERANCES)).toMatchObject({
      kind: "short",
      missingKwh: 100,
      dataGapKwh: 60,
      unexplainedKwh: 40,
      expectedKwh: 1000,
      meteredKwh: 900,
    });
  });

  it("without weather or without readings it says that", () => {
    expect(verdictOf(line({ referenceKwh: 0 }), [], TOLERANCES).kind).toBe("no-weather");
    expect(verdictOf(line({ referenceKwh: Number.NaN }), [], TOLERANCES).kind).toBe("no-weather");
    expect(verdictOf(line({ meteredKwh: null }), [], TOLERANCES)).toMatchObject({ kind: "no-readings", expectedKwh: 1000 });
    expect(verdictOf(line({ unexplainedKwh: null }), [], TOLERANCES).kind).toBe("no-readings");
  });
});
