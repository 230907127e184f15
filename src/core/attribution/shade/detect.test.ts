import { handMadeFrame, LIT_KWH, nowhere } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { shadeEvidence, shadeOf, touchedByShade } from "./detect";
import { skyTakenFrac } from "./sky-taken";

type Parts = Parameters<typeof handMadeFrame>[0];

/** The sun goes from field to field, an hour in each: azimuths 105 to 215 at twelve elevations that change by the day. */
const HOURS = 12;
const sun = (i: number) => {
  const h = i % 24;
  const isUp = h >= 6 && h < 6 + HOURS;
  return { azimuthDeg: 105 + 10 * (h - 6), elevationDeg: isUp ? 22.5 + 5 * (Math.floor(i / 24) % 4) : -20 };
};
/** Every third of four days is overcast, in turn over all elevations. */
const overcast = (i: number): boolean => Math.floor(i / 96) % 3 === 2;
const clearness = (i: number): number => (overcast(i) ? 0.3 : 1);
const hourOf = (i: number): number => i % 24;
/** Three hours of the morning. */
const morning = (i: number): boolean => hourOf(i) >= 8 && hourOf(i) < 11;
const DAYS = 240;

const read = (parts: Partial<Parts>, spoilt = (_: number) => false) => {
  const frame = handMadeFrame({ days: DAYS, sun, clearness, ...parts });
  return {
    frame,
    ...shadeEvidence(
      frame,
      frame.openKwh,
      nowhere(frame).map((_, i) => (spoilt(i) ? 1 : 0)),
    ),
  };
};
/** What the beam leaves on clear hours of the morning. */
const shaded =
  (left: number, under = 1): Parts["metered"] =>
  (i, kwh) =>
    morning(i) ? (overcast(i) ? under : left) * kwh : kwh;

describe("an obstacle in the sky", () => {
  it("comes back at the same fields, by how much the plant gives there", () => {
    const { fields, isSeen, lostFrac } = read({ metered: shaded(0.5) });
    expect(isSeen).toBe(true);
    const dark = fields.filter((field) => field.isShaded);
    expect(dark).toHaveLength(3 * 4);
    expect(new Set(dark.map(({ azimuthDeg }) => azimuthDeg))).toEqual(new Set([125, 135, 145]));
    expect(new Set(dark.map(({ elevationDeg }) => elevationDeg))).toEqual(new Set([22.5, 27.5, 32.5, 37.5]));
    expect(dark.every(({ ratio }) => Math.abs(ratio - 0.5) < 1e-9)).toBe(true);
    const open = fields.find((field) => !field.isShaded)!;
    expect(open.ratio).toBeCloseTo(1, 12);
    expect(open.hours).toBe(DAYS / 4 - DAYS / 12);
    expect([lostFrac[8], lostFrac[12], lostFrac[2]]).toEqual([0.5, 0, 0]);
  });

  it("takes the beam by how much of it there is, and of the sky's light what stands before it", () => {
    const { frame, fields } = read({ metered: shaded(0.5) });
    const dark = fields.filter((field) => field.isShaded);
    const at = (value: number) => shadeOf({ ...frame, clearness: frame.clearness.map(() => value) }, frame.openKwh, dark)[8]!;
    const sky = skyTakenFrac(frame.site, dark);
    expect(sky).toBeGreaterThan(0.01);
    for (const [clear, beam] of [
      [0.2, 0],
      [0.3, 0],
      [0.55, 0.5],
      [0.8, 1],
      [1, 1],
    ] as const)
      expect(at(clear)).toBeCloseTo(0.5 * beam + sky * (1 - beam), 9);
    expect(shadeOf(frame, frame.openKwh, []).every((lost) => lost === 0)).toBe(true);
    expect([...shadeOf(frame, frame.openKwh, dark)]).toEqual([...read({ metered: shaded(0.5) }).lostFrac]);
  });

  it("leaves less than 85 hundredths on clear hours, and a tenth more on overcast ones", () => {
    // In its midst it must be darker than 72 hundredths: one hour is.
    const metered =
      (left: number, under: number): Parts["metered"] =>
      (i, kwh) =>
        hourOf(i) === 9 ? (overcast(i) ? 1 : 0.5) * kwh : morning(i) ? (overcast(i) ? under : left) * kwh : kwh;
    const dark = (left: number, under = 1) => read({ metered: metered(left, under) }).fields.filter((field) => field.isShaded).length;
    expect(dark(0.849)).toBe(12);
    expect(dark(0.8, 0.901)).toBe(12);
    // With less on overcast hours the field is an edge of the dark one.
    expect(dark(0.92)).toBe(12);
    expect(dark(0.931)).toBe(4);
    expect(dark(0.92, 0.91)).toBe(4);
  });

  it("leaves less than 72 hundredths in its midst: a sky model that is off does not", () => {
    expect([read({ metered: shaded(0.719) }).isSeen, read({ metered: shaded(0.721) }).isSeen]).toEqual([true, false]);
  });

  it("is three fields at least", () => {
    const cells =
      (count: number): Parts["metered"] =>
      (i, kwh) => {
        const { elevationDeg } = sun(i);
        return hourOf(i) === 9 && elevationDeg < 20 + 5 * count && !overcast(i) ? 0.4 * kwh : kwh;
      };
    expect([read({ metered: cells(3) }).isSeen, read({ metered: cells(2) }).isSeen]).toEqual([true, false]);
  });

  it("is told by eight clear hours of a field, its edge by four", () => {
    const clearDays = (rounds: number) =>
      read({
        days: 4 * 40,
        clearness: (i) => (Math.floor(i / 96) < rounds ? 1 : 0.3),
        metered: (i, kwh) => (morning(i) && Math.floor(i / 96) < rounds ? 0.5 * kwh : kwh),
      }).isSeen;
    expect([clearDays(8), clearDays(7)]).toEqual([true, false]);
  });

  it("takes two thousandths of all at least", () => {
    // The rest of the year is bright: the obstacle's share falls with the days that have no shade.
    const share = (more: number) => {
      const open = (i: number): number => (hourOf(i) >= 6 && hourOf(i) < 18 ? (morning(i) ? LIT_KWH : more) : 0);
      // Under a sky that is always clear there is no even light for it to take.
      return read({ open, ratedKwh: LIT_KWH, clearness: () => 1, metered: shaded(0.5, 0.5) }).isSeen;
    };
    const lost = (3 * LIT_KWH * 0.5) / 0.002;
    const rest = (lost - 3 * LIT_KWH) / 9;
    expect([share(rest * 0.99), share(rest * 1.01)]).toEqual([true, false]);
  });

  it("is none where overcast hours lack as much: that is no shade", () => {
    expect(read({ metered: shaded(0.5, 0.55) }).isSeen).toBe(false);
  });

  it("reads clear hours above 72 hundredths, overcast ones under 40", () => {
    const clear = (value: number) => read({ clearness: (i) => (overcast(i) ? 0.3 : value), metered: shaded(0.5) }).fields.length;
    expect([clear(0.721) > 0, clear(0.719) > 0]).toEqual([true, false]);
    const dull = (value: number) => read({ clearness: (i) => (overcast(i) ? value : 1), metered: shaded(0.5, 0.5) }).isSeen;
    // Without overcast hours that tell against it, it stands.
    expect([dull(0.399), dull(0.401)]).toEqual([false, true]);
  });

  it("hours that were not read, not lit or hold another cause tell nothing", () => {
    expect(read({ metered: shaded(0.5), unread: morning }).isSeen).toBe(false);
    expect(read({ metered: shaded(0.5), unlit: morning }).isSeen).toBe(false);
    expect(read({ metered: shaded(0.5) }, morning).isSeen).toBe(false);
  });

  it("a low sun and dim hours are left out", () => {
    const low = (up: number) =>
      read({
        sun: (i) => ({ ...sun(i), elevationDeg: sun(i).elevationDeg > 0 ? (Math.asin(up) * 180) / Math.PI : -20 }),
        metered: shaded(0.5),
      }).isSeen;
    expect([low(0.031), low(0.029)]).toEqual([true, false]);
    const dim = (share: number) => read({ ratedKwh: LIT_KWH / share, metered: shaded(0.5) }).isSeen;
    expect([dim(0.061), dim(0.059)]).toEqual([true, false]);
  });
});

describe("hours that shade may have touched", () => {
  it("are those with the sun in a shaded field, or beside it in one that lacks a twentieth", () => {
    const { frame } = read({});
    const field = (azimuthDeg: number, ratio: number, isShaded: boolean) => ({ azimuthDeg, elevationDeg: 22.5, ratio, isShaded });
    const touched = touchedByShade(frame, [
      field(135, 0.5, true),
      field(145, 0.949, false),
      field(125, 0.951, false),
      field(175, 0.8, false),
    ]);
    // Day 0 stands at 22.5 degrees: hour 9 is azimuth 135, 10 is 145, 8 is 125, 13 is 175.
    expect([8, 9, 10, 13].map((i) => touched[i])).toEqual([0, 1, 1, 0]);
    expect(touched[24 + 9]).toBe(0);
    expect(touchedByShade(frame, [field(145, 0.5, false)]).every((flag) => flag === 0)).toBe(true);
  });
});
