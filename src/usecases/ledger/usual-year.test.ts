import path from "node:path";
import { fixtures } from "@test/paths";
import { beforeAll, describe, expect, it } from "vitest";
import { type FileLedger, ledgerFromFiles } from "@/cli/read-files";
import { mayBeSaid } from "@/core/basis";
import {
  againstPromise,
  expectedReadKwh,
  type LedgerLine,
  lineState,
  performanceIndex,
  performanceRatio,
  readOfTimeFrac,
  totalLine,
  verdictOf,
  weatherBasisOf,
} from "@/core/ledger";
import { attribute } from "@/usecases/attribution";
import { type OpenLedger, openLedger, type StoredSeries } from ".";

const file = (name: string): string => path.join(fixtures, "plants", "dry-roof", name);
const ALL_TIME = { fromUtcMs: 0, toUtcMs: Date.UTC(2060, 0) };

let measured: FileLedger;
let asMeasured: OpenLedger;
/** The same book with its light marked as a usual year's. */
const withUsual = (usualSpans: readonly { fromUtcMs: number; toUtcMs: number }[]): OpenLedger => {
  const { weather, site, promise, production } = measured;
  const series = (quantity: string, values: Float64Array | null): StoredSeries[] =>
    values ? [{ quantity, meterId: "", axis: weather!.axis, values }] : [];
  return openLedger({
    site,
    promise,
    production,
    usualSpans,
    weather: [
      ...series("ghi_w_m2", weather!.ghiWm2),
      ...series("dni_w_m2", weather!.dniWm2),
      ...series("dhi_w_m2", weather!.dhiWm2),
      ...series("air_temperature_c", weather!.airTempC),
      ...series("wind_speed_m_s", weather!.windSpeedMs),
    ],
  });
};

beforeAll(async () => {
  measured = await ledgerFromFiles({
    site: file("dry-roof.site.json"),
    weather: file("weather.csv.gz"),
    production: file("production.csv.gz"),
    promise: file("promise.csv"),
    "production-zone": "Europe/Madrid",
  });
  asMeasured = withUsual([]);
});

describe("a book whose light is a usual year's", () => {
  it("says what such a year gives and what was metered, and holds nothing against anything", () => {
    const { report } = withUsual([ALL_TIME]);
    expect(weatherBasisOf(report.months)).toBe("monthly-means");
    for (const [k, line] of report.months.entries()) {
      const own = asMeasured.report.months[k]!;
      expect([line.expectedKwh, line.meteredKwh, line.promiseKwh]).toEqual([own.expectedKwh, own.meteredKwh, own.promiseKwh]);
      expect([performanceIndex(line), performanceRatio(line), line.unexplainedKwh]).toEqual([null, null, null]);
      expect(expectedReadKwh(line)).toBeCloseTo(0, 6);
      expect(lineState(line, 0.05)).toEqual({ kind: "usual" });
      expect(readOfTimeFrac(line)).toBeCloseTo(own.readFrac, 9);
    }
    expect(verdictOf(report.all, report.months, { page: 0.03, line: 0.08 })).toEqual({
      kind: "usual-year",
      usualKwh: report.all.usualKwh,
      meteredKwh: asMeasured.report.all.meteredKwh,
    });
  });

  it("has no cause and no rate of ageing, as the table withholds them", () => {
    const ledger = withUsual([ALL_TIME]);
    const basis = { weather: weatherBasisOf(ledger.report.months), energy: "intervals" } as const;
    expect([mayBeSaid("causes", basis).permission, mayBeSaid("ageing", basis).permission]).toEqual(["withheld", "withheld"]);
    expect(attribute({ ledger, entries: [] })).toBeNull();
  });

  it("leaves the years beside it as they were", () => {
    const [first, ...others] = asMeasured.report.years.map(({ key }) => key);
    const { report } = withUsual([{ fromUtcMs: 0, toUtcMs: Date.UTC(Number(first) + 1, 0) }]);
    for (const key of others.slice(1))
      expect(report.years.find((line) => line.key === key)).toEqual(asMeasured.report.years.find((line) => line.key === key));
    expect(lineState(report.years[0]!, 0.05)).toEqual({ kind: "usual" });
    // Sums close over both kinds of years.
    const sum = totalLine("all", report.months);
    expect(sum.expectedKwh - sum.dataGapKwh - sum.unexplainedKwh!).toBeCloseTo(sum.meteredKwh! - sum.unmatchedKwh, 6);
    expect(weatherBasisOf(report.months)).toBe("measured");
  });
});

describe("a book without any weather", () => {
  it("holds what was metered against the promise, and expects nothing", () => {
    const { site, promise, production } = measured;
    const { report, weather, run, metered } = openLedger({ site, promise, production, weather: [] });
    expect([weather, run, metered]).toEqual([null, null, null]);
    expect(weatherBasisOf(report.months)).toBe("none");
    for (const line of report.months.filter(({ meteredKwh }) => meteredKwh !== null)) {
      const own = asMeasured.report.months.find(({ key }) => key === line.key);
      if (own) expect(Math.abs(line.meteredKwh! - own.meteredKwh!), line.key).toBeLessThan(0.02 * own.meteredKwh! + 1);
      expect([line.expectedKwh, line.referenceKwh, performanceIndex(line), line.unexplainedKwh]).toEqual([0, 0, null, null]);
      expect(lineState(line, 0.05)).toEqual({ kind: "no-weather" });
    }
    const verdict = verdictOf(report.all, report.months, { page: 0.03, line: 0.08 });
    expect(verdict.kind).toBe("no-weather");
    const [here, there] = [againstPromise(report.months)!, againstPromise(asMeasured.report.months)!];
    expect(here.meteredKwh / here.promisedKwh).toBeCloseTo(there.meteredKwh / there.promisedKwh, 2);
  });

  it("lays out a counter's long span by a cloudless sky, and leaves out a month that was read in part", () => {
    const [fromUtcMs, toUtcMs] = [Date.UTC(2023, 0, 1), Date.UTC(2023, 2, 16)];
    const { report } = openLedger({
      site: measured.site,
      promise: measured.promise,
      weather: [],
      production: [],
      sparse: { spans: [{ meterId: "m-I1", fromUtcMs, toUtcMs, kwh: 12_000 }], counters: [] },
    });
    const [january, february, march] = report.months.filter(({ key }) => key.startsWith("2023")) as [LedgerLine, LedgerLine, LedgerLine];
    expect(january.meteredKwh! + february.meteredKwh! + march.meteredKwh!).toBeCloseTo(12_000, 0);
    expect(february.meteredKwh!).toBeGreaterThan(january.meteredKwh!);
    expect(march.readFrac).toBeLessThan(0.6);
    expect(againstPromise(report.months)!.months.map(({ key }) => key)).toEqual(["2023-01", "2023-02"]);
  });

  it("has no month before anything was read", () => {
    const { site, promise } = measured;
    expect(openLedger({ site, promise, production: [], weather: [] }).report.months).toEqual([]);
  });
});
