import { describe, expect, it } from "vitest";
import type { ModulePlace } from "../site";
import { CELLS, HOURS } from "./bins";
import { darkCells } from "./dark-cells";
import { arrayNeighbours } from "./odd-modules";
import { peersKwh, soundLevel } from "./peers";
import type { BinnedEnergy } from "./shares";
import { litHours, silentHours } from "./silence";

const column = (...values: number[]): Float32Array => Float32Array.from(values);

describe("the sound ones", () => {
  it("are those within a tenth of the upper fifth, three at the least", () => {
    const among = (...values: number[]): number => peersKwh(values.map((value) => column(value)))[0]!;
    expect(among(1, 1, 0.91, 0.2, 0.2)).toBeCloseTo(1, 6);
    expect(among(1, 1, 0.89, 0.2, 0.2)).toBeNaN();
    expect(among(1, 1, 1.09, 0.2)).toBeCloseTo(1, 6);
    expect(among(0, 0, 0)).toBe(0);
    expect(among(0, 0, Number.NaN)).toBeNaN();
  });

  it("are still the measure while three in four are in the shade", () => {
    const some = (dark: number): number => peersKwh(Array.from({ length: 16 }, (_, k) => column(k < dark ? 0.4 : 1)))[0]!;
    expect([some(12), some(13)].map((value) => Math.round(value * 10) / 10)).toEqual([1, 0.4]);
  });

  it("have a spread of their own, whatever the others do", () => {
    const { middle, spread } = soundLevel([1, 1.01, 0.99, 1.02, 0.98, 0.3, 0.2]);
    expect(middle).toBeCloseTo(1, 6);
    expect(spread).toBeCloseTo(0.014826, 6);
    expect(soundLevel([1, 1]).middle).toBeNaN();
  });
});

describe("silence", () => {
  const peers = column(...Array.from({ length: 12 }, () => 1));
  const hours = (own: number[]): number => silentHours(column(...own), peers, litHours(peers)).reduce((a, b) => a + b, 0);
  const with0 = (count: number, value = 0): number[] => Array.from({ length: 12 }, (_, k) => (k >= 4 && k < 4 + count ? value : 1));

  it("is three lit hours in a row and more, under two hundredths of the others", () => {
    expect([hours(with0(2)), hours(with0(3))]).toEqual([0, 3]);
    expect([hours(with0(4, 0.019)), hours(with0(4, 0.021))]).toEqual([4, 0]);
  });

  it("goes on over nights and over hours that were not read, which are none of it", () => {
    const night = column(1, 1, 0.01, 0.01, 1, 1, 1, 1, 1, 1, 1, 1);
    expect(silentHours(column(0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1), night, litHours(night)).reduce((a, b) => a + b, 0)).toBe(3);
    expect(hours([0, Number.NaN, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1])).toBe(3);
  });

  it("is not judged where the others give less than a twentieth of their best", () => {
    expect([...litHours(column(1, 0.051, 0.049))]).toEqual([1, 1, 0]);
  });
});

describe("dark hours", () => {
  /** Twelve modules over a year of days from 6 to 18 h; the first is darker by a share in some cells. */
  const modules = (drop: number, cells: readonly number[]): BinnedEnergy[] =>
    Array.from({ length: 12 }, (_, k) => {
      const peers = Float64Array.from({ length: CELLS }, (_, cell) => (cell % HOURS >= 6 && cell % HOURS < 18 ? 10 : 0));
      // Sound ones differ by a hundredth from cell to cell, each in its own way.
      const own = peers.map((kwh, cell) => kwh * (1 + 0.01 * (((cell * 7 + k * 5) % 3) - 1)));
      if (k === 0) for (const cell of cells) own[cell] = own[cell]! * (1 - drop);
      return { ownKwh: own, peersKwh: peers };
    });
  const at = (month: number, hour: number): number => month * HOURS + hour;
  const dark = (drop: number, cells: readonly number[]): number => darkCells(modules(drop, cells))[0]!.dark.reduce((a, b) => a + b, 0);

  it("lie three spreads and more under a module's own level, side by side", () => {
    const two = [at(3, 15), at(3, 16)];
    expect([dark(0.01, two), dark(0.3, two)]).toEqual([0, 2]);
    expect(dark(0.3, [at(3, 15)])).toBe(0);
    expect(dark(0.3, [at(3, 15), at(4, 15)])).toBe(2);
    expect(dark(0.3, [at(11, 15), at(0, 15)])).toBe(2);
  });

  it("cost what is lacking in them, the faint rim with them", () => {
    const [first] = darkCells(modules(0.3, [at(3, 14), at(3, 15), at(3, 16)]));
    expect(first!.lostKwh).toBeGreaterThan(8.4);
    expect(first!.lostKwh).toBeLessThan(9.9);
    expect(first!.errorKwh).toBeLessThan(first!.lostKwh / 3);
  });
});

describe("a bypassed part", () => {
  const places: ModulePlace[] = Array.from({ length: 12 }, (_, k) => ({ id: `M${k}`, array: "a", row: 0, column: k }));
  const hours = 60 * 24;
  const bins = {
    cellOf: Uint16Array.from({ length: hours }, (_, t) => t % 24),
    weekOf: Uint16Array.from({ length: hours }, (_, t) => Math.floor(t / 168)),
    hourOfWeekOf: Uint16Array.from({ length: hours }, (_, t) => Math.floor(t / 168) * 24 + (t % 24)),
    weeks: 9,
  };
  const causeAt = (level: number): string | undefined =>
    arrayNeighbours(
      places,
      places.map((_, k) =>
        Float32Array.from(
          { length: hours },
          (_, t) => Math.max(0, Math.sin(((t % 24) - 6) / 3.9)) * (k === 5 ? level : 1 + 0.002 * (k % 3)),
        ),
      ),
      bins,
    )!.odd[0]?.cause;

  it("lies near a third or two thirds of the others", () => {
    expect([0.62, 0.64, 0.69, 0.72, 0.36, 0.39].map(causeAt)).toEqual([
      "weak",
      "bypassed-part",
      "bypassed-part",
      "weak",
      "bypassed-part",
      "weak",
    ]);
  });
});
