import { describe, expect, it } from "vitest";
import { LEDGER_ACCOUNTS, ledgerAccountOf, MODEL_ACCOUNTS } from ".";

describe("accounts", () => {
  it("each of the model has a line of the ledger, and each line but the meter's two is fed", () => {
    const fed = new Set(MODEL_ACCOUNTS.map(ledgerAccountOf));
    expect([...fed].filter((account) => !LEDGER_ACCOUNTS.includes(account))).toEqual([]);
    expect(LEDGER_ACCOUNTS.filter((account) => !fed.has(account))).toEqual(["unread", "remainder"]);
  });

  it.each([
    ["mismatch", "wiring"],
    ["dcWiring", "wiring"],
    ["acWiring", "wiring"],
    ["transformer", "wiring"],
    ["curtailment", "curtailment"],
    ["snow", "snow"],
    ["clipping", "clipping"],
  ] as const)("%s stands on the line %s", (account, line) => {
    expect(ledgerAccountOf(account)).toBe(line);
  });

  it("the lines stand in the order in which the chain meets them", () => {
    const order = MODEL_ACCOUNTS.map((account) => LEDGER_ACCOUNTS.indexOf(ledgerAccountOf(account)));
    const shared = MODEL_ACCOUNTS.map((account) => ["acWiring", "transformer"].includes(account));
    const own = order.filter((_, k) => !shared[k]);
    expect(own).toEqual(own.toSorted((a, b) => a - b));
  });
});
