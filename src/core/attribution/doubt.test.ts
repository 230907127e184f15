import { at, evidence, expectedKwh, zeros } from "@test/evidence-builder";
import { describe, expect, it } from "vitest";
import { doubtOf } from "./doubt";

const { frame } = evidence();
/** Evidence whose meter reads so many times what is expected, by day. */
const metered = (times: (day: number) => number, parts = {}) =>
  evidence({
    frame: { ...frame, read: frame.read.map(() => 1), meteredKwh: expectedKwh.map((kwh, i) => kwh * times(frame.days.binOf[i]!)) },
    ...parts,
  });
const scattered = (day: number): number => 1 + 0.06 * Math.sin(day * day);

describe("how far what was expected may be off", () => {
  it("is what meter and light may part by, where the days about agree with the account", () => {
    expect(doubtOf(metered(() => 1))(at(100), at(110))).toBeCloseTo(1.96 * 0.02, 4);
  });

  it("holds what the account is off by at that time of the year, and not what it is at another", () => {
    const winter = (day: number): number => (day % 365 < 60 ? 1.1 : 1);
    const doubt = doubtOf(metered(winter));
    expect(doubt(at(25), at(35))).toBeGreaterThan(1.96 * 0.09);
    expect(doubt(at(180), at(190))).toBeLessThan(1.96 * 0.025);
  });

  it("grows less over more days", () => {
    const doubt = doubtOf(metered(scattered));
    const [one, ten] = [doubt(at(200), at(200, 23)), doubt(at(200), at(210))];
    expect(one).toBeGreaterThan(1.8 * ten);
    expect(ten).toBeGreaterThan(1.96 * 0.02);
  });

  it("asks no day that something held", () => {
    const [from, to] = [at(190), at(200)];
    const low = (day: number): number => (day >= 190 && day < 200 ? 0.5 : 1);
    const sound = doubtOf(metered(low, { outages: { downFrac: zeros().fill(0.5, from, to), outages: [] } }));
    expect(sound(at(180), at(190))).toBeCloseTo(1.96 * 0.02, 3);
    expect(doubtOf(metered(low))(at(180), at(190))).toBeGreaterThan(0.1);
  });
});
