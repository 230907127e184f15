import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readHorizonRows } from "@/contracts/horizon-rows";
import { tiltCalendarSchema, writeTiltSteps } from "@/contracts/tilt-calendar";
import { changedFields, inWords, withValue } from "@/features/site/revision-words";
import { writeReminders } from "@/formats/icalendar";
import { facing, thickestSeason } from "@/wording/geometry";
import {
  compassPoint,
  equatorAzimuthDeg,
  fromEquatorDeg,
  fromVerticalDeg,
  legLengthM,
  magneticDeclination,
  magneticOfTrueDeg,
  noonInFront,
  riseOfTilt,
  slidSnow,
  tiltOfPhone,
  tiltOfPlumb,
  tiltOfRise,
  trueOfMagneticDeg,
  winterSolsticeDeg,
} from ".";

describe("ways to measure an angle", () => {
  it.each([
    ["from upright", fromVerticalDeg(70), 20],
    ["5 in 12", tiltOfRise(5, 12), 22.62],
    ["1 in 1", tiltOfRise(1, 1), 45],
    ["plumb line", tiltOfPlumb(57.7, 100), 29.99],
    ["phone, turned round", tiltOfPhone(31.2, -28.8), 30],
    ["phone, once", tiltOfPhone(-31.2, null), 31.2],
  ] as const)("%s", (_, got, expected) => {
    expect(got).toBeCloseTo(expected, 1);
  });

  it("rise and tilt are each other's inverse", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 85, noNaN: true }), fc.double({ min: 0.1, max: 40, noNaN: true }), (tilt, run) => {
        expect(tiltOfRise(riseOfTilt(tilt, run), run)).toBeCloseTo(tilt, 8);
      }),
    );
  });

  it.each([
    [40, 180, 0],
    [40, 200, 20],
    [40, 120, -60],
    [-33, 0, 0],
    [-33, 338, 22],
    [-33, 30, -30],
    [0, 180, 0],
  ])("at latitude %d azimuth %d lies %d degrees west of the equator's direction", (latitude, azimuth, off) => {
    expect(fromEquatorDeg(latitude, azimuth)).toBeCloseTo(off, 9);
  });

  it("says where a plane looks in words that fit both hemispheres", () => {
    expect(facing(-33, 338)).toBe("22° west of the equator's direction (north)");
    expect(facing(37, 180)).toBe("straight toward the equator");
    expect(facing(37, 0)).toBe("straight away from the equator");
    expect([compassPoint(359), compassPoint(22.6), compassPoint(225)]).toEqual(["north", "north-east", "south-west"]);
    expect([equatorAzimuthDeg(-1), equatorAzimuthDeg(0), equatorAzimuthDeg(1)]).toEqual([0, 180, 180]);
  });
});

describe("compass", () => {
  /** Test values published with the model's 2020 edition. */
  it.each([
    [80, 0, -1.28],
    [0, 120, 0.16],
    [-80, 240, 69.36],
  ])("declination at %d, %d is the model's own", (latitudeDeg, longitudeDeg, expected) => {
    const got = magneticDeclination(
      { latitudeDeg, longitudeDeg: longitudeDeg > 180 ? longitudeDeg - 360 : longitudeDeg },
      Date.UTC(2020, 0, 1),
    );
    expect(got.declinationDeg).toBeCloseTo(expected, 1);
  });

  it("true and magnetic are each other's inverse, on the circle", () => {
    expect(trueOfMagneticDeg(355, 11)).toBeCloseTo(6, 9);
    expect(magneticOfTrueDeg(6, 11)).toBeCloseTo(355, 9);
  });

  it("says when a date lies outside the model's years", () => {
    expect(magneticDeclination({ latitudeDeg: 40, longitudeDeg: 0 }, Date.UTC(2026, 5, 1)).outdated).toBe(false);
    expect(magneticDeclination({ latitudeDeg: 40, longitudeDeg: 0 }, Date.UTC(2044, 5, 1)).outdated).toBe(true);
  });
});

describe("racks, snow, seasons", () => {
  it("a leg closes the triangle of hinge, frame and base, and grows with the tilt", () => {
    const rack = { frameM: 1.6, baseM: 1.4 };
    expect(legLengthM({ frameM: 1, baseM: 1 }, 60)).toBeCloseTo(1, 9);
    expect(legLengthM(rack, 90)).toBeCloseTo(Math.hypot(1.6, 1.4), 9);
    expect(legLengthM(rack, 0)).toBeCloseTo(0.2, 9);
    for (const tilt of [10, 30, 50, 70]) expect(legLengthM(rack, tilt + 5)).toBeGreaterThan(legLengthM(rack, tilt));
  });

  it.each([
    [40, 180, -23.44, true],
    [40, 0, -23.44, false],
    [-33, 0, 23.44, true],
    [10, 180, 23.44, false],
    [10, 0, 23.44, true],
    [-10, 0, -23.44, false],
  ])("at latitude %d the noon sun of declination %d before azimuth %d: %s", (latitude, azimuth, declination, front) => {
    expect(noonInFront(latitude, azimuth, declination)).toBe(front);
  });

  it("the shortest day is in December in the north and in June in the south", () => {
    expect([winterSolsticeDeg(40), winterSolsticeDeg(-40)]).toEqual([-23.44, 23.44]);
  });

  it("the heap holds the snow that slid, settled", () => {
    const { heapM, reachM, edgeM } = slidSnow(4, 30, 0.4);
    expect(heapM * reachM).toBeCloseTo(0.4 * 4 * Math.cos(Math.PI / 6) * 0.7, 6);
    expect(edgeM).toBeGreaterThan(heapM);
    expect(slidSnow(4, 30, 0).heapM).toBe(0);
  });

  it("the thickest season runs around the year's end", () => {
    expect(thickestSeason([30, 10, 0, 0, 0, 0, 0, 0, 0, 5, 25, 30])).toEqual({ name: "November to January", shareFrac: 0.85 });
    expect(thickestSeason(new Array<number>(12).fill(0)).shareFrac).toBe(0);
  });
});

describe("horizon rows", () => {
  it("are read with or without a header, sorted, with 360 as north", () => {
    expect(readHorizonRows([["azimuth", "elevation"], ["360", "4"], ["90", "12,5"], [""]])).toEqual({
      points: [
        { azimuthDeg: 0, elevationDeg: 4 },
        { azimuthDeg: 90, elevationDeg: 12.5 },
      ],
    });
  });

  it.each([
    [[["90", "95"]], /Row 1, elevationDeg.*straight up/],
    [
      [
        ["10", "2"],
        ["hill", "3"],
      ],
      /Row 2, azimuthDeg/,
    ],
    [
      [
        ["10", "2"],
        ["10", "3"],
      ],
      /10° occurs twice/,
    ],
    [[], /No rows/],
  ])("a fault names its row", (rows, words) => {
    expect((readHorizonRows(rows) as { fault: string }).fault).toMatch(words);
  });
});

describe("calendar of tilts", () => {
  it("addresses carry the steps both ways, and refuse what is none", () => {
    const steps = [
      { from: "03-24", tiltDeg: 17 },
      { from: "09-24", tiltDeg: 52.5 },
    ];
    expect(tiltCalendarSchema.parse({ array: "a", steps: writeTiltSteps(steps) }).steps).toEqual(steps);
    for (const wrong of ["", "03-24", "13-40:20", "03-24:120"])
      expect(tiltCalendarSchema.safeParse({ array: "a", steps: wrong }).success).toBe(false);
  });

  it("is a yearly whole-day event with two alarms", () => {
    const text = writeReminders("Roof: tilts", [{ on: "2026-03-24", everyYears: 1, title: "Tilt to 17°", text: "Leg 1.2 m.", uid: "x@y" }]);
    expect(text).toMatch(/DTSTART;VALUE=DATE:20260324\r\n/);
    expect(text).toContain("RRULE:FREQ=YEARLY");
    expect(text.match(/BEGIN:VALARM/g)).toHaveLength(2);
    expect(text.startsWith("BEGIN:VCALENDAR")).toBe(true);
  });
});

describe("revisions in words", () => {
  const change = { arrays: [{ id: "roof", azimuthDeg: 174 }], inverters: [{ id: "hall", acRatedW: 9000 }] };

  it("name what changed, of which thing", () => {
    expect(changedFields(change).map(inWords)).toEqual(["roof: azimuth 174.0° (south)", "hall: 9.0 kW AC"]);
  });

  it("are changed value by value, the rest untouched", () => {
    const [azimuth] = changedFields(change);
    expect(withValue(change, azimuth!.path, 190)).toEqual({ ...change, arrays: [{ id: "roof", azimuthDeg: 190 }] });
  });
});
