import { site } from "@test/site-builder";
import { expect, it } from "vitest";
import { daySoFar } from ".";

const START = Date.UTC(2024, 5, 10);
const HOUR = 3_600_000;
const roof = (azimuthDeg: number, latitudeDeg = 45) =>
  site({
    place: { latitudeDeg, longitudeDeg: 0, timeZone: "UTC" },
    arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg }],
  });
const by = (hour: number, azimuthDeg = 180) => daySoFar(roof(azimuthDeg), START, START + hour * HOUR);

it("grows from nothing before dawn over a half at noon to all after dusk", () => {
  expect([by(2), by(23)]).toEqual([0, 1]);
  expect(by(12)).toBeCloseTo(0.5, 1);
  expect(by(9)).toBeLessThan(by(9.1));
});

it("comes earlier on a roof to the east", () => {
  expect(by(12, 90)).toBeGreaterThan(by(12, 180) + 0.1);
});

it("of a polar night is all there is", () => {
  expect(daySoFar(roof(180, 85), Date.UTC(2024, 11, 21), Date.UTC(2024, 11, 21, 12))).toBe(1);
});
