import { afterEach, describe, expect, it, vi } from "vitest";
import { catalogue, inLocale, PSEUDO_MARKS } from "./catalogue";

describe("a catalogue of sentences", () => {
  const say = catalogue({ nothingIsDue: "Nothing is due.", dueIn: (days: number) => `Due in ${days} days.`, none: "" });
  afterEach(() => vi.unstubAllEnvs());

  it("gives plain sentences and those that take facts", () => {
    expect(say.nothingIsDue).toBe("Nothing is due.");
    expect(say.dueIn(3)).toBe("Due in 3 days.");
  });

  it("gives the locale of the moment, each sentence marked once", () => {
    vi.stubEnv("DUSTY_LEDGER_LOCALE", "pseudo");
    const [open, close] = PSEUDO_MARKS;
    expect(say.nothingIsDue).toBe(`${open}Nothing is due.${close}`);
    expect(say.dueIn(3)).toBe(`${open}Due in 3 days.${close}`);
    expect(inLocale(say.dueIn(3))).toBe(say.dueIn(3));
    expect(say.none).toBe("");
  });

  it("speaks plainly in a locale that it does not know", () => {
    vi.stubEnv("DUSTY_LEDGER_LOCALE", "xx");
    expect(say.nothingIsDue).toBe("Nothing is due.");
  });
});
