import { describe, expect, it } from "vitest";
import { published } from "./published-names";

describe("names of the printed JSON", () => {
  it("stay as they were published", () => {
    expect(published({ all: { unexplainedKwh: 3, dataGapKwh: 1 }, methods: [{ method: "re-run" }] })).toEqual({
      all: { remainderKwh: 3, unreadKwh: 1 },
      schools: [{ school: "re-run" }],
    });
  });

  it("depend on what holds them where a word has two meanings", () => {
    expect(published({ parts: [{ source: "meter" }], spans: [{ source: "hand" }] })).toEqual({
      parts: [{ told: "meter" }],
      spans: [{ source: "hand" }],
    });
  });
});
