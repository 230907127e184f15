import { describe, expect, it } from "vitest";
import { type RefusalFacts, type RefusalReason, refusalReasons } from "@/contracts/refusals";
import { refusalInWords } from "./refusals";

describe("refusals in words", () => {
  // Answers every fact by its name, so that a sentence that asks for one shows which.
  const named = new Proxy({}, { get: (_target, name) => `‹${String(name)}›` });
  // Those that choose among sentences by a fact.
  const chosen: Partial<Record<RefusalReason, RefusalFacts>> = {
    "bill-fault": { fault: "ends-before-it-starts", row: 3, from: "2024-02-01", to: "2024-01-01" },
    "entry-effect-unclear": { expected: "tilt" },
    "nothing-posted": { month: "2024-01", account: "snow" },
  };

  it.each(refusalReasons)("of %s say what happened, and what to do", (reason) => {
    const { message, help } = refusalInWords({ reason, facts: chosen[reason] ?? named, problems: [] });
    for (const sentence of [message, help]) {
      expect(sentence.length).toBeGreaterThan(10);
      expect(sentence).not.toMatch(/undefined|NaN|\[object/);
    }
  });

  it("name the thing that was asked for", () => {
    const say = (reason: (typeof refusalReasons)[number], known: Record<string, string>): string => {
      const { message, help } = refusalInWords({ reason, facts: known, problems: [] });
      return `${message} ${help}`;
    };
    expect(say("book-not-found", { slug: "hut" })).toContain("“hut”");
    expect(say("month-not-found", { month: "2031-01" })).toContain("2031-01 is no month");
    expect(say("trial-meter-without-readings", { meterId: "cellar" })).toContain("no production readings of a meter “cellar”");
    expect(say("host-not-listed", { url: "x" })).toContain("DUSTY_LEDGER_FEED_HOSTS");
    expect(say("foreign-host", { host: "example.test" })).toContain("names the host example.test");
  });
});
