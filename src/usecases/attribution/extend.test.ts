import { DEMO_BOOKS, recordOf } from "@simulators";
import { beforeAll, describe, expect, it } from "vitest";
import type { AttributionReport } from "@/contracts/attribution";
import type { Site } from "@/core/site";
import { parseSite } from "@/formats/site-json";
import { joinPages } from "@/usecases/imports";
import { type OpenLedger, openLedger, type StoredSeries } from "@/usecases/ledger";
import { causeInWords } from "@/wording/findings/attribution";
import { attribute, extendAttribution } from ".";

const DAY_MS = 86_400_000;
/** The alpine hut in the winter in which a string was out: standstill, snow and strings all at once. */
const demo = { ...DEMO_BOOKS[1]!, firstUtc: "2021-12-31T23:00:00Z", lastUtc: "2024-05-20T23:00:00Z" };

let site: Site;
let weather: StoredSeries[];
let production: StoredSeries[];

const until = (series: StoredSeries, utcMs: number): StoredSeries => {
  const count = Math.min(series.axis.count, Math.floor((utcMs - series.axis.startUtcMs) / (series.axis.stepMinutes * 60_000)));
  return { ...series, axis: { ...series.axis, count }, values: series.values.subarray(0, count) };
};

function ledgerUntil(iso: string, change: (series: StoredSeries) => StoredSeries = (series) => series): OpenLedger {
  const at = Date.parse(iso);
  return openLedger({
    site,
    weather: weather.map((s) => until(s, at)),
    production: production.map((s) => until(change(s), at)),
    promise: null,
  });
}

beforeAll(() => {
  const reading = parseSite(demo.site);
  if (!reading.ok) throw new Error("The demo's hut does not parse.");
  site = reading.document;
  const record = recordOf(demo, site);
  production = record.production.map((pages) => joinPages({ ...pages, meterId: "main" })!);
  weather = record.weather.map((pages) => joinPages({ ...pages, meterId: "" })!);
}, 120_000);

describe("a report brought up to new days by its laws", () => {
  let before: AttributionReport;
  let later: OpenLedger;
  let extended: AttributionReport;
  let whole: AttributionReport;
  beforeAll(() => {
    before = attribute({ ledger: ledgerUntil("2024-02-25T23:00:00Z"), entries: [], draws: 100 })!;
    later = ledgerUntil("2024-03-18T23:00:00Z");
    extended = extendAttribution(before, later, [])!;
    whole = attribute({ ledger: later, entries: [], draws: 100 })!;
  }, 60_000);
  const month = (report: AttributionReport, key: string) => report.months.find((line) => line.key === key)!;

  it("leaves every earlier month as it was, to the last digit", () => {
    const earlier = (report: AttributionReport) => report.months.filter(({ key }) => key < "2024-02");
    expect(earlier(extended)).toEqual(earlier(before));
  });

  it.each(["2024-02", "2024-03"])("has %s as a whole search has it, within two percent of what the sun owed", (key) => {
    const [own, known] = [month(extended, key), month(whole, key)];
    const near = 0.02 * known.expectedKwh + 5;
    expect(own.referenceKwh).toBeCloseTo(known.referenceKwh, 6);
    expect(own.meteredKwh).toBeCloseTo(known.meteredKwh!, 6);
    for (const account of ["snow", "downtime", "soiling", "rating", "ageing"] as const)
      expect(Math.abs(own.accountsKwh[account] - known.accountsKwh[account]), `${key} ${account}`).toBeLessThan(near);
  });

  it("balances in every month, year and in all", () => {
    for (const line of [...extended.months, ...extended.years, extended.all]) {
      const accounts = Object.values(line.accountsKwh).reduce((a, b) => a + b, 0);
      expect(line.referenceKwh - accounts).toBeCloseTo(line.expectedKwh, 6);
    }
    expect(extended.all.expectedKwh).toBeCloseTo(
      extended.months.reduce((sum, line) => sum + line.expectedKwh, 0),
      6,
    );
  });

  it("lets what goes on go on: the string that is out, and the winter's snow", () => {
    const of = (report: AttributionReport, kind: string) => report.findings.filter((finding) => finding.kind === kind).at(-1)!;
    expect(of(extended, "strings-out").fromUtcMs).toBe(of(before, "strings-out").fromUtcMs);
    expect(of(extended, "strings-out").toUtcMs).toBeGreaterThan(Date.parse("2024-03-17T00:00:00Z"));
    expect(of(extended, "strings-out").kwh!).toBeGreaterThan(of(before, "strings-out").kwh!);
    expect(extended.findings.filter(({ kind }) => kind === "snow")).toHaveLength(
      before.findings.filter(({ kind }) => kind === "snow").length,
    );
  });

  it("has each day once, with its dirt and snow", () => {
    expect(extended.days.at(-1)).toBe("2024-03-18");
    expect(extended.days.filter((day, d) => extended.days.indexOf(day) !== d)).toEqual([]);
    expect(extended.soiling.lostFracByDay).toHaveLength(extended.days.length);
    expect(extended.snow.lostFracByDay).toHaveLength(extended.days.length);
  });

  it("extended day by day is the same as extended at once", () => {
    const step = extendAttribution(before, ledgerUntil("2024-03-05T23:00:00Z"), [])!;
    const twice = extendAttribution(step, later, [])!;
    expect({ ...twice, milliseconds: 0 }).toEqual({ ...extended, milliseconds: 0 });
  });

  it("takes far less than a whole search", () => {
    expect(extended.milliseconds).toBeLessThan(whole.milliseconds);
  });
});

describe("a record is searched whole again", () => {
  let before: AttributionReport;
  beforeAll(() => {
    before = attribute({ ledger: ledgerUntil("2024-01-25T23:00:00Z"), entries: [], draws: 50 })!;
  }, 60_000);

  it("where an earlier month has changed", () => {
    const changed = (series: StoredSeries): StoredSeries => {
      const values = series.values.slice();
      const from = Math.round((Date.parse("2023-06-10T00:00:00Z") - series.axis.startUtcMs) / (series.axis.stepMinutes * 60_000));
      for (let k = 0; k < 96; k++) values[from + k] = values[from + k]! * 1.1;
      return { ...series, values };
    };
    expect(extendAttribution(before, ledgerUntil("2024-01-28T23:00:00Z", changed), [])).toBeNull();
  });

  it("where an entry was written, the laws are old, or no day was added", () => {
    const entry = { from: "2023-05-01", to: "2023-05-01", kind: "cleaning", array: "", note: "", value: "" } as const;
    expect(extendAttribution(before, ledgerUntil("2024-01-28T23:00:00Z"), [entry])).toBeNull();
    expect(extendAttribution(before, ledgerUntil("2024-03-18T23:00:00Z"), [])).toBeNull();
    expect(extendAttribution(before, ledgerUntil("2024-01-25T23:00:00Z"), [])).toBeNull();
    expect(extendAttribution(before, ledgerUntil("2024-01-28T23:00:00Z"), [])!.endUtcMs - before.endUtcMs).toBe(3 * DAY_MS);
  });
});

describe("a string that comes back after the last search", () => {
  it("ends its finding, and the days after owe what the whole plant owes", () => {
    const before = attribute({ ledger: ledgerUntil("2024-04-18T04:00:00Z"), entries: [], draws: 50 })!;
    const later = ledgerUntil("2024-05-16T23:00:00Z");
    const extended = extendAttribution(before, later, [])!;
    const found = (report: AttributionReport) => report.findings.findLast(({ kind }) => kind === "strings-out")!;
    expect(found(before).facts.restored).toBe("no");
    const { facts, toUtcMs } = found(extended);
    const { what } = causeInWords(found(extended), "UTC");
    expect(facts.restored).toBe("yes");
    expect(what).not.toContain("to the end of the record");
    expect(Math.abs(toUtcMs - Date.parse("2024-04-18T09:00:00Z"))).toBeLessThan(8 * DAY_MS);
    const may = (report: AttributionReport) => report.months.find(({ key }) => key === "2024-05")!;
    expect(may(extended).accountsKwh.downtime).toBeLessThan(0.02 * may(extended).expectedKwh);
  }, 60_000);
});
