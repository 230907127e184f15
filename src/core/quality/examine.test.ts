import { readFileSync } from "node:fs";
import path from "node:path";
import { DEMO_BOOKS, type Faults, faultsOf, type LiveColumn, LivePlant, misbehave, recordOf, switchesSchema } from "@simulators";
import { fixtures } from "@test/paths";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { ledgerFromFiles } from "@/cli/read-files";
import { joinPages } from "@/usecases/imports";
import { openLedger, type StoredSeries } from "@/usecases/ledger";
import { findingInWords } from "@/wording/findings/quality";
import { mostEnergyKwh } from "../ledger";
import { energyKwh, type ProductionQuantity } from "../readings";
import { runSun } from "../sun";
import { derived, examine, type Finding, type FindingKind, findingKinds } from ".";

const folder = path.join(fixtures, "plants");
interface Quirks {
  years: number;
  gaps: { start_local?: string; first_label?: string; intervals: number; caught_up?: boolean }[];
}
const quirks = JSON.parse(readFileSync(path.join(folder, "quirks.json"), "utf8")) as Record<string, Quirks>;
const open = (plant: string) =>
  ledgerFromFiles({
    site: path.join(folder, plant, `${plant}.site.json`),
    weather: path.join(folder, plant, "weather.csv.gz"),
    production: path.join(folder, plant, "production.csv.gz"),
    conflicts: "last",
  });
const at = (iso: string): number => Date.parse(iso);
const DAY = 86_400_000;
const count = (findings: readonly Pick<Finding, "kind">[], kind: FindingKind): number =>
  findings.filter((finding) => finding.kind === kind).length;

const dryRoof = await open("dry-roof");

describe("the plant dry-roof", () => {
  const { examination } = dryRoof;
  const { findings } = examination;
  const { gaps, years } = quirks["dry-roof"]!;

  it("shows every gap, and tells those whose energy stands in the next row", () => {
    const lit = gaps.filter((gap) => gap.caught_up && gap.start_local !== "2023-12-19 21:00");
    expect(count(findings, "caught-up")).toBe(lit.length);
    expect(count(findings, "gap") + count(findings, "caught-up")).toBe(gaps.length);
    for (const gap of findings.filter(({ kind }) => kind === "caught-up")) {
      expect(gaps.some(({ intervals, caught_up }) => caught_up && intervals === Number(gap.facts.missingIntervals))).toBe(true);
    }
  });

  it("finds nothing else: no dirt, clipping or outage is taken for a fault of the record", () => {
    const others = findings.filter(({ kind }) => kind !== "gap" && kind !== "caught-up");
    expect(others.length).toBeLessThanOrEqual(years);
    expect(others).toEqual([]);
  });
});

const alpineHut = await open("alpine-hut");

describe("the plant alpine-hut", () => {
  const { examination, notices } = alpineHut;
  const { findings } = examination;

  it("has its clock read from the sun: UTC+1 all year, labels at the end", () => {
    expect(notices.join("\n")).toMatch(/UTC\+01:00, labels at the end/);
  });

  it("shows the days of watt-hours, from the first to the last", () => {
    const unit = findings.filter(({ kind }) => kind === "unit-factor");
    expect(unit).toHaveLength(1);
    expect([unit[0]!.fromUtcMs, unit[0]!.toUtcMs]).toEqual([at("2020-08-31T00:00+01:00"), at("2020-09-11T00:00+01:00")]);
    expect(unit[0]!.remedy).toMatchObject({ op: "scale", factor: 1 / 1000 });
  });

  it("shows the string that failed as a step in level, to the day", () => {
    const step = findings.filter(({ kind }) => kind === "level-step");
    // It came back five months later: that is a step too, wherever it is seen.
    const [down, back, ...others] = step;
    expect(others).toEqual([]);
    if (back) expect(Math.abs(back.fromUtcMs - at("2021-11-21T12:00+01:00"))).toBeLessThan(5 * DAY);
    expect(Math.abs(down!.fromUtcMs - at("2021-06-22T17:00+02:00"))).toBeLessThan(2 * DAY);
    expect(Number(down!.facts.changeFrac)).toBeCloseTo(-0.25, 1);
  });

  it("shows every gap and no more than one false finding a year, snow and all", () => {
    expect(count(findings, "gap")).toBe(quirks["alpine-hut"]!.gaps.length);
    const told = new Set<FindingKind>(["gap", "unit-factor", "level-step"]);
    expect(findings.filter(({ kind }) => !told.has(kind))).toEqual([]);
  });
});

const southernRanch = await open("southern-ranch");

describe("the plant southern-ranch", () => {
  const { examination, site: document } = southernRanch;
  const { findings } = examination;
  const wrong = findings.filter(({ kind }) => kind === "no-summer-time");

  it("shows each summer of the clock that never learnt summer time, to the hour", () => {
    expect(wrong.map(({ fromUtcMs, toUtcMs }) => [fromUtcMs, toUtcMs])).toEqual([
      [expect.any(Number), at("2019-04-07T02:00+10:00")],
      [at("2019-10-06T03:00+11:00"), at("2020-04-05T02:00+10:00")],
      [at("2020-10-04T03:00+11:00"), at("2021-04-04T02:00+10:00")],
      // The record's own labels are still an hour early there.
      [at("2021-10-03T03:00+11:00"), at("2021-12-04T10:00+11:00") - 3_600_000],
    ]);
    for (const { remedy } of wrong) expect(remedy).toMatchObject({ op: "shift", minutes: 60 });
  });

  it("does not take the turned array for a clock", () => {
    expect(count(findings, "clock-shift") + count(findings, "labels-end")).toBe(0);
    expect(document.arrays[0]!.azimuthDeg).toBe(0);
  });

  it("shows every gap and nothing false", () => {
    expect(count(findings, "gap")).toBe(quirks["southern-ranch"]!.gaps.length);
    expect(findings.length).toBe(quirks["southern-ranch"]!.gaps.length + 4);
  });
});

describe("a logger that misbehaves", () => {
  const demo = DEMO_BOOKS[0]!;
  const document = site(demo.site);
  const record = recordOf(demo, document);
  const from = (series: StoredSeries, years: number): StoredSeries => {
    const n = Math.round((years * 365.25 * 1440) / series.axis.stepMinutes);
    return { ...series, axis: { ...series.axis, count: n }, values: series.values.subarray(0, n) };
  };
  const production = from(joinPages({ ...record.production[0]!, meterId: "main" })!, 2);
  const weather = record.weather.map((pages) => from(joinPages({ ...pages, meterId: "" })!, 2));
  const { run } = openLedger({ site: document, weather, production: [], promise: null });
  const expected = { axis: run!.axis, kwh: run!.expectedKwh };
  const sun = runSun(production.axis, document.place);
  const { axis } = production;
  const raw = energyKwh(production.values, production.quantity as ProductionQuantity, axis.stepMinutes);
  const found = (faults: Faults): Finding[] =>
    examine({
      axis,
      energyKwh: misbehave(axis, raw, sun, faults),
      site: document,
      expected: expected,
      mostKwh: mostEnergyKwh(document, axis.stepMinutes),
    });
  const own = found({});
  const added = (faults: Faults): Finding[] =>
    found(faults).filter((finding) => !own.some((known) => known.kind === finding.kind && known.fromUtcMs === finding.fromUtcMs));
  const day = (date: string, days = 1) => ({ from: `${date}T00:00:00Z`, to: new Date(at(`${date}T00:00:00Z`) + days * DAY).toISOString() });

  it("shows, when it behaves, no more than its own lost days and one doubt a year", () => {
    expect(own.filter(({ kind }) => kind !== "gap").length).toBeLessThanOrEqual(2);
  });

  const cases: [string, Faults, FindingKind, Partial<Finding["facts"]>][] = [
    ["loses a day", { gaps: [day("2021-05-11")] }, "gap", { hours: 24 }],
    [
      "writes a lost morning into one row",
      { caughtUp: [{ from: "2021-06-02T06:00:00Z", to: "2021-06-02T14:00:00Z" }] },
      "caught-up",
      { missingIntervals: 32 },
    ],
    [
      "repeats its last value for an afternoon",
      { frozen: [{ from: "2021-07-05T13:00:00Z", to: "2021-07-05T17:00:00Z" }] },
      "frozen",
      { hours: 4 },
    ],
    ["writes one impossible value", { spikes: [{ at: "2021-04-09T10:00:00Z", times: 3 }] }, "spike", {}],
    ["writes watt-hours for a week", { factor: [{ ...day("2021-08-09", 7), factor: 1000 }] }, "unit-factor", { factor: 1000 }],
    ["writes power as energy for a month", { factor: [{ ...day("2021-08-09", 30), factor: 4 }] }, "unit-factor", { factor: 4 }],
    ["runs an hour ahead for two months", { clock: [{ ...day("2022-02-01", 60), minutes: 60 }] }, "clock-shift", { minutes: 60 }],
    [
      "runs 45 minutes behind from spring on",
      { clock: [{ from: "2022-05-01T00:00:00Z", to: "2023-06-01T00:00:00Z", minutes: -45 }] },
      "clock-shift",
      { minutes: -45 },
    ],
    ["draws at night", { drawW: 60 }, "negative", {}],
    ["carries a battery", { battery: { kwhPerDay: 40 } }, "battery", {}],
    ["counts before the inverter", { dc: { efficiencyFrac: 0.955 } }, "looks-dc", {}],
    ["counts what the house leaves", { house: { loadKw: 9, eveningKw: 12, netted: false } }, "looks-export", {}],
    ["counts the house's use against it", { house: { loadKw: 8, eveningKw: 15, netted: true } }, "looks-net", {}],
    ["is swapped for one that shows a fifth less", { level: { from: "2022-03-01T00:00:00Z", share: 0.8 } }, "level-step", {}],
  ];
  it("is exchanged for one that reads high, and is not told to count before the inverter", () => {
    const told = added({ level: { from: "2022-03-01T00:00:00Z", share: 1.045 } }).map(({ kind }) => kind);
    expect(told).not.toContain("looks-dc");
  });
  for (const [name, faults, kind, facts] of cases) {
    it(`${name}, and is told so`, () => {
      const told = added(faults);
      expect(told.map((finding) => finding.kind)).toContain(kind);
      expect(told.find((finding) => finding.kind === kind)!.facts).toMatchObject(facts);
      const false_ = told.filter((finding) => finding.kind !== kind && finding.kind !== "gap");
      expect(false_.length, false_.map(({ kind: other }) => other).join()).toBeLessThanOrEqual(2);
    });
  }

  it("is put right by the remedies that it is offered", () => {
    const faults: Faults = { factor: [{ ...day("2021-08-09", 7), factor: 1000 }], clock: [{ ...day("2022-02-01", 60), minutes: 60 }] };
    const bad = misbehave(axis, raw, sun, faults);
    const remedies = added(faults).flatMap(({ remedy }) => (remedy ? [remedy] : []));
    const clean = derived(axis, bad, remedies, sun);
    let [off, of] = [0, 0];
    for (let i = 0; i < raw.length; i++) {
      if (Number.isNaN(raw[i]) || Number.isNaN(clean[i])) continue;
      off += Math.abs(raw[i]! - clean[i]!);
      of += raw[i]!;
    }
    expect(off / of).toBeLessThan(0.004);
    expect(bad.some((value, i) => value !== clean[i] && !Number.isNaN(value))).toBe(true);
  });
});

describe("the switches of the live logger", () => {
  const now = at("2026-11-25T10:00:00Z");
  const plant = new LivePlant("Packing shed");
  const column = ({ quantity, startUtcMs, stepMinutes, values }: LiveColumn): StoredSeries => ({
    quantity,
    meterId: "",
    axis: { startUtcMs, stepMinutes, count: values.length },
    values,
  });
  const { run } = openLedger({ site: plant.site, weather: plant.at(now).weather.map(column), production: [], promise: null });
  const expected = { axis: run!.axis, kwh: run!.expectedKwh };
  const [from, to] = ["2026-03-01T00:00:00Z", "2026-08-01T00:00:00Z"];
  const thisYear = (parts: object): Finding[] => {
    const { axis, values } = column(plant.production(now, faultsOf(switchesSchema.parse({ from, to, ...parts }), now)));
    const found = examine({
      axis,
      energyKwh: values,
      site: plant.site,
      expected: expected,
      mostKwh: mostEnergyKwh(plant.site, axis.stepMinutes),
    });
    return found.filter(({ fromUtcMs }) => fromUtcMs > at("2026-01-02T00:00:00Z"));
  };

  it.each([
    ["gaps", { gaps: true }, "gap", 51],
    ["repeats", { repeats: true }, "frozen", 31],
    ["a clock an hour ahead", { clockMinutes: 60 }, "clock-shift", 1],
    ["watt-hours", { wattHours: true }, "unit-factor", 1],
  ] as const)("%s are found, each time, and named", (_name, parts, kind, times) => {
    const found = thisYear(parts);
    const own = found.filter((finding) => finding.kind === kind);
    expect(own).toHaveLength(times);
    if (times === 1)
      expect([own[0]!.fromUtcMs, own[0]!.toUtcMs].map((ms) => new Date(ms).toISOString().slice(0, 10))).toEqual([
        "2026-03-01",
        "2026-08-01",
      ]);
    expect(found.length - times).toBeLessThanOrEqual(1);
  });
});

describe("a finding in words", () => {
  it("has a title, a fact, evidence and a proposal for every kind", () => {
    for (const kind of findingKinds) {
      const facts = {
        changeFrac: -0.2,
        beforeRatio: 0.98,
        afterRatio: 0.78,
        factor: 1000,
        minutes: 60,
        how: "digits-swapped",
        timeZone: "Europe/Madrid",
        whole: 0,
      };
      const words = findingInWords(
        {
          kind,
          fromUtcMs: at("2024-03-01T10:00Z"),
          toUtcMs: at("2024-03-01T12:00Z"),
          count: 3,
          kwh: 5,
          confidenceFrac: 1,
          facts,
          remedy: null,
        },
        "Europe/Madrid",
      );
      for (const text of Object.values(words)) expect(text, kind).toMatch(/^[A-Z0-9].{2,}/);
      expect(words.what + words.evidence, kind).not.toMatch(/undefined|NaN/);
    }
  });
});
