import { createReadStream, readFileSync } from "node:fs";
import path from "node:path";
import { fixtures } from "@test/paths";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { importOptionsSchema } from "@/contracts/imports";
import { wordingOf } from "@/wording/problems";
import { inspectFile } from ".";

const folder = path.join(fixtures, "readings");
interface Expected {
  says: string[];
  refused: boolean;
  options?: object;
  kwh?: number;
}
const corpus = JSON.parse(readFileSync(path.join(folder, "expected.json"), "utf8")) as Record<string, Expected>;
const plant = site();

describe("the corpus of nasty files", () => {
  it("holds sixty and more", () => {
    expect(Object.keys(corpus).length).toBeGreaterThanOrEqual(60);
  });

  it.each(Object.entries(corpus))("%s", async (name, { says, refused, options, kwh }) => {
    const found = await inspectFile(() => createReadStream(path.join(folder, name)), plant, importOptionsSchema.parse(options ?? {}));
    const errors = found.problems.filter(({ severity }) => severity === "error");
    const told = found.problems.map((problem) => `${problem.code}: ${JSON.stringify(problem.places[0] ?? {})}`).join("\n");
    expect(errors.length > 0, told).toBe(refused);
    for (const code of says)
      expect(
        found.problems.map((problem) => problem.code),
        told,
      ).toContain(code);
    if (kwh !== undefined) expect(found.energyKwh, told).toBeCloseTo(kwh, 6);
    for (const problem of found.problems) {
      const words = Object.values(wordingOf(problem)).join(" ");
      expect(words).not.toMatch(/undefined|NaN|\[object/);
    }
  });
});
