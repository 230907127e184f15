import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { DEMO_BOOKS, recordOf } from "@simulators";
import { printed } from "@test/printed";
import { valid } from "@test/published-form";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { z } from "zod";
import { neighboursPrintedSchema } from "@/contracts/printed";
import { siteSchema } from "@/contracts/site";
import { joinPages } from "@/usecases/imports";
import { neighboursCommand } from "./neighbours";
import { CliRefusal } from "./refuse";

const demo = DEMO_BOOKS.find(({ modules }) => modules !== undefined)!;
const columns = recordOf({ ...demo, firstUtc: "2024-12-31T23:00:00Z" }, siteSchema.parse(demo.site)).modules.map(
  (pages) => joinPages({ ...pages, meterId: pages.meterId ?? "" })!,
);

describe("neighbours", () => {
  let folder = "";
  const site = (): string => path.join(folder, "school.site.json");
  beforeAll(async () => {
    folder = await mkdtemp(path.join(tmpdir(), "modules-"));
    await writeFile(site(), JSON.stringify(demo.site));
    const [{ axis }] = columns as [(typeof columns)[number]];
    const time = (i: number): string => new Date(axis.startUtcMs + i * axis.stepMinutes * 60_000).toISOString();
    const lines = Array.from({ length: axis.count }, (_, i) =>
      [time(i), ...columns.map(({ values }) => (values[i]! * 4000).toFixed(1).replace("NaN", ""))].join(","),
    );
    await writeFile(path.join(folder, "modules.csv"), [`time,${columns.map(({ meterId }) => meterId).join(",")}`, ...lines].join("\n"));
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));

  it("names the demo's odd modules with cause, loss and interval, in its published form", async () => {
    const out = await printed(() =>
      neighboursCommand({ site: site(), readings: path.join(folder, "modules.csv"), "production-unit": "W", json: true }),
    );
    const report: z.output<typeof neighboursPrintedSchema> = neighboursPrintedSchema.parse(JSON.parse(out));
    expect(valid("neighbours", report)).toEqual([]);
    const causeOf = (id: string): string | undefined => report.odd.find((odd) => odd.id === id)?.cause;
    expect([causeOf("B15"), causeOf("A10"), causeOf("B1")]).toEqual(["bypassed-part", "silent", "shaded"]);
    expect(report.swapped).toEqual([["A3", "A15"]]);
    expect(report.modules.every(({ array }) => array === "classes")).toBe(true);
    expect(report.odd[0]!.words).toMatch(/two thirds/);
  });

  it("says it in a table for people, and refuses a folder without any", async () => {
    const text = await printed(() =>
      neighboursCommand({ site: site(), readings: path.join(folder, "modules.csv"), "production-unit": "W" }),
    );
    expect(text).toMatch(/modules give less than their neighbours/);
    expect(text).toMatch(/B15 .*a bypassed part/);
    await expect(neighboursCommand({ site: site(), readings: path.join(folder, "none") })).rejects.toThrow(CliRefusal);
  });
});
