import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { meteredOnto } from "../../ledger";
import { prepareWeather } from "../../yield";
import { type AttributionFrame, attributionFrame } from "..";
import { standstill } from "../outage/standstill";
import { curtailment } from "./detect";

const plant = site();
const DAYS = 60;
const axis = hours("2023-05-01T00:00Z", 24 * DAYS);
const day = (i: number): number => Math.floor(i / 24);
const NO_CEILING = 1e6;

/** A clear spring, of which every third day is dull, and what a meter makes of each hour's energy. */
function basisOf(metered: (kwh: number, i: number, most: number) => number): { frame: AttributionFrame; mostKwh: number } {
  const weather = clearWeather(axis, plant.place);
  const dull = { ...weather, ghiWm2: weather.ghiWm2!.map((ghi, i) => (day(i) % 3 === 2 ? 0.35 * ghi : ghi)) };
  const prepared = prepareWeather(plant.place, dull);
  const open = attributionFrame(plant, prepared, meteredOnto(axis, [], plant)).openKwh;
  const mostKwh = open.reduce((most, kwh) => Math.max(most, kwh || 0), 0);
  const values = open.map((kwh, i) => metered(kwh || 0, i, mostKwh));
  return {
    frame: attributionFrame(plant, prepared, meteredOnto(axis, [{ meterId: "main", quantity: "energy_kwh", axis, values }], plant)),
    mostKwh,
  };
}

const read = (frame: AttributionFrame, ceilingKwh = NO_CEILING) =>
  curtailment(frame, new Float64Array(frame.days.keys.length).fill(1), new Uint8Array(axis.count), ceilingKwh);
const between = (i: number, from: number, to: number): boolean => day(i) >= from && day(i) < to;

describe("a plant that is held below its ceiling", () => {
  it("shows by tops that lie on one power, and loses what it owed above it", () => {
    const { frame, mostKwh } = basisOf((kwh, i, most) => (between(i, 20, 32) ? Math.min(kwh, 0.6 * most) : kwh));
    const { spells, lostFrac, touched } = read(frame);
    expect(spells).toHaveLength(1);
    const [spell] = spells;
    expect(spell!.powerKw).toBeCloseTo(0.6 * mostKwh, 2);
    expect([day(spell!.from), day(spell!.to)]).toEqual([21, 31]);
    expect(spell!.days).toBe(8);
    const lost = lostFrac.reduce((sum, frac, i) => sum + frac * (frame.openKwh[i]! || 0), 0);
    const truth = frame.openKwh.reduce(
      (sum, kwh, i) => (i >= spell!.from && i < spell!.to ? sum + Math.max(0, (kwh || 0) - 0.6 * mostKwh) : sum),
      0,
    );
    expect(lost / truth).toBeCloseTo(1, 2);
    // Mornings under the limit are neither lost nor spoilt; what it may have cut in part is.
    const morning = 24 * 24 + 5;
    expect(frame.openKwh[morning]!).toBeLessThan(0.5 * mostKwh);
    expect([lostFrac[morning], touched[morning]]).toEqual([0, 0]);
  });

  it("is none under a string out, which follows its light, nor under clouds", () => {
    expect(read(basisOf((kwh, i) => (between(i, 20, 40) ? 0.6 * kwh : kwh)).frame).spells).toEqual([]);
    expect(read(basisOf((kwh) => kwh).frame).spells).toEqual([]);
  });

  it("is none at the ceiling itself, and none for two days", () => {
    const { frame, mostKwh } = basisOf((kwh, _, most) => Math.min(kwh, 0.7 * most));
    expect(read(frame, 0.7 * mostKwh).spells).toEqual([]);
    expect(read(basisOf((kwh, i, most) => (between(i, 21, 23) ? Math.min(kwh, 0.6 * most) : kwh)).frame).spells).toEqual([]);
  });

  it("is two where another power follows, or where it ran free between", () => {
    const powers = basisOf((kwh, i, most) => Math.min(kwh, (between(i, 10, 20) ? 0.6 : between(i, 20, 32) ? 0.45 : 1) * most));
    expect(read(powers.frame).spells.map(({ powerKw }) => Math.round((100 * powerKw) / powers.mostKwh))).toEqual([60, 45]);
    const twice = basisOf((kwh, i, most) => (between(i, 10, 20) || between(i, 30, 40) ? Math.min(kwh, 0.6 * most) : kwh));
    expect(read(twice.frame).spells).toHaveLength(2);
  });

  it("spoils the hours it touched for all other causes, and is measured by what was usual without it", () => {
    const { frame } = basisOf((kwh, i, most) => (between(i, 20, 40) ? Math.min(kwh, 0.5 * most) : kwh));
    const { curtailed, spoilt, usual } = standstill(frame, NO_CEILING);
    expect(curtailed.spells).toHaveLength(1);
    expect(curtailed.touched.every((on, i) => on === 0 || spoilt[i] === 1)).toBe(true);
    expect(usual[30]!).toBeGreaterThan(0.95);
    const noon = 24 * 30 + 12;
    expect(curtailed.lostFrac[noon]!).toBeCloseTo(0.5, 1);
  });
});
