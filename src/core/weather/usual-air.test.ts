import { describe, expect, it } from "vitest";
import { USUAL_AIR_STANDARD_K, usualAirC, usualDayAirC } from ".";

describe("the usual air of a place without a thermometer", () => {
  /** Means of January and July as climate tables of invented towns in real climates have them. */
  const TOWNS = [
    { what: "inland, 45 north", latitudeDeg: 45, elevationM: 250, january: -9, july: 22 },
    { what: "eastern coast, 36 north", latitudeDeg: 36, elevationM: 20, january: 5, july: 25 },
    { what: "desert, 30 north", latitudeDeg: 30, elevationM: 70, january: 13, july: 28 },
    { what: "island at the equator", latitudeDeg: 1, elevationM: 10, january: 26, july: 27 },
    { what: "high plain at the equator", latitudeDeg: 0, elevationM: 2850, january: 14, july: 14 },
    { what: "high valley, 47 north", latitudeDeg: 46.6, elevationM: 1980, january: -6, july: 11.5 },
    { what: "coast, 34 south", latitudeDeg: -34, elevationM: 20, january: 22, july: 12 },
  ];

  it("lies within two deviations of climates that differ by forty degrees", () => {
    for (const { what, january, july, ...place } of TOWNS) {
      expect(Math.abs(usualDayAirC(place, 15) - january), what).toBeLessThan(2 * USUAL_AIR_STANDARD_K);
      expect(Math.abs(usualDayAirC(place, 196) - july), what).toBeLessThan(2 * USUAL_AIR_STANDARD_K);
    }
  });

  it("is nearer to all of them together than one constant is", () => {
    const off = (guess: (place: (typeof TOWNS)[number], day: number) => number): number =>
      TOWNS.reduce((sum, town) => sum + (guess(town, 15) - town.january) ** 2 + (guess(town, 196) - town.july) ** 2, 0);
    expect(off(usualDayAirC)).toBeLessThan(off(() => 20) / 3);
  });

  it("is warmest at three by the sun, and cooler at night", () => {
    const axis = { startUtcMs: Date.UTC(2023, 6, 1), stepMinutes: 60, count: 24 };
    const air = usualAirC(axis, { latitudeDeg: 40, longitudeDeg: -75, elevationM: 0 });
    // 15 h by the sun at 75 west is 20 h UTC.
    expect([19, 20]).toContain(air.indexOf(Math.max(...air)));
    expect(Math.max(...air) - Math.min(...air)).toBeGreaterThan(8);
  });
});
