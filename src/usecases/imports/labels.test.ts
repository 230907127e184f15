import { Readable } from "node:stream";
import { describe, expect, it } from "vitest";
import { importOptionsSchema } from "@/contracts/imports";
import { siteSchema } from "@/contracts/site";
import { MINUTE_MS } from "@/core/units";
import { randomPlant, simulateWeather } from "../../../simulators";
import { inspectFile } from "./inspect";

const STEP = 30;
const { climate, site } = randomPlant(0);
const plant = siteSchema.parse(site);
const axis = { startUtcMs: Date.UTC(2023, 2, 1), stepMinutes: STEP, count: 48 * 150 };
const { ghiWm2 } = simulateWeather(climate, plant.place, axis, 0.4);

/** A weather file with offsets, as a logger writes it that marks either end of its half hours. */
const file = (labels: "start" | "end"): string => {
  const shift = labels === "end" ? STEP * MINUTE_MS : 0;
  const rows = [...ghiWm2].map((light, i) => {
    const utcMs = axis.startUtcMs + i * STEP * MINUTE_MS + shift;
    return `${new Date(utcMs).toISOString().slice(0, 16)}Z,${light.toFixed(1)}`;
  });
  return ["time,ghi_w_m2", ...rows].join("\n");
};
const read = (text: string, options: object = {}) =>
  inspectFile(() => Readable.from([Buffer.from(text)]), plant, importOptionsSchema.parse(options));

describe("half hours of light whose labels mark their end", () => {
  it("are moved to where their light came, and said", async () => {
    const found = await read(file("end"));
    expect(found.options.labels).toBe("end");
    expect(found.problems.map(({ code }) => code)).toContain("labels-by-clearness");
    expect(found.file!.firstUtcMs).toBe(axis.startUtcMs);
  });

  it("stand as they are where the labels mark the start, or where somebody said which they mark", async () => {
    const started = await read(file("start"));
    expect(started.options.labels).toBe("start");
    expect(started.problems.map(({ code }) => code)).not.toContain("labels-by-clearness");
    const told = await read(file("end"), { labels: "start" });
    expect(told.file!.firstUtcMs).toBe(axis.startUtcMs + STEP * MINUTE_MS);
  });
});
