import { describe, expect, it } from "vitest";
import type { AttributionView } from "@/contracts/attribution";
import { dirtOfSpan } from "./of-span";

const days = ["2023-12-30", "2023-12-31", "2024-01-01", "2024-01-02"];
const winter = (key: string) => ({ key, days: 1, lostKwh: 1, spells: 1, clearingKwh: 1 });
const report = {
  days,
  soiling: {
    lostFracByDay: [0.08, 0.1, 0.02, 0.03],
    meanLostFrac: 0.0575,
    nowFrac: 0.03,
    resets: [{ date: "2023-12-31", cause: "rain", beforeFrac: 0.1, effectFrac: 0.08 }],
    cleanings: [{ date: "2024-01-02", cause: "cleaning", gainKwh: 5 }],
  },
  snow: { winters: ["2022/23", "2023/24", "2024/25"].map(winter), spells: [], lostFracByDay: [0, 0, 0.5, 0] },
} as unknown as AttributionView;

describe("dirt of a chosen year", () => {
  it("has that year's days, mean, resets and cleanings, and today's dirt as it is", () => {
    const { days: kept, soiling, snow } = dirtOfSpan(report, { from: "2024-01", to: "2024-12" });
    expect(kept).toEqual(["2024-01-01", "2024-01-02"]);
    expect(soiling.lostFracByDay).toEqual([0.02, 0.03]);
    expect(soiling.meanLostFrac).toBeCloseTo(0.025, 12);
    expect(soiling.nowFrac).toBe(0.03);
    expect([soiling.resets, soiling.cleanings.map(({ gainKwh }) => gainKwh)]).toEqual([[], [5]]);
    expect(snow.lostFracByDay).toEqual([0.5, 0]);
  });

  it("shows the winters that touch it, of either half of the world", () => {
    const keys = (from: string, to: string, of = report) => dirtOfSpan(of, { from, to }).snow.winters.map(({ key }) => key);
    expect(keys("2023-01", "2023-12")).toEqual(["2022/23", "2023/24"]);
    expect(keys("2023-07", "2024-06")).toEqual(["2023/24"]);
    const south = { ...report, snow: { ...report.snow, winters: [winter("2023"), winter("2024")] } };
    expect(keys("2024-01", "2024-12", south)).toEqual(["2024"]);
  });

  it("of nothing that was read has no mean of its own", () => {
    expect(dirtOfSpan(report, { from: "2030-01", to: "2030-12" }).soiling).toMatchObject({ meanLostFrac: 0, lostFracByDay: [] });
  });
});
