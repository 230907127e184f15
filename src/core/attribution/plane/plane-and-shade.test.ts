import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { meteredOnto } from "../../ledger";
import { prepareWeather } from "../../yield";
import { attributionFrame, siteWithOffset } from "..";
import { shadeEvidence, touchedByShade } from "../shade/detect";
import { planeAndShade } from "./plane-and-shade";

const plant = site({ place: { latitudeDeg: 42, longitudeDeg: 0, elevationM: 100, timeZone: "UTC" } });
const axis = hours("2023-01-01T00:00Z", 24 * 365);
const weather = clearWeather(axis, plant.place, 0.72);
const prepared = prepareWeather(plant.place, weather);
const book = attributionFrame(plant, prepared, meteredOnto(axis, [], plant));

const NO_CEILING = 1e6;

interface Obstacle {
  readonly azimuthDeg: readonly [number, number];
  readonly underDeg: number;
}

/** The plant as it really stands, with what an obstacle leaves of the hours behind it. */
function read(azimuthOffsetDeg: number, obstacle: Obstacle | null) {
  const real = attributionFrame(
    siteWithOffset(plant, { azimuthOffsetDeg: azimuthOffsetDeg, tiltOffsetDeg: 0 }),
    prepared,
    meteredOnto(axis, [], plant),
  );
  const { sun } = prepared;
  const isBehind = (i: number): boolean => {
    if (!obstacle) return false;
    const azimuth = ((Math.atan2(sun.east[i]!, sun.north[i]!) * 180) / Math.PI + 360) % 360;
    const elevation = (Math.asin(sun.up[i]!) * 180) / Math.PI;
    return azimuth > obstacle.azimuthDeg[0] && azimuth < obstacle.azimuthDeg[1] && elevation < obstacle.underDeg;
  };
  const values = real.openKwh.map((kwh, i) => (kwh || 0) * (isBehind(i) ? 0.35 : 1));
  const metered = meteredOnto(axis, [{ meterId: "main", quantity: "energy_kwh", axis, values }], plant);
  const frame = attributionFrame(plant, prepared, metered);
  return planeAndShade(frame, metered, NO_CEILING);
}

const EAST: Obstacle = { azimuthDeg: [80, 130], underDeg: 32 };

describe("a plane and an obstacle, which both take mornings", () => {
  it("are told apart: the book's plane is right behind an obstacle", () => {
    const { shaded, orientation } = read(0, EAST);
    expect(orientation!.planeOffset).toBeNull();
    expect(Math.abs(orientation!.azimuthOffsetDeg.value)).toBeLessThan(3);
    expect(shaded.reduce((sum, on) => sum + on, 0)).toBeGreaterThan(150);
  });

  it("are told apart: a turned plane has no obstacle", () => {
    const { orientation, shaded } = read(35, null);
    const planeOffset = orientation?.planeOffset ?? null;
    expect(Math.abs(planeOffset!.azimuthOffsetDeg - 35)).toBeLessThan(3);
    expect(shaded.includes(1)).toBe(false);
  });

  it("are both found where both are", () => {
    const { orientation, shaded } = read(-30, { azimuthDeg: [225, 275], underDeg: 32 });
    const planeOffset = orientation?.planeOffset ?? null;
    expect(Math.abs(planeOffset!.azimuthOffsetDeg + 30)).toBeLessThan(4);
    expect(shaded.reduce((sum, on) => sum + on, 0)).toBeGreaterThan(100);
  });

  it("are neither where nothing is wrong", () => {
    const { orientation, shaded } = read(0, null);
    const planeOffset = orientation?.planeOffset ?? null;
    expect(planeOffset).toBeNull();
    expect(shaded.includes(1)).toBe(false);
  });
});

describe("a rack that is tilted by season", () => {
  const schedule = [
    { from: "03-20", tiltDeg: 15 },
    { from: "09-20", tiltDeg: 50 },
  ];
  const rack = { ...plant, arrays: plant.arrays.map((array) => ({ ...array, tiltSchedule: schedule })) };
  const standing = (by: { azimuthOffsetDeg: number; tiltOffsetDeg: number }) => {
    const real = attributionFrame(siteWithOffset(rack, by), prepared, meteredOnto(axis, [], plant));
    const metered = meteredOnto(
      axis,
      [{ meterId: "main", quantity: "energy_kwh", axis, values: real.openKwh.map((kwh) => kwh || 0) }],
      plant,
    );
    return planeAndShade(attributionFrame(rack, prepared, metered), metered, NO_CEILING);
  };

  it("is one plant all year: its turn is read from both tilts", () => {
    const { orientation } = standing({ azimuthOffsetDeg: 24, tiltOffsetDeg: 0 });
    const planeOffset = orientation!.planeOffset;
    expect(Math.abs(planeOffset!.azimuthOffsetDeg - 24)).toBeLessThan(2);
    expect(planeOffset!.tiltOffsetDeg).toBe(0);
    expect(orientation!.to - orientation!.from).toBe(axis.count);
  });

  it("is off by the same tilt in every season", () => {
    const { planeOffset: turn } = standing({ azimuthOffsetDeg: 0, tiltOffsetDeg: 14 }).orientation!;
    expect(Math.abs(turn!.tiltOffsetDeg - 14)).toBeLessThan(2);
    expect(turn!.azimuthOffsetDeg).toBe(0);
  });

  it("is right where the book is right", () => {
    expect(standing({ azimuthOffsetDeg: 0, tiltOffsetDeg: 0 }).orientation!.planeOffset).toBeNull();
  });
});

describe("steps that shade touches", () => {
  const kept = (ratioOf: (elevation: number) => number) => {
    const { sun } = prepared;
    const values = book.openKwh.map((kwh, i) => {
      const azimuth = ((Math.atan2(sun.east[i]!, sun.north[i]!) * 180) / Math.PI + 360) % 360;
      const elevation = (Math.asin(sun.up[i]!) * 180) / Math.PI;
      return (kwh || 0) * (azimuth > 80 && azimuth < 130 ? ratioOf(elevation) : 1);
    });
    const frame = attributionFrame(plant, prepared, meteredOnto(axis, [{ meterId: "main", quantity: "energy_kwh", axis, values }], plant));
    return { frame, ...shadeEvidence(frame, book.openKwh, new Uint8Array(axis.count)) };
  };

  it("take in the obstacle's soft edge, which is shaded by its own part", () => {
    const soft = kept((elevation) => (elevation < 20 ? 0.4 : elevation < 30 ? 0.9 : 1));
    const edge = soft.fields.filter(({ elevationDeg, isShaded }) => isShaded && elevationDeg > 20 && elevationDeg < 30);
    expect(edge.length).toBeGreaterThan(0);
    expect(edge.every(({ ratio }) => Math.abs(ratio - 0.9) < 0.02)).toBe(true);
    const touched = touchedByShade(soft.frame, soft.fields);
    const lost = soft.lostFrac.reduce((sum, frac) => sum + (frac > 0 ? 1 : 0), 0);
    expect(touched.reduce((sum, on) => sum + on, 0)).toBeGreaterThanOrEqual(lost);
  });

  it("are none where a sky model is off about a low sun: an obstacle has a midst", () => {
    expect(kept((elevation) => (elevation < 20 ? 0.78 : 1)).isSeen).toBe(false);
    expect(kept((elevation) => (elevation < 10 ? 0.6 : elevation < 20 ? 0.78 : 1)).isSeen).toBe(true);
  });

  it("are none of a plane that gives nine tenths at one place of the sky and is nowhere shaded", () => {
    const pale = kept((elevation) => (elevation < 30 ? 0.9 : 1));
    expect(pale.isSeen).toBe(false);
    expect(touchedByShade(pale.frame, pale.fields).includes(1)).toBe(false);
  });
});
