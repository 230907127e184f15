import { describe, expect, it } from "vitest";
import type { AgeingReport } from "@/contracts/attribution";
import { ageingSentence, ageingWords } from "./ageing";

const report = {
  isTooSoon: false,
  perYearFrac: 0.0071,
  low: 0.0055,
  high: 0.0088,
  rateVerdict: "undecided",
  warranty: { years: 25, firstYearFrac: 0.02, perYearFrac: 0.0055 },
  years: 5,
  halfWidthLater: [0.0013],
  verdict: "undecided",
  level: { ageYears: 6.75, frac: 0.939, low: 0.884, high: 0.995, guaranteedFrac: 0.948, indexFrac: 0.974 },
} as unknown as AgeingReport;
const said = (parts: object): string => ageingSentence({ ...report, ...parts });

describe("what is said of ageing", () => {
  it("is the rate, what the guaranteed one says to it, the level, and what follows for a claim", () => {
    const { rate, byRate, level, claim } = ageingWords(report);
    expect(rate).toBe("Ageing 0.71 % a year (0.55 to 0.88)");
    expect(byRate).toContain("0.55 % lies inside");
    expect(level!.figure).toBe("93.9 % of its rating");
    expect(level!.after).toMatch(/\(88\.4 to 99\.5\).*94\.8 are guaranteed\./);
    expect(claim).toContain("does not support a claim");
    expect(ageingSentence(report)).toBe(`${rate}. ${byRate} ${level!.before}${level!.figure}${level!.after} ${claim}`);
  });

  it("supports a claim where the whole interval lies under the guarantee, and there alone", () => {
    expect(said({ verdict: "below" })).toContain("This supports a claim");
    for (const verdict of ["within", "undecided"]) expect(said({ verdict })).toContain("does not support a claim");
  });

  it("sends to the light where a rate is not physical, with a warranty or without", () => {
    expect(said({ rateVerdict: "unphysical", high: -0.001 })).toContain("look at the light");
    expect(said({ rateVerdict: null, warranty: null, high: -0.001 })).toContain("look at the light");
    expect(said({ rateVerdict: null, warranty: null })).not.toContain("look at the light");
  });

  it("says what it does not know", () => {
    const level = { ...report.level!, ageYears: null, guaranteedFrac: null };
    expect(said({ level, verdict: "age-unknown" })).toMatch(/guaranteed by now is not known/);
    expect(said({ level: null, verdict: "too-soon" })).not.toMatch(/claim|rating/);
    const soon = said({ isTooSoon: true, perYearFrac: null, rateVerdict: null });
    expect(soon).toContain("Too soon to tell a rate: 5.0 years of readings. Another year");
    expect(soon).toContain("of its rating");
    expect(soon).not.toMatch(/undefined|NaN|null|\?/);
  });
});
