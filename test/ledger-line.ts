import { MODEL_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, type ModelPostings, NOTHING_FOUND } from "@/core/ledger";

const none = Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, 0])) as ModelPostings;

/** A line of the account with nothing lost and nothing found: 1,000 kWh expected, and as much metered. */
export const ledgerLine = (parts: Partial<LedgerLine> = {}): LedgerLine => ({
  key: "2024-01",
  planeKwhM2: 100,
  referenceKwh: 1200,
  accountsKwh: { ...none, temperature: 200 },
  expectedKwh: 1000,
  foundKwh: NOTHING_FOUND,
  isSought: true,
  promiseKwh: null,
  meteredKwh: 1000,
  dataGapKwh: 0,
  referenceGapKwh: 0,
  unmatchedKwh: 0,
  usualKwh: 0,
  usualReadKwh: 0,
  unexplainedKwh: 0,
  readFrac: 1,
  filledReferenceKwh: 0,
  splitKwh: 0,
  ...parts,
});

/** The same with losses found, closed by what the meter counted. */
export const foundLine = (foundKwh: Partial<LedgerLine["foundKwh"]>, meteredKwh: number, parts: Partial<LedgerLine> = {}): LedgerLine => {
  const found = { ...NOTHING_FOUND, ...foundKwh };
  const sum = Object.values(found).reduce((a, b) => a + b, 0);
  const expectedKwh = parts.expectedKwh ?? 1000;
  const dataGapKwh = parts.dataGapKwh ?? 0;
  return ledgerLine({ foundKwh: found, meteredKwh, unexplainedKwh: expectedKwh - sum - dataGapKwh - meteredKwh, ...parts });
};
