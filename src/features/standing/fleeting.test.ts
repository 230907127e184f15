import { readFileSync } from "node:fs";
import path from "node:path";
import { projectRoot } from "@test/paths";
import { describe, expect, it } from "vitest";
import { Fleeting } from "./Fleeting";

describe("a page that stands in", () => {
  it("says so in what the server itself makes, which turned pages carry too", () => {
    expect(JSON.stringify(Fleeting({ children: null }))).toContain('"data-fleeting":""');
    const source = readFileSync(path.join(projectRoot, "src/features/standing/Fleeting.tsx"), "utf8");
    expect(source).not.toContain("use client");
  });

  it("is marked wherever a chapter stands in for its figures", () => {
    const page = readFileSync(path.join(projectRoot, "src/app/book-page.tsx"), "utf8");
    expect(page).toMatch(/<Fleeting>\s*<Reckoning/);
  });
});
