import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteDocument } from "@/contracts/site";
import { newVariantSchema, whatIfSchema } from "@/contracts/what-if";
import type { Weather } from "@/core/weather";
import { glanceHours, glanceTable } from "@/features/kit/glance/hours";
import { spanName } from "@/features/yield/yield-props";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import { dayOf, daySums, glanceOf, type OpenLedger, openLedger, uncertaintyOf, wholeYearsKwh, yearWeather } from ".";

const plant: SiteDocument = site();
const book = { id: "b", slug: "b", site: plant, version: 1, isDemo: false } as Book;
const axis = hours("2021-12-31T23:00Z", 8760 * 3);
const weather = clearWeather(axis, plant.place);
const stored = (quantity: string, values: Float64Array | null, meterId = "") => (values ? [{ quantity, meterId, axis, values }] : []);

function opened(from: Weather = weather, share = 0.9): OpenLedger {
  const columns = [
    ...stored("ghi_w_m2", from.ghiWm2),
    ...stored("air_temperature_c", from.airTempC),
    ...stored("wind_speed_m_s", from.windSpeedMs),
  ];
  const { run } = openLedger({ site: plant, weather: columns, production: [], promise: null });
  const production = stored(
    "energy_kwh",
    run!.expectedKwh.map((kwh) => kwh * share),
    "main",
  );
  return openLedger({ site: plant, weather: columns, production, promise: null });
}
const ledger = opened();

describe("a year by day and hour", () => {
  const glance = glanceOf(ledger, "2023");

  it("has every local day, and sums to the year's lines", () => {
    expect(glance.days).toHaveLength(365);
    const sum = glance.expectedKwh.reduce<number>((total, kwh) => total + (kwh ?? 0), 0);
    expect(sum / ledger.report.years.find((line) => line.key === "2023")!.expectedKwh).toBeCloseTo(1, 3);
  });

  it("leaves the hour empty that the clock skips in spring", () => {
    const spring = glance.days.indexOf("2023-03-26") * 24;
    expect(glance.expectedKwh[spring + 2]).toBeNull();
    expect(glance.expectedKwh[spring + 3]).not.toBeNull();
  });

  it("shows shares of the best hour, or what was paid of what was owed, and no dusk", () => {
    const expected = glanceHours(glance, "expected");
    expect(Math.max(...expected.values.map((value) => value ?? 0))).toBe(1);
    expect(Math.min(...expected.values.map((value) => value ?? 1))).toBeGreaterThanOrEqual(0.03);
    const metered = glanceHours(glance, "ratio").values.filter((value) => value !== null);
    for (const value of metered) expect(value).toBeCloseTo(0.9, 1);
    expect(expected.firstHour).toBeLessThan(expected.lastHour);
  });

  it("is written out with one row an hour", () => {
    expect(glanceTable(glance)).toHaveLength(1 + 365 * 24);
    expect(glanceTable(glance)[1 + 24]!.slice(0, 2)).toEqual(["2023-01-02", 0]);
  });

  it("says nothing of a year that is not there", () => {
    expect(glanceOf(ledger, "1999").days).toEqual([]);
  });
});

describe("days", () => {
  it("of a month sum to its line, on the site's own clock", () => {
    const sum = daySums(ledger, "2023-10").reduce((total, day) => total + day.expectedKwh, 0);
    expect(sum).toBeCloseTo(ledger.report.months.find((line) => line.key === "2023-10")!.expectedKwh, 0);
    expect(daySums(ledger, "2023-10")).toHaveLength(31);
  });

  it("of a clock change have 23 or 25 hours", () => {
    expect(dayOf(ledger, "2023-03-26").expected.kw).toHaveLength(23);
    expect(dayOf(ledger, "2023-10-29").expected.kw).toHaveLength(25);
  });
});

describe("a typical year", () => {
  it("is told from whole years, each at the same age of the plant: clear years differ by their weather alone", () => {
    const years = wholeYearsKwh(ledger);
    expect(years).toHaveLength(3);
    expect(Math.max(...years) / Math.min(...years)).toBeLessThan(1.002);
    const raw = ledger.report.years.map((line) => line.expectedKwh).filter((kwh) => kwh > 1000);
    expect(Math.max(...raw) / Math.min(...raw)).toBeGreaterThan(1.005);
  });

  it("is less sure the older the plant", () => {
    expect(uncertaintyOf(ledger, 2040, 12).standardFrac).toBeGreaterThan(uncertaintyOf(ledger, 2023, 12).standardFrac);
  });
});

describe("a year of weather for what-ifs", () => {
  it("runs from local New Year to local New Year, its gaps filled from the whole series", () => {
    const holed = { ...weather, ghiWm2: weather.ghiWm2!.slice() };
    const newYear = 8760 * 2;
    holed.ghiWm2.fill(Number.NaN, newYear + 10, newYear + 16);
    const { prepared, from, to } = yearWeather(book.site.place, opened(holed), 2023);
    expect(new Date(prepared.weather.axis.startUtcMs + from * 3_600_000).toISOString()).toBe("2022-12-31T23:00:00.000Z");
    expect(to - from).toBe(365 * 24);
    expect(prepared.weather.ghiWm2!.subarray(from, to).some(Number.isNaN)).toBe(false);
  });

  it("is refused for a year that is not there, and for a book without weather", () => {
    expect(() => yearWeather(book.site.place, ledger, 1999)).toThrow(Refusal);
    expect(() => yearWeather(book.site.place, openLedger({ site: plant, weather: [], production: [], promise: null }), 2023)).toThrow(
      /no-weather$/,
    );
  });
});

describe("a kept what-if", () => {
  it("may hold what a site may hold, and nothing else", () => {
    expect(whatIfSchema.parse({ tiltDeg: 20 })).toEqual({ arrayId: null, tiltDeg: 20 });
    for (const wrong of [{ tiltDeg: 140 }, { azimuthDeg: 360 }, { count: 0 }, { models: { transposition: "best" } }, { tilt: 3 }]) {
      expect(whatIfSchema.safeParse(wrong).success, JSON.stringify(wrong)).toBe(false);
    }
    expect(newVariantSchema.safeParse({ name: "  ", whatIf: {} }).success).toBe(false);
  });
});

it("a span of months is named as people do", () => {
  expect(spanName({ from: "2025-01", to: "2025-12" })).toBe("2025");
  expect(spanName({ from: "2025-12", to: "2025-12" })).toBe("December 2025");
  expect(spanName({ from: "2024-11", to: "2025-02" })).toBe("Nov 2024 to Feb 2025");
});
