import path from "node:path";
import { fixtures } from "@test/paths";
import { printed } from "@test/printed";
import { valid } from "@test/published-form";
import { beforeAll, describe, expect, it } from "vitest";
import type { z } from "zod";
import { ageingSchema, clearDaysPrintedSchema, reconcileSchema } from "@/contracts/printed";
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

type Printed = z.output<typeof reconcileSchema>;

describe("reconcile", () => {
  let report: Printed;
  beforeAll(async () => {
    report = reconcileSchema.parse(JSON.parse(await printed(() => reconcileCommand({ ...hut, json: true }))));
  }, 60_000);

  it("prints an account that closes in every month, and is of its published form", () => {
    expect([report.format, report.version]).toEqual(["dusty-ledger/reconcile", 2]);
    expect(valid("reconcile", report)).toEqual([]);
    expect(report.months.length).toBeGreaterThan(30);
    for (const month of [...report.months, ...report.years, report.all]) {
      if (month.meteredKwh === null) continue;
      const left = month.expectedKwh - month.foundSumKwh! - month.dataGapKwh - month.unexplainedKwh!;
      expect(Math.abs(left - (month.meteredKwh - month.meteredWithoutWeatherKwh)), month.key).toBeLessThan(1e-6);
      expect(month.explainedBy === null, month.key).toBe(month.state !== "explained");
    }
  });

  it("tells the hut's winters and its string, in words and numbers", () => {
    const kinds = report.findings.map(({ kind }) => kind);
    expect(kinds.filter((kind) => kind === "snow").length).toBeGreaterThanOrEqual(3);
    const string = report.findings.find(({ kind }) => kind === "strings-out")!;
    expect(string.what).toContain("1 of 4 strings gave nothing");
    expect(string.kwh!).toBeGreaterThan(1000);
    expect(report.readings.length).toBeGreaterThan(0);
    expect(report.readings.every(({ words }) => String(words.what).length > 10)).toBe(true);
  });

  it("gives each month its indicators, availability among them between nothing and all", () => {
    for (const { indicators, key } of report.months) {
      const available = indicators.availabilityByTimeFrac;
      if (available !== null) expect(available >= 0 && available <= 1, key).toBe(true);
      const ratio = indicators.performanceRatio;
      if (ratio !== null) expect(ratio, key).toBeLessThan(1.15);
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
    const text = JSON.parse(await printed(() => ageingCommand({ ...hut, json: true }))) as unknown;
    expect(valid("ageing", text)).toEqual([]);
    const report = ageingSchema.parse(text);
    expect(report.ratePctPerYear).toBeCloseTo(100 * report.perYearFrac!, 9);
    expect(Math.abs(report.ratePctPerYear! - 0.4)).toBeLessThan(0.2);
    expect(report.usedDays).toBeLessThanOrEqual(report.filters[0]!.days);
    expect(report.parts).toEqual([]);
    expect(report.partsWords).toBe("");
  }, 60_000);

  it("without weather says what clear days of the meter alone tell, marked as such", async () => {
    const { weather: _, ...alone } = hut;
    expect(await printed(() => ageingCommand(alone))).toMatch(/^From \d+ clear days of the meter alone, with no weather behind them/);
    const report = clearDaysPrintedSchema.parse(JSON.parse(await printed(() => ageingCommand({ ...alone, json: true }))));
    expect(valid("ageing-clear-days", report)).toEqual([]);
    expect(report.ageing!.low).toBeLessThan(0.004);
    expect(report.ageing!.high).toBeGreaterThan(0.004);
  });
});
