import { handMadeFrame, LIT_KWH } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { bestOf, type PlaneHypothesis } from "./weigh";

const frame = handMadeFrame({ days: 60, metered: (i, kwh) => kwh * (1 + 0.02 * Math.sin(i)) });
const owing = (off: (i: number) => number, terms: number, spoilt = (_: number) => false): PlaneHypothesis => ({
  frame,
  owedKwh: frame.openKwh.map((kwh, i) => kwh * off(i)),
  spoilt: Uint8Array.from(frame.openKwh, (_, i) => (spoilt(i) ? 1 : 0)),
  terms,
});
const exact = (i: number): number => 1 + 0.02 * Math.sin(i);
const near = (i: number): number => 1 + 0.02 * Math.sin(i) + 0.1 * Math.cos(2 * i);

describe("ways in which the clear hours may have come about", () => {
  it("the one that tells them better wins, whatever its place", () => {
    expect(bestOf([owing(near, 0), owing(exact, 2)])).toBe(1);
    expect(bestOf([owing(exact, 2), owing(near, 0)])).toBe(0);
  });

  it("of two that tell them alike the simpler one does, and the first where little parts them", () => {
    expect(bestOf([owing(near, 12), owing(near, 2)])).toBe(1);
    expect(bestOf([owing(near, 2), owing(near, 12)])).toBe(0);
    // Two terms cost 2 ln 60, under ten; three cost more.
    expect(bestOf([owing(near, 4), owing(near, 2)])).toBe(0);
    expect(bestOf([owing(near, 5), owing(near, 2)])).toBe(1);
  });

  it("a hundred terms are too many for a little more", () => {
    const little = (i: number): number => 1 + 0.02 * Math.sin(i) + 0.095 * Math.cos(2 * i);
    expect(bestOf([owing(near, 0), owing(little, 100)])).toBe(0);
  });

  it("hours that one of them can't judge count for none", () => {
    const bad = (i: number): number => (i < 30 * 24 ? 0.3 : exact(i));
    expect(bestOf([owing(bad, 0), owing(near, 0)])).toBe(1);
    expect(bestOf([owing(bad, 0), owing(near, 0, (i) => i < 30 * 24)])).toBe(0);
  });

  it("hours far off are weighed down: a few under a cloud that nobody saw decide nothing", () => {
    const few = (i: number): number => (i % 400 === 12 ? 0.1 : exact(i));
    expect(bestOf([owing(few, 0), owing(near, 0)])).toBe(0);
  });

  it("without clear days the first stands", () => {
    const dark = { ...frame, clearness: frame.clearness.map(() => 0.2) };
    expect(
      bestOf([
        { ...owing(near, 0), frame: dark },
        { ...owing(exact, 0), frame: dark },
      ]),
    ).toBe(0);
    expect(LIT_KWH).toBeGreaterThan(0);
  });
});
