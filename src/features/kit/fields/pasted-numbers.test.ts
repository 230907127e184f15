import { describe, expect, it } from "vitest";
import { pastedNumbers } from "./pasted-numbers";

describe("figures from a clipboard", () => {
  it.each([
    ["4900\n5600\n7900", [4900, 5600, 7900]],
    ["4.900,5\t5.600,25", [4900.5, 5600.25]],
    ["1 234\r\n980", [1234, 980]],
    ["12,5;13,5", [12.5, 13.5]],
  ])("%j reads as %j", (text, values) => {
    expect(pastedNumbers(text)).toEqual(values);
  });

  it("leaves a single figure, and words, to the field", () => {
    expect([pastedNumbers("4900"), pastedNumbers("lots\nmore"), pastedNumbers("")]).toEqual([null, null, null]);
  });
});
