import { describe, expect, it } from "vitest";
import { type PairingWay, pairingAdvice } from ".";

const ways = (together: number, byString: number, byModule: number, costs = [0, 300, 900]): PairingWay[] => [
  { way: "together", kwhPerYear: together, cost: costs[0]! },
  { way: "by-string", kwhPerYear: byString, cost: costs[1]! },
  { way: "by-module", kwhPerYear: byModule, cost: costs[2]! },
];

describe("how to connect unlike modules", () => {
  it("the way whose extra energy is worth more than it costs", () => {
    const advice = pairingAdvice(ways(900, 1000, 1010), 0.2, 20, 0.9);
    expect(advice).toMatchObject({ best: "by-string", reason: "own-input", extraKwh: 100 });
    expect(advice.paybackYears).toBeCloseTo(300 / 20, 12);
    expect(advice.lossFrac).toBeCloseTo(1 - 900 / 1010, 12);
    expect(pairingAdvice(ways(900, 910, 1200), 0.2, 20, 0.9)).toMatchObject({ best: "by-module", reason: "module-electronics" });
  });

  it("extra energy that does not pay leaves them together, and a stranger among them is named", () => {
    expect(pairingAdvice(ways(900, 1000, 1010), 0.2, 14, 0.9)).toMatchObject({
      best: "together",
      reason: "small-loss",
      paybackYears: null,
    });
    expect(pairingAdvice(ways(900, 1000, 1010), 0.2, 14, 0.59).reason).toBe("stranger");
    expect(pairingAdvice(ways(900, 1000, 1010), 0.2, 14, 0.6).reason).toBe("small-loss");
  });

  it("what costs as much as it brings is left", () => {
    expect(pairingAdvice(ways(900, 1000, 1000), 0.2, 15, 0.9).best).toBe("together");
    expect(pairingAdvice(ways(900, 1000, 1000), 0.2, 15.01, 0.9).best).toBe("by-string");
  });

  it("counts cost over what connecting together costs", () => {
    expect(pairingAdvice(ways(900, 1000, 1000, [200, 500, 900]), 0.2, 15.01, 0.9)).toMatchObject({ best: "by-string" });
  });

  it("under a hundredth no way is worth the work", () => {
    expect(pairingAdvice(ways(991, 1000, 1000, [0, 0, 0]), 1, 20, 0.5)).toMatchObject({ best: "together", reason: "small-loss" });
    expect(pairingAdvice(ways(989, 1000, 1000, [0, 0, 0]), 1, 20, 0.9).best).toBe("by-string");
  });

  it("of nothing nothing is lost", () => {
    expect(pairingAdvice(ways(0, 0, 0), 0.2, 20, 0.9)).toMatchObject({ best: "together", lossFrac: 0, paybackYears: null });
  });
});
