import { describe, expect, it } from "vitest";
import { dayBins, intervalsOf, monthBins, readWallClock, utcOfWall, zoneOffset } from ".";

const madrid = zoneOffset("Europe/Madrid");
const wall = (text: string): number => Date.parse(`${text}Z`);

describe("wall clocks", () => {
  it("name one instant away from clock changes", () => {
    expect(readWallClock(wall("2023-07-01T12:00"), madrid)).toEqual({ kind: "once", utcMs: wall("2023-07-01T10:00") });
    expect(utcOfWall(wall("2023-01-01T12:00"), madrid)).toBe(wall("2023-01-01T11:00"));
  });

  it("name two where summer time ends", () => {
    const reading = readWallClock(wall("2023-10-29T02:15"), madrid);
    expect(reading).toEqual({ kind: "twice", firstUtcMs: wall("2023-10-29T00:15"), secondUtcMs: wall("2023-10-29T01:15") });
  });

  it("name none where it begins", () => {
    expect(readWallClock(wall("2023-03-26T02:15"), madrid)).toEqual({ kind: "never", utcMs: wall("2023-03-26T01:15") });
  });

  it("agree with the zone on every hour of a year, there and back", () => {
    const sydney = zoneOffset("Australia/Sydney");
    for (let utc = Date.UTC(2023, 0, 1); utc < Date.UTC(2024, 0, 1); utc += 3_600_000) {
      const reading = readWallClock(utc + sydney(utc), sydney);
      const candidates = reading.kind === "twice" ? [reading.firstUtcMs, reading.secondUtcMs] : [reading.utcMs];
      expect(candidates).toContain(utc);
    }
  });

  it("refuse an unknown zone", () => {
    expect(() => zoneOffset("Mars/Olympus")).toThrow(/Unknown time zone/);
  });
});

describe("calendar bins", () => {
  const year = { startUtcMs: Date.UTC(2022, 11, 31, 23), stepMinutes: 60, count: 8760 };

  it("cut months in the site's own zone", () => {
    const bins = monthBins(year, "Europe/Madrid");
    expect(bins.keys).toHaveLength(12);
    expect([bins.keys[0], bins.keys[11]]).toEqual(["2023-01", "2023-12"]);
    expect(bins.binOf.filter((b) => b === 2)).toHaveLength(31 * 24 - 1);
    expect(bins.binOf.filter((b) => b === 9)).toHaveLength(31 * 24 + 1);
  });

  it("give a day of a clock change 23 or 25 hours", () => {
    const bins = dayBins(year, "Europe/Madrid");
    const hours = (day: string) => bins.binOf.filter((b) => bins.keys[b] === day).length;
    expect([hours("2023-03-26"), hours("2023-03-27"), hours("2023-10-29")]).toEqual([23, 24, 25]);
    expect(bins.keys).toHaveLength(365);
  });
});

it("the intervals of some spans are found from the first to the last", () => {
  const bins = dayBins({ startUtcMs: Date.UTC(2023, 2, 24, 20), stepMinutes: 60, count: 24 * 4 }, "Europe/Madrid");
  expect(bins.keys).toEqual(["2023-03-24", "2023-03-25", "2023-03-26", "2023-03-27", "2023-03-28"]);
  expect(intervalsOf(bins, 0, 1)).toEqual({ from: 0, to: 3 });
  // The day of the clock change has 23 hours.
  expect(intervalsOf(bins, 2, 3)).toEqual({ from: 27, to: 50 });
  expect(intervalsOf(bins, 3, 5)).toEqual({ from: 50, to: 96 });
});
