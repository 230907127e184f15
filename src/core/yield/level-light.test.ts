import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import { fillHorizontal, fillPlane, planeOf } from "../irradiance";
import { iamAt, planeReflection } from "../module";
import { pressurePa, runSun } from "../sun";
import { monthBins } from "../time";
import { type Weather, weatherFromMeans } from "../weather";
import { levelLight, runYield, yieldLines, yieldSum } from ".";

const TOWN = { latitudeDeg: 48, longitudeDeg: 11, timeZone: "Europe/Berlin", elevationM: 450 };
const made = weatherFromMeans(
  { ghiKwhM2: [31, 50, 92, 129, 161, 170, 173, 146, 102, 60, 33, 24], airTempC: [0, 1, 5, 9, 14, 17, 19, 19, 15, 10, 4, 1] },
  2023,
  TOWN,
);
const open: Weather = { ...made, dniWm2: null, dhiWm2: null, poaWm2: null, windSpeedMs: new Float64Array(made.axis.count).fill(2) };
const bins = monthBins(open.axis, TOWN.timeZone);
const sun = runSun(open.axis, TOWN);

/** What a sensor in a plane reads of that weather, behind glass or not. */
function sensor(tiltDeg: number, azimuthDeg: number, glass = false): Float64Array {
  const { count } = open.axis;
  const empty = () => new Float64Array(count).fill(Number.NaN);
  const sky = { ghiWm2: open.ghiWm2!.slice(), dniWm2: empty(), dhiWm2: empty() };
  fillHorizontal(sky, sun, "erbs", pressurePa(TOWN.elevationM) / 101_325, count);
  const out = { cosIncidence: empty(), directionalWm2: empty(), skyWm2: empty(), groundWm2: empty() };
  fillPlane({ ...sky, ...sun, albedo: new Float64Array(count).fill(0.2) }, planeOf(tiltDeg, azimuthDeg), "hay-davies", count, out);
  const pane = planeReflection("martin-ruiz", tiltDeg);
  return out.directionalWm2.map((beam, i) =>
    glass
      ? beam * iamAt(pane.table, out.cosIncidence[i]!) + out.skyWm2[i]! * pane.skyFrac + out.groundWm2[i]! * pane.groundFrac
      : beam + out.skyWm2[i]! + out.groundWm2[i]!,
  );
}

const roof = (parts: Partial<SiteInput> = {}) => site({ place: TOWN, inverters: [], albedo: 0.2, ...parts });
const south = { id: "south", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180 };
const east = { ...south, id: "east", count: 12, azimuthDeg: 90 };
const read = (poaWm2: Float64Array): Weather => ({ ...open, ghiWm2: null, poaWm2 });
/** Light over that of the level, over the hours that are told, and how many lit hours are not. */
function told(level: Weather, from = 0): { ratio: number; untoldFrac: number } {
  let [of, over, lit, untold] = [0, 0, 0, 0];
  for (let i = from; i < open.axis.count; i++) {
    if (!(sun.up[i]! > 0)) continue;
    lit++;
    if (Number.isNaN(level.ghiWm2![i]!)) untold++;
    else {
      of += level.ghiWm2![i]!;
      over += open.ghiWm2![i]!;
    }
  }
  return { ratio: of / over, untoldFrac: untold / lit };
}
const expectedKwh = (plant: ReturnType<typeof site>, weather: Weather): number =>
  yieldSum("", yieldLines(runYield(plant, levelLight(plant, weather, bins), bins))).expectedKwh;

describe("light of a sensor in a plane of its own", () => {
  it("is brought back to the level to a hundredth of what stood there, hour by hour and over the year", () => {
    const level = levelLight(roof({ lightPlane: { tiltDeg: 35, azimuthDeg: 160 } }), read(sensor(35, 160)), bins);
    expect(level.poaWm2).toBeNull();
    const off = [...open.ghiWm2!.keys()].filter((i) => sun.up[i]! > 0.1 && Math.abs(level.ghiWm2![i]! / open.ghiWm2![i]! - 1) > 0.01);
    const lit = [...sun.up].filter((up) => up > 0.1).length;
    expect(off.length / lit).toBeLessThan(0.005);
    expect(told(level).ratio).toBeCloseTo(1, 3);
    // Early and late on summer days the sun stands behind a plane to the south.
    expect(told(level).untoldFrac).toBeLessThan(0.15);
  });

  it("gives each array its own light: an east roof beside a sensor to the south is within a hundredth of the truth, and was off by a tenth", () => {
    const plant = roof({ arrays: [east], meters: [], lightPlane: { tiltDeg: 30, azimuthDeg: 180 } });
    const [truth, poa] = [expectedKwh(plant, open), sensor(30, 180)];
    expect(Math.abs(expectedKwh(plant, read(poa)) / truth - 1)).toBeLessThan(0.01);
    expect(expectedKwh(roof({ arrays: [east], meters: [] }), read(poa)) / truth - 1).toBeGreaterThan(0.1);
  });

  it("where arrays look two ways and the book says nothing, lies with the largest; with one way it stays in the plane", () => {
    const poa = sensor(30, 180);
    const [both, one] = [roof({ arrays: [east, south], meters: [] }), roof({ arrays: [south], meters: [] })];
    expect(Math.abs(expectedKwh(both, read(poa)) / expectedKwh(both, open) - 1)).toBeLessThan(0.01);
    expect(levelLight(one, read(poa), bins).poaWm2).toBe(poa);
  });

  it("of a reference cell had its own glass before it, which is taken off", () => {
    const plane = { lightPlane: { tiltDeg: 30, azimuthDeg: 180 } } as const;
    const behind = read(sensor(30, 180, true));
    const cell = levelLight(roof({ ...plane, lightSource: "reference-cell" }), behind, bins);
    const dome = levelLight(roof({ ...plane, lightSource: "station-b" }), behind, bins);
    expect(told(cell).ratio).toBeCloseTo(1, 3);
    expect(told(dome).ratio).toBeLessThan(0.985);
  });

  it("stands behind what was measured on the level, and keeps its gaps", () => {
    const poa = sensor(30, 180);
    poa[5000] = Number.NaN;
    const half = open.ghiWm2!.map((value, i) => (i < 4000 ? value : Number.NaN));
    const level = levelLight(roof({ lightPlane: { tiltDeg: 30, azimuthDeg: 180 } }), { ...read(poa), ghiWm2: half }, bins);
    expect(level.ghiWm2!.slice(0, 4000)).toEqual(open.ghiWm2!.slice(0, 4000));
    expect(level.ghiWm2![5000]).toBeNaN();
    expect(told(level, 4000).ratio).toBeCloseTo(1, 3);
  });

  it("that looks away from the sun tells nothing where a dull and a clear sky are as bright to it", () => {
    const level = levelLight(roof({ lightPlane: { tiltDeg: 90, azimuthDeg: 0 } }), read(sensor(90, 0)), bins).ghiWm2!;
    const untold = [...level.keys()].filter((i) => sun.up[i]! > 0.1 && Number.isNaN(level[i]!));
    expect(untold.length).toBeGreaterThan(50);
    const told = [...level.keys()].filter((i) => sun.up[i]! > 0.1 && !Number.isNaN(level[i]!));
    const wrong = told.filter((i) => Math.abs(level[i]! / open.ghiWm2![i]! - 1) > 0.02);
    expect(wrong.length / told.length).toBeLessThan(0.02);
  });
});
