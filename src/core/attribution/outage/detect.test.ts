import { handMadeFrame, LIT_KWH, nowhere, usualOf } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { outageEvidence } from "./detect";

type Parts = Parameters<typeof handMadeFrame>[0];
const read = (parts: Partial<Parts>, { covered, usual = 1 }: { covered?: (i: number) => boolean; usual?: number } = {}) => {
  const frame = handMadeFrame({ days: 10, ...parts });
  const white = nowhere(frame).map((_, i) => (covered?.(i) ? 1 : 0));
  return outageEvidence(frame, usualOf(frame, usual), white);
};
const hour = (day: number, h: number): number => 24 * day + h;
const within = (i: number, from: number, to: number): boolean => i >= from && i < to;
/** Nothing in steps [from, to), the rest as owed. */
const still =
  (from: number, to: number, edge: Readonly<Record<number, number>> = {}): Parts["metered"] =>
  (i, kwh) =>
    within(i, from, to) ? 0 : (edge[i] ?? kwh);

describe("a calendar day of nothing", () => {
  const lone = (days: number) => {
    const frame = handMadeFrame({ days: 12, metered: still(hour(5, 0), hour(5 + days, 0)) });
    return outageEvidence({ ...frame, resolution: "days" }, usualOf(frame, 1), nowhere(frame)).outages.length;
  };

  it("between usual days is a doubtful reading where only days were read, and two of them an outage", () => {
    expect([lone(1), lone(2)]).toEqual([0, 1]);
  });

  it("is an outage where hours were read", () => {
    expect(read({ metered: still(hour(5, 0), hour(6, 0)) }).outages).toHaveLength(1);
  });
});

describe("an hour of nothing in cold air that comes back bit by bit", () => {
  const slow = still(hour(3, 6), hour(3, 7), { [hour(3, 7)]: 1, [hour(3, 8)]: 2 });
  const found = (airC: number, parts: Partial<Parts> = {}) => read({ metered: slow, airTempC: () => airC, ...parts }).outages.length;

  it("may be snow where neither snow nor rain was read", () => {
    expect([found(1.2), found(1.3)]).toEqual([0, 1]);
  });

  it("is none where a gauge would have told", () => {
    expect([found(-3, { snowDepthCm: () => 0 }), found(-3, { rainMm: () => 0 })]).toEqual([1, 1]);
  });
});

describe("a plant that stands still under light", () => {
  it("is one outage from its first to its last still step, nights between included", () => {
    const { outages, downFrac } = read({ metered: still(hour(2, 10), hour(4, 12)) });
    expect(outages).toEqual([{ from: hour(2, 10), to: hour(4, 12) }]);
    expect([downFrac[hour(2, 9)], downFrac[hour(2, 10)], downFrac[hour(3, 2)], downFrac[hour(4, 11)], downFrac[hour(4, 12)]]).toEqual([
      0, 1, 0, 1, 0,
    ]);
  });

  it("gives no more than 15 thousandths of what it owes", () => {
    const leak = (share: number) => read({ metered: (i, kwh) => (within(i, hour(2, 10), hour(2, 16)) ? share * kwh : kwh) }).outages.length;
    expect([leak(0.0149), leak(0.0151)]).toEqual([1, 0]);
  });

  it("costs a quarter of an hour at rated output at least", () => {
    const dim = (share: number) =>
      read({ open: (i) => (i % 24 >= 6 && i % 24 < 18 ? share * LIT_KWH : 0), metered: still(hour(2, 10), hour(2, 11)) }).outages.length;
    expect([dim(0.26), dim(0.24)]).toEqual([1, 0]);
    const quarters = (steps: number) =>
      read({
        stepMinutes: 15,
        ratedKwh: 1,
        open: (i) => (i % 96 >= 24 && i % 96 < 72 ? 1 : 0),
        metered: (i, kwh) => (within(i, 130, 130 + steps) ? 0 : kwh),
      }).outages.length;
    expect([quarters(1), quarters(0)]).toEqual([1, 0]);
  });

  it("is not asked of steps that owe less than a twenty-fifth of rated output", () => {
    const dusk = (share: number) =>
      read({
        open: (i) => (i % 24 >= 6 && i % 24 < 18 ? share * LIT_KWH : 0),
        metered: (i, kwh) => (within(i, hour(1, 0), hour(9, 0)) ? 0 : kwh),
      }).outages.length;
    expect([dusk(0.041), dusk(0.039)]).toEqual([1, 0]);
  });

  it("a first and a last step that gave a part of the usual were partly down", () => {
    const edges = (before: number, after: number) =>
      read({ metered: still(hour(2, 10), hour(2, 14), { [hour(2, 9)]: before * LIT_KWH, [hour(2, 14)]: after * LIT_KWH }) });
    const partly = edges(0.4, 0.79);
    expect(partly.outages).toEqual([{ from: hour(2, 9), to: hour(2, 15) }]);
    expect(partly.downFrac[hour(2, 9)]).toBeCloseTo(0.6, 9);
    expect(partly.downFrac[hour(2, 14)]).toBeCloseTo(0.21, 9);
    expect(edges(0.81, 0.81).outages).toEqual([{ from: hour(2, 10), to: hour(2, 14) }]);
  });

  it("what is usual is the plant's own ratio, not the model's", () => {
    const { outages } = read({ metered: (i, kwh) => (within(i, hour(2, 10), hour(2, 14)) ? 0 : 0.75 * kwh) }, { usual: 0.75 });
    expect(outages).toEqual([{ from: hour(2, 10), to: hour(2, 14) }]);
    expect(read({ metered: (i, kwh) => (within(i, hour(2, 10), hour(2, 14)) ? 0 : 0.75 * kwh) }).outages).toEqual([
      { from: hour(2, 9), to: hour(2, 15) },
    ]);
  });

  it("steps that were not read, or whose light was not, tell nothing", () => {
    expect(read({ metered: still(hour(2, 6), hour(2, 18)), unread: (i) => within(i, hour(2, 0), hour(3, 0)) }).outages).toEqual([]);
    expect(read({ metered: still(hour(2, 6), hour(2, 18)), unlit: (i) => within(i, hour(2, 0), hour(3, 0)) }).outages).toEqual([]);
    const across = read({ metered: still(hour(2, 6), hour(5, 18)), unread: (i) => within(i, hour(3, 0), hour(4, 0)) });
    expect(across.outages).toEqual([{ from: hour(2, 6), to: hour(5, 18) }]);
    expect(across.downFrac[hour(3, 12)]).toBe(1);
  });

  it("two of them are two", () => {
    const metered: Parts["metered"] = (i, kwh) => (within(i, hour(2, 10), hour(2, 14)) || within(i, hour(2, 15), hour(2, 17)) ? 0 : kwh);
    expect(read({ metered }).outages).toHaveLength(2);
  });
});

describe("still with snow about", () => {
  /** White from day 2 on. */
  const white = { covered: (i: number) => i >= hour(2, 0) };
  const cold: Partial<Parts> = { airTempC: () => -5, rainMm: () => 0 };

  it("is snow where nobody read whether any fell, unless the plant is back at once out of mild hours", () => {
    const metered = still(hour(2, 10), hour(2, 14));
    expect(read({ ...cold, metered }).outages).toHaveLength(1);
    expect(read({ airTempC: () => -5, metered }).outages).toEqual([]);
    expect(read({ airTempC: (i) => (within(i, hour(2, 8), hour(2, 14)) ? 1.3 : -5), metered }).outages).toHaveLength(1);
    expect(read({ airTempC: () => 1.3, metered }).outages).toHaveLength(1);
  });

  it("is snow where it begins and ends by dim days", () => {
    const metered: Parts["metered"] = (i, kwh) => (within(i, hour(2, 6), hour(5, 18)) ? 0 : 0.5 * kwh);
    expect(read({ ...cold, metered }, white).outages).toEqual([]);
  });

  it("is downtime where it begins within an hour from six tenths of the usual", () => {
    const from = (share: number) =>
      read({ ...cold, metered: still(hour(2, 10), hour(2, 14), { [hour(2, 9)]: share * LIT_KWH, [hour(2, 8)]: 0.5 * LIT_KWH }) }, white)
        .outages.length;
    expect([from(0.61), from(0.59)]).toEqual([1, 0]);
  });

  it("and no snow fell about that hour", () => {
    const fell = (at: number) =>
      read({ ...cold, metered: still(hour(2, 10), hour(2, 14)), rainMm: (i) => (i === at ? 2 : 0) }, white).outages.length;
    expect([fell(hour(2, 7)), fell(hour(2, 8)), fell(hour(2, 10)), fell(hour(2, 12)), fell(hour(2, 13))]).toEqual([1, 0, 0, 0, 1]);
  });

  it("snow of a day and a half before counts as about", () => {
    // The day before ended at half the usual: not abrupt. Only whether snow fell decides.
    const fell = (hours: number) =>
      read({
        ...cold,
        metered: (i, kwh) => (i >= hour(4, 6) && i < hour(6, 0) ? 0 : within(i, hour(3, 6), hour(4, 0)) ? 0.5 * kwh : kwh),
        rainMm: (i) => (i === hour(4, 6) - hours ? 2 : 0),
      }).outages.length;
    expect([fell(36), fell(37)]).toEqual([0, 1]);
  });

  it("is downtime where it goes from whole to nothing and back overnight", () => {
    const metered: Parts["metered"] = (i, kwh) => (within(i, hour(3, 0), hour(4, 0)) ? 0 : kwh);
    expect(read({ ...cold, metered }, white).outages).toEqual([{ from: hour(3, 6), to: hour(3, 18) }]);
    const dimmer: Parts["metered"] = (i, kwh) => (within(i, hour(3, 0), hour(4, 0)) ? 0 : 0.74 * kwh);
    expect(read({ ...cold, metered: dimmer }, white).outages).toEqual([]);
  });

  it("is downtime where it comes back at once out of mild bright hours, which slide snow", () => {
    const of = (mildHours: number, degrees = 1.1, light = 0.31) =>
      read(
        {
          open: (i) => (i % 24 >= 6 && i % 24 < 18 ? (within(i, hour(3, 18 - mildHours), hour(3, 18)) ? light : 0.29) * LIT_KWH : 0),
          airTempC: (i) => (within(i, hour(3, 18 - mildHours), hour(3, 18)) ? degrees : -5),
          metered: (i, kwh) => (within(i, hour(2, 6), hour(4, 0)) ? 0 : i < hour(2, 6) ? 0.3 * kwh : kwh),
        },
        white,
      ).outages.length;
    expect([of(4), of(3)]).toEqual([1, 0]);
    expect([of(4, 0.9), of(4, 1.1, 0.29)]).toEqual([0, 0]);
  });
});
