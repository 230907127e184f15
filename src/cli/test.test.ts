import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { fixtures } from "@test/paths";
import { printed } from "@test/printed";
import { valid } from "@test/published-form";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { testPrintedSchema } from "@/contracts/printed";
import type { CliOptions } from "./arguments";
import { CliRefusal } from "./refuse";
import { testCommand } from "./test";

const at = (name: string): string => path.join(fixtures, "plants", "dry-roof", name);
const roof: CliOptions = { site: at("dry-roof.site.json"), weather: at("weather.csv.gz"), production: at("production.csv.gz") };

describe("test", () => {
  let folder = "";
  beforeAll(async () => {
    folder = await mkdtemp(path.join(tmpdir(), "terms-"));
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));
  const terms = async (name: string, value: unknown): Promise<string> => {
    const file = path.join(folder, name);
    await writeFile(file, typeof value === "string" ? value : JSON.stringify(value));
    return file;
  };

  it("tests the capacity of a year, in its published form", async () => {
    const out = await printed(() => testCommand({ ...roof, from: "2022-01-01", to: "2022-12-31", json: true }));
    const answer = testPrintedSchema.parse(JSON.parse(out));
    expect(valid("test", answer)).toEqual([]);
    const { report } = answer;
    if (report.kind !== "capacity") throw new Error("no capacity");
    // A dusty roof in its sixth year: under what its book expects of a clean one, and not by a quarter.
    expect(report.ratio!).toBeGreaterThan(0.85);
    expect(report.ratio!).toBeLessThan(1);
    expect(report.averageMinutes).toBe(60);
    expect(report.filters.find(({ filter }) => filter === "ceiling")!.takenOut).toBeGreaterThan(100);
  });

  it("settles a guarantee of a file, a line a year", async () => {
    const file = await terms("g.json", {
      kind: "guarantee",
      of: "energy-index",
      from: "2021-01-01",
      years: 2,
      guaranteedFrac: 0.99,
      damagesPerKwh: "0.10",
    });
    const text = await printed(() => testCommand({ ...roof, terms: file }));
    expect(text.split("\n").filter((line) => /^20\d\d-\d\d-\d\d to/.test(line))).toHaveLength(2);
  });

  it.each([
    ["no JSON", "{", /no JSON/],
    [
      "a share in per cent",
      { kind: "guarantee", of: "availability", from: "2021-01-01", years: 2, guaranteedFrac: 97 },
      /guaranteedFrac: A guaranteed share lies between/,
    ],
    ["an unknown kind", { kind: "yield" }, /kind/],
  ])("refuses %s with the place", async (_, value, message) => {
    await expect(testCommand({ ...roof, terms: await terms("bad.json", value) })).rejects.toThrow(message);
  });

  it("refuses days that are none, and terms that are not there", async () => {
    await expect(testCommand({ ...roof, from: "2022-02-31" })).rejects.toThrow(CliRefusal);
    await expect(testCommand({ ...roof, terms: path.join(folder, "none.json") })).rejects.toThrow(CliRefusal);
  });
});
