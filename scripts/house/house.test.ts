import { describe, expect, it } from "vitest";
import { handMadeTables, namedFunctions, neverCasts, parse, sentences } from "./measures";
import { houseRows } from "./rows";

describe("the measures", () => {
  it("see what they look for", () => {
    const source = parse(
      "probe.tsx",
      `export function probe() {\n  const x = 1 as never;\n  return <table title="every row has a sentence"><tbody /></table>;\n}\n`,
    );
    expect(namedFunctions(source).map(({ lines }) => lines)).toEqual([4]);
    expect(neverCasts(source)).toHaveLength(1);
    expect(handMadeTables(source)).toHaveLength(1);
    expect(sentences(source)).toHaveLength(1);
  });
});

describe("the rules of the house that hold without exception", () => {
  it.each(houseRows.filter(({ limit }) => limit === 0))("$what: none", ({ places }) => {
    expect(places.map(({ file, line, what }) => `${file}:${line} ${what}`)).toEqual([]);
  });

  it.each(houseRows.filter(({ limit, what }) => limit > 0 && what.startsWith("files")))("$what: within the limit", ({ places, limit }) => {
    expect(places.length).toBeLessThanOrEqual(limit);
  });
});
