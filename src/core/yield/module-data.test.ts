import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { SiteInput } from "@/contracts/site";
import { monthBins } from "../time";
import { expectedUncertainty, lowLightLossFrac, runYield } from ".";

const PLACE = { latitudeDeg: 48, longitudeDeg: 11, timeZone: "Europe/Berlin", elevationM: 450 };
const axis = hours("2023-06-01T00:00:00Z", 24 * 7);
const weather = clearWeather(axis, PLACE);
const run = (module: object, parts: object = {}) =>
  runYield(
    site({ place: PLACE, inverters: [], modules: { m: { pmpW: 400, gammaPmpPerK: -0.004, ...module } } }),
    { ...weather, ...parts },
    monthBins(axis, PLACE.timeZone),
  );
/** A matrix that says what the coefficient and a loss of nothing say. */
const plain = (gamma: number, atWeak = 1) => ({
  irradianceWm2: [100, 200, 1000],
  cellTempC: [25, 75],
  powerW: [100, 200, 1000].map((light) => [25, 75].map((t) => 400 * (light / 1000) * (1 + gamma * (t - 25)) * (light < 1000 ? atWeak : 1))),
});

describe("a module's measured matrix in the chain", () => {
  it("that says what the coefficient says gives what the coefficient gives", () => {
    const [byMatrix, byCoefficient] = [run({ powerMatrix: plain(-0.004) }), run({ lowLightLossFrac: 0 })];
    expect(byMatrix.expectedByBinKwh[0]! / byCoefficient.expectedByBinKwh[0]!).toBeCloseTo(1, 6);
    expect(Math.abs(byMatrix.accountsKwh.lowLight[0]! / byMatrix.expectedByBinKwh[0]!)).toBeLessThan(1e-5);
  });

  it("stands before coefficient and loss under weak light", () => {
    const steep = run({ powerMatrix: plain(-0.006), lowLightLossFrac: 0 });
    expect(steep.accountsKwh.temperature[0]! / run({ lowLightLossFrac: 0 }).accountsKwh.temperature[0]!).toBeCloseTo(1.5, 2);
    expect(run({ powerMatrix: plain(-0.004, 0.9) }).accountsKwh.lowLight[0]).toBeGreaterThan(0.5);
  });

  it("tells the loss at 200 W/m2, and nothing of weak light is left open", () => {
    const module = site({ modules: { m: { pmpW: 400, powerMatrix: plain(-0.004, 0.95) } } }).modules.m!;
    expect(lowLightLossFrac(module)).toBeCloseTo(0.05, 12);
    const open = (powerMatrix: unknown) =>
      expectedUncertainty(site({ modules: { m: { pmpW: 400, powerMatrix } } } as Partial<SiteInput>), {
        inPlane: false,
        ageYears: 0,
        assumed: { air: false, wind: false },
        months: 12,
      }).parts.some(({ name }) => name === "low-light");
    expect([open(null), open(plain(-0.004))]).toEqual([true, false]);
  });
});

describe("a module's back that was measured", () => {
  const back = (tempC: number) => ({ moduleTempC: new Float64Array(axis.count).fill(tempC) });

  it("sets the cells' temperature: cold backs gain, hot ones lose", () => {
    expect(run({}, back(5)).accountsKwh.temperature[0]).toBeLessThan(0);
    expect(run({}, back(70)).accountsKwh.temperature[0]).toBeGreaterThan(2 * run({}).accountsKwh.temperature[0]!);
  });

  it("leaves the model where it was not read", () => {
    expect(run({}, back(Number.NaN)).expectedKwh).toEqual(run({}).expectedKwh);
  });
});
