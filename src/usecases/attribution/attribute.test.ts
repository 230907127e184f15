import { type RandomPlant, randomPlant } from "@simulators";
import { describe, expect, it } from "vitest";
import { MODEL_ACCOUNTS } from "@/core/accounts";
import { attributionFrame, shadeEvidence, siteWithOffset } from "@/core/attribution";
import { expectedReadKwh, foundSumKwh } from "@/core/ledger";
import { prepareWeather } from "@/core/yield";
import { accountLines } from "@/usecases/keeping";
import { openLedger } from "@/usecases/ledger";
import { effectInWords, untellableInWords } from "@/wording/attribution";
import { causeInWords } from "@/wording/findings/attribution";
import { plantRows, simulate } from "../../../scripts/accuracy-rows";
import { attribute } from ".";

const quiet = (k: number, truth: Partial<RandomPlant["truth"]> = {}, parts: Partial<RandomPlant> = {}): RandomPlant => {
  const plant = randomPlant(k, false);
  return { ...plant, ...parts, lastUtc: "2024-01-01T00:00:00Z", truth: { ...plant.truth, ageingPerYearFrac: 0.005, ...truth } };
};
const kinds = (plant: RandomPlant): string[] => simulate(plant).report.findings.map(({ kind }) => kind);
const DAY_MS = 86_400_000;
const offDays = (utcMs: number, iso: string): number => Math.abs(utcMs - Date.parse(iso)) / DAY_MS;

describe("the walk with causes as found", () => {
  const { report, ledger } = simulate(
    quiet(0, {
      outages: [{ from: "2021-09-06T09:00:00Z", to: "2021-09-09T12:00:00Z" }],
      stringsOut: [{ from: "2022-03-10T11:00:00Z", to: "2022-05-20T09:00:00Z", lostFrac: 0.25 }],
    }),
  );

  it("balances in every month: reference - stages - data gap - unexplained = metered", () => {
    for (const line of [...report.months, report.all]) {
      const posted = MODEL_ACCOUNTS.reduce((sum, account) => sum + line.accountsKwh[account], 0);
      expect(Math.abs(line.referenceKwh - posted - line.expectedKwh)).toBeLessThan(1e-6);
      expect(Math.abs(line.expectedKwh - line.dataGapKwh - line.unexplainedKwh! - (line.meteredKwh! - line.unmatchedKwh))).toBeLessThan(
        1e-6,
      );
    }
  });

  it("what was found beside the plan sums to the plan's energy less what the evidence leaves, in every month", () => {
    const { months } = accountLines(ledger.report.months, { found: report.found, keeping: { transfers: [], closed: [] } });
    months.forEach((line, k) => {
      const [planned, walked] = [ledger.report.months[k]!, report.months[k]!];
      expect(line.expectedKwh).toBe(planned.expectedKwh);
      expect(line.unexplainedKwh!, line.key).toBeCloseTo(walked.unexplainedKwh!, 6);
      expect(foundSumKwh(line), line.key).toBeCloseTo(expectedReadKwh(planned) - (walked.expectedKwh - walked.dataGapKwh), 6);
    });
  });

  it("names the outage and the string in their months, at the meter, and no outage in any other", () => {
    const of = (key: string) => report.found.find((month) => month.key === key)!.foundKwh;
    const outage = report.findings.find(({ kind }) => kind === "outage")!;
    expect(of("2021-09").downtime / outage.kwh!).toBeCloseTo(1, 1);
    expect(of("2022-04").strings).toBeGreaterThan(0.2 * 0.25 * ledger.report.months.find(({ key }) => key === "2022-04")!.expectedKwh);
    expect(of("2021-05").downtime).toBeCloseTo(0, 6);
    expect(of("2021-09").strings).toBe(0);
  });

  it("starts from the book's own reference and ends at what was metered", () => {
    report.months.forEach((line, k) => {
      expect(line.referenceKwh).toBe(ledger.report.months[k]!.referenceKwh);
      expect(line.meteredKwh).toBe(ledger.report.months[k]!.meteredKwh);
    });
  });

  it("finds the outage to the hour and the string to the day, and nothing else", () => {
    const outage = report.findings.find(({ kind }) => kind === "outage")!;
    expect(offDays(outage.fromUtcMs, "2021-09-06T09:00:00Z")).toBeLessThan(0.1);
    expect(offDays(outage.toUtcMs, "2021-09-09T12:00:00Z")).toBeLessThan(0.1);
    const string = report.findings.find(({ kind }) => kind === "strings-out")!;
    expect(offDays(string.fromUtcMs, "2022-03-10T11:00:00Z")).toBeLessThan(1);
    expect(offDays(string.toUtcMs, "2022-05-20T09:00:00Z")).toBeLessThan(1);
    const others = report.findings.filter(({ kind }) => !["outage", "strings-out", "soiling", "snow"].includes(kind));
    expect(others).toEqual([]);
  });

  it("says in words what, when, how much and why", () => {
    const outage = report.findings.find(({ kind }) => kind === "outage")!;
    const { kwhLow, kwhHigh, kwh } = outage;
    const { what, evidence } = causeInWords(outage, "UTC");
    expect(what).toMatch(/stood still from 6 Sep to 9 Sep 2021\. Gained if removed: about [\d\s\u202f]+ kWh/);
    expect(evidence).toMatch(/h without output under light/);
    expect(kwhLow!).toBeLessThan(kwh!);
    expect(kwhHigh!).toBeGreaterThan(kwh!);
  });

  it("is the same each time", () => {
    const again = attribute({ ledger, entries: [] })!;
    expect({ ...again, milliseconds: 0 }).toEqual({ ...report, milliseconds: 0 });
  });
});

describe("one cause at a time", () => {
  it("a sound plant has no fault but weather", () => {
    for (const k of [0, 2, 3]) expect(kinds(quiet(k)).filter((kind) => !["snow", "soiling"].includes(kind))).toEqual([]);
  });

  it("snow is told from an outage by what fell before, and its energy is near", () => {
    const { report, losses } = simulate(quiet(1));
    expect(report.snow.winters.length).toBeGreaterThan(0);
    expect(report.findings.some(({ kind }) => kind === "outage")).toBe(false);
    expect(Math.abs(report.all.accountsKwh.snow / losses.snowKwh - 1)).toBeLessThan(0.15);
  });

  it("a turned plane is found within 4 degrees where contrast is clear, and a right one raises no alarm", () => {
    const plant = quiet(2);
    const book = plant.site.arrays[0]!.azimuthDeg;
    const turned = simulate({ ...plant, truth: { ...plant.truth, azimuthDeg: { a: (book + 300) % 360 } } }).report.orientation!;
    expect(turned.planeOffset).not.toBeNull();
    expect(Math.abs(turned.azimuthOffsetDeg.value + 60)).toBeLessThan(12);
    expect(turned.azimuthOffsetDeg.low).toBeLessThan(turned.azimuthOffsetDeg.value);
    expect(simulate(plant).report.orientation!.planeOffset).toBeNull();
  });

  it("a cleaning that nobody wrote down shows as a jump without rain", () => {
    const truth = { soilingPerDayFrac: 0.0016, cleanings: ["2022-08-10"] };
    const found = simulate(quiet(0, truth)).report.findings.find(({ kind }) => kind === "unrecorded-cleaning")!;
    expect(offDays(found.fromUtcMs, "2022-08-10")).toBeLessThan(6);
    const { report } = simulate(quiet(0, truth, { recordedCleanings: ["2022-08-10"] }));
    expect(report.findings.some(({ kind }) => kind === "unrecorded-cleaning")).toBe(false);
    expect(effectInWords(report.entries[0]!.effect)).toMatch(/took off \d+\.\d\u202f% of dirt/);
  });

  it("dirt is posted near its truth, with the rate that made it", () => {
    const { report, losses } = simulate(quiet(0, { soilingPerDayFrac: 0.0014 }));
    expect(report.soiling.isSeen).toBe(true);
    expect(report.soiling.ratePerDayFrac).toBeGreaterThan(0.001);
    expect(report.soiling.ratePerDayFrac).toBeLessThan(0.0018);
    expect(Math.abs(report.all.accountsKwh.soiling / losses.soilingKwh - 1)).toBeLessThan(0.15);
    const finding = report.findings.find(({ kind }) => kind === "soiling")!;
    expect(finding.confidenceFrac).toBeGreaterThan(0.9);
    expect(finding.kwhHigh! / finding.kwh!).toBeLessThan(1.3);
  });

  it("shade comes back at the same places of the sky", () => {
    const discs = {
      a: [{ azimuthDeg: 135, elevationDeg: 20, halfWidthDeg: 18, halfHeightDeg: 16, throughFrac: new Array<number>(12).fill(0) }],
    };
    const { report } = simulate(quiet(2, { discs: { a: [{ ...discs.a[0]!, azimuthDeg: 60 }] } }));
    expect(report.findings.some(({ kind }) => kind === "shading")).toBe(true);
    expect(report.skyFields.filter(({ isShaded }) => isShaded).every(({ azimuthDeg }) => azimuthDeg > 30 && azimuthDeg < 100)).toBe(true);
    expect(simulate(quiet(2)).report.findings.some(({ kind }) => kind === "shading")).toBe(false);
  });
});

describe("coarser readings", () => {
  const { ledger, site } = simulate(quiet(0));
  const months = ledger.report.months.map(({ key, meteredKwh }) => ({
    meterId: "main",
    fromUtcMs: Date.parse(`${key}-01T00:00:00+01:00`),
    toUtcMs: Date.parse(`${key}-01T00:00:00+01:00`) + 28 * DAY_MS,
    kwh: meteredKwh!,
  }));
  const spans = months.map((span, k) => ({ ...span, toUtcMs: months[k + 1]?.fromUtcMs ?? span.fromUtcMs + 31 * DAY_MS }));
  const weather = (["ghiWm2", "airTempC", "windSpeedMs", "rainMm"] as const).map((name, k) => ({
    quantity: ["ghi_w_m2", "air_temperature_c", "wind_speed_m_s", "rain_mm"][k]!,
    meterId: "",
    axis: ledger.weather!.axis,
    values: ledger.weather![name]!,
  }));
  const coarse = openLedger({ site, weather, production: [], sparse: { spans, counters: [] }, promise: null });

  it("by months tell fewer causes, and say which", () => {
    const report = attribute({ ledger: coarse, entries: [] })!;
    expect(report.resolution).toBe("months");
    expect(report.orientation).toBeNull();
    expect(report.cannotTell.map(untellableInWords).join(" ")).toMatch(/outages, strings out, shading, orientation/);
    expect(Math.abs(report.all.unexplainedKwh! / report.all.expectedKwh)).toBeLessThan(0.02);
  });

  it("without readings there is nothing to seek", () => {
    expect(attribute({ ledger: openLedger({ site, weather, production: [], promise: null }), entries: [] })).toBeNull();
  });
});

describe("pieces", () => {
  it("turning a site turns its revisions and schedules too", () => {
    const { site } = simulate(quiet(3));
    const turned = siteWithOffset(
      { ...site, revisions: [{ from: "2022-01-01", note: "", change: { arrays: [{ id: "a", azimuthDeg: 350 }] } }] },
      { azimuthOffsetDeg: 20, tiltOffsetDeg: 5 },
    );
    expect(turned.arrays[0]!.azimuthDeg).toBeCloseTo((site.arrays[0]!.azimuthDeg + 20) % 360, 9);
    expect(turned.revisions[0]!.change.arrays).toEqual([{ id: "a", azimuthDeg: 10 }]);
  });

  it("a sky that gives what it owes has no shaded field", () => {
    const { ledger, site } = simulate(quiet(3));
    const frame = attributionFrame(site, prepareWeather(site.place, ledger.weather!), ledger.metered!);
    const fair = { ...frame, meteredKwh: frame.openKwh };
    expect(shadeEvidence(fair, frame.openKwh, new Uint8Array(frame.axis.count)).isSeen).toBe(false);
  });
});

describe("plants whose files are simulated with other physics", () => {
  it("come out within the limits of the accuracy page", async () => {
    const rows = await plantRows();
    const missed = rows.filter(({ holds }) => !holds).map(({ plant, what }) => `${plant}: ${what}`);
    expect(rows.length).toBeGreaterThan(30);
    expect(missed).toEqual([]);
  }, 60_000);
});
