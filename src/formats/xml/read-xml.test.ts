import { describe, expect, it } from "vitest";
import { BrokenXml, readXml } from ".";

function read(xml: string, limits = { mostTags: 5, mostDepth: 3 }): string[] | string {
  const seen: string[] = [];
  const reader = readXml(limits, {
    open: ({ name, attributes }) => seen.push(`<${name}${attributes.a ? ` ${attributes.a}` : ""}`),
    close: (name) => seen.push(`/${name}`),
    text: (text) => seen.push(text),
  });
  try {
    for (const letter of xml) reader.write(letter);
    reader.end();
    return seen;
  } catch (error) {
    return error instanceof BrokenXml ? `broken in line ${error.line}` : (error as { code: string }).code;
  }
}

describe("XML that is read as it comes", () => {
  it("gives elements without their prefix, texts and CDATA, whatever the pieces it comes in", () => {
    expect(read('<x:a a="1">t<b/><![CDATA[<c>]]></x:a>').toString()).toBe("<a 1,t,<b,/b,<c>,/a");
  });
  it("stops at the first element too many, and at the first too deep", () => {
    expect(read("<a><b/><b/><b/><b/></a>")).toHaveLength(10);
    expect(read("<a><b/><b/><b/><b/><b/></a>")).toBe("too-many-tags");
    expect([read("<a><b><c/></b></a>").length, read("<a><b><c><d/></c></b></a>")]).toEqual([6, "xml-too-deep"]);
  });
  it("takes no document type, in any letters, and tells what is no XML by its line", () => {
    expect(read('<!DOCTYPE x [<!ENTITY a "b">]><a>&a;</a>', { mostTags: 9, mostDepth: 9 })).toBe("xml-entities");
    expect([read("<a>\n<b></a>"), read("<a>"), read("text")]).toEqual(["broken in line 2", "broken in line 1", "broken in line 1"]);
  });
});
