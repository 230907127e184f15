import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import { asSaid, plantBasis } from ".";

const of = (parts: Partial<SiteInput> = {}) => site(parts);

describe("what is known of a plant", () => {
  const sheet = { pmpW: 400, vocV: 49.1, iscA: 10.3, vmpV: 41, impA: 9.76 };
  it("is as good as its weakest part; a height alone weakens nothing", () => {
    expect(plantBasis(of({ modules: { m: sheet } }))).toBe("datasheet");
    expect(plantBasis(of({ modules: { m: { ...sheet, estimated: ["vocV"] } } }))).toBe("nameplate");
    expect(plantBasis(of({ modules: { m: { pmpW: 400 } } }))).toBe("nameplate");
    expect(plantBasis(of({ modules: { m: sheet }, assumed: ["tilt"] }))).toBe("assumed");
    expect(plantBasis(of({ modules: { m: sheet }, assumed: ["elevation"] }))).toBe("datasheet");
  });
});

describe("what somebody wrote over", () => {
  it("is neither assumed nor estimated any more", () => {
    const before = of({ assumed: ["tilt", "elevation"], modules: { m: { pmpW: 400, vocV: 49, impA: 9.7, estimated: ["vocV", "impA"] } } });
    const [first] = before.arrays;
    const after = { ...before, arrays: [{ ...first!, tiltDeg: first!.tiltDeg + 3 }], modules: { m: { ...before.modules.m!, vocV: 48.7 } } };
    const said = asSaid(before, after);
    expect(said.assumed).toEqual(["elevation"]);
    expect(said.modules.m.estimated).toEqual(["impA"]);
    expect(asSaid(before, before)).toEqual(before);
  });

  it("and taken out again stands for nothing", () => {
    const before = of({ modules: { m: { pmpW: 400, vocV: 49, estimated: ["vocV"] } } });
    const after = { ...before, modules: { m: { ...before.modules.m!, vocV: null } } };
    expect(asSaid(before, after).modules.m.estimated).toEqual([]);
  });
});
