import { handMadeFrame, LIT_KWH } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { curtailment, tellingCeilingKwh } from "./detect";
import { movedCeiling } from "./moved";

const DAYS = 200;
const AT = 100;
const CEILING = 3.6;
const dayOf = (i: number): number => Math.floor(i / 24);
/** Bright days in two of three; the noon of each owes more than the ceiling. */
const open = (i: number): number => {
  const hour = i % 24;
  if (hour < 6 || hour >= 18) return 0;
  return LIT_KWH * (dayOf(i) % 3 === 2 ? 0.5 : 1) * Math.sin((Math.PI * (hour - 5.5)) / 13);
};
const heldAt =
  (kwh: number, from = AT, to = DAYS) =>
  (i: number, owed: number): number =>
    Math.min(owed, dayOf(i) >= from && dayOf(i) < to ? kwh : CEILING);
const read = (metered: (i: number, owed: number) => number) => {
  const frame = handMadeFrame({ days: DAYS, open, metered });
  return { frame, moved: movedCeiling(frame, (i) => Math.min(CEILING, frame.openKwh[i]!), CEILING) };
};

describe("a ceiling that moved", () => {
  it("is told by its day and its power", () => {
    const { moved } = read(heldAt(3.2));
    expect(moved).toMatchObject({ from: 24 * AT, kwh: 3.2 });
    expect(moved!.days).toBeGreaterThan(60);
  });

  it.each([
    ["one that came back is a limit of a time", heldAt(3.2, 60, 120)],
    ["too few days after it tell nothing", heldAt(3.2, DAYS - 57)],
    [
      "a plant that weakens has no crowd at its top",
      (i: number, owed: number) => Math.min(owed, CEILING) * (dayOf(i) < AT ? 1 : 0.9 - 0.001 * (dayOf(i) - AT)),
    ],
    ["one that stands where it stood has not moved", heldAt(CEILING)],
  ])("%s", (_, metered) => {
    expect(read(metered).moved).toBeNull();
  });

  it("a season that owes less than the new one is none", () => {
    const frame = handMadeFrame({ days: DAYS, open: (i) => open(i) * (dayOf(i) < AT ? 1 : 0.6), metered: heldAt(CEILING) });
    expect(movedCeiling(frame, (i) => Math.min(CEILING, frame.openKwh[i]!), CEILING)).toBeNull();
  });

  it("holds all that it cuts, to the end, and tells the level from hours that neither ceiling touches", () => {
    const { frame } = read(heldAt(3.2));
    const seen = curtailment(frame, new Float64Array(DAYS).fill(1), new Uint8Array(frame.axis.count), CEILING);
    expect(seen.spells).toMatchObject([{ from: 24 * AT, to: frame.axis.count, powerKw: 3.2, isMoved: true }]);
    const noon = 24 * (AT + 2) + 12;
    expect(seen.lostFrac[noon]).toBeCloseTo(1 - 3.2 / CEILING, 9);
    expect(seen.lostFrac[24 * (AT - 1) + 12]).toBe(0);
    expect(tellingCeilingKwh(seen, frame, CEILING) * 0.95).toBeCloseTo(0.85 * 3.2, 9);
    expect(tellingCeilingKwh({ ...seen, spells: [] }, frame, CEILING)).toBe(CEILING);
  });
});
