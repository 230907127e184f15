import { handMadeFrame } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { skyTakenFrac } from "./sky-taken";

const { site } = handMadeFrame({ days: 1 });
const facing = (tiltDeg: number, azimuthDeg: number) => ({
  ...site,
  arrays: site.arrays.map((array) => ({ ...array, tiltDeg, azimuthDeg })),
});
/** A wall all round, or on one side, from the ground to a height. */
const wall = (topDeg: number, ratio = 0, azimuths = Array.from({ length: 36 }, (_, k) => 10 * k + 5)) =>
  azimuths.flatMap((azimuthDeg) => Array.from({ length: topDeg / 5 }, (_, k) => ({ azimuthDeg, elevationDeg: 5 * k + 2.5, ratio })));
const EAST = [85, 95, 105];

describe("what an obstacle takes of the sky's even light", () => {
  it("is the squared sine of its height all round a flat plane", () => {
    for (const top of [10, 30, 60]) expect(skyTakenFrac(facing(0, 180), wall(top))).toBeCloseTo(Math.sin((top * Math.PI) / 180) ** 2, 3);
  });

  it("is all of it where nothing is left open", () => {
    expect(skyTakenFrac(facing(35, 180), wall(90))).toBeCloseTo(1, 2);
  });

  it("reaches down to the ground below the highest place that is dark", () => {
    const top = wall(30, 0, EAST).filter(({ elevationDeg }) => elevationDeg > 25);
    expect(skyTakenFrac(facing(30, 90), top)).toBeCloseTo(skyTakenFrac(facing(30, 90), wall(30, 0, EAST)), 12);
  });

  it("is less for a plane that looks away, and for a crown that lets light through", () => {
    const taken = skyTakenFrac(facing(40, 90), wall(20, 0, EAST));
    expect(skyTakenFrac(facing(40, 270), wall(20, 0, EAST))).toBeLessThan(0.2 * taken);
    expect(skyTakenFrac(facing(40, 90), wall(20, 0.5, EAST))).toBeCloseTo(taken / 2, 9);
    expect(skyTakenFrac(facing(40, 90), [])).toBe(0);
  });
});
