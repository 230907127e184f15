import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { moduleLibrary } from "@/contracts/module-library";
import { stringCheck } from "@/core/electrical";
import { rowSpacing, slidSnow } from "@/core/geometry";
import { shadedYear } from "@/core/shading";
import type { TiltPlan } from "@/core/tilt";
import { number } from "../format";
import { bookSunTold, CLOUDLESS_TOLD } from "../sun-told";
import { lateWorking, legWorking, momentWorking, planWorking, wayWorking, worthWorking } from "./bench-workings";
import { rowsWorking, snowWorking } from "./rows-working";
import { hoursWorking, limitWorking, obstacleWorking } from "./site-workings";
import { stageMethod } from "./stage-methods";
import type { Working } from "./working";

const home = site().place;
const plant = site({
  place: { ...home, recordLowC: -14 },
  modules: { m: moduleLibrary[0]!.fields },
  inverters: [{ id: "i", arrays: ["a"], acRatedW: 6000, maxDcV: 1000, mpptMinV: 300, mpptMaxV: 850, inputMaxA: 30 }],
  arrays: [{ id: "a", name: "Roof", module: "m", count: 20, modulesPerString: 10, tiltDeg: 30, azimuthDeg: 180 }],
});
const check = stringCheck(plant.place, plant.arrays[0]!, plant.modules.m!, plant.inverters[0]!);
const checked = { arrayId: "a", name: "Roof", inverter: plant.inverters[0]!, check };
const plan: TiltPlan = {
  method: "simulated",
  positions: 2,
  steps: [
    { from: "03-20", tiltDeg: 15 },
    { from: "09-22", tiltDeg: 50.5 },
  ],
  yearKwh: 12_000,
  winterKwh: 4000,
  leastKwhPerDay: 18,
  monthsKwh: new Array<number>(12).fill(1000),
  lateKwh: [],
};

/** A reader must be able to do it again by hand. */
function whole({ title, value, unit, formula, inputs, source, assumptions }: Working): void {
  for (const words of [title, value, unit, formula, source]) expect(words).not.toBe("");
  expect(inputs.length).toBeGreaterThan(2);
  for (const input of inputs) expect(`${input.name}${input.value}${input.from}`).not.toMatch(/undefined|NaN|null/);
  expect(assumptions.length).toBeGreaterThan(0);
}

describe("workings of the site chapter", () => {
  it.each(["coldVoc", "moduleVoc", "hotVmp", "coldVmp", "current"] as const)("the limit %s tells value, limit and temperatures", (key) => {
    const working = limitWorking(plant, checked, key, "limit", key === "current" ? "A" : "V");
    whole(working);
    expect(working.value).toBe(number(check[key].value!, 1));
    expect(working.inputs.at(-1)!.value).toContain(number(check[key].limit!, 1));
  });

  it("a limit that the book does not know says so", () => {
    const open = {
      ...checked,
      check: stringCheck(plant.place, plant.arrays[0]!, plant.modules.m!, { ...plant.inverters[0]!, maxDcV: null }),
    };
    expect(limitWorking(plant, open, "coldVoc", "limit", "V").inputs.at(-1)!.value).toBe("not in the book");
  });

  it("an obstacle's cost is the sum of its months, and says which reading it is", () => {
    const working = obstacleWorking("Oak", [10, 5, 0, 0, 0, 0, 0, 0, 0, 0, 4, 8], 9000, "2024");
    whole(working);
    expect(working.value).toBe("27.0");
    expect(working.assumptions.join(" ")).toContain("Gain if removed");
    expect(obstacleWorking("Oak", [1], 9000, null).inputs[0]!.value).toBe("a cloudless year");
  });

  it("shaded hours tell sun, part and full shade", () => {
    const shaded = site({ obstacles: [{ id: "t", kind: "tree", heightM: 8, widthM: 6, eastM: 0, northM: -12 }] });
    whole(hoursWorking("Roof", shadedYear(shaded, "a", 2025).hours));
  });

  it("the stage of shading counts what stands in the way", () => {
    const shaded = site({
      obstacles: [{ id: "t", kind: "tree", heightM: 8, widthM: 6, eastM: 0, northM: -12 }],
      horizon: [{ azimuthDeg: 90, elevationDeg: 4 }],
    });
    const { terms, source } = stageMethod("shading", shaded);
    expect(terms.map((term) => term.value)).toEqual(["1", "drawn"]);
    expect(source).toContain("Kay & Kajiya");
    expect(stageMethod("shading", site()).terms.map((term) => term.value)).toEqual(["0", "level"]);
  });
});

describe("workings of the bench", () => {
  it.each(["as-is", "latitude", "latitude-15", "polynomial", "simulated"] as const)(
    "a plan of the school %s names its source",
    (method) => {
      whole(planWorking({ ...plan, method, positions: method === "as-is" ? 0 : 2 }, bookSunTold("2024", false), "energy"));
    },
  );

  it("a plan's tilts stand in it with their dates", () => {
    expect(planWorking(plan, CLOUDLESS_TOLD, "winter").inputs[0]!.value).toBe("03-20: 15.0°, 09-22: 50.5°");
  });

  it("a leg can be reckoned again from what is told", () => {
    const working = legWorking({ frameM: 2, baseM: 1.5 }, 60);
    whole(working);
    expect(Number(working.value)).toBeCloseTo(Math.sqrt(4 + 2.25 - 3), 3);
  });

  it("a late change tells four delays", () => {
    const working = lateWorking(plan.steps[0]!, [3, 12, 28, 50]);
    whole(working);
    expect(working.title).toContain("20 March");
    expect(working.inputs.map((input) => input.name)).toEqual(["1 week", "2 weeks", "3 weeks", "4 weeks"]);
  });

  it("a moment tells its light, typed or cloudless", () => {
    const at = { utcMs: Date.UTC(2025, 11, 21, 11, 30), airTempC: 4 };
    const looks = (ghiWm2: number | null) =>
      [0, 45].map((tiltDeg, k) => ({
        moment: { ...at, ghiWm2 },
        plane: { tiltDeg, azimuthDeg: 180 },
        expectedW: k === 0 ? 67 : 340,
      })) as unknown as Parameters<typeof momentWorking>;
    const [flat, tilted] = looks(null);
    const working = momentWorking(flat, tilted, "Europe/Madrid");
    whole(working);
    expect(working.value).toBe("340");
    expect(working.inputs.map((input) => input.value).slice(1)).toEqual(["cloudless sky", "67 W", "340 W", "4 °C"]);
    expect(working.inputs[0]!.value).toContain("2025-12-21 11:30");
    expect(momentWorking(...([...looks(210).slice(0, 2), "UTC"] as Parameters<typeof momentWorking>)).inputs[1]!.value).toBe("210 W/m²");
  });

  it("rows tell their window and height", () => {
    const rows = {
      latitudeDeg: 40,
      tiltDeg: 30,
      surfaceAzimuthDeg: 180,
      slantLengthM: 2,
      declinationDeg: -23.44,
      windowStartH: 10,
      windowEndH: 14,
    };
    const working = rowsWorking(rows, rowSpacing(rows)!);
    whole(working);
    expect(working.value).toBe("2.310");
  });

  it("slid snow can be reckoned again from snow, slope and tilt", () => {
    const rows = {
      latitudeDeg: 50,
      tiltDeg: 30,
      surfaceAzimuthDeg: 180,
      slantLengthM: 2,
      declinationDeg: -23.44,
      windowStartH: 10,
      windowEndH: 14,
    };
    const { edgeM } = slidSnow(rows.slantLengthM, rows.tiltDeg, 0.3);
    const working = snowWorking("lower edge that stays free", edgeM, rows, 0.3);
    whole(working);
    const slab = 0.3 * 2 * Math.cos(Math.PI / 6) * 0.7;
    expect(Number(working.value)).toBeCloseTo(0.21 + Math.sqrt(slab * Math.tan((38 * Math.PI) / 180)), 3);
  });

  it("a way to place the modules tells its twelve months, which add up to the year", () => {
    const monthsKwh = Array.from({ length: 12 }, (_, m) => 100 + m);
    const working = wayWorking("on the roof", { yearKwh: 1266, winterKwh: 600, monthsKwh }, bookSunTold("2024", true));
    expect(working.inputs[0]!.value).toBe("a usual year");
    whole(working);
    const told = working.inputs.slice(2).map((input) => Number(input.value.replace(" kWh", "")));
    expect(told.reduce((a, b) => a + b, 0)).toBe(1266);
    expect(working.inputs[2]!.name).toBe("January");
  });

  it("worth is the difference times the price", () => {
    const working = worthWorking("rack", 250, 0.1842);
    expect(working.value).toBe("46.05");
    expect(working.inputs.map((input) => input.value)).toEqual(["250.0 kWh", "0.1842"]);
  });
});
