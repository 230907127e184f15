import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { meteredOnto } from "../../ledger";
import { seededUniform } from "../../statistics";
import type { Weather } from "../../weather";
import { prepareWeather } from "../../yield";
import { type AttributionFrame, attributionFrame, shadeEvidence, snowEvidence } from "..";
import { shadeOf } from "../shade/detect";
import { snowfallSteps, sureSnowfallSteps } from "./detect";

const plant = site({ place: { latitudeDeg: 45, longitudeDeg: 0, elevationM: 100, timeZone: "UTC" } });

/** A plant whose meter reads a share of what it owes, hour by hour, under weather of one's choosing. */
function basisOf(start: string, days: number, parts: Partial<Weather>, share: (i: number) => number): AttributionFrame {
  const axis = hours(start, days * 24);
  const prepared = prepareWeather(plant.place, { ...clearWeather(axis, plant.place), ...parts });
  const healthy = attributionFrame(plant, prepared, meteredOnto(axis, [], plant)).openKwh;
  const values = healthy.map((kwh, i) => (kwh || 0) * share(i));
  return attributionFrame(plant, prepared, meteredOnto(axis, [{ meterId: "main", quantity: "energy_kwh", axis, values }], plant));
}

const day = (i: number): number => Math.floor(i / 24);
const ones = (count: number): Float64Array => new Float64Array(count).fill(1);

describe("falls of snow", () => {
  const column = (count: number, of: (i: number) => number): Float64Array => Float64Array.from({ length: count }, (_, i) => of(i));

  it("are rises of the depth gauge, also over a gap in its readings", () => {
    const depth = [0, 0, 2, 2, 2, 1, Number.NaN, Number.NaN, 4, 4];
    const frame = basisOf("2023-01-01T00:00Z", 1, { snowDepthCm: column(24, (i) => depth[i] ?? 0) }, () => 1);
    expect([...snowfallSteps(frame).keys()].filter((i) => snowfallSteps(frame)[i] === 1)).toEqual([2, 8]);
  });

  it("are rain in cold air where there is no gauge, and none without either", () => {
    const parts = { rainMm: column(24, (i) => (i === 4 || i === 9 ? 3 : 0)), airTempC: column(24, (i) => (i < 6 ? -2 : 6)) };
    const frame = basisOf("2023-01-01T00:00Z", 1, parts, () => 1);
    expect([...snowfallSteps(frame).keys()].filter((i) => snowfallSteps(frame)[i] === 1)).toEqual([4]);
    expect(snowfallSteps(basisOf("2023-01-01T00:00Z", 1, {}, () => 1)).every((fell) => fell === 0)).toBe(true);
  });
});

describe("falls of snow beyond doubt", () => {
  const DAYS = 8;
  const scatter = [0, 1, 0, -1, 1, 0, -1];
  const steps = (depth: (i: number) => number): number[] => {
    const snowDepthCm = Float64Array.from({ length: DAYS * 24 }, (_, i) => depth(i));
    const frame = basisOf("2023-01-01T00:00Z", DAYS, { snowDepthCm }, () => 1);
    return [...sureSnowfallSteps(frame).keys()].filter((i) => sureSnowfallSteps(frame)[i] === 1);
  };

  it("are every rise of a steady gauge", () => {
    expect(steps((i) => (i < 50 ? 10 : 11))).toEqual([50]);
  });

  it("are none of the rises of a gauge that scatters over sinking snow", () => {
    expect(steps((i) => Math.round(30 - 0.05 * i) + scatter[i % 7]!)).toEqual([]);
  });

  it("stand out of its scatter within half a day, and no longer", () => {
    const sure = steps((i) => (i < 100 ? 20 : 26) + scatter[i % 7]!);
    expect(sure[0]!).toBeGreaterThanOrEqual(98);
    expect(sure[0]!).toBeLessThan(104);
    expect(sure.at(-1)!).toBeLessThan(116);
  });

  it("may have come at any time of a gap after which the snow lies higher", () => {
    const gap = (i: number): number => (i >= 90 && i < 110 ? Number.NaN : (i < 90 ? 20 : 30) + scatter[i % 7]!);
    const sure = steps(gap);
    expect(sure.filter((i) => i >= 90 && i <= 110)).toHaveLength(21);
    expect(steps((i) => (i >= 90 && i < 110 ? Number.NaN : 20 + scatter[i % 7]!))).toEqual([]);
  });
});

describe("snow on the modules", () => {
  const DAYS = 30;
  const fallDay = 10;
  const snowDepthCm = Float64Array.from({ length: DAYS * 24 }, (_, i) => (i >= fallDay * 24 ? 12 : 0));
  const read = (share: (i: number) => number, down = new Uint8Array(DAYS * 24)) => {
    const frame = basisOf("2023-01-10T00:00Z", DAYS, { snowDepthCm }, share);
    return { frame, ...snowEvidence(frame, ones(frame.days.keys.length), down, 1e6) };
  };

  it("lies from the fall until two hours give what is usual", () => {
    const { spells, lostFrac, covered } = read((i) => (day(i) >= fallDay && day(i) < fallDay + 4 ? 0.1 : 1));
    expect(spells).toHaveLength(1);
    expect(spells[0]!.from).toBe(fallDay * 24);
    expect(day(spells[0]!.to)).toBe(fallDay + 4);
    expect(lostFrac[(fallDay + 1) * 24 + 12]).toBeCloseTo(0.9, 6);
    expect(lostFrac[(fallDay + 8) * 24 + 12]).toBe(0);
    expect(covered[(fallDay + 8) * 24]).toBe(0);
  });

  it("is not made up for weeks by a gauge that scatters: a quarter that is missing all along is something else", () => {
    const scattering = Float64Array.from({ length: DAYS * 24 }, (_, i) => 30 + [0, 1, 0, -1, 1, 0, -1][i % 7]!);
    const frame = basisOf("2023-01-10T00:00Z", DAYS, { snowDepthCm: scattering }, (i) => (day(i) >= 5 && day(i) < 25 ? 0.75 : 1));
    const { lostFrac } = snowEvidence(frame, ones(frame.days.keys.length), new Uint8Array(DAYS * 24), 1e6);
    expect(lostFrac.subarray(6 * 24, 22 * 24).every((lost) => lost === 0)).toBe(true);
  });

  it("is none where the output does not notice", () => {
    const { spells, lostFrac } = read(() => 1);
    expect(spells).toEqual([]);
    expect(lostFrac.every((lost) => lost === 0)).toBe(true);
  });

  it("goes bit by bit, and each hour loses its own part", () => {
    const kept = (i: number): number => (day(i) < fallDay ? 1 : Math.min(1, (day(i) - fallDay) / 5));
    const { lostFrac, spells } = read(kept);
    const noon = (d: number): number => lostFrac[(fallDay + d) * 24 + 12]!;
    expect([1, 2, 3].map((d) => noon(d) > noon(d + 1))).toEqual([true, true, true]);
    expect(noon(2)).toBeCloseTo(0.6, 6);
    expect(day(spells[0]!.to)).toBeGreaterThanOrEqual(fallDay + 4);
  });

  it("leaves hours to a standstill that are down", () => {
    const down = new Uint8Array(DAYS * 24).fill(1, (fallDay + 1) * 24, (fallDay + 3) * 24);
    const { lostFrac } = read((i) => (day(i) >= fallDay && day(i) < fallDay + 4 ? 0 : 1), down);
    expect(lostFrac[(fallDay + 2) * 24 + 12]).toBe(0);
    expect(lostFrac[fallDay * 24 + 12]).toBe(1);
  });

  it("stays no longer than forty-five days unseen", () => {
    const long = basisOf(
      "2023-01-01T00:00Z",
      80,
      { snowDepthCm: Float64Array.from({ length: 80 * 24 }, (_, i) => (i >= 240 ? 12 : 0)) },
      (i) => (day(i) >= 10 ? 0 : 1),
    );
    const { spells } = snowEvidence(long, ones(80), new Uint8Array(80 * 24), 1e6);
    expect(spells).toHaveLength(1);
    expect(day(spells[0]!.to)).toBe(10 + 45);
  });
});

describe("shade by the place of the sun", () => {
  const DAYS = 120;
  const count = DAYS * 24;
  // Every third day is overcast.
  const dim = (i: number): number => (day(i) % 3 === 0 ? 0.3 : 1);
  const axis = hours("2023-04-01T00:00Z", count);
  const clear = clearWeather(axis, plant.place);
  const ghiWm2 = clear.ghiWm2!.map((ghi, i) => ghi * 1.15 * dim(i));
  const isMorning = (i: number): boolean => i % 24 >= 6 && i % 24 <= 8;
  const read = (share: (i: number) => number) => {
    const frame = basisOf("2023-04-01T00:00Z", DAYS, { ghiWm2 }, share);
    const expected = frame.openKwh.map((kwh) => Math.max(kwh || 0, 0));
    return { frame, expected, found: shadeEvidence(frame, expected, new Uint8Array(count)) };
  };

  it("is seen where clear hours give less at the same places, and overcast ones do not", () => {
    const { found } = read((i) => (isMorning(i) && dim(i) === 1 ? 0.5 : 1));
    expect(found.isSeen).toBe(true);
    const shaded = found.fields.filter(({ isShaded }) => isShaded);
    expect(shaded.length).toBeGreaterThanOrEqual(3);
    for (const { azimuthDeg, ratio } of shaded) {
      expect(azimuthDeg).toBeLessThan(180);
      expect(ratio).toBeLessThan(0.86);
    }
    const lost = [...found.lostFrac.keys()].filter((i) => found.lostFrac[i]! > 0.3);
    expect(lost.length).toBeGreaterThan(50);
    expect(lost.every((i) => i % 24 < 12)).toBe(true);
  });

  it("is none where overcast hours lack as much: then something else takes it", () => {
    expect(read((i) => (isMorning(i) ? 0.5 : 1)).found.isSeen).toBe(false);
  });

  it("is none where nothing lacks, nor where a single place of the sky does", () => {
    expect(read(() => 1).found.isSeen).toBe(false);
    const { found } = read((i) => (i % 24 === 7 && day(i) > 60 && day(i) < 70 && dim(i) === 1 ? 0.4 : 1));
    expect(found.isSeen).toBe(false);
    expect(found.lostFrac.every((lost) => lost === 0)).toBe(true);
  });

  it("is none that one year saw and the next did not", () => {
    const two = 480;
    const long = hours("2022-04-01T00:00Z", two * 24);
    const light = clearWeather(long, plant.place).ghiWm2!.map((ghi, i) => ghi * 1.15 * dim(i));
    const seen = (share: (i: number) => number): boolean => {
      const frame = basisOf("2022-04-01T00:00Z", two, { ghiWm2: light }, share);
      return shadeEvidence(
        frame,
        frame.openKwh.map((kwh) => Math.max(kwh || 0, 0)),
        new Uint8Array(two * 24),
      ).isSeen;
    };
    const isFirst = (i: number): boolean => day(i) < 275;
    expect(seen((i) => (isMorning(i) && dim(i) === 1 ? 0.5 : 1))).toBe(true);
    expect(seen((i) => (isMorning(i) && dim(i) === 1 && isFirst(i) ? 0.5 : 1))).toBe(false);
  });

  it("under rough light has to be deeper and longer seen: scatter alone makes none", () => {
    const uniform = seededUniform(4);
    const noise = Float64Array.from({ length: count }, () => Math.exp(0.35 * (uniform() - 0.5)));
    const rough = (least: number): boolean => read((i) => noise[i]! * (isMorning(i) && dim(i) === 1 ? least : 1)).found.isSeen;
    expect(rough(1)).toBe(false);
    expect(rough(0.78)).toBe(false);
    // The same shade under a station's light is one.
    expect(read((i) => (isMorning(i) && dim(i) === 1 ? 0.65 : 1)).found.isSeen).toBe(true);
  });

  it("takes from days to come what it took at the same places, and nothing under clouds", () => {
    const { frame, expected, found } = read((i) => (isMorning(i) && dim(i) === 1 ? 0.5 : 1));
    const again = shadeOf(
      frame,
      expected,
      found.fields.filter(({ isShaded }) => isShaded),
    );
    found.lostFrac.forEach((lost, i) => void expect(again[i]!).toBeCloseTo(lost, 6));
    expect(shadeOf(frame, expected, []).every((lost) => lost === 0)).toBe(true);
    const [overcast, sunny] = [[...again.keys()].filter((i) => dim(i) < 1), [...again.keys()].filter((i) => dim(i) === 1)];
    const most = (steps: readonly number[]): number => Math.max(...steps.map((i) => again[i]!));
    expect(most(overcast)).toBeLessThan(most(sunny) / 4);
  });
});
