import { handMadeFrame, LIT_KWH } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { isAtAllLoads } from "./at-all-loads";

const DAYS = 120;
const [FROM, TO] = [50, 80];
/** Days that rise to noon. */
const open = (i: number): number => {
  const hour = i % 24;
  return hour >= 6 && hour < 18 ? LIT_KWH * Math.sin((Math.PI * (hour - 5.5)) / 13) : 0;
};
const isInside = (i: number): boolean => i >= 24 * FROM && i < 24 * TO;
const at = (metered: (i: number, kwh: number) => number, parts = {}) =>
  isAtAllLoads(handMadeFrame({ days: DAYS, open, metered, ...parts }), FROM, TO, 0.1);

describe("a part that is out", () => {
  it("is missed in weak light as well", () => {
    expect(at((i, kwh) => (isInside(i) ? 0.9 : 1) * kwh)).toBe(true);
  });

  it("is not what holds noon alone: a limit, or heat", () => {
    expect(at((i, kwh) => (isInside(i) ? Math.min(kwh, 0.7 * LIT_KWH) : kwh))).toBe(false);
    expect(at((_, kwh) => kwh)).toBe(false);
  });

  it("is taken for one where no weak light tells", () => {
    expect(at((_, kwh) => kwh, { clearness: () => 0.3 })).toBe(true);
    expect(at((_, kwh) => kwh, { unread: (i: number) => i % 24 < 10 || i % 24 > 14 })).toBe(true);
  });

  it("is weighed half way: nearer to the part than to nothing", () => {
    const half = Math.sqrt(0.9);
    const share = (left: number) => at((i, kwh) => (isInside(i) ? left : 1) * kwh);
    expect([share(half - 0.004), share(half + 0.004)]).toEqual([true, false]);
  });
});
