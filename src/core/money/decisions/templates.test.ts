import { near } from "@test/near";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { Site } from "../../site";
import type { YieldOptions } from "../../yield";
import { CASE_TEMPLATES, meanYear, wholeYears } from "..";
import type { CaseFacts } from "./template";

const plant = site({
  place: { latitudeDeg: 40, longitudeDeg: 0, elevationM: 100, timeZone: "Europe/Madrid" },
  modules: { m: { pmpW: 400, gammaPmpPerK: -0.0035, areaM2: 1.9 } },
});
const facts: CaseFacts = { ageYears: 10, ageingPerYearFrac: 0.005, soiling: null };
const templateOf = (id: string) => CASE_TEMPLATES.find((each) => each.id === id)!;
const inputsOf = (id: string, of: Site = plant, known = facts) =>
  Object.fromEntries((templateOf(id).inputsFor(of, known) ?? []).map(({ key, value }) => [key, value]));

/** What a template asks the model for: the sites it tries, and what it makes of a year that brings this each month. */
async function tried(
  id: string,
  figures: Record<string, number> = {},
  { of = plant, kwh = (_: Site, _options?: YieldOptions): number => 100 } = {},
) {
  const calls: { readonly site: Site; readonly options: YieldOptions | undefined }[] = [];
  const simulate = async (each: Site, options?: YieldOptions): Promise<number[]> => {
    calls.push({ site: each, options });
    return new Array<number>(12).fill(kwh(each, options));
  };
  const sides = await templateOf(id).sides(of, { ...inputsOf(id, of), ...figures }, simulate, facts, async (each, options) => [
    await simulate(each, options),
  ]);
  return {
    calls,
    sides,
    costs: sides.map(({ sums, perYear }) => [
      ...sums.map(({ what, amount }) => `${what} ${amount}`),
      ...perYear.map(({ what, amount }) => `${what} ${amount} a year`),
    ]),
  };
}

describe("what a case asks for, and what its ways cost", () => {
  it("cleaning: each costs the same, and grows dirt by what was read where it was", async () => {
    expect(inputsOf("cleaning")).toEqual({ each: 138, rate: 0.06, rain: 6 });
    expect(inputsOf("cleaning", plant, { ...facts, soiling: { ratePerDayFrac: 0.00123, cleaningRainMm: 4.4 } })).toMatchObject({
      rate: 0.123,
      rain: 4,
    });
    // A cleaning in July brings most, then one in August; the model is told both.
    const { costs, calls, sides } = await tried(
      "cleaning",
      {},
      {
        kwh: (_, options) =>
          100 +
          ((options?.cleanings ?? []).some((day) => day.endsWith("-07-18")) ? 9 : 0) +
          ((options?.cleanings ?? []).some((day) => day.endsWith("-08-04")) ? 5 : 0),
      },
    );
    expect(costs).toEqual([[], ["cleaning 138.00 a year"], ["cleaning 276.00 a year"], ["cleaning 414.00 a year"]]);
    expect(sides[1]!.name).toMatchObject({ monthDays: ["07-18"], timesAYear: 1 });
    expect(sides[2]!.name).toMatchObject({ monthDays: ["07-18", "08-04"] });
    expect(sides[3]!.monthsKwh[0]).toBe(114);
    expect(calls[0]!.site.soiling.ratePerDayFrac).toBeCloseTo(0.0006, 12);
    expect(calls[0]!.site.models.soiling).toBe("build-up");
    expect(calls).toHaveLength(1 + 24 + 23 + 22);
    expect(calls[1]!.options!.cleanings).toContain("2023-01-04");
  });

  it("a new roof: down, and then nothing, the old, or a new and better one", async () => {
    expect(inputsOf("new-roof")).toEqual({ down: 1210, again: 1580, scrap: 220, renew: 7600, better: 15, left: 18 });
    expect(inputsOf("new-roof", plant, { ...facts, ageYears: 26 }).left).toBe(3);
    const { sides, costs } = await tried("new-roof");
    expect(costs).toEqual([
      ["taking-down 1210.00", "scrapping 220.00"],
      ["taking-down 1210.00", "putting-back 1580.00"],
      ["taking-down 1210.00", "scrapping 220.00", "new-array 7600.00"],
    ]);
    expect(sides.map(({ monthsKwh }) => monthsKwh[0])).toEqual([0, 100, near((100 / 0.95) * 1.15, 9)]);
    expect(sides.map(({ endsAfterYears }) => endsAfterYears)).toEqual([null, 18, null]);
  });

  it("snow: a share of what lies there, at each time's price", async () => {
    expect(templateOf("snow-clearing").inputsFor({ ...plant, models: { ...plant.models, snow: "none" } }, facts)).toBeNull();
    const snowy = { ...plant, models: { ...plant.models, snow: "sliding" as const } };
    expect(inputsOf("snow-clearing", snowy)).toEqual({ each: 45, times: 8, share: 60 });
    const { sides, costs, calls } = await tried("snow-clearing", {}, { of: snowy, kwh: (_, options) => (options?.without ? 100 : 50) });
    expect(sides.map(({ monthsKwh }) => monthsKwh[0])).toEqual([50, 80]);
    expect(costs).toEqual([[], ["clearings 360.00 a year"]]);
    expect(calls[1]!.options).toEqual({ without: ["snow"] });
  });

  it("a tree: the largest, trimmed again and again or felled once", async () => {
    expect(templateOf("tree").inputsFor(plant, facts)).toBeNull();
    const tree = (name: string, heightM: number) => ({ id: name, kind: "tree" as const, name, eastM: 10, northM: -10, heightM, widthM: 4 });
    const shaded = site({ obstacles: [tree("pear", 5), { ...tree("mast", 30), kind: "pole" as const }, tree("lime", 12)] });
    expect(inputsOf("tree", shaded)).toEqual({ fell: 990, trim: 380, every: 4, height: 65 });
    const { costs, calls, sides } = await tried("tree", {}, { of: shaded });
    expect(costs).toEqual([[], ["trimming 380.00", "trimming-again 95.00 a year"], ["felling 990.00"]]);
    expect(calls.map((call) => call.site.obstacles.map(({ heightM }) => heightM))).toEqual([
      [5, 30, 12],
      [5, 30, near(7.8, 12)],
      [5, 30],
    ]);
    expect(sides[1]!.name).toMatchObject({ tree: "lime" });
  });

  it("turning: to where it should look, for the work", async () => {
    expect(inputsOf("turn")).toEqual({ tilt: 34, azimuth: 180, work: 1040 });
    expect(inputsOf("turn", { ...plant, place: { ...plant.place, latitudeDeg: -80 } })).toMatchObject({ tilt: 60, azimuth: 0 });
    const { costs, calls } = await tried("turn", { tilt: 20, azimuth: 200 });
    expect(costs).toEqual([[], ["the-work 1040.00"]]);
    expect(calls[1]!.site.arrays[0]).toMatchObject({ tiltDeg: 20, azimuthDeg: 200 });
    expect(calls[0]!.site.arrays[0]).toMatchObject({ tiltDeg: 30, azimuthDeg: 180 });
  });

  it("tilting: by hand some times a year, or by a motor that does as much", async () => {
    expect(inputsOf("tilt-positions")).toEqual({ fixed: 30, rack: 480, visit: 37, motor: 1120, service: 24 });
    const { costs, calls, sides } = await tried("tilt-positions");
    expect(costs).toEqual([
      [],
      ["tilting-rack 480.00", "visits 74.00 a year"],
      ["tilting-rack 480.00", "visits 148.00 a year"],
      ["tilting-rack 480.00", "visits 444.00 a year"],
      ["motor 1600.00", "service 24.00 a year"],
    ]);
    expect(sides).toHaveLength(5);
    const [, twice] = calls;
    expect(twice!.site.arrays[0]!.tiltSchedule.map(({ from }) => from)).toEqual(["03-01", "09-01"]);
    // Summer lies flatter than winter, and both between flat and upright.
    const [summer, winter] = twice!.site.arrays[0]!.tiltSchedule.map(({ tiltDeg }) => tiltDeg);
    expect(summer).toBe(24);
    expect(winter).toBe(54);
    const months = calls[3]!.site.arrays[0]!.tiltSchedule.map(({ tiltDeg }) => tiltDeg);
    expect(months).toEqual([61, 53, 42, 30, 17, 13, 15, 27, 38, 50, 59, 63]);
  });

  it("a rack in the open: bought, and mown around", async () => {
    expect(inputsOf("roof-or-rack")).toEqual({ tilt: 34, azimuth: 180, rack: 2000, upkeep: 32 });
    const { costs, calls } = await tried("roof-or-rack");
    expect(costs).toEqual([[], ["rack 2000.00", "mowing 32.00 a year"]]);
    expect(calls[1]!.site.arrays[0]).toMatchObject({ mounting: "open-rack", tiltDeg: 34, obstacles: [] });
  });

  it("a larger inverter: bought, the old one sold", async () => {
    expect(inputsOf("larger-inverter")).toEqual({ rating: 8000, price: 1320, sold: 90 });
    const { costs, calls } = await tried("larger-inverter");
    expect(costs).toEqual([[], ["inverter 1320.00", "old-one-sold -90.00"]]);
    expect(calls[1]!.site.inverters[0]!.acRatedW).toBe(8000);
    expect(templateOf("larger-inverter").inputsFor({ ...plant, inverters: [] }, facts)).toBeNull();
  });

  it("an inverter at each module: as many as there are modules, without mismatch", async () => {
    expect(inputsOf("module-inverters")).toEqual({ unit: 340, efficiency: 96, each: 75 });
    const { costs, calls } = await tried("module-inverters");
    expect(costs).toEqual([[], ["module-inverters 1500.00"]]);
    expect(calls[1]!.site.inverters).toMatchObject([{ perModule: true, acRatedW: 340, ratedEfficiencyFrac: 0.96, arrays: ["a"] }]);
    expect(calls[1]!.site.losses.mismatchFrac).toBe(0);
    expect(
      templateOf("module-inverters").inputsFor(
        { ...plant, inverters: plant.inverters.map((each) => ({ ...each, perModule: true })) },
        facts,
      ),
    ).toBeNull();
  });

  it("which module: as many as the area holds, each at its price with its rack", async () => {
    expect(inputsOf("which-module")).toMatchObject({
      area: 38,
      powerA: 400,
      sizeA: 1.9,
      gammaA: -0.35,
      priceA: 112,
      powerB: 450,
      priceB: 168,
      rack: 85,
    });
    const { costs, calls, sides } = await tried("which-module", { sizeB: 2 });
    expect(costs).toEqual([
      ["modules 2240.00", "racking-and-electronics 1700.00"],
      ["modules 3192.00", "racking-and-electronics 1615.00"],
    ]);
    expect(sides[1]!.name).toMatchObject({ letter: "B", count: 19, powerW: 450 });
    expect(calls[1]!.site.arrays).toMatchObject([{ count: 19, modulesPerString: 19 }]);
    expect(calls[1]!.site.inverters[0]!.acRatedW).toBeCloseTo(6000 * ((19 * 450) / 8000), 9);
    expect(calls[0]!.site.inverters[0]!.acRatedW).toBe(6000);
    expect(calls[1]!.site.modules.m).toMatchObject({ pmpW: 450, areaM2: 2, gammaPmpPerK: -0.0029 });
  });

  it("added modules: each at its price, with an input of their own or a loss in the same strings", async () => {
    expect(inputsOf("add-modules")).toEqual({ count: 3, power: 400, each: 300, input: 420, mismatch: 2.5 });
    const { costs, calls } = await tried("add-modules", { count: 4 });
    expect(costs).toEqual([[], ["modules 1200.00", "input 420.00"], ["modules 1200.00"]]);
    expect(calls[1]!.site.arrays.at(-1)).toMatchObject({ id: "added", count: 4, modulesPerString: 4 });
    expect(calls[1]!.site.inverters[0]!.arrays).toEqual(["a", "added"]);
    expect(calls[1]!.site.meters[0]!.arrays).toEqual(["a", "added"]);
    expect(calls[2]!.site.losses.mismatchFrac).toBeCloseTo(plant.losses.mismatchFrac + 0.025, 12);
    expect(calls[1]!.site.losses.mismatchFrac).toBe(plant.losses.mismatchFrac);
  });
});

describe("cleaning days over several years", () => {
  /** Years in which another day brings most each, and one that brings a little in all. */
  const LUCKY = ["03-04", "06-18", "09-04"];
  const simulateYears = async (_: Site, options?: YieldOptions): Promise<number[][]> => {
    const days = new Set((options?.cleanings ?? []).map((day) => day.slice(5)));
    return LUCKY.map((lucky) => new Array<number>(12).fill(100 + (days.has(lucky) ? 10 : 0) + (days.has("07-18") ? 6 : 0)));
  };

  it("are worth what the other years' plan brings: a day that was lucky once is not counted on", async () => {
    const [, once] = await templateOf("cleaning").sides(
      plant,
      inputsOf("cleaning"),
      async () => new Array<number>(12).fill(100),
      facts,
      simulateYears,
    );
    expect(once!.name).toMatchObject({ code: "cleaned", monthDays: ["07-18"] });
    expect(once!.monthsKwh[0]).toBeCloseTo(106, 9);
    // With two days the plan of all years has one lucky year in it, which that year itself must not choose.
    const sides = await templateOf("cleaning").sides(
      plant,
      inputsOf("cleaning"),
      async () => new Array<number>(12).fill(100),
      facts,
      simulateYears,
    );
    const named = await simulateYears(plant, {
      cleanings: (sides[2]!.name as unknown as { monthDays: string[] }).monthDays.map((day) => `2020-${day}`),
    });
    const hindsight = named.reduce((sum, months) => sum + months[0]!, 0) / LUCKY.length;
    expect(sides[2]!.monthsKwh[0]!).toBeLessThan(hindsight);
  });
});

describe("years of a run", () => {
  const months = (year: number, count: number, kwh: number) =>
    Array.from({ length: count }, (_, m) => ({ key: `${year}-${String(m + 1).padStart(2, "0")}`, expectedKwh: kwh }));

  it("are the whole ones, each for itself, and their mean", () => {
    const years = wholeYears([...months(2020, 12, 10), ...months(2021, 12, 20), ...months(2022, 5, 90)]);
    expect(years.map((year) => year[0])).toEqual([10, 20]);
    expect(meanYear(years)).toEqual(new Array(12).fill(15));
  });

  it("are what there is where none is whole", () => {
    expect(wholeYears(months(2022, 5, 90))).toEqual([[90, 90, 90, 90, 90, 0, 0, 0, 0, 0, 0, 0]]);
  });
});
