import { describe, expect, it } from "vitest";
import { type CauseFinding, causeKinds } from "@/core/attribution";
import { matchEntries } from "@/usecases/attribution/match-entries";
import { effectInWords } from "../attribution";
import { causeWorking } from "../workings/cause-working";
import { bearingWords, causeInWords, whenOf } from "./attribution";

const utc = (iso: string): number => Date.parse(iso);
const DAY_MS = 86_400_000;

const finding = (change: Partial<CauseFinding>): CauseFinding => ({
  kind: "outage",
  fromUtcMs: utc("2022-08-09T13:00:00Z"),
  toUtcMs: utc("2022-08-11T08:00:00Z"),
  kwh: 80.4,
  kwhLow: 70,
  kwhHigh: 90,
  confidenceFrac: 0.98,
  facts: { hours: 43 },
  ...change,
});

describe("bearings in words", () => {
  it.each([
    [0, "north"],
    [359.8, "north"],
    [322, "38° west of north"],
    [38, "38° east of north"],
    [100, "10° south of east"],
    [-90, "west"],
    [181, "1° west of south"],
  ])("%d is %s", (azimuth, words) => {
    expect(bearingWords(azimuth)).toBe(words);
  });
});

describe("when a finding was", () => {
  it("is told in the site's own time, by hours within a day", () => {
    const hours = { fromUtcMs: utc("2022-08-09T11:30:00Z"), toUtcMs: utc("2022-08-09T14:00:00Z") };
    expect(whenOf(hours, "Europe/Zurich")).toBe("on 9 Aug 2022, 13:30 to 16:00");
    expect(whenOf(hours, "Australia/Sydney")).toBe("on 9 Aug 2022, 21:30 to 00:00");
  });

  it("is a date alone for a whole day, and two with their years across one", () => {
    expect(whenOf({ fromUtcMs: utc("2022-07-01T22:00:00Z"), toUtcMs: utc("2022-07-02T22:00:00Z") }, "Europe/Zurich")).toBe("on 2 Jul 2022");
    expect(whenOf({ fromUtcMs: utc("2021-12-01T00:00:00Z"), toUtcMs: utc("2022-01-03T00:00:00Z") }, "UTC")).toBe(
      "from 1 Dec 2021 to 3 Jan 2022",
    );
    expect(whenOf({ fromUtcMs: utc("2022-01-01T00:00:00Z"), toUtcMs: utc("2022-01-03T00:00:00Z") }, "UTC")).toBe(
      "from 1 Jan to 3 Jan 2022",
    );
  });
});

describe("causes in words", () => {
  const facts: Record<string, number | string> = {
    hours: 43,
    part: "strings",
    out: 1,
    of: 4,
    measuredFrac: 0.243,
    lostFrac: 0.25,
    restored: "no",
    days: 29,
    spells: 6,
    gauge: "depth",
    powerW: 18_500,
    ratedW: 20_000,
    heldSteps: 420,
    powerKw: 12.4,
    azimuthDeg: 0,
    elevationDeg: 12,
    ratio: 0.61,
    fields: 5,
    azimuthOffsetDeg: -38,
    azimuthOffsetLowDeg: -40,
    azimuthOffsetHighDeg: -36,
    bookMissFrac: 0.09,
    fittedMissFrac: 0.014,
    bookLevelFrac: 0.06,
    fittedLevelFrac: 0.02,
    wrong: "azimuth",
    tiltDeg: 25,
    tiltOffsetDeg: 14,
    tiltOffsetLowDeg: 6,
    tiltOffsetHighDeg: 22,
    clockMinutes: -2,
    ratePerDayFrac: 0.0012,
    rateLowFrac: 0.0009,
    rateHighFrac: 0.0016,
    meanLostFrac: 0.031,
    mostLostFrac: 0.142,
    rains: 19,
    cleanings: 2,
    effectFrac: 0.051,
    perYearFrac: 0.011,
    lowFrac: 0.009,
    highFrac: 0.013,
    plannedFrac: 0.005,
  };

  it("have a title, a sentence and evidence for every kind, with no number left out", () => {
    for (const kind of causeKinds) {
      const words = causeInWords(finding({ kind, facts }), "UTC");
      for (const text of Object.values(words) as string[]) {
        expect(text.length, kind).toBeGreaterThan(3);
        expect(text, kind).not.toMatch(/NaN|undefined|null/);
      }
    }
  });

  it("say how many of how many, and that it lasts where it does", () => {
    const open = causeInWords(finding({ kind: "strings-out", facts }), "UTC");
    expect(open.what).toContain(
      "1 of 4 strings gave nothing from 9 Aug to 11 Aug 2022, to the end of the record. Gained if removed: about 80 kWh at the meter.",
    );
    const closed = causeInWords(
      finding({ kind: "strings-out", facts: { ...facts, restored: "yes", part: "modules", of: 64, out: 2 } }),
      "UTC",
    );
    expect(closed.title).toBe("Modules out");
    expect(closed.what).not.toContain("to the end");
    expect(closed.evidence).toContain("came back within a day");
  });

  it("say where a plane looks by its own curves, and what the book says", () => {
    expect(causeInWords(finding({ kind: "orientation", facts }), "UTC").what).toBe(
      "Acts like 38° west of north, ±2°; the book says north.",
    );
    expect(causeInWords(finding({ kind: "orientation", facts: { ...facts, clockMinutes: -0.3 } }), "UTC").evidence).toContain(
      " 0 min are left",
    );
    expect(causeInWords(finding({ kind: "orientation", facts: { ...facts, wrong: "tilt" } }), "UTC").what).toBe(
      "Acts like a tilt of 39°, ±8°; the book says 25°.",
    );
    expect(causeInWords(finding({ kind: "orientation", facts: { ...facts, wrong: "both" } }), "UTC").what).toBe(
      "Acts like 38° west of north, ±2°, and a tilt of 39°, ±8°; the book says north and 25°.",
    );
  });

  it("open a working with the energy's interval, or with how sure it is where there is no energy", () => {
    const kept = { ...finding({ kind: "outage", facts }), facts, key: "k", entry: null };
    const working = causeWorking(kept, "UTC");
    expect(working.value).toBe("80");
    expect(working.inputs.find(({ name }) => name === "interval")!.value).toBe("70 to 90 kWh");
    expect(working.assumptions).toContain(causeInWords(kept, "UTC").evidence);
    const sure = causeWorking({ ...kept, kwh: null, kwhLow: null, kwhHigh: null }, "UTC");
    expect(sure.unit).toBe("sure");
    expect(sure.inputs.some(({ name }) => name === "interval")).toBe(false);
  });
});

describe("entries and findings find each other", () => {
  const days = Array.from({ length: 400 }, (_, d) => new Date(utc("2022-01-01T00:00:00Z") + d * DAY_MS).toISOString().slice(0, 10));
  const entry = (kind: "repair" | "cleaning" | "note" | "outage", from: string, to = from) => ({
    kind,
    from,
    to,
    array: "",
    note: "",
    value: "",
  });

  it("a repair at the end of an outage is its entry; one a month later is none", () => {
    const matched = matchEntries([entry("repair", "2022-08-11"), entry("repair", "2022-09-20")], [finding({})], [], days, "UTC");
    expect(matched.entryOf).toEqual([0]);
    expect(matched.entries.map(({ findings }) => findings)).toEqual([[0], []]);
    expect(effectInWords(matched.entries[1]!.effect)).toBe("no effect seen in the output");
  });

  it("a repair in the middle of a string's months does not explain it, one at its end does", () => {
    const out = finding({ kind: "strings-out", fromUtcMs: utc("2022-03-01T00:00:00Z"), toUtcMs: utc("2022-07-01T00:00:00Z") });
    expect(matchEntries([entry("repair", "2022-05-01")], [out], [], days, "UTC").entryOf).toEqual([null]);
    expect(matchEntries([entry("repair", "2022-06-28")], [out], [], days, "UTC").entryOf).toEqual([0]);
  });

  it("a cleaning says what it took off, or that nothing was seen", () => {
    const reset = { day: days.indexOf("2022-06-28"), cause: "cleaning" as const, beforeFrac: 0.06, effectFrac: 0.052 };
    const [seen, unseen] = matchEntries(
      [entry("cleaning", "2022-06-28"), entry("cleaning", "2022-02-01")],
      [],
      [reset],
      days,
      "UTC",
    ).entries;
    expect(effectInWords(seen!.effect)).toBe("took off 5.2\u202f% of dirt");
    expect(effectInWords(unseen!.effect)).toBe("no effect seen in the output");
  });

  it("a note claims nothing", () => {
    const [note] = matchEntries([entry("note", "2022-08-10")], [finding({})], [], days, "UTC").entries;
    expect(note!.findings).toEqual([]);
    expect(effectInWords(note!.effect)).toBe("changes no figure by itself");
  });
});
