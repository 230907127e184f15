import { describe, expect, it } from "vitest";
import { planSchema } from "@/contracts/tariff";
import { holidayCountries, holidaysOf } from "./holiday-calendar";

describe("public holidays", () => {
  it("of every year stand once, movable ones with their year", async () => {
    const { days } = await holidaysOf({ country: "DE", from: 2024, to: 2026 });
    expect(days).toContain("12-25");
    // Easter Mondays, by Gauss's rule.
    expect(days.filter((day) => ["2024-04-01", "2025-04-21", "2026-04-06"].includes(day))).toHaveLength(3);
    expect(days.some((day) => day.endsWith("12-25") && day.length > 5)).toBe(false);
  });

  it("are days that a plan takes", async () => {
    const { days } = await holidaysOf({ country: "AU", from: 2020, to: 2030 });
    expect(days.length).toBeGreaterThan(20);
    expect(planSchema.shape.holidays.safeParse(days).success).toBe(true);
  });

  it("are none for a country that nobody knows", async () => {
    expect((await holidaysOf({ country: "ZZ", from: 2024, to: 2024 })).days).toEqual([]);
    expect(await holidayCountries()).toEqual(expect.arrayContaining(["AU", "DE", "US"]));
  });
});
