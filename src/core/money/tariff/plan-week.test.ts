import { peakBands, plan } from "@test/tariff-builder";
import { describe, expect, it } from "vitest";
import { planWeeks } from "./plan-week";

describe("a week of a plan", () => {
  it("has each band's hours, on weekdays and at weekends", () => {
    const [week] = planWeeks(
      plan({
        seasons: peakBands("0.3", "0.1", [
          [6.5, 9],
          [17, 20.25],
        ] as [number, number][]),
      }),
    );
    expect(week!.weekdays.map(({ from, to, band }) => [from, to, band])).toEqual([
      [0, 6.5, 1],
      [6.5, 9, 0],
      [9, 17, 1],
      [17, 20.25, 0],
      [20.25, 24, 1],
    ]);
    expect(week!.weekends).toEqual([{ from: 0, to: 24, band: 1 }]);
  });

  it("leaves hours open that no band holds", () => {
    const seasons = [{ name: "year", months: [1], bands: [{ name: "day", days: "weekdays", hours: [[7, 20]], tiers: [{ perKwh: "1" }] }] }];
    const [week] = planWeeks(plan({ seasons }));
    expect(week!.weekdays.map(({ band }) => band)).toEqual([null, 0, null]);
    expect(week!.weekends).toEqual([{ from: 0, to: 24, band: null }]);
  });
});
