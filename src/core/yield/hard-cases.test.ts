import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import { monthBins } from "../time";
import { clearSkyWeather, hoursOfYear, type Weather, weatherFromMeans } from "../weather";
import { runYield, type YieldRun, yieldLines, yieldSum } from ".";

/** Sun and air of an invented town at 48 degrees north, 1,170 kWh/m2 a year, month by month. */
const MEANS = {
  ghiKwhM2: [31, 50, 92, 129, 161, 170, 173, 146, 102, 60, 33, 24],
  airTempC: [0, 1, 5, 9, 14, 17, 19, 19, 15, 10, 4, 1],
};
const TOWN = { latitudeDeg: 48, longitudeDeg: 11, timeZone: "Europe/Berlin", elevationM: 450 };
const made = weatherFromMeans(MEANS, 2023, TOWN);
const ofTown: Weather = { ...made, dniWm2: null, dhiWm2: null, poaWm2: null, windSpeedMs: new Float64Array(made.axis.count).fill(2) };

const KWP = 8;
const array = (parts: object = {}) => ({ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, ...parts });
const modules = (bifacialityFrac: number) => ({ m: { pmpW: 400, bifacialityFrac } });
const run = (parts: Partial<SiteInput>, weather = ofTown): YieldRun =>
  runYield(site({ place: TOWN, inverters: [], ...parts }), weather, monthBins(weather.axis, parts.place?.timeZone ?? TOWN.timeZone));
const year = (parts: Partial<SiteInput>, weather = ofTown) => yieldSum("", yieldLines(run(parts, weather)));
const perKwp = (parts: Partial<SiteInput>, weather = ofTown): number => year(parts, weather).expectedKwh / KWP;

describe("modules of two sides", () => {
  const upright = (azimuthDeg: number, bifacialityFrac: number): Partial<SiteInput> => ({
    arrays: [array({ tiltDeg: 90, azimuthDeg })],
    modules: modules(bifacialityFrac),
  });

  it("upright between east and west give about what a roof to the south does: both sides have beam", () => {
    const [east, west] = [perKwp(upright(90, 0.9)), perKwp(upright(270, 0.9))];
    expect(east).toBeGreaterThan(980);
    expect(east).toBeLessThan(1130);
    // Which side is called the front hardly matters.
    expect(Math.abs(east / west - 1)).toBeLessThan(0.01);
    expect(east / perKwp(upright(90, 0))).toBeGreaterThan(1.75);
  });

  it("have two peaks a day then, and one of one side has one", () => {
    const clear = clearSkyWeather({ startUtcMs: Date.UTC(2023, 5, 21), stepMinutes: 10, count: 144 }, TOWN);
    const peaks = (bifacialityFrac: number): number => {
      const { expectedKwh } = run(upright(90, bifacialityFrac), clear);
      return [...expectedKwh.keys()].filter(
        (i) => i > 0 && i < 143 && expectedKwh[i]! > Math.max(expectedKwh[i - 1]!, expectedKwh[i + 1]!, 0.3),
      ).length;
    };
    expect([peaks(0.9), peaks(0)]).toEqual([2, 1]);
  });

  it("in tilted rows over grass gain 4 to 7 %, less where rows stand close, more where the ground is bright or far below", () => {
    const gain = (parts: object = {}, albedo = 0.2): number => {
      const sum = year({ arrays: [array({ baseHeightM: 1, ...parts })], modules: modules(0.75), albedo });
      return -sum.accountsKwh.rear / sum.referenceKwh;
    };
    expect(gain()).toBeGreaterThan(0.04);
    expect(gain()).toBeLessThan(0.07);
    expect(gain({ rowPitchM: 5 })).toBeLessThan(gain({ rowPitchM: 9 }));
    expect(gain({ baseHeightM: 0.3 })).toBeLessThan(gain({ baseHeightM: 2 }));
    expect(gain({}, 0.5)).toBeGreaterThan(1.8 * gain());
  });

  it("see no more than there is: a lone row over white ground gets at most its view of it", () => {
    const sum = year({ arrays: [array({ tiltDeg: 0, baseHeightM: 200, rowPitchM: 300 })], modules: modules(1), albedo: 1 });
    const most = MEANS.ghiKwhM2.reduce((a, b) => a + b, 0) * KWP;
    expect(-sum.accountsKwh.rear).toBeLessThan(most);
    expect(-sum.accountsKwh.rear).toBeGreaterThan(0.7 * most);
  });

  it("lose the rear's beam behind a wall", () => {
    const wall = { kind: "wall" as const, azimuthDeg: 270, distanceM: 4, heightM: 8, widthM: 60 };
    const open = year(upright(90, 0.9));
    const behind = year({ ...upright(90, 0.9), arrays: [array({ tiltDeg: 90, azimuthDeg: 90, obstacles: [wall] })] });
    expect(behind.accountsKwh.rear).toBeGreaterThan(0.8 * open.accountsKwh.rear);
  });
});

describe("places at the ends of what the models know", () => {
  it("at the equator, 2,850 m up, the clear noon is bright, and flat is as good as any tilt", () => {
    const place = { latitudeDeg: 0, longitudeDeg: -78, elevationM: 2850, timeZone: "Etc/GMT+5" };
    const clear = clearSkyWeather(hoursOfYear(2023, -5), place);
    const noon = Math.max(...clear.ghiWm2!);
    expect(noon).toBeGreaterThan(1080);
    expect(noon).toBeLessThan(0.95 * 1361);
    const flat = perKwp({ place, arrays: [array({ tiltDeg: 0 })] }, clear);
    for (const azimuthDeg of [0, 90, 180, 270]) expect(perKwp({ place, arrays: [array({ azimuthDeg })] }, clear)).toBeLessThan(flat);
    const [north, south] = [0, 180].map((azimuthDeg) => perKwp({ place, arrays: [array({ azimuthDeg })] }, clear));
    expect(Math.abs(north! / south! - 1)).toBeLessThan(0.02);
  });

  it("at 65 north a year adds up, June outdoes December eight times, and steep beats flat", () => {
    const place = { latitudeDeg: 65, longitudeDeg: 26, elevationM: 50, timeZone: "Europe/Helsinki" };
    const clear = clearSkyWeather(hoursOfYear(2023, 2), place);
    const { expectedByBinKwh } = run({ place, arrays: [array({ tiltDeg: 45 })] }, clear);
    expect(expectedByBinKwh.every((kwh) => kwh >= 0)).toBe(true);
    expect(expectedByBinKwh[5]! / expectedByBinKwh[11]!).toBeGreaterThan(8);
    expect(perKwp({ place, arrays: [array({ tiltDeg: 50 })] }, clear)).toBeGreaterThan(
      perKwp({ place, arrays: [array({ tiltDeg: 0 })] }, clear),
    );
  });

  it("at 34 south north is the sunny side, and January the best month of a flat roof", () => {
    const place = { latitudeDeg: -34, longitudeDeg: 18, elevationM: 50, timeZone: "Africa/Johannesburg" };
    const clear = clearSkyWeather(hoursOfYear(2023, 2), place);
    const toward = (azimuthDeg: number): number => perKwp({ place, arrays: [array({ azimuthDeg })] }, clear);
    expect(toward(0)).toBeGreaterThan(1.15 * toward(180));
    const flat = [...run({ place, arrays: [array({ tiltDeg: 0 })] }, clear).expectedByBinKwh];
    expect([0, 11]).toContain(flat.indexOf(Math.max(...flat)));
  });

  it("with 1.8 times as many modules as inverter, clipping is what the bare power has above the rating", () => {
    const clear = clearSkyWeather(hoursOfYear(2023, 1), TOWN);
    const acRatedW = (KWP * 1000) / 1.8;
    const inverter = { id: "i", arrays: ["a"], acRatedW, ratedEfficiencyFrac: 0.97 };
    const models = { subHourlyClipping: "ignored" as const, inverter: "constant" as const };
    const losses = { acWiringFrac: 0 };
    const held = run({ arrays: [array()], inverters: [inverter], models, losses }, clear);
    const bare = run({ arrays: [array()], inverters: [{ ...inverter, acRatedW: 1e6 }], models, losses }, clear);
    const over = bare.expectedKwh.reduce((sum, kwh) => sum + Math.max(0, kwh - acRatedW / 1000), 0);
    const clipped = held.accountsKwh.clipping.reduce((a, b) => a + b, 0);
    expect(clipped).toBeGreaterThan(0.1 * bare.expectedByBinKwh.reduce((a, b) => a + b, 0));
    expect(clipped / over).toBeCloseTo(1, 6);
    // The swing inside of an hour of broken cloud is cut too.
    const swung = year({ arrays: [array()], inverters: [inverter] });
    const even = year({ arrays: [array()], inverters: [inverter], models: { subHourlyClipping: "ignored" } });
    expect(swung.accountsKwh.clipping).toBeGreaterThan(1.05 * even.accountsKwh.clipping);
  });

  it("without a thermometer or an anemometer the year stays within what the budget gives them", () => {
    const measured = perKwp({});
    for (const missing of [{ airTempC: null }, { windSpeedMs: null }, { airTempC: null, windSpeedMs: null }]) {
      expect(Math.abs(perKwp({}, { ...ofTown, ...missing }) / measured - 1), JSON.stringify(missing)).toBeLessThan(0.015);
    }
  });
});
