import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { fixtures } from "@test/paths";
import { printed as printedBy } from "@test/printed";
import { valid } from "@test/published-form";
import { siteInput, site as siteOf } from "@test/site-builder";
import { beforeAll, describe, expect, it } from "vitest";
import { BENCH_FORMS } from "@/contracts/printed-bench";
import { partOfSite } from "@/core/site";
import { runSun } from "@/core/sun";
import { monthBins } from "@/core/time";
import { runYield } from "@/core/yield";
import type { CliOptions } from "./arguments";
import { BENCHES, benchCommand } from "./bench";
import { CliRefusal } from "./refuse";

const SHEET = { vocV: 49.1, iscA: 10.3, vmpV: 41, impA: 9.76, cellsInSeries: 72, bypassDiodes: 3, areaM2: 2 };
const TWO_ROOFS = siteInput({
  modules: { m: { pmpW: 400, ...SHEET } },
  arrays: [
    { id: "a", name: "Left", module: "m", count: 10, modulesPerString: 10, tiltDeg: 30, azimuthDeg: 180 },
    { id: "b", name: "Right", module: "m", count: 10, modulesPerString: 10, tiltDeg: 30, azimuthDeg: 180 },
  ],
  inverters: [
    { id: "i", arrays: ["a"], acRatedW: 4000, ratedEfficiencyFrac: 0.97, inputs: 1 },
    { id: "j", arrays: ["b"], acRatedW: 4000, ratedEfficiencyFrac: 0.97, inputs: 1 },
  ],
  meters: [
    { id: "left", point: "ac", arrays: ["a"] },
    { id: "right", point: "ac", arrays: ["b"] },
  ],
});

const twoRoofs = () => siteOf(TWO_ROOFS);

let folder: string;
let site: string;
const file = async (name: string, text: string): Promise<string> => {
  const at = path.join(folder, name);
  await writeFile(at, text);
  return at;
};

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), "dusty-ledger-bench-"));
  site = await file("two.site.json", JSON.stringify(TWO_ROOFS));
});

/** What a bench prints of the two roofs. */
const printed = (name: string, options: CliOptions): Promise<string> => printedBy(() => benchCommand({ site, ...options }, name));
/** A bench's answer, which its published form has to fit. */
const json = async <T>(name: string, options: CliOptions): Promise<T> => {
  const answer = JSON.parse(await printed(name, { ...options, json: true })) as T;
  expect(valid(`bench-${name}`, answer), name).toEqual([]);
  return answer;
};

describe("bench spot-check", () => {
  it("says the screen's sentence, and gives its figures as JSON", async () => {
    const options = { with: "light=165,temp=22,isc=0.80" };
    expect(await printed("spot-check", options)).toContain(
      "0.80 A read, 1.70 ± 0.19 expected: short-circuit current is under half of what this light gives",
    );
    const { judged } = await json<{ judged: { quantity: string; verdict: string }[] }>("spot-check", options);
    expect(judged).toMatchObject([{ quantity: "iscA", verdict: "low" }]);
  });

  it.each([
    ["temp=22", "--with lacks light: write --with light=…"],
    ["light=165", "No voltage and no current was entered"],
    ["light=165,temp=22,lux=4", "--with lux=4: choose one of light, temp"],
    ["light=bright,temp=22", "light is a number"],
    ["light=800,temp=22,isc=-2", "can't be negative: swap the leads"],
    ["light=800,temp=113,isc=8", "in °F, that is 45 °C"],
    ["light=800,temp=30,voc=400,series=300", "300 modules in one string"],
  ])("refuses %s in words", async (given, words) => {
    await expect(printed("spot-check", { with: given })).rejects.toThrow(words);
  });

  it("of a module without a datasheet names what is missing", async () => {
    const bare = await file("bare.site.json", JSON.stringify(siteInput()));
    await expect(printed("spot-check", { site: bare, with: "light=800,temp=30,isc=8" })).rejects.toThrow(
      "vocV, iscA, vmpV, impA and cellsInSeries",
    );
  });
});

describe("bench inverter-reading", () => {
  it("reads volts, amperes and strings of each input, and the light", async () => {
    const options = { inputs: "410x8.0x1", with: "acW=3180,light=850,temp=20", date: "2024-06-21T11:30:00Z" };
    const report = await json<{ dcW: number; findings: string[]; moment: { planeWm2: number } }>("inverter-reading", options);
    expect(report.dcW).toBeCloseTo(3280, 6);
    expect(report.moment.planeWm2).toBeCloseTo(850, 6);
    expect(report.findings).toEqual(["consistent"]);
  });

  it.each([
    [{ inputs: "410xeight" }, "inputs.0.dcA"],
    [{}, "--inputs is missing: volts x amperes x strings"],
    [{ inputs: "410x8", date: "soon" }, "--date soon"],
  ])("refuses %o", async (options, words) => {
    await expect(printed("inverter-reading", options)).rejects.toThrow(words);
  });
});

describe("bench mixed-string, cable, modules and loads", () => {
  const part = (count: number, light: number) => ({
    ...{ module: "m", count, tiltDeg: 30, azimuthDeg: 180, irradianceWm2: 800, cellTempC: 45 },
    groupLightFrac: [light, light, light],
  });

  it("give the curve, its maxima and a year", async () => {
    const strings = await file("strings.json", JSON.stringify([[part(9, 1), part(1, 0.4)]]));
    const report = await json<{ togetherW: number; byModuleW: number; peaks: unknown[]; yearKwh: { togetherKwh: number } }>(
      "mixed-string",
      { strings },
    );
    expect(report.peaks).toHaveLength(2);
    expect(report.togetherW).toBeLessThan(report.byModuleW);
    expect(report.yearKwh.togetherKwh).toBeGreaterThan(1000);
  });

  it.each([
    ["no JSON", "{", "this is no JSON"],
    ["a foreign module", JSON.stringify([[{ ...part(2, 1), module: "x" }]]), "Module x is not in the site"],
    ["too long a string", JSON.stringify([[part(60, 1), part(60, 1)]]), "120 modules in series"],
  ])("refuse %s", async (_name, text, words) => {
    const strings = await file("wrong.json", text);
    await expect(printed("mixed-string", { strings })).rejects.toThrow(words);
  });

  it("ask for a price of a kWh where the book has none, and take it", async () => {
    await expect(printed("cable", {})).rejects.toThrow("--with lacks price");
    const report = await json<{ cheapestMm2: number; sections: { areaMm2: number; lifeCost: number }[] }>("cable", {
      with: "price=0.2,length=80",
    });
    const least = Math.min(...report.sections.map(({ lifeCost }) => lifeCost));
    expect(report.sections.find(({ areaMm2 }) => areaMm2 === report.cheapestMm2)!.lifeCost).toBe(least);
  });

  it("compare modules for the same power, two to five of them", async () => {
    const { modules } = await json<{ modules: { name: string; kwp: number; costPerKwh: number }[] }>("modules", { modules: "m,Tarn 330" });
    expect(modules.map(({ name }) => name)).toEqual(["m", "Tarn 330"]);
    expect(Math.abs(modules[1]!.kwp - 4)).toBeLessThan(0.33);
    await expect(printed("modules", { modules: "m" })).rejects.toThrow("two to five are compared, not 1");
    await expect(printed("modules", { modules: "m,nothing" })).rejects.toThrow("--modules nothing");
  });

  it("balance loads, and question a kettle in kilowatts", async () => {
    const loads = await file(
      "loads.json",
      JSON.stringify({ appliances: [{ name: "kettle", watts: 1.2, hoursPerDay: 1 }], battery: { capacityKwh: 5, voltageV: 48 } }),
    );
    expect(await printed("loads", { loads })).toContain("kettle: 1.2 W looks like kW");
    const { months } = await json<{ months: unknown[] }>("loads", { loads });
    expect(months).toHaveLength(12);
  });

  it("say that storms want a depth gauge", async () => {
    await expect(printed("snow", {})).rejects.toThrow("no snow_depth_cm column");
  });
});

describe("bench trial and change, from files", () => {
  const axis = { startUtcMs: Date.parse("2024-04-01T00:00:00Z"), stepMinutes: 60, count: 24 * 60 };
  const place = { latitudeDeg: TWO_ROOFS.place.latitudeDeg, longitudeDeg: TWO_ROOFS.place.longitudeDeg };
  const { up } = runSun(axis, place);
  const stamp = (i: number): string => new Date(axis.startUtcMs + i * 3_600_000).toISOString();
  const rows = (head: string, of: (i: number) => (string | number)[]): string =>
    `${head}\n${Array.from({ length: axis.count }, (_, i) => [stamp(i), ...of(i)].join(",")).join("\n")}\n`;
  let weather: string;
  let production: string;
  beforeAll(async () => {
    weather = await file(
      "weather.csv",
      rows("time,ghi_w_m2,air_temperature_c", (i) => [Math.round(Math.max(0, up[i]!) * 950), 15]),
    );
    const air = new Float64Array(axis.count).fill(15);
    const sky = { ghiWm2: Float64Array.from(up, (sine) => Math.round(Math.max(0, sine) * 950)), dniWm2: null, dhiWm2: null, poaWm2: null };
    const roof = partOfSite(twoRoofs(), ["b"]);
    const { expectedKwh } = runYield(roof, { axis, ...sky, airTempC: air, windSpeedMs: null }, monthBins(axis, "UTC"));
    // The right roof gives 3 % more than the model has it, and from May on 12 %.
    const kwh = (i: number): number => expectedKwh[i]!;
    production = await file(
      "production.csv",
      rows("time,energy_kwh:left,energy_kwh:right", (i) => [kwh(i).toFixed(4), (kwh(i) * (i < 24 * 30 ? 1.03 : 1.12)).toFixed(4)]),
    );
  });

  it("pair two meters of one file", async () => {
    const april = { weather, production, from: "2024-04-01", to: "2024-04-30", accept: "none" };
    const report = await json<{ difference: { frac: number }; pairedDays: number }>("trial", april);
    expect(report.difference.frac).toBeCloseTo(0.03, 3);
    expect(report.pairedDays).toBe(30);
    expect(await printed("trial", april)).toContain("Why the raw figure is another one");
  });

  it("find a change of one meter through the weather", async () => {
    const change = await json<{ frac: number; low: number; high: number }>("change", {
      weather,
      production,
      on: "2024-05-01",
      meter: "right",
      days: "30",
      accept: "none",
    });
    expect(change.low).toBeLessThan(1.12 / 1.03 - 1);
    expect(change.high).toBeGreaterThan(1.12 / 1.03 - 1);
  });

  it("refuse what is no trial", async () => {
    await expect(printed("trial", { production, weather, a: "left", b: "left" })).rejects.toThrow("against itself");
    await expect(printed("trial", { production, weather, a: "attic" })).rejects.toThrow("--a attic: expected one of left, right");
    await expect(printed("change", { production, weather })).rejects.toThrow("--on is missing");
    await expect(printed("change", { production, weather, on: "2024-04-02" })).rejects.toThrow(CliRefusal);
  });
});

describe("every bench", () => {
  const hut = (name: string): string => path.join(fixtures, "plants", "alpine-hut", name);

  it.each<[string, CliOptions]>([
    ["tilt", {}],
    ["shade", {}],
    ["rows", {}],
    ["rows", { from: "6", to: "18" }],
    ["compass", { reading: "120", date: "2026-05-01" }],
    ["case", { case: "cleaning", price: "0.2" }],
    ["loan", { rate: "0.04", years: "10", principal: "10000" }],
  ])("%s prints what its form says", async (name, options) => {
    expect(await json<{ format: string }>(name, options)).toHaveProperty("format", `dusty-ledger/bench-${name}`);
  });

  it("snow prints what its form says", async () => {
    const { storms } = await json<{ storms: unknown[] }>("snow", { site: hut("alpine-hut.site.json"), weather: hut("weather.csv.gz") });
    expect(storms.length).toBeGreaterThan(3);
  });

  it("has a form for each bench there is, and none besides", () => {
    expect([...BENCH_FORMS].sort()).toEqual(Object.keys(BENCHES).sort());
  });
});
