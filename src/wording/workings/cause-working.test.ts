import { describe, expect, it } from "vitest";
import type { AgeingReport, BookCause } from "@/contracts/attribution";
import { causeKinds } from "@/core/attribution";
import { causeInWords } from "../findings/attribution";
import { ageingWorking, causeWorking } from "./cause-working";

const cause = (parts: Partial<BookCause> = {}): BookCause =>
  ({
    key: "soiling/0",
    kind: "soiling",
    fromUtcMs: Date.UTC(2022, 4, 1),
    toUtcMs: Date.UTC(2022, 8, 1),
    kwh: 1234.5,
    kwhLow: 1100,
    kwhHigh: 1400,
    confidenceFrac: 0.83,
    facts: { ratePerDayFrac: 0.00123, rains: 12, gauge: "depth", unknown: null },
    entry: null,
    ...parts,
  }) as unknown as BookCause;

const input = (of: BookCause, name: string): { readonly value: string; readonly from: string } =>
  causeWorking(of, "UTC").inputs.find((each) => each.name === name)!;

describe("the working of a cause", () => {
  it.each(causeKinds)("of %s has a formula and a source, and says what was seen", (kind) => {
    const working = causeWorking(cause({ kind }), "UTC");
    expect(working.formula.length).toBeGreaterThan(20);
    expect(working.source).not.toBe("");
    expect(working.assumptions).toContain(causeInWords(cause({ kind }), "UTC").evidence);
  });

  it("shows the energy with its interval, and every fact that the search left", () => {
    const working = causeWorking(cause(), "UTC");
    expect(working.unit).toBe("kWh");
    expect(working.value.replaceAll(/\D/g, "")).toMatch(/^123[45]$/);
    expect(input(cause(), "interval").value.replaceAll(/[^\d to]/g, "")).toMatch(/1100 to 1400/);
    expect(input(cause(), "ratePerDayFrac").value).toBe("0.0012");
    expect(input(cause(), "rains").value).toBe("12");
    expect(input(cause(), "gauge").value).toBe("depth");
    expect(input(cause(), "unknown").value).toBe("not told");
  });

  it("shows how sure it is where no energy is claimed", () => {
    const bare = cause({ kind: "ageing", kwh: null, kwhLow: null, kwhHigh: null });
    expect(causeWorking(bare, "UTC")).toMatchObject({ unit: "sure" });
    expect(causeWorking(bare, "UTC").value).toMatch(/^83/);
    expect(causeWorking(bare, "UTC").inputs.map(({ name }) => name)).not.toContain("interval");
  });

  it("says by what rule it is sure", () => {
    expect(input(cause(), "sure").from).toContain("gain");
    expect(input(cause({ kind: "strings-out" }), "sure").from).toContain("whole part");
    expect(input(cause({ kind: "outage" }), "sure").from).toBe("judgement by rule");
  });
});

describe("the working of the ageing rate", () => {
  const report = {
    perYearFrac: 0.0071,
    low: 0.0055,
    high: 0.0088,
    halfScatterFrac: 0.003,
    halfLightFrac: 0.0074,
    lightSource: "unknown",
    calibrations: 0,
    lightStep: null,
    isLightStepSought: true,
    draws: 1000,
    seed: 7,
    pairs: [1, 2, 3],
    filters: [
      { name: "days read", days: 1811, perYearFrac: 0.0038 },
      { name: "clear-enough days", days: 4, perYearFrac: null },
    ],
  } as unknown as AgeingReport;

  it("names pairs, samples and what each filter leaves", () => {
    const working = ageingWorking(report);
    expect(working.value).toBe("0.71");
    const of = (name: string): string => working.inputs.find((each) => each.name === name)!.value;
    expect(of("pairs of days")).toBe("3");
    expect(of("interval")).toBe("0.55 to 0.88 %");
    expect(of("after days read")).toContain("0.38 % a year");
    expect(of("after clear-enough days")).toContain("?");
    expect(working.inputs.find(({ name }) => name === "of it, scatter")!.from).toContain("1000 bootstrap samples");
    expect(of("of it, light")).toBe("± 0.74 %");
    expect(working.inputs.find(({ name }) => name === "of it, light")!.from).toContain("no calibration in the field book");
  });

  it("is a question mark while it is too soon to tell", () => {
    expect(ageingWorking({ ...report, perYearFrac: null, low: null, high: null }).value).toBe("?");
  });
});
