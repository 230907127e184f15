import tzLookup from "@photostructure/tz-lookup";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { skyFrame, skyToPx } from "@/charts";
import { equatorAzimuthDeg, monthDates, noonElevationDeg, shadowOf, solarMidnightUtcMs, spencerDeclinationDeg, sunArc } from "../geometry";
import { dayBins, monthBins } from "../time";
import { clearSkyWeather, hoursOfYear } from "../weather";
import { prepareWeather, runPrepared } from "../yield";
import { shadedYear } from ".";

/** Made-up sites in all corners: both hemispheres, the equator, the far north, both sides of the date line, longitude 0. */
const PLACES = [
  ["north", 37.1, -2.3, "Europe/Madrid"],
  ["south", -33.4, 147.2, "Australia/Sydney"],
  ["equator", 0, 36.9, "Africa/Nairobi"],
  ["far north", 65, 25.5, "Europe/Helsinki"],
  ["west of the date line", -17.8, 179.4, "Pacific/Fiji"],
  ["east of the date line", -21.2, -159.8, "Pacific/Rarotonga"],
  ["longitude 0", 51.5, 0, "Europe/London"],
] as const;

describe.each(PLACES)("%s", (_, latitudeDeg, longitudeDeg, timeZone) => {
  const place = { latitudeDeg, longitudeDeg };

  it("the time zone is found from the coordinates", () => {
    expect(tzLookup(latitudeDeg, longitudeDeg)).toBe(timeZone);
  });

  it.each(["2025-03-21", "2025-06-21", "2025-12-21"])("the sun of %s culminates at solar noon, at the height of the formula", (date) => {
    const arc = sunArc(place, date, 5);
    const top = arc.reduce((a, b) => (b.elevationDeg > a.elevationDeg ? b : a));
    const hours = (top.utcMs - solarMidnightUtcMs(date, longitudeDeg)) / 3_600_000;
    // The equation of time is at most 17 minutes.
    expect(Math.abs(hours - 12)).toBeLessThan(0.35);
    const day = Math.round((Date.parse(date) - Date.UTC(2025, 0, 0)) / 86_400_000);
    // The formula takes the declination of a whole day.
    expect(Math.abs(top.elevationDeg - noonElevationDeg(latitudeDeg, spencerDeclinationDeg(day)))).toBeLessThan(0.8);
  });

  it("an arc is one unbroken way that rises in the east", () => {
    const arc = sunArc(place, "2025-03-21", 5);
    for (let k = 1; k < arc.length; k++) {
      const [a, b] = [arc[k - 1]!, arc[k]!];
      const between = Math.acos(Math.min(1, a.east * b.east + a.north * b.north + a.up * b.up)) * (180 / Math.PI);
      expect(between).toBeLessThan(1.3);
    }
    const rise = arc.find((point) => point.elevationDeg > 0)!;
    expect(Math.abs(rise.azimuthDeg - 90)).toBeLessThan(4);
  });

  it("every sunlit point of the year lies on the sheet", () => {
    const arcs = monthDates(2025).map((date) => ({ label: date, points: sunArc(place, date, 20) }));
    const frame = skyFrame(600, 330, equatorAzimuthDeg(latitudeDeg), arcs);
    for (const { azimuthDeg, elevationDeg } of arcs.flatMap((arc) => arc.points)) {
      if (elevationDeg < 0) continue;
      const { x, y } = skyToPx(frame, azimuthDeg, elevationDeg);
      expect(x >= 30 && x <= 600 && y >= 0 && y <= 330).toBe(true);
    }
  });

  it("a noon shadow falls away from the sun", () => {
    const noon = sunArc(place, "2025-12-21", 5).reduce((a, b) => (b.elevationDeg > a.elevationDeg ? b : a));
    const shadow = shadowOf(2, noon);
    if (noon.elevationDeg <= 0) expect(shadow).toBeNull();
    else {
      expect(shadow!.lengthM).toBeCloseTo(2 / Math.tan((noon.elevationDeg * Math.PI) / 180), 9);
      expect(Math.abs(((shadow!.bearingDeg - noon.azimuthDeg + 360) % 360) - 180)).toBeLessThan(1e-9);
    }
  });

  it("a cloudless year of the chain has 365 local days and its light in local daytime", () => {
    const stood = site({
      place: { ...place, elevationM: 50, timeZone },
      arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: equatorAzimuthDeg(latitudeDeg) }],
      obstacles: [{ id: "t", kind: "tree", heightM: 7, widthM: 4, eastM: 6, northM: equatorAzimuthDeg(latitudeDeg) === 0 ? 8 : -8 }],
    });
    const axis = hoursOfYear(2025, Math.round(longitudeDeg / 15));
    const prepared = prepareWeather(stood.place, clearSkyWeather(axis, stood.place));
    const run = runPrepared(stood, prepared, monthBins(axis, timeZone));
    const total = run.expectedByBinKwh.reduce((a, b) => a + b, 0);
    expect(total).toBeGreaterThan(6000);
    expect(run.accountsKwh.shading.reduce((a, b) => a + b, 0)).toBeGreaterThan(0);
    expect(Math.abs(dayBins(axis, timeZone).keys.length - 366)).toBeLessThanOrEqual(1);
    const { sunHours, partHours } = shadedYear(stood, "a", 2025).hours;
    expect(sunHours.reduce((a, b) => a + b, 0)).toBeGreaterThan(3000);
    expect(partHours.reduce((a, b) => a + b, 0)).toBeGreaterThan(50);
  });
});
