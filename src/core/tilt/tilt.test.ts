import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { monthBins } from "../time";
import { clearSkyWeather, hoursOfYear } from "../weather";
import { applyWhatIf, prepareWeather, runPrepared } from "../yield";
import {
  bestSchedule,
  byMonth,
  type EnergyTable,
  energyTable,
  lateCostKwh,
  leastMonthKwhPerDay,
  methodSchedule,
  momentPowerW,
  polynomialTiltDeg,
  scheduleKwh,
  type TiltStep,
  twoReadings,
  withoutStandstill,
} from ".";

const sum = (days: Float64Array): number => days.reduce((a, b) => a + b, 0);
const stand = (latitudeDeg: number) =>
  site({
    commissioned: null,
    place: { latitudeDeg, longitudeDeg: 0, timeZone: "UTC" },
    arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: latitudeDeg < 0 ? 0 : 180 }],
    inverters: [],
  });
const clear = (latitudeDeg: number) =>
  prepareWeather(stand(latitudeDeg).place, clearSkyWeather(hoursOfYear(2025, 0), stand(latitudeDeg).place));
const tables = new Map<number, Promise<EnergyTable | null>>();
const tableAt = async (latitudeDeg: number): Promise<EnergyTable> => {
  const cached = tables.get(latitudeDeg) ?? energyTable(stand(latitudeDeg), clear(latitudeDeg), "a");
  tables.set(latitudeDeg, cached);
  return (await cached)!;
};
const wish = (latitudeDeg: number, positions: number, goal: "energy" | "winter" | "flattest" | "money" = "energy") => ({
  goal,
  positions,
  latitudeDeg,
  priceByMonth: null,
});

describe("tilt planner", () => {
  it.each([37, -33, 0.5, 65])("the fixed optimum under a clear sky is that of a brute-force search, at %d deg", async (latitude) => {
    const [best] = bestSchedule(await tableAt(latitude), wish(latitude, 1));
    const [stood, prepared] = [stand(latitude), clear(latitude)];
    const bins = monthBins(prepared.weather.axis, "UTC");
    const kwh = (tiltDeg: number) =>
      runPrepared(applyWhatIf(stood, { arrayId: "a", tiltDeg }), prepared, bins).expectedByBinKwh.reduce((a, b) => a + b, 0);
    let brute = { tilt: 0, kwh: 0 };
    for (let tilt = Math.max(0, best!.tiltDeg - 4); tilt < best!.tiltDeg + 4; tilt += 0.25)
      if (kwh(tilt) > brute.kwh) brute = { tilt, kwh: kwh(tilt) };
    expect(Math.abs(best!.tiltDeg - brute.tilt)).toBeLessThanOrEqual(0.5);
  });

  it("two positions are those of a brute-force search over dates and tilts", async () => {
    const table = await tableAt(37);
    const found = sum(scheduleKwh(table, bestSchedule(table, wish(37, 2))));
    let brute = 0;
    const text = (day: number) => new Date(Date.UTC(2025, 0, 1 + day)).toISOString().slice(5, 10);
    for (let spring = 60; spring < 120; spring += 3) {
      for (let autumn = 230; autumn < 300; autumn += 3) {
        const steps = (flat: number, steep: number): TiltStep[] => [
          { from: text(spring), tiltDeg: flat },
          { from: text(autumn), tiltDeg: steep },
        ];
        for (let flat = 8; flat < 24; flat += 4)
          for (let steep = 40; steep < 64; steep += 4) brute = Math.max(brute, sum(scheduleKwh(table, steps(flat, steep))));
      }
    }
    expect(found).toBeGreaterThanOrEqual(brute - 1e-6);
  });

  it("more positions never bring less, and no schedule beats the best tilt of every day", async () => {
    const table = await tableAt(37);
    const of = (n: number) => sum(scheduleKwh(table, bestSchedule(table, wish(37, n))));
    const [one, two, four, twelve] = [1, 2, 4, 12].map(of) as [number, number, number, number];
    expect(two).toBeGreaterThan(one);
    expect(four).toBeGreaterThan(two);
    expect(twelve).toBeGreaterThan(four);
    // What tracking the season by hand can bring is known to be a few per cent.
    expect(twelve / one - 1).toBeGreaterThan(0.03);
    expect(twelve / one - 1).toBeLessThan(0.09);
  });

  it("summer is flat and winter steep, in both hemispheres", async () => {
    for (const latitude of [37, -33]) {
      const days = bestSchedule(await tableAt(latitude), wish(latitude, 2));
      const june = days.find((step) => step.from < "06-15" && step.from > "01-15")!.tiltDeg;
      const december = days.find((step) => step.from > "07-15")!.tiltDeg;
      expect(latitude > 0 ? december - june : june - december).toBeGreaterThan(25);
    }
  });

  it("each goal is best at its own measure", async () => {
    const table = await tableAt(37);
    const days = (goal: "energy" | "winter" | "flattest") => scheduleKwh(table, bestSchedule(table, wish(37, 1, goal)));
    const winter = (d: Float64Array) => byMonth(d).reduce((a, kwh, m) => a + (m < 3 || m > 8 ? kwh : 0), 0);
    const [energy, inWinter, flat] = [days("energy"), days("winter"), days("flattest")];
    expect(winter(inWinter)).toBeGreaterThan(winter(energy));
    expect(sum(energy)).toBeGreaterThan(sum(inWinter));
    expect(leastMonthKwhPerDay(flat)).toBeGreaterThan(leastMonthKwhPerDay(energy));
    expect(leastMonthKwhPerDay(flat)).toBeGreaterThanOrEqual(leastMonthKwhPerDay(inWinter) - 1e-6);
  });

  it("a change made weeks late costs more with every week", async () => {
    const table = await tableAt(37);
    const steps = bestSchedule(table, wish(37, 2));
    const costs = [0, 7, 14, 21, 28].map((late) => lateCostKwh(table, steps, 0, late));
    expect(costs[0]).toBe(0);
    costs.slice(1).forEach((cost, k) => {
      expect(cost).toBeGreaterThan(costs[k]!);
    });
  });

  it("equal prices leave the most energy the most money; a dear winter steepens", async () => {
    const table = await tableAt(37);
    const of = (priceByMonth: number[] | null) => bestSchedule(table, { ...wish(37, 1, "money"), priceByMonth })[0]!.tiltDeg;
    expect(of(new Array<number>(12).fill(0.2))).toBeCloseTo(bestSchedule(table, wish(37, 1))[0]!.tiltDeg, 6);
    expect(of([1, 1, 1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 1, 1, 1])).toBeGreaterThan(of(null) + 5);
  });

  it("ends when told to", async () => {
    expect(await energyTable(stand(37), clear(37), "a", (done) => done < 0.1)).toBeNull();
  });
});

describe("methods", () => {
  it.each([
    [0, 1.4],
    [37, 29.9],
    [-31, 27.6],
    [60, 39.0],
  ])("the polynomial at %d deg is near %d", (latitude, tilt) => {
    expect(polynomialTiltDeg(latitude)).toBeCloseTo(tilt, 0);
  });

  it.each([
    ["latitude", 1, -30, [30]],
    ["latitude-15", 2, 40, [25, 55]],
    ["latitude-15", 2, -40, [55, 25]],
    ["latitude-15", 4, 10, [10, 0, 10, 25]],
  ] as const)("%s with %d positions at %d deg", (method, positions, latitude, tilts) => {
    expect(methodSchedule(method, positions, latitude)!.map((step) => step.tiltDeg)).toEqual(tilts);
  });

  it("says nothing where a school has no rule", () => {
    expect(methodSchedule("polynomial", 4, 40)).toBeNull();
    expect(methodSchedule("latitude-15", 12, 40)).toBeNull();
  });

  it("the latitude school stands steeper than the latitude in winter", () => {
    const monthly = methodSchedule("latitude", 12, 40)!.map((step) => step.tiltDeg);
    expect(monthly[11]!).toBeGreaterThan(60);
    expect(monthly[5]!).toBeLessThan(20);
    const south = methodSchedule("latitude", 12, -40)!.map((step) => step.tiltDeg);
    expect(south[5]!).toBeGreaterThan(60);
  });
});

describe("this moment", () => {
  const plane = (tiltDeg: number, azimuthDeg = 180) => ({ tiltDeg, azimuthDeg });

  it("a low winter sun: steep gives far more than flat", () => {
    const [flat, steep] = momentPowerW(stand(47), "a", { utcMs: Date.parse("2025-12-21T11:30:00Z"), ghiWm2: null, airTempC: 0 }, [
      plane(0),
      plane(60),
    ]);
    expect(steep! / flat!).toBeGreaterThan(2);
  });

  it("turned to the morning's sun it gives more than turned from it", () => {
    const at = { utcMs: Date.parse("2025-06-21T06:00:00Z"), ghiWm2: null, airTempC: 15 };
    const [east, west] = momentPowerW(stand(47), "a", at, [plane(30, 90), plane(30, 270)]);
    expect(east!).toBeGreaterThan(1.5 * west!);
  });

  it("at night there is none, under cloud the tilt hardly matters", () => {
    expect(momentPowerW(stand(47), "a", { utcMs: Date.parse("2025-12-21T23:00:00Z"), ghiWm2: null, airTempC: 0 }, [plane(30)])).toEqual([
      0,
    ]);
    const [flat, steep] = momentPowerW(stand(47), "a", { utcMs: Date.parse("2025-12-21T11:30:00Z"), ghiWm2: 30, airTempC: 0 }, [
      plane(0),
      plane(60),
    ]);
    expect(Math.abs(steep! / flat! - 1)).toBeLessThan(0.3);
  });
});

describe("two readings minutes apart", () => {
  const read = (first: number, second: number) => twoReadings({ expectedW: 200, readW: first }, { expectedW: 250, readW: second });

  it("fit the sky, or lie off together, or not", () => {
    expect(read(195, 248)).toMatchObject({ verdict: "both" });
    expect(read(140, 176)).toMatchObject({ verdict: "gain" });
    expect(read(140, 250)).toMatchObject({ verdict: "light-changed" });
    expect(read(200, 300)).toMatchObject({ verdict: "more-than-sky" });
  });

  it("are apart at five per cent of each other, and off the sky at ten", () => {
    expect(read(200, 250 * 1.049)!.verdict).toBe("both");
    expect(read(200, 250 * 1.051)!.verdict).toBe("light-changed");
    expect(read(200 * 0.901, 250 * 0.901)!.verdict).toBe("both");
    expect(read(200 * 0.899, 250 * 0.899)!.verdict).toBe("gain");
    expect(read(200 * 1.101, 250 * 1.101)!.verdict).toBe("more-than-sky");
  });

  it("tell the gain that was read beside the one that should come", () => {
    const report = read(190, 230)!;
    expect(report.expectedGainFrac).toBeCloseTo(0.25, 9);
    expect(report.readGainFrac).toBeCloseTo(230 / 190 - 1, 9);
    expect(twoReadings({ expectedW: 0, readW: 1 }, { expectedW: 5, readW: 1 })).toBeNull();
  });
});

describe("a year of tilts", () => {
  it("leaves changes out that change nothing", () => {
    const steps = [
      { from: "12-02", tiltDeg: 0 },
      { from: "12-07", tiltDeg: 0 },
    ];
    expect(withoutStandstill(steps)).toEqual([steps[0]]);
    const three = [
      { from: "03-01", tiltDeg: 20 },
      { from: "05-01", tiltDeg: 20.04 },
      { from: "10-01", tiltDeg: 55 },
    ];
    expect(withoutStandstill(three).map(({ from }) => from)).toEqual(["03-01", "10-01"]);
    expect(withoutStandstill([three[0]!, { from: "05-01", tiltDeg: 20.06 }, three[2]!])).toHaveLength(3);
  });
});
