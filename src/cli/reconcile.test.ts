import path from "node:path";
import { fixtures } from "@test/paths";
import { printed } from "@test/printed";
import { beforeAll, describe, expect, it } from "vitest";
import { ageingCommand } from "./ageing";
import type { CliOptions } from "./arguments";
import { reconcileCommand } from "./reconcile";
import { CliRefusal } from "./refuse";

const folder = path.join(fixtures, "plants", "alpine-hut");
const at = (name: string): string => path.join(folder, name);
const hut: CliOptions = {
  site: at("alpine-hut.site.json"),
  weather: at("weather.csv.gz"),
  production: at("production.csv.gz"),
  promise: at("promise.csv"),
  events: at("events.csv"),
};

interface Printed {
  readonly months: readonly {
    readonly key: string;
    readonly referenceKwh: number;
    readonly meteredKwh: number | null;
    readonly unmatchedKwh: number;
    readonly postings: readonly { readonly account: string; readonly budgetKwh: number | null; readonly actualKwh: number | null }[];
    readonly indicators: Record<string, number | null>;
  }[];
  readonly all: Printed["months"][number];
  readonly findings: readonly {
    readonly kind: string;
    readonly what: string;
    readonly kwh: number | null;
    readonly entry: number | null;
  }[];
  readonly readings: readonly { readonly kind: string; readonly words: { readonly what: string } }[];
}

describe("reconcile", () => {
  let report: Printed;
  beforeAll(async () => {
    report = JSON.parse(await printed(() => reconcileCommand({ ...hut, json: true }))) as Printed;
  }, 60_000);

  it("prints accounts by evidence that walk from reference to meter in every month", () => {
    expect(report.months.length).toBeGreaterThan(30);
    for (const month of [...report.months, report.all]) {
      if (month.meteredKwh === null) continue;
      const posted = month.postings.reduce((sum, { actualKwh }) => sum + (actualKwh ?? 0), 0);
      expect(Math.abs(month.referenceKwh - posted - (month.meteredKwh - month.unmatchedKwh)), month.key).toBeLessThan(1e-6);
    }
  });

  it("tells the hut's winters and its string, in words and numbers", () => {
    const kinds = report.findings.map(({ kind }) => kind);
    expect(kinds.filter((kind) => kind === "snow").length).toBeGreaterThanOrEqual(3);
    const string = report.findings.find(({ kind }) => kind === "strings-out")!;
    expect(string.what).toContain("1 of 4 strings gave nothing");
    expect(string.kwh!).toBeGreaterThan(1000);
    expect(report.readings.length).toBeGreaterThan(0);
    expect(report.readings.every(({ words }) => words.what.length > 10)).toBe(true);
  });

  it("gives each month its indicators, availability among them between nothing and all", () => {
    for (const { indicators, key } of report.months) {
      const available = indicators.availabilityByTimeFrac;
      if (available !== null && available !== undefined) expect(available >= 0 && available <= 1, key).toBe(true);
      const ratio = indicators.performanceRatio;
      if (ratio !== null && ratio !== undefined) expect(ratio, key).toBeLessThan(1.15);
    }
    expect(report.all.indicators.specificYieldKwhPerKwp!).toBeGreaterThan(1000);
  });

  it("prints the same as a table for people: findings first, then a line a month", async () => {
    const text = await printed(() => reconcileCommand(hut));
    expect(text).toMatch(/String out: 1 of 4 strings gave nothing .* \(\d+ to \d+ kWh\)/);
    expect(text.split("\n").filter((line) => /^20\d\d-\d\d\s/.test(line))).toHaveLength(report.months.length);
    expect(text).toMatch(/^all\s/m);
  }, 60_000);

  it("says which file is missing, and what it is", async () => {
    await expect(reconcileCommand({ site: hut.site!, production: hut.production! })).rejects.toThrow(
      new CliRefusal("--weather is missing: a weather CSV."),
    );
    await expect(reconcileCommand({ ...hut, production: at("nothing.csv") })).rejects.toThrow("there is no such file");
  });
});

describe("ageing", () => {
  it("gives the rate in percent with its interval, its methods and its filters", async () => {
    const text = await printed(() => ageingCommand(hut));
    expect(text).toMatch(/Ageing 0\.\d\d % a year \(\u2212?0\.\d\d to \d\.\d\d\)\./);
    for (const name of ["year-on-year", "trend", "naive", "little-dirt"]) expect(text).toContain(name);
  }, 60_000);

  it("gives parts and the days used as JSON, the rate both as share and in percent", async () => {
    const report = JSON.parse(await printed(() => ageingCommand({ ...hut, json: true }))) as {
      ratePctPerYear: number;
      perYearFrac: number;
      usedDays: number;
      filters: { days: number }[];
      parts: unknown[];
      partsWords: string;
    };
    expect(report.ratePctPerYear).toBeCloseTo(100 * report.perYearFrac, 9);
    expect(Math.abs(report.ratePctPerYear - 0.4)).toBeLessThan(0.2);
    expect(report.usedDays).toBeLessThanOrEqual(report.filters[0]!.days);
    expect(report.parts).toEqual([]);
    expect(report.partsWords).toBe("");
  }, 60_000);
});
