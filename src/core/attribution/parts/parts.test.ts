import { randomPlant, simulateWeather, simulateWithTruth } from "@simulators";
import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { beforeAll, describe, expect, it } from "vitest";
import { PartRates, partRatesHeight } from "@/charts";
import type { AttributionReport } from "@/contracts/attribution";
import type { PartReport } from "@/contracts/parts";
import { siteSchema } from "@/contracts/site";
import { attribute } from "@/usecases/attribution";
import { openLedger, type StoredSeries } from "@/usecases/ledger";
import { partsSentence, sheddingSentence } from "@/wording/parts";
import { againstRestWorking, partWorking, sheddingWorking } from "@/wording/workings/part-working";
import { partOfSite, type Site } from "../../site";
import { planeGroups } from ".";

const YEARS = 5;
const plant = randomPlant(1);
const base = siteSchema.parse(plant.site);
const plain = { ...plant.truth, cleanings: [], outages: [], stringsOut: [], lost: [], azimuthDeg: {}, soilingPerDayFrac: 0.0001 };

/** A roof with an east and a west side; the west ages faster. */
function siteOf(meters: Site["meters"]): Site {
  const [first] = base.arrays;
  return {
    ...base,
    commissioned: "2017-06-01",
    revisions: [],
    arrays: [
      { ...first!, id: "east", name: "East", azimuthDeg: 95, tiltDeg: 30, count: 20, modulesPerString: 10 },
      { ...first!, id: "west", name: "West", azimuthDeg: 268, tiltDeg: 30, count: 20, modulesPerString: 10 },
    ],
    inverters: [{ ...base.inverters[0]!, id: "one", arrays: ["east", "west"], acRatedW: 40 * 400, perModule: false }],
    meters,
  };
}

const AGEING = { east: 0.003, west: 0.013 };
const main: Site["meters"][number] = { id: "main", point: "ac", arrays: ["east", "west"] };

function reportOf(meters: Site["meters"]): AttributionReport {
  const site = siteOf(meters);
  const axis = { startUtcMs: Date.UTC(2018, 0, 1), stepMinutes: 60, count: Math.round(YEARS * 8766) };
  const weather = simulateWeather(plant.climate, site.place, axis, plant.seed);
  const sides = (["east", "west"] as const).map((id) => ({
    id,
    kwh: simulateWithTruth(partOfSite(site, [id]), { ...plain, ageingPerYearFrac: AGEING[id] }, weather).energyKwh,
  }));
  const series = (quantity: string, values: Float64Array, meterId = ""): StoredSeries => ({ quantity, meterId, axis, values });
  const all = { id: "main", kwh: sides[0]!.kwh.map((kwh, i) => kwh + sides[1]!.kwh[i]!) };
  const snow = weather.snowDepthCm ? [series("snow_depth_cm", weather.snowDepthCm)] : [];
  const ledger = openLedger({
    site,
    weather: [
      series("ghi_w_m2", weather.ghiWm2),
      series("air_temperature_c", weather.airTempC),
      series("wind_speed_m_s", weather.windSpeedMs),
      series("rain_mm", weather.rainMm),
      ...snow,
    ],
    production: [all, ...sides]
      .filter(({ id }) => meters.some((meter) => meter.id === id))
      .map(({ id, kwh }) => series("energy_kwh", kwh, id)),
    promise: null,
  });
  return attribute({ ledger, entries: [], draws: 300 })!;
}

const part = ({ parts }: AttributionReport, id: string) => parts.find((candidate) => candidate.id === id)!;

describe("parts with meters of their own", () => {
  let report: AttributionReport;
  beforeAll(() => {
    report = reportOf([main, { id: "east", point: "ac", arrays: ["east"] }, { id: "west", point: "ac", arrays: ["west"] }]);
  }, 120_000);

  it.each(["east", "west"] as const)("reads the ageing of the %s side within 0.2 % a year, its interval holding the truth", (id) => {
    const { source, perYearFrac, low, high } = part(report, id);
    expect(source).toBe("meter");
    expect(Math.abs(perYearFrac! - AGEING[id])).toBeLessThan(0.002);
    expect(low!).toBeLessThan(AGEING[id]);
    expect(high!).toBeGreaterThan(AGEING[id]);
  });

  it("tells how much faster one side ages more narrowly than it tells either rate", () => {
    const { againstRest, low, high } = part(report, "west");
    const truth = AGEING.west - AGEING.east;
    expect(Math.abs(againstRest!.value - truth)).toBeLessThan(0.002);
    expect(againstRest!.low < truth && truth < againstRest!.high).toBe(true);
    expect(againstRest!.low).toBeGreaterThan(0.005);
    expect(againstRest!.high - againstRest!.low).toBeLessThan(high! - low!);
    expect(part(report, "east").againstRest!.value).toBeCloseTo(-againstRest!.value, 6);
  });

  it("says when each side's meter saw bare modules again after a fall", () => {
    for (const id of ["east", "west"]) {
      const { snow } = part(report, id);
      expect(snow!.falls).toBeGreaterThan(3);
      expect(snow!.lostKwh).toBeGreaterThan(0);
      expect(snow!.bareHours!).toBeGreaterThan(1);
    }
  });

  it("counts the sides once: the whole stays what the main meter read", () => {
    expect(report.levelFrac).toBeGreaterThan(0.85);
    expect(report.levelFrac).toBeLessThan(1.15);
  });
});

describe("parts behind one meter", () => {
  let report: AttributionReport;
  beforeAll(() => {
    report = reportOf([main]);
  }, 120_000);

  it("tells the sides apart by the hours at which each has its sun", () => {
    expect(report.parts.map(({ id, source }) => [id, source])).toEqual([
      ["east", "hours"],
      ["west", "hours"],
    ]);
    for (const id of ["east", "west"] as const) {
      const { perYearFrac, low, high } = part(report, id);
      expect(Math.abs(perYearFrac! - AGEING[id])).toBeLessThan(0.003);
      expect(low!).toBeLessThan(AGEING[id]);
      expect(high!).toBeGreaterThan(AGEING[id]);
    }
    expect(part(report, "west").againstRest!.low).toBeGreaterThan(0);
  });

  it("lays the model's falls beside, with the same number on both sides", () => {
    const [east, west] = report.shedding;
    expect(east!.falls).toBe(west!.falls);
    expect(east!.longestHours).toBeGreaterThanOrEqual(east!.meanHours);
  });
});

describe("planes", () => {
  it("puts together what looks the same way, whatever the bearing of a flat one", () => {
    const [first] = base.arrays;
    const at = (id: string, tiltDeg: number, azimuthDeg: number) => ({ ...first!, id, tiltDeg, azimuthDeg });
    const groups = planeGroups([at("a", 30, 175), at("b", 32, 190), at("c", 30, 260), at("d", 5, 10), at("e", 5, 200)]);
    expect(groups.map((group) => group.map(({ id }) => id))).toEqual([["a", "b"], ["c"], ["d", "e"]]);
  });
});

describe("parts in words and workings", () => {
  const of = (id: string, change: Partial<PartReport> = {}): PartReport => ({
    id,
    source: "meter",
    arrays: [id],
    years: 4,
    perYearFrac: 0.006,
    low: 0.004,
    high: 0.008,
    isTooSoon: false,
    rateVerdict: "undecided",
    againstRest: { value: 0, low: -0.001, high: 0.001 },
    usedDays: 700,
    snow: null,
    ...change,
  });

  it("names the part that ages faster, by how much and how surely", () => {
    const faster = of("west", { againstRest: { value: 0.0042, low: 0.002, high: 0.0064 } });
    const slower = of("east", { againstRest: { value: -0.0042, low: -0.0064, high: -0.002 } });
    expect(partsSentence([slower, faster], 2)).toBe("west ages faster than the rest by 0.42 % a year (0.20 to 0.64).");
  });

  it.each([
    ["no part is surely faster", [of("a"), of("b")], 2, "No part ages surely faster"],
    ["days in common are too few", [of("a", { againstRest: null }), of("b", { againstRest: null })], 2, "stays open"],
    ["one part alone has a meter", [of("a", { againstRest: null })], 2, "none to be set against it"],
    ["meters are young", [of("a", { isTooSoon: true, years: 0.8 })], 2, "0.8 years"],
    ["nothing tells the arrays apart", [], 3, "A meter of its own"],
  ] as const)("says why when %s", (_, parts, arrays, words) => {
    expect(partsSentence(parts, arrays)).toContain(words);
  });

  it("says nothing of a plant with one array", () => {
    expect(partsSentence([], 1)).toBe("");
  });

  it("names the array that is bare first, and the last", () => {
    const array = (name: string, tiltDeg: number, meanHours: number) => ({
      id: name,
      name,
      tiltDeg,
      azimuthDeg: 180,
      falls: 9,
      meanHours,
      longestHours: 90,
      lostKwhPerKwpYear: 12,
    });
    const sentence = sheddingSentence([array("Shed", 15, 96), array("Wall", 70, 11)]);
    expect(sentence).toBe("Wall (70°) is bare 11 hours after a fall on average, Shed (15°) after 4.0 days.");
    expect(sheddingSentence([array("a", 30, 20), array("b", 31, 21)])).toContain("alike");
    expect(sheddingWorking(array("Shed", 15, 96)).inputs.map(({ name }) => name)).toContain("lost");
  });

  it("tells in a working what hours alone assume, and what a meter does", () => {
    expect(partWorking(of("a", { source: "hours" })).formula).toContain("least squares");
    expect(partWorking(of("a")).inputs[0]!.from).toBe("meter a");
    expect(againstRestWorking(of("a", { againstRest: null })).value).toBe("not told");
  });
});

it("draws each part's interval where it lies, in clay where all of it breaks the warranty", () => {
  const rates = [
    { id: "a", name: "East", perYearFrac: 0.004, low: 0.002, high: 0.006 },
    { id: "b", name: "West", perYearFrac: 0.012, low: 0.009, high: 0.015 },
  ];
  const markup = renderToStaticMarkup(createElement("svg", null, createElement(PartRates, { rates, warrantyFrac: 0.0055, width: 600 })));
  const dots = [...markup.matchAll(/<circle cx="([\d.]+)"[^>]* fill="([^"]+)"/g)].map(([, x, fill]) => [Number(x), fill] as const);
  expect(dots.map(([, fill]) => fill)).toEqual(["var(--moss)", "var(--clay)"]);
  expect(dots[1]![0]).toBeGreaterThan(dots[0]![0]);
  expect(partRatesHeight(2)).toBeGreaterThan(partRatesHeight(1));
});
