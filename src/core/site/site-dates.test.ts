import { hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { dayBins, monthBins, zoneOffset } from "../time";
import { yieldSpans } from "../yield/spans";
import { mergeChange, siteAcRatedW, siteOn, siteSegments } from ".";

const dated = site({
  revisions: [
    { from: "2023-05-10", note: "turned", change: { arrays: [{ id: "a", azimuthDeg: 174 }] } },
    {
      from: "2023-09-01",
      note: "second roof",
      change: { arrays: [{ id: "b", module: "m", count: 5, tiltDeg: 5, azimuthDeg: 90 }], modules: { m: { pmpW: 410 } } },
    },
  ],
});

describe("a change of the site", () => {
  it("is merged by id, adds what is new, and leaves the rest", () => {
    const merged = mergeChange(dated, {
      arrays: [
        { id: "a", count: 7 },
        { id: "c", count: 1 },
      ],
      losses: { soilingFrac: 0.1 },
    });
    expect(merged.arrays.map((array) => [array.id, array.count])).toEqual([
      ["a", 7],
      ["c", 1],
    ]);
    expect(merged.arrays[0]!.tiltDeg).toBe(30);
    expect(merged.losses).toMatchObject({ soilingFrac: 0.1, mismatchFrac: 0.01 });
  });

  it("stands from its local day on", () => {
    expect(siteOn(dated, "2023-05-09").arrays[0]!.azimuthDeg).toBe(180);
    expect(siteOn(dated, "2023-05-10").arrays[0]!.azimuthDeg).toBe(174);
    const after = siteOn(dated, "2024-01-01");
    expect(after.arrays).toHaveLength(2);
    expect(after.modules.m).toMatchObject({ pmpW: 410, gammaPmpPerK: -0.0035 });
  });

  it("cuts the axis at local midnight, also on the day of a clock change", () => {
    const turned = site({
      revisions: [
        { from: "2023-03-26", change: { albedo: 0.3 } },
        { from: "2023-03-27", change: { albedo: 0.4 } },
      ],
    });
    const segments = siteSegments(turned, hours("2023-03-25T00:00Z", 96));
    // Madrid: midnight of the 26th is 23 UTC of the 25th, that of the 27th is 22 UTC.
    expect(segments.map(({ from, to }) => [from, to])).toEqual([
      [0, 23],
      [23, 46],
      [46, 96],
    ]);
    expect(segments.map((segment) => segment.site.albedo)).toEqual([0.2, 0.3, 0.4]);
  });
});

describe("a rack that is tilted by the season", () => {
  const rack = site({
    arrays: [
      {
        id: "a",
        module: "m",
        count: 4,
        tiltDeg: 30,
        azimuthDeg: 180,
        tiltSchedule: [
          { from: "03-20", tiltDeg: 15 },
          { from: "09-22", tiltDeg: 50 },
        ],
      },
    ],
  });

  it("stands in January as it was left in autumn", () => {
    expect([siteOn(rack, "2023-01-15"), siteOn(rack, "2023-04-01"), siteOn(rack, "2023-12-31")].map((s) => s.arrays[0]!.tiltDeg)).toEqual([
      50, 15, 50,
    ]);
  });

  it("cuts every year twice", () => {
    expect(siteSegments(rack, hours("2022-01-01T00:00Z", 3 * 8760))).toHaveLength(7);
  });
});

describe("spans of a run", () => {
  it("cover the axis without overlap, each in one bin and one arrangement", () => {
    const axis = hours("2023-01-01T00:00Z", 8760);
    for (const bins of [monthBins(axis, "Europe/Madrid"), dayBins(axis, "Europe/Madrid")]) {
      let next = 0;
      for (const span of yieldSpans(dated, axis, bins)) {
        expect(span.from).toBe(next);
        expect(bins.binOf[span.from]).toBe(span.bin);
        expect(bins.binOf[span.to - 1]).toBe(span.bin);
        expect(Number(bins.keys[span.bin]!.slice(5, 7))).toBe(span.month + 1);
        next = span.to;
      }
      expect(next).toBe(axis.count);
    }
  });
});

it("the AC rating of a site counts an inverter a module where each has its own", () => {
  const micro = site({ inverters: [{ id: "i", arrays: ["a"], acRatedW: 300, perModule: true }] });
  expect([siteAcRatedW(micro), siteAcRatedW(site()), siteAcRatedW(site({ inverters: [] }))]).toEqual([6000, 6000, 0]);
});

it("a zone of no name is refused by name", () => {
  expect(() => zoneOffset("Mars/Olympus")).toThrow(/Mars\/Olympus/);
});
