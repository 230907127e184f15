import { describe, expect, it } from "vitest";
import { worstOf } from "./worst";

const cost = (couldKwh: number, isKwh: number) => ({ couldKwh, isKwh, mendedKwh: couldKwh });

describe("the mistake that takes most", () => {
  it("is none before anything was answered, also where all that is said can't be reckoned", () => {
    expect(worstOf({})).toBeNull();
    expect(worstOf({ tilt: null, dirt: cost(0, 0) })).toBeNull();
  });

  it("is the one that takes most energy, not the largest share of its own circuit", () => {
    expect(worstOf({ tilt: cost(5000, 4800), string: cost(400, 300) })).toMatchObject({ kind: "tilt", lostKwh: 200, lostFrac: 0.04 });
  });

  it("is nothing where all stands as well as it could or better", () => {
    expect(worstOf({ tilt: cost(5000, 5000), azimuth: cost(5000, 5100) })).toBe("nothing");
    expect(worstOf({ tilt: cost(5000, 4999.9), azimuth: cost(5000, 5100) })).toMatchObject({ kind: "tilt" });
  });
});
