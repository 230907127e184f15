import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { projectRoot } from "@test/paths";
import { describe, expect, it } from "vitest";

const bibliography = readFileSync(path.join(projectRoot, "docs/bibliography.md"), "utf8");
const files = (folder: string): string[] =>
  readdirSync(path.join(projectRoot, folder), { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes(".test."))
    .map((name) => path.join(folder, name));

/** Author and year as a source names them: "Huld et al., 2011", "Hay & Davies, 1980". */
const CITED =
  /([A-Z][\p{L}-]+(?: [A-Z][\p{L}-]+)?)(?:,? (?:&|et al\.)[^;:.]*?|(?:, [A-Z][\p{L}-]+)* & [A-Z][\p{L}-]+)?, ((?:19|20)\d\d)\b/gu;
/** Standards by family and number. */
const STANDARD = /\b(?:IEC(?: TS)?|ISO|JCGM|ASTM|ASHRAE) (?:E)?(\d+(?:-\d+)*)/g;

const sources = ["src/core", "src/wording"].flatMap(files).flatMap((file) =>
  readFileSync(path.join(projectRoot, file), "utf8")
    .split("\n")
    .filter((line) => /Source|source:|\b(?:19|20)\d\d[,;.)"]/.test(line))
    .map((text) => ({ file, text })),
);

describe("the bibliography", () => {
  it("has every work that code and workings cite, by its first author and year", () => {
    const entries = bibliography.split("\n").filter((line) => line.startsWith("- "));
    const missing = new Set<string>();
    for (const { file, text } of sources.filter(({ text }) => /Source|source/.test(text)))
      for (const [, author, year] of text.matchAll(CITED)) {
        const name = author!.split(" ").at(-1)!;
        if (!entries.some((entry) => entry.includes(name) && entry.includes(year!))) missing.add(`${file}: ${author}, ${year}`);
      }
    expect([...missing]).toEqual([]);
  });

  it("has every standard that they cite, by its number", () => {
    const missing = new Set<string>();
    for (const { file, text } of sources)
      for (const [whole, number] of text.matchAll(STANDARD)) {
        const [family] = number!.split("-");
        if (!new RegExp(`\\bE?${family}\\b`).test(bibliography)) missing.add(`${file}: ${whole}`);
      }
    expect([...missing]).toEqual([]);
  });

  it("gives author, year and title of each work", () => {
    const works = bibliography
      .split("## Standards")[0]!
      .split("\n")
      .filter((line) => line.startsWith("- "));
    expect(works.length).toBeGreaterThan(70);
    for (const work of works) expect(work).toMatch(/^- .+, (19|20)\d\d, .{12,}|^- .+, (19|20)\d\d, \*/);
  });
});
