import { handMadeFrame } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { meterGaps } from "./meter-gaps";

const silent = (from: number, days: number) =>
  meterGaps(handMadeFrame({ days: 120, unread: (i) => i >= 24 * from && i < 24 * (from + days) }));

describe("long silences of a meter", () => {
  it("end on a day from which on it may be another one", () => {
    expect(silent(40, 45)).toEqual([85]);
  });

  it("of up to thirty days are a line that was down", () => {
    expect([silent(40, 29), silent(40, 30)]).toEqual([[], [70]]);
    expect(silent(0, 45)).toEqual([]);
    expect(silent(90, 30)).toEqual([]);
  });
});
