import { describe, expect, it } from "vitest";
import { mergeFields, withField } from "./merge-fields";

const base = {
  name: "Roof",
  place: { latitudeDeg: 40, elevationM: 5 },
  arrays: [
    { id: "a", tiltDeg: 10 },
    { id: "b", tiltDeg: 20 },
  ],
  months: [1, 2, 3],
};

describe("two windows on one document", () => {
  it("keeps what each changed in a field of its own", () => {
    const mine = { ...base, name: "South roof", months: [9, 2, 3] };
    const theirs = { ...base, place: { ...base.place, elevationM: 7 }, months: [1, 2, 8] };
    const { merged, clashes, taken } = mergeFields(base, mine, theirs);
    expect(merged).toEqual({ ...base, name: "South roof", place: { latitudeDeg: 40, elevationM: 7 }, months: [9, 2, 8] });
    expect(clashes).toEqual([]);
    expect(taken).toContainEqual(["place"]);
  });

  it("names a field that both changed differently, and keeps mine until told otherwise", () => {
    const mine = { ...base, arrays: [{ id: "a", tiltDeg: 12 }, base.arrays[1]] };
    const theirs = {
      ...base,
      arrays: [
        { id: "a", tiltDeg: 15 },
        { id: "b", tiltDeg: 25 },
      ],
    };
    const { merged, clashes } = mergeFields(base, mine, theirs);
    expect(clashes).toEqual([{ path: ["arrays", "a", "tiltDeg"], before: 10, mine: 12, theirs: 15 }]);
    expect((merged as typeof base).arrays).toEqual([
      { id: "a", tiltDeg: 12 },
      { id: "b", tiltDeg: 25 },
    ]);
    expect((withField(merged, clashes[0]!.path, 15) as typeof base).arrays[0]).toEqual({ id: "a", tiltDeg: 15 });
  });

  it("takes along what was added and drops what was removed on either side", () => {
    const mine = { ...base, arrays: [...base.arrays, { id: "c", tiltDeg: 30 }] };
    const theirs = { ...base, arrays: [base.arrays[0]] };
    const { merged, clashes } = mergeFields(base, mine, theirs);
    expect((merged as typeof base).arrays.map((array) => array.id)).toEqual(["a", "c"]);
    expect(clashes).toEqual([]);
  });

  it("asks when one side removed what the other changed", () => {
    const mine = { ...base, arrays: [base.arrays[0], { id: "b", tiltDeg: 21 }] };
    const { clashes } = mergeFields(base, mine, { ...base, arrays: [base.arrays[0]] });
    expect(clashes.map((clash) => clash.path)).toEqual([["arrays", "b"]]);
  });

  it("the same change on both sides is no clash", () => {
    const both = { ...base, name: "Hall" };
    expect(mergeFields(base, both, { ...both })).toEqual({ merged: both, clashes: [], taken: [] });
  });
});
