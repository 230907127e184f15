import { readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { validationMarkdown, validationRows } from "../../scripts/validation-rows";
import { CHECKS, shareOfAllowed } from ".";

describe("every method agrees with the independent implementation", () => {
  for (const check of CHECKS) {
    it(`${check.stage}: ${check.method} (${check.tolerance})`, () => {
      const comparisons = check.comparisons();
      expect(comparisons.length).toBeGreaterThan(0);
      for (const comparison of comparisons) {
        const { id, got, expected } = comparison;
        expect(shareOfAllowed(comparison), `${id}: ${got} against ${expected}`).toBeLessThanOrEqual(1);
      }
    });
  }
});

it("the published validation is that of these checks (npm run validation)", () => {
  const written = readFileSync(path.join(import.meta.dirname, "..", "..", "docs", "validation.md"), "utf8");
  expect(written).toBe(validationMarkdown(validationRows()));
});
