import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { limitsPage } from "./limits-page";

describe("docs/limits.md", () => {
  it("says what the program holds itself to (npm run limits)", () => {
    expect(readFileSync(new URL("../docs/limits.md", import.meta.url), "utf8")).toBe(limitsPage());
  });
});
