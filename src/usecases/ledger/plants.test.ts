import { execFile } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { promisify } from "node:util";
import { fixtures, projectRoot } from "@test/paths";
import { valid } from "@test/published-form";
import { describe, expect, it } from "vitest";
import { ledgerFromFiles } from "@/cli/read-files";
import { ledgerReportSchema } from "@/contracts/ledger";
import { moneyReportSchema } from "@/contracts/money";
import { reconcileSchema } from "@/contracts/printed";
import { MODEL_ACCOUNTS } from "@/core/accounts";
import { openLedger } from ".";

const ZONES = { "dry-roof": "Europe/Madrid", "southern-ranch": "Australia/Sydney" } as const;
type Plant = keyof typeof ZONES;

const file = (plant: Plant, name: string): string => path.join(fixtures, "plants", plant, name);
const options = (plant: Plant) => ({
  site: file(plant, `${plant}.site.json`),
  weather: file(plant, "weather.csv.gz"),
  production: file(plant, "production.csv.gz"),
  promise: file(plant, "promise.csv"),
  "production-zone": ZONES[plant],
});

interface Truth {
  monthly: { month: string; gainIfRemovedKwh: Record<string, number> }[];
}

interface ActualPlant {
  actual: { arrays: { tilt_deg: number; azimuth_deg: number }[]; module_tolerance_pct: number };
}

/** Energy at the meter that the plant would have made without dirt, outages and ageing, by year. */
function truthByYear(plant: Plant): Map<string, number> {
  const truth = JSON.parse(readFileSync(file(plant, "truth.json"), "utf8")) as Truth;
  const years = new Map<string, number>();
  for (const { month, gainIfRemovedKwh } of truth.monthly) {
    const year = month.slice(0, 4);
    years.set(year, (years.get(year) ?? 0) + Object.values(gainIfRemovedKwh).reduce((a, b) => a + b, 0));
  }
  return years;
}

describe.each(Object.keys(ZONES) as Plant[])("the plant %s", (plant) => {
  const opened = ledgerFromFiles(options(plant));

  it("closes its ledger in every month", async () => {
    for (const line of (await opened).report.months) {
      const accounts = MODEL_ACCOUNTS.reduce((sum, account) => sum + line.accountsKwh[account], 0);
      expect(Math.abs(line.referenceKwh - accounts - line.expectedKwh), line.key).toBeLessThanOrEqual(1e-6 * line.referenceKwh);
      expect(line.expectedKwh - line.dataGapKwh - line.unexplainedKwh!).toBeCloseTo(line.meteredKwh! - line.unmatchedKwh, 6);
      expect(line.promiseKwh).toBeGreaterThan(3000);
    }
  });

  it("is expected within 2.5 % of metered per year once dirt, outage and ageing are put back, with modules and plane as they are", async () => {
    const { site } = await opened;
    const { actual } = JSON.parse(readFileSync(file(plant, "truth-totals.json"), "utf8")) as ActualPlant;
    const clean = {
      ...site,
      arrays: site.arrays.map((array, k) => ({ ...array, azimuthDeg: actual.arrays[k]!.azimuth_deg, tiltDeg: actual.arrays[k]!.tilt_deg })),
      losses: { ...site.losses, soilingFrac: 0 },
      ageing: { firstYearFrac: 0, perYearFrac: 0 },
    };
    const { meters, weather } = await opened;
    const series = (quantity: string, values: Float64Array | null) =>
      values ? [{ quantity, meterId: "", axis: weather!.axis, values }] : [];
    const { report } = openLedger({
      site: clean,
      weather: [
        ...series("ghi_w_m2", weather!.ghiWm2),
        ...series("air_temperature_c", weather!.airTempC),
        ...series("wind_speed_m_s", weather!.windSpeedMs),
      ],
      production: meters,
      promise: null,
    });
    const putBack = truthByYear(plant);
    for (const year of report.years) {
      const healthy = (year.meteredKwh! + year.dataGapKwh + putBack.get(year.key)!) / (1 + actual.module_tolerance_pct / 100);
      expect(Math.abs(year.expectedKwh / healthy - 1), `${plant} ${year.key}: ${year.expectedKwh / healthy}`).toBeLessThan(0.025);
    }
  });
});

const run = promisify(execFile);
const ledger = (...args: string[]) =>
  run(process.execPath, [path.join(projectRoot, "scripts", "ledger.mjs"), ...args], { maxBuffer: 64e6 });
const flags = (plant: Plant) => Object.entries(options(plant)).flatMap(([name, value]) => [`--${name}`, value]);

describe("the command line", () => {
  it("reconciles to the same figures as the use case, with postings and indicators", async () => {
    const { stdout } = await ledger("reconcile", ...flags("dry-roof"), "--json");
    const printed = reconcileSchema.parse(JSON.parse(stdout));
    const { report } = await ledgerFromFiles(options("dry-roof"));
    const { all } = printed;
    expect([all.expectedKwh, all.meteredKwh, all.dataGapKwh]).toEqual([
      report.all.expectedKwh,
      report.all.meteredKwh,
      report.all.dataGapKwh,
    ]);
    for (const line of [...printed.months, ...printed.years, all]) {
      const found = Object.values(line.foundKwh ?? {}).reduce((sum, kwh) => sum + kwh, 0);
      expect(line.expectedKwh - found - line.dataGapKwh - line.unexplainedKwh!, line.key).toBeCloseTo(
        line.meteredKwh! - line.meteredWithoutWeatherKwh,
        6,
      );
      expect(line.referenceKwh - Object.values(line.plannedKwh).reduce((sum, kwh) => sum + kwh, 0), line.key).toBeCloseTo(
        line.expectedKwh,
        6,
      );
    }
    expect(ledgerReportSchema.safeParse(report).success).toBe(true);
  }, 30_000);

  it("expects a span of months", async () => {
    const { site, weather } = options("southern-ranch");
    const { stdout } = await ledger("expect", "--site", site, "--weather", weather, "--from", "2021-03", "--to", "2021-05-31", "--json");
    expect((JSON.parse(stdout) as { months: { key: string }[] }).months.map((month) => month.key)).toEqual([
      "2021-03",
      "2021-04",
      "2021-05",
    ]);
  }, 30_000);

  it("reckons a payback from the promise alone", async () => {
    const { site, promise } = options("dry-roof");
    const { stdout } = await ledger("money", "--site", site, "--promise", promise, "--price", "0.178", "--json");
    expect(valid("money", JSON.parse(stdout))).toEqual([]);
    const report = moneyReportSchema.parse(JSON.parse(stdout));
    expect(report.payback?.simpleYears).toBeCloseTo(52_800 / (101_452 * 0.178), 3);
  }, 30_000);

  it("finds out a clock that fits, and refuses with the option that decides where nothing tells", async () => {
    const { site, weather, production } = options("dry-roof");
    const read = await ledger("reconcile", "--site", site, "--weather", weather, "--production", production);
    expect(read.stderr).toMatch(/the sun says Europe\/Madrid, labels at the start/);
    const short = path.join(mkdtempSync(path.join(tmpdir(), "ledger-")), "short.csv");
    writeFileSync(short, "time,energy_kwh\n2023-06-01 10:00,1\n2023-06-01 11:00,2\n");
    await expect(ledger("reconcile", "--site", site, "--weather", weather, "--production", short)).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringMatching(/no offset from UTC.*--production-zone Europe\/Madrid/s) as string,
    });
    writeFileSync(short, "time,reading\n2023-06-01T10:00Z,1\n2023-06-01T11:00Z,2\n");
    await expect(ledger("reconcile", "--site", site, "--weather", weather, "--production", short)).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringMatching(/“reading”.*--production-unit kWh, Wh, W, kW/s) as string,
    });
  }, 60_000);

  it("refuses unknown commands, options and files by name", async () => {
    await expect(ledger("explode")).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringContaining("There is no command explode") as string,
    });
    await expect(ledger("expect", "--sight", "x")).rejects.toMatchObject({ code: 2, stderr: expect.stringContaining("--sight") as string });
    await expect(ledger("expect", "--site", "nowhere.json", "--weather", "w.csv")).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringContaining("nowhere.json") as string,
    });
  }, 30_000);
});
