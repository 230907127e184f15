import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform } from "../statistics";
import { expectedUncertainty } from "../yield";
import { ageAtMiddleOf, toleranceFrac, weatherTerms } from "./tolerance";

const plant = site({ commissioned: "2020-07-01" });
const columns = { weatherColumns: ["ghi_w_m2", "air_temperature_c"], assumedColumns: ["wind_speed_m_s"] };
const span = { year: 2024, months: 12, isLevelRead: false };

describe("the tolerance of a line", () => {
  it("is the budget's own interval, so that no screen settles what another leaves open", () => {
    const terms = { ...weatherTerms(columns), ageYears: 4, months: 12 };
    expect(toleranceFrac(plant, columns, span)).toBeCloseTo(expectedUncertainty(plant, terms).halfWidth90Frac, 4);
  });

  it("is wider for a month than for a year, and for air and wind that nobody measured", () => {
    expect(toleranceFrac(plant, columns, { ...span, months: 1 })).toBeGreaterThan(1.05 * toleranceFrac(plant, columns, span));
    const measured = { weatherColumns: columns.weatherColumns, assumedColumns: [] };
    expect(toleranceFrac(plant, columns, span)).toBeGreaterThan(toleranceFrac(plant, measured, span));
  });

  it("of a month is such that nine of ten sound years have none of their twelve months outside", () => {
    const terms = { ...weatherTerms(columns), ageYears: 4, months: 1 };
    const deviations = toleranceFrac(plant, columns, { ...span, months: 1 }) / expectedUncertainty(plant, terms).standardFrac;
    const normal = normalFrom.bind(null, seededUniform(4));
    let outside = 0;
    for (let year = 0; year < 4000; year++) if (Array.from({ length: 12 }, normal).some((z) => Math.abs(z) > deviations)) outside++;
    expect(outside / 4000).toBeGreaterThan(0.08);
    expect(outside / 4000).toBeLessThan(0.11);
  });

  it("is narrow where the level was read from the record: what all months share is out of it", () => {
    const read = toleranceFrac(plant, columns, { ...span, isLevelRead: true });
    expect(read).toBeLessThan(0.5 * toleranceFrac(plant, columns, span));
    expect(read).toBeGreaterThan(0.01);
  });

  it("knows a sensor in the plane by its column, and the age at the middle of the year", () => {
    expect(weatherTerms({ weatherColumns: ["poa_w_m2"], assumedColumns: ["air_temperature_c"] })).toEqual({
      inPlane: true,
      assumed: { air: true, wind: false },
    });
    expect([ageAtMiddleOf(2024, "2020-07-01"), ageAtMiddleOf(2018, "2020-07-01"), ageAtMiddleOf(2024, null)]).toEqual([4, 0, 0]);
  });
});
