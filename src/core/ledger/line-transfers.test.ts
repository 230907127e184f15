import { describe, expect, it } from "vitest";
import { LEDGER_ACCOUNTS, MODEL_ACCOUNTS } from "../accounts";
import { type LedgerLine, lineWithTransfers, withTransfers } from ".";

const line = {
  key: "2024-01",
  planeKwhM2: 100,
  referenceKwh: 1000,
  accountsKwh: Object.fromEntries(MODEL_ACCOUNTS.map((account, k) => [account, k])),
  expectedKwh: 1000 - MODEL_ACCOUNTS.reduce((sum, _, k) => sum + k, 0),
  promiseKwh: null,
  meteredKwh: 700,
  dataGapKwh: 20,
  unmatchedKwh: 5,
  unexplainedKwh: 1000 - 153 - 20 - 695,
  readFrac: 0.98,
  filledReferenceKwh: 0,
  referenceGapKwh: 0,
  splitKwh: 0,
} as unknown as LedgerLine;

/** Both sides of the account, which must close. */
const closes = (moved: LedgerLine): void => {
  const accounts = Object.values(moved.accountsKwh).reduce((a, b) => a + b, 0);
  expect(moved.referenceKwh - accounts).toBeCloseTo(moved.expectedKwh, 9);
  expect(moved.expectedKwh - moved.dataGapKwh - moved.unexplainedKwh!).toBeCloseTo(moved.meteredKwh! - moved.unmatchedKwh, 9);
};

describe("a line with what an analyst moved", () => {
  it("is the line itself where nothing was moved", () => {
    expect(lineWithTransfers(line, [])).toBe(line);
    closes(line);
  });

  it("what is moved between accounts leaves the rest as it was", () => {
    const moved = lineWithTransfers(line, [{ from: "snow", to: "soiling", kwh: 2 }]);
    expect(moved.accountsKwh.snow).toBe(line.accountsKwh.snow - 2);
    expect(moved.accountsKwh.soiling).toBe(line.accountsKwh.soiling + 2);
    expect(moved.expectedKwh).toBe(line.expectedKwh);
    expect(moved.unexplainedKwh).toBe(line.unexplainedKwh);
    expect(line.accountsKwh.snow).toBe(MODEL_ACCOUNTS.indexOf("snow"));
    closes(moved);
  });

  it("what the unexplained gives to a cause lowers what is expected", () => {
    const moved = lineWithTransfers(line, [{ from: "remainder", to: "ageing", kwh: 30 }]);
    expect(moved.accountsKwh.ageing).toBe(line.accountsKwh.ageing + 30);
    expect(moved.expectedKwh).toBe(line.expectedKwh - 30);
    expect(moved.unexplainedKwh).toBe(line.unexplainedKwh! - 30);
    closes(moved);
  });

  it("a cause that is refused goes back to the unexplained", () => {
    const moved = lineWithTransfers(line, [{ from: "soiling", to: "remainder", kwh: 4 }]);
    expect(moved.expectedKwh).toBe(line.expectedKwh + 4);
    expect(moved.unexplainedKwh).toBe(line.unexplainedKwh! + 4);
    closes(moved);
  });

  it("what is moved to the data gap is no loss", () => {
    const moved = lineWithTransfers(line, [{ from: "remainder", to: "unread", kwh: 7 }]);
    expect(moved.dataGapKwh).toBe(27);
    expect(moved.expectedKwh).toBe(line.expectedKwh);
    expect(moved.unexplainedKwh).toBe(line.unexplainedKwh! - 7);
    closes(moved);
  });

  it("a shared line carries it at its first stage", () => {
    const moved = lineWithTransfers(line, [{ from: "remainder", to: "wiring", kwh: 1 }]);
    expect(moved.accountsKwh.mismatch).toBe(line.accountsKwh.mismatch + 1);
    expect(moved.accountsKwh.dcWiring).toBe(line.accountsKwh.dcWiring);
    closes(moved);
  });

  it("unknown stays unknown", () => {
    expect(lineWithTransfers({ ...line, unexplainedKwh: null }, [{ from: "snow", to: "soiling", kwh: 2 }]).unexplainedKwh).toBeNull();
    expect(lineWithTransfers({ ...line, meteredKwh: null }, [{ from: "snow", to: "soiling", kwh: 2 }]).unexplainedKwh).toBeNull();
  });

  it("postings keep their sum, and the ones given stay", () => {
    const postings = Object.fromEntries(LEDGER_ACCOUNTS.map((account, k) => [account, 10 * k])) as Parameters<typeof withTransfers>[0];
    const moved = withTransfers(postings, [
      { from: "snow", to: "remainder", kwh: 3 },
      { from: "remainder", to: "ageing", kwh: 1 },
    ]);
    expect([moved.snow - postings.snow, moved.remainder - postings.remainder, moved.ageing - postings.ageing]).toEqual([-3, 2, 1]);
    expect(postings.snow).toBe(10 * LEDGER_ACCOUNTS.indexOf("snow"));
  });
});
