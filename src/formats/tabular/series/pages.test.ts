import { expect, it } from "vitest";
import { type PagedSeries, place } from "./pages";

const DAY_MS = 86_400_000;

it("day pages lie beside each other in few pieces of memory, and none reaches into the next", () => {
  const series: PagedSeries = { quantity: "energy_kwh", meterId: null, stepMinutes: 60, phaseMinutes: 0, days: new Map() };
  for (let hour = 0; hour < 24 * 100; hour++) expect(place(series, (hour * DAY_MS) / 24, hour, false)).toBe("new");
  const pages = [...series.days.values()];
  expect(pages.map((page) => page.length)).toEqual(Array(100).fill(24));
  expect(pages.flatMap((page) => [...page])).toEqual(Array.from({ length: 2400 }, (_, hour) => hour));
  // 8, 16, 32, 64 pages.
  expect(new Set(pages.map(({ buffer }) => buffer)).size).toBe(4);
  expect([place(series, 0, 0, false), place(series, 0, 9, true), series.days.get(0)![0]]).toEqual(["same", "other", 9]);
});
