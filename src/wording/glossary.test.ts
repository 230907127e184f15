import { describe, expect, it } from "vitest";
import { GLOSSARY, termOf } from "./glossary";

describe("what a label means", () => {
  it.each([
    ["performance index", "performance index"],
    ["Expected", "expected energy"],
    ["Power temp. coefficient, %/K", "power temperature coefficient"],
    ["P90", "P50, P90"],
    ["data availability", "data availability"],
    ["  Unexplained ", "unexplained"],
  ])("%s", (label, term) => {
    expect(termOf(label)?.term).toBe(term);
  });

  it("is nothing where the glossary has no line", () => {
    expect(termOf("Name of the variant")).toBeNull();
  });

  it("has every term with its line", () => {
    for (const { term } of GLOSSARY) expect(termOf(term.split(",")[0]!)).not.toBeNull();
  });
});
