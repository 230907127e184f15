import { describe, expect, it } from "vitest";
import { AVOIDABLE_ACCOUNTS, DESIGN_ACCOUNTS, designAccountOf, FOUND_ACCOUNTS, LEDGER_ACCOUNTS, MODEL_ACCOUNTS } from ".";

describe("accounts", () => {
  it("each stage of the chain has a line among the design losses, and each line is fed", () => {
    const fed = new Set(MODEL_ACCOUNTS.map(designAccountOf));
    expect([...fed].filter((account) => !DESIGN_ACCOUNTS.includes(account))).toEqual([]);
    expect(DESIGN_ACCOUNTS.filter((account) => !fed.has(account))).toEqual([]);
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
    expect(designAccountOf(account)).toBe(line);
  });

  it("design losses stand in the order in which the chain meets them", () => {
    const order = MODEL_ACCOUNTS.map((account) => DESIGN_ACCOUNTS.indexOf(designAccountOf(account)));
    const shared = MODEL_ACCOUNTS.map((account) => ["acWiring", "transformer"].includes(account));
    const own = order.filter((_, k) => !shared[k]);
    expect(own).toEqual(own.toSorted((a, b) => a - b));
  });

  it("every design loss can be found to be another, and what can be avoided is found", () => {
    expect(DESIGN_ACCOUNTS.filter((account) => !FOUND_ACCOUNTS.includes(account))).toEqual([]);
    expect(AVOIDABLE_ACCOUNTS.filter((account) => !FOUND_ACCOUNTS.includes(account))).toEqual([]);
    expect(LEDGER_ACCOUNTS.slice(-2)).toEqual(["dataGap", "unexplained"]);
  });
});
