import { Readable } from "node:stream";
import { recordModules, simulateWeather, simulateWithTruth } from "@simulators";
import { describe, expect, it } from "vitest";
import { importOptionsSchema } from "@/contracts/imports";
import { siteSchema } from "@/contracts/site";
import { partOfSite } from "@/core/site";
import { schoolBook } from "../../../simulators/demo-school";
import { type Inspection, inspectFile } from "./inspect";

const school = siteSchema.parse(schoolBook.site);
const FROM = "2025-06-01T00:00:00Z";
const axis = { startUtcMs: Date.parse(FROM), stepMinutes: 15, count: 96 * 20 };
const roof = partOfSite(school, ["classes"]);
const weather = simulateWeather(schoolBook.climate, school.place, axis, 0.297);
const { energyKwh: arrayKwh } = simulateWithTruth(roof, { ...schoolBook.truth, outages: [], lost: [] }, weather);
const modules = recordModules(
  roof,
  { array: "classes", from: FROM, to: "2025-06-21T00:00:00Z", toleranceFrac: 0.01, noiseFrac: 0.01 },
  { axis, arrayKwh, rainMm: null },
  0.3,
);
const wholeKwh = modules.reduce((sum, { kwh }) => sum + kwh.reduce((a, b) => a + b, 0), 0);
const time = (i: number): string => new Date(axis.startUtcMs + i * 900_000).toISOString().slice(0, 16).concat("Z");
const rows = (cell: (kwh: number) => string, columns = modules): string[] =>
  Array.from({ length: axis.count }, (_, i) => [time(i), ...columns.map(({ kwh }) => cell(kwh[i]!))].join(","));
const watts = (kwh: number): string => (kwh * 4000).toFixed(1);

const read = (text: string, options: object = {}, fileName = "export.csv", site = school): Promise<Inspection> =>
  inspectFile(() => Readable.from([Buffer.from(text)]), site, importOptionsSchema.parse(options), { fileName });
const faults = ({ problems }: Inspection): string[] => problems.filter(({ severity }) => severity === "error").map(({ code }) => code);

/** Modules that a file brings, and whether all their energy came. */
function expectModules(found: Inspection, ids: readonly string[], kwh = wholeKwh): void {
  expect(faults(found)).toEqual([]);
  expect(found.kind).toBe("modules");
  expect(found.series.map(({ meterId }) => meterId)).toEqual(ids);
  expect(found.series.every(({ quantity }) => quantity === "module_kwh")).toBe(true);
  const kept = found.series.reduce(
    (sum, { days }) => sum + [...days.values()].flatMap((page) => [...page]).reduce((a, b) => a + (b || 0), 0),
    0,
  );
  expect(kept / kwh).toBeCloseTo(1, 2);
}

describe("a column a module", () => {
  const ids = modules.map(({ id }) => id);

  it("is told by as many columns as an array has modules, and its unit by its size", async () => {
    expectModules(await read([`time,${ids.join(",")}`, ...rows(watts)].join("\n")), ids);
    const kilowatts = (kwh: number): string => (kwh * 4).toFixed(5);
    expectModules(await read([`time,${ids.join(",")}`, ...rows(kilowatts)].join("\n")), ids);
  });

  it("is told by the words of its headers, with the unit in them; sums and temperatures beside them are left", async () => {
    const some = modules.slice(0, 5);
    const header = ["time", ...some.map(({ id }) => `Module ${id} (Wh)`), "Total (Wh)", "Module temperature (°C)"].join(",");
    const lines = rows((kwh) => (kwh * 1000).toFixed(2), some).map((line) => `${line},${9},25`);
    const kwh = some.reduce((sum, module) => sum + module.kwh.reduce((a, b) => a + b, 0), 0);
    expectModules(
      await read([header, ...lines].join("\n")),
      some.map(({ id }) => id),
      kwh,
    );
  });

  it("comes in a long table too, sorted by device", async () => {
    const lines = modules.flatMap(({ id, kwh }) => Array.from(kwh, (value, i) => `${time(i)},${id},${(value * 1000).toFixed(2)}`));
    expectModules(await read(["time,device,energy_wh", ...lines].join("\n")), ids);
  });

  it("may be a counter, which begins where it was", async () => {
    const sums = modules.map(({ id, kwh }) => {
      const counter = new Float64Array(kwh.length).fill(120);
      for (let i = 1; i < counter.length; i++) counter[i] = counter[i - 1]! + kwh[i - 1]!;
      return { id, lostKwh: 0, kwh: counter };
    });
    const found = await read([`time,${ids.map((id) => `${id} module kWh`).join(",")}`, ...rows((kwh) => kwh.toFixed(5), sums)].join("\n"));
    expectModules(found, ids);
  });

  it("is asked where nothing tells, and is what was answered", async () => {
    const ten = modules.slice(0, 10);
    const text = [`time,${ten.map((_, k) => `C${k + 1} kWh`).join(",")}`, ...rows((kwh) => kwh.toFixed(5), ten)].join("\n");
    const asked = await read(text);
    expect(asked.questions.map(({ id }) => id)).toEqual(["columns"]);
    expect(faults(asked)).toEqual(["mapping-unsure"]);
    const added = await read(text, { answers: { columns: "plant" } });
    expect([added.kind, added.series.length, faults(added)]).toEqual(["production", 1, []]);
    const apart = await read(text, { answers: { columns: "modules" } });
    expect([apart.kind, apart.series.length]).toEqual(["modules", 10]);
  });

  it("of seven meters is added up as before, of eight asked", async () => {
    const of = (count: number) =>
      read(
        [
          `time,${Array.from({ length: count }, (_, k) => `Side ${k + 1} kWh`).join(",")}`,
          ...rows((kwh) => kwh.toFixed(5), modules.slice(0, count)),
        ].join("\n"),
      );
    expect([(await of(7)).kind, (await of(7)).questions]).toEqual(["production", []]);
    expect((await of(8)).questions.map(({ id }) => id)).toEqual(["columns"]);
  });

  it("gives more than a module can where it is an inverter's: added up without a question", async () => {
    const inverters = modules.slice(0, 12).map((module) => ({ ...module, kwh: module.kwh.map((kwh) => kwh * 4) }));
    const found = await read(
      [`time,${inverters.map((_, k) => `INV${k + 1} kWh`).join(",")}`, ...rows((kwh) => kwh.toFixed(5), inverters)].join("\n"),
    );
    expect([found.kind, found.questions, faults(found)]).toEqual(["production", [], []]);
  });

  it("whose words say that they are inverters are added up without a question, however little they give", async () => {
    const ten = modules.slice(0, 10);
    const found = await read([`time,${ten.map((_, k) => `INV${k + 1} kWh`).join(",")}`, ...rows((kwh) => kwh.toFixed(5), ten)].join("\n"));
    expect([found.kind, found.questions, faults(found)]).toEqual(["production", [], []]);
  });

  it("of one name in two columns keeps its whole headers: nothing is added up", async () => {
    const five = modules.slice(0, 5);
    const heads = ["Module 1 (left) Wh", "Module 1 (right) Wh", "Module 2 Wh", "Module 3 Wh", "Module 4 Wh"];
    const found = await read([`time,${heads.join(",")}`, ...rows((kwh) => (kwh * 1000).toFixed(2), five)].join("\n"));
    expect(found.series.map(({ meterId }) => meterId)).toEqual(heads);
  });

  it("is refused where a step is no part of an hour: such readings can't be laid hour by hour", async () => {
    const step = (i: number): string => new Date(axis.startUtcMs + i * 45 * 60_000).toISOString().slice(0, 16).concat("Z");
    const lines = Array.from({ length: 32 * 15 }, (_, i) => [step(i), ...ids.map(() => "90")].join(","));
    expect(faults(await read([`time,${ids.map((id) => `module ${id} W`).join(",")}`, ...lines].join("\n")))).toContain(
      "modules-need-hours",
    );
    const alone = lines.map((line) => line.split(",").slice(0, 2).join(","));
    expect(faults(await read(["time,power_w", ...alone].join("\n"), { answers: { columns: "modules" } }, "A1.csv"))).toContain(
      "modules-need-hours",
    );
  });

  it("is refused where a reading is a day: there is no light to share", async () => {
    const days = Array.from({ length: 20 }, (_, d) => [`2025-06-${String(d + 1).padStart(2, "0")}`, ...ids.map(() => "1.9")].join(","));
    expect(faults(await read([`date,${ids.join(",")}`, ...days].join("\n"), { answers: { quantity: "energy_kwh" } }))).toContain(
      "modules-need-hours",
    );
  });
});

describe("a file a module", () => {
  const one = modules[14]!;
  const text = ["time,energy_kwh", ...rows((kwh) => kwh.toFixed(5), [one])].join("\n");
  const kwh = one.kwh.reduce((a, b) => a + b, 0);

  it("is told by its name", async () => {
    for (const name of ["module A15.csv", "panel_A15.csv.gz", "roof-optimizer-A15.txt"])
      expectModules(await read(text, {}, name), ["A15"], kwh);
  });

  it("is asked where it gives no more than one module of a plant, and named after its file", async () => {
    const asked = await read(text, {}, "A15.csv");
    expect(asked.questions.map(({ id }) => id)).toEqual(["columns"]);
    expectModules(await read(text, { answers: { columns: "modules" } }, "A15.csv"), ["A15"], kwh);
    const plant = await read(text, { answers: { columns: "plant" } }, "A15.csv");
    expect([plant.kind, plant.questions, faults(plant)]).toEqual(["production", [], []]);
  });

  it("with a mapping that says so is named after its file, and one that says the plant is not asked", async () => {
    const { proposal } = (await read(text, { answers: { columns: "modules" } }, "A15.csv")).file!;
    const mapping = proposal!.mapping;
    expectModules(await read(text, { mapping }, "A16.csv"), ["A16"], kwh);
    expect(await read(text, { mapping: { ...mapping, of: "plant" } }, "A16.csv")).toMatchObject({ kind: "production", questions: [] });
  });

  it("that gives far less than a module at its best is no module's: another unit, or a plant that hardly worked", async () => {
    const scaled = (frac: number) => ["time,energy_kwh", ...rows((value) => (value * frac).toFixed(6), [one])].join("\n");
    const best = Math.max(...one.kwh) * 4000;
    const asked = async (ofRating: number) => (await read(scaled((ofRating * 375) / best), {}, "A15.csv")).questions.length;
    expect([await asked(0.28), await asked(0.32), await asked(1.28), await asked(1.35)]).toEqual([0, 1, 1, 0]);
  });

  it("of less than two weeks is asked about by its name, and is the plant's without one: a dull week of a plant is as small", async () => {
    const days = (count: number): string =>
      text
        .split("\n")
        .slice(0, 1 + 96 * count)
        .join("\n");
    const of = async (count: number, name: string) => {
      const { kind, questions } = await read(days(count), {}, name);
      return [kind, questions.length];
    };
    expect(await Promise.all([of(13, "module A15.csv"), of(14, "module A15.csv")])).toEqual([
      ["production", 1],
      ["modules", 0],
    ]);
    expect(await Promise.all([of(13, "A15.csv"), of(14, "A15.csv"), of(20, "")])).toEqual([
      ["production", 0],
      ["production", 1],
      ["production", 0],
    ]);
  });

  it("is the plant's where it gives what a plant gives, or where the plant is as small", async () => {
    const whole = { id: "all", lostKwh: 0, kwh: arrayKwh };
    const plants = ["time,energy_kwh", ...rows((value) => value.toFixed(5), [whole])].join("\n");
    expect((await read(plants, {}, "module report.csv")).kind).toBe("production");
    const small = { ...school, arrays: school.arrays.map((array) => ({ ...array, count: 3, rows: 1, modulesPerString: null })) };
    expect(await read(text, {}, "A15.csv", small)).toMatchObject({ kind: "production", questions: [] });
  });
});
