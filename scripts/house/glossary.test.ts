import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { glossaryRows } from "./glossary-rows";

const root = path.join(import.meta.dirname, "..", "..");

/** Words of all code, and the names of its folders. */
function wordsOfCode(): ReadonlySet<string> {
  const words = new Set<string>();
  for (const file of readdirSync(path.join(root, "src"), { recursive: true, encoding: "utf8" })) {
    for (const part of file.split(path.sep)) words.add(part.replace(/\.tsx?$/, ""));
    if (/\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
      for (const [word] of readFileSync(path.join(root, "src", file), "utf8").matchAll(/[A-Za-z][A-Za-z0-9]*/g)) words.add(word);
  }
  for (const folder of readdirSync(root)) words.add(folder);
  return words;
}

describe("the glossary", () => {
  const rows = glossaryRows(readFileSync(path.join(root, "docs", "glossary.md"), "utf8"));

  it("has terms, each once, with a name in the code and a sentence", () => {
    expect(rows.length).toBeGreaterThan(60);
    expect(new Set(rows.map(({ term }) => term)).size).toBe(rows.length);
    expect(rows.filter(({ names, what }) => names.length === 0 || what.length < 10)).toEqual([]);
  });

  it("names what is there: a term that is renamed in the code is renamed here", () => {
    const words = wordsOfCode();
    expect(rows.flatMap(({ names }) => names).filter((name) => !words.has(name))).toEqual([]);
  });

  it("is the help that opens from labels: `npm run glossary` was run", () => {
    const shipped = JSON.parse(readFileSync(path.join(root, "generated", "glossary.json"), "utf8")) as unknown;
    expect(shipped).toEqual(rows.map(({ term, what }) => ({ term, what })));
  });
});
