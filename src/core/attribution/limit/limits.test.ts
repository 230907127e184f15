import { handMadeFrame, LIT_KWH, nowhere, usualOf } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { curtailment } from "./detect";

type Parts = Parameters<typeof handMadeFrame>[0];
const hour = (day: number, h: number): number => 24 * day + h;
const day = (i: number): number => Math.floor(i / 24);
/** A day of twelve hours whose noon owes this share of rated output and whose edges a part of it. */
const arch =
  (most = 1) =>
  (i: number): number => {
    const h = i % 24;
    return h >= 6 && h < 18 ? LIT_KWH * most * Math.sin(((h - 5.5) * Math.PI) / 12) : 0;
  };
const read = (parts: Partial<Parts>, { ceilingKwh = 1e6, usual = 1, spoilt = (_: number): boolean => false } = {}) => {
  const frame = handMadeFrame({ days: 40, open: arch(), ...parts });
  return curtailment(
    frame,
    usualOf(frame, usual),
    nowhere(frame).map((_, i) => (spoilt(i) ? 1 : 0)),
    ceilingKwh,
  );
};
/** Cut at this power on some days. */
const cutOn =
  (days: (d: number) => boolean, kwh: number): Parts["metered"] =>
  (i, open) =>
    days(day(i)) ? Math.min(kwh, open) : open;
const between = (from: number, to: number) => (d: number) => d >= from && d < to;

describe("a power that holds a plant", () => {
  it("shows on three days, from the first flat hour to the last", () => {
    const { spells } = read({ metered: cutOn(between(10, 13), 2) });
    expect(spells).toEqual([{ from: hour(10, 8), to: hour(12, 16), powerKw: 2, days: 3 }]);
    expect(read({ metered: cutOn(between(10, 12), 2) }).spells).toEqual([]);
  });

  it("its power is by the hour whatever the step", () => {
    const open = (i: number): number => arch()(Math.floor(i / 4)) / 4;
    const { spells } = read({
      stepMinutes: 15,
      ratedKwh: 1,
      open,
      metered: (i, kwh) => (i >= 96 * 10 && i < 96 * 14 ? Math.min(0.5, kwh) : kwh),
    });
    expect(spells[0]!.powerKw).toBeCloseTo(2, 12);
  });

  it("takes what was owed above it, and touches what it may have cut in part", () => {
    const { lostFrac, touched } = read({ metered: cutOn(between(10, 13), 2) });
    const noon = arch()(12);
    expect(lostFrac[hour(11, 12)]).toBeCloseTo(1 - 2 / noon, 12);
    expect([lostFrac[hour(9, 12)], touched[hour(9, 12)]]).toEqual([0, 0]);
    // Seven o'clock owes 1.5, under 85 hundredths of 2; eight owes 2.4.
    expect([touched[hour(11, 7)], touched[hour(11, 8)], touched[hour(11, 12)]]).toEqual([0, 1, 1]);
    expect(lostFrac[hour(11, 7)]).toBe(0);
  });

  it("four hours or more lie on the top, within 12 thousandths", () => {
    const top = (...hours: number[]) =>
      read({ metered: (i, open) => (between(10, 13)(day(i)) ? (hours.includes(i % 24) ? 2 : 0.4 * open) : open) });
    expect([top(8, 10, 12, 13).spells.length, top(8, 10, 12).spells.length]).toEqual([1, 0]);
    const uneven = (frac: number) => (i: number, open: number) =>
      between(10, 13)(day(i)) ? Math.min(open, i % 2 === 0 ? 2 : 2 * (1 - frac)) : open;
    expect([read({ metered: uneven(0.011) }).spells.length, read({ metered: uneven(0.013) }).spells.length]).toEqual([1, 1]);
    const slope = (step: number) => (i: number, open: number) =>
      between(10, 13)(day(i)) ? Math.min(open, 2 - step * Math.abs((i % 24) - 12)) : open;
    expect([read({ metered: slope(0.011) }).spells.length, read({ metered: slope(0.013) }).spells.length]).toEqual([1, 0]);
  });

  it("owes eight hundredths more at its top, and differs by as much in what it owes", () => {
    const flat = (owed: number, ripple: number): Partial<Parts> => ({
      open: (i) => (i % 24 >= 6 && i % 24 < 18 ? 2 * owed * (1 + (i % 2 === 0 ? ripple / 2 : -ripple / 2)) : 0),
      metered: (i, open) => (between(10, 13)(day(i)) ? Math.min(2, open) : open),
    });
    expect(read(flat(1.2, 0.081)).spells).toHaveLength(1);
    expect(read(flat(1.2, 0.079)).spells).toEqual([]);
    expect(read(flat(1.127, 0.081)).spells).toHaveLength(1);
    expect(read(flat(1.123, 0.081)).spells).toEqual([]);
  });

  it("lies below its ceiling: what is nearer than a twentieth is the ceiling", () => {
    const at = (ceilingKwh: number) => read({ metered: cutOn(between(10, 13), 2) }, { ceilingKwh }).spells.length;
    expect([at(2 / 0.949), at(2 / 0.951)]).toEqual([1, 0]);
  });

  it("is told on bright days alone, of eight hundredths of rated output", () => {
    const rated = (share: number) => read({ ratedKwh: 2 / share, metered: cutOn(between(10, 13), 2) }).spells.length;
    expect([rated(0.081), rated(0.079)]).toEqual([1, 0]);
  });

  it("tops of its days agree within two hundredths; another power is another limit", () => {
    const second = (share: number) =>
      read({
        metered: (i, open) => (between(10, 13)(day(i)) ? Math.min(2, open) : between(13, 16)(day(i)) ? Math.min(2 * share, open) : open),
      }).spells.length;
    expect([second(1.019), second(0.981), second(1.021), second(0.979)]).toEqual([1, 1, 2, 2]);
  });

  it("a freer day ends it, and so do twelve days that show nothing of it", () => {
    const free = (i: number, open: number) => (between(10, 13)(day(i)) || between(14, 17)(day(i)) ? Math.min(2, open) : open);
    expect(read({ metered: free }).spells).toHaveLength(2);
    const dull = (gap: number): Partial<Parts> => ({
      open: (i) => arch(between(13, 13 + gap)(day(i)) ? 0.4 : 1)(i),
      metered: (i, open) => (between(10, 16 + gap)(day(i)) ? Math.min(2, open) : open),
    });
    expect([read(dull(11)).spells.length, read(dull(12)).spells.length]).toEqual([1, 2]);
  });

  it("hours that another cause holds, or that were not read, are no part of it", () => {
    const metered = cutOn(between(10, 13), 2);
    const noon = (i: number): boolean => i === hour(11, 12);
    const spoilt = read({ metered }, { spoilt: noon });
    expect([spoilt.touched[hour(11, 12)], spoilt.touched[hour(11, 13)]]).toEqual([0, 1]);
    expect(read({ metered, unread: noon }).touched[hour(11, 12)]).toBe(0);
    expect(read({ metered, unread: (i) => between(10, 11)(day(i)) }).spells).toEqual([]);
    expect(read({ metered, unlit: (i) => between(10, 11)(day(i)) }).spells).toEqual([]);
  });

  it("what is owed is what is usual for the plant", () => {
    const { lostFrac } = read({ metered: (i, open) => (between(10, 13)(day(i)) ? Math.min(2, 0.8 * open) : 0.8 * open) }, { usual: 0.8 });
    expect(lostFrac[hour(11, 12)]).toBeCloseTo(1 - 2 / (0.8 * arch()(12)), 12);
  });
});
