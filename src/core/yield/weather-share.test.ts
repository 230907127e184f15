import { describe, expect, it } from "vitest";
import { MODEL_ACCOUNTS } from "../accounts";
import { weatherShare } from ".";

const accounts = (temperature: number) => ({
  ...(Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, 0])) as Record<(typeof MODEL_ACCOUNTS)[number], number>),
  temperature,
});
const year = (name: number, sun: number, heat = 0.05, months = 12) =>
  Array.from({ length: months }, (_, k) => ({
    key: `${name}-${String(k + 1).padStart(2, "0")}`,
    planeKwhM2: sun * (k + 1),
    referenceKwh: 10 * sun * (k + 1),
    accountsKwh: accounts(heat * 10 * sun * (k + 1)),
  }));

describe("the weather's share of a span", () => {
  const months = [...year(2021, 10), ...year(2022, 12, 0.07), ...year(2023, 14, 0.06), ...year(2024, 40, 0.5, 7)];
  const of = (name: string) => months.filter(({ key }) => key.startsWith(name));

  it("stands against the mean of whole years, month by month", () => {
    const share = weatherShare(of("2023"), months)!;
    expect(share.planeKwhM2).toBe(14 * 78);
    expect(share.usualKwhM2).toBeCloseTo(12 * 78, 9);
    expect(share.years).toBe(3);
    // Of a part of a year only its own months count.
    const july = weatherShare(of("2024-07"), months)!;
    expect(july.usualKwhM2).toBeCloseTo(12 * 7, 9);
  });

  it("says how much of it heat took, weighed by energy", () => {
    const share = weatherShare(of("2022"), months)!;
    expect(share.heatFrac).toBeCloseTo(0.07, 12);
    expect(share.usualHeatFrac).toBeCloseTo((0.05 * 10 + 0.07 * 12 + 0.06 * 14) / 36, 12);
  });

  it("is not told by one year, nor of no months", () => {
    expect(weatherShare(of("2021"), [...of("2021"), ...of("2024")])).toBeNull();
    expect(weatherShare([], months)).toBeNull();
  });
});
