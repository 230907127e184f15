import { site, siteInput } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { obstacleKinds, siteObstacleSchema, siteSchema } from "@/contracts/site";
import { pricePerKwh } from "@/core/money";
import { bearingOf } from "@/core/shading";
import { arrayLayout, arrayPlace, moduleSizeM } from "@/core/site";
import { Refusal } from "@/usecases/refusal";
import { tiltReminders } from "@/usecases/reminders";
import { dayName, monthOfYear } from "@/wording/geometry";
import { tiltWords } from "@/wording/reminders";
import { freeId } from "./free-id";
import { obstaclePath, obstaclesInPlan, placeArray, placeObstacle } from "./in-plan";
import { momentStore } from "./moment";
import { type SiteForm, type SiteValues, toDocument, toValues, validateSite } from "./site-values";

const array = { id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180, eastM: 2, northM: 1 };
const plan = site({
  arrays: [{ ...array, obstacles: [{ kind: "pole", azimuthDeg: 90, distanceM: 10, heightM: 6, widthM: 0.3 }] }],
  obstacles: [{ id: "oak", kind: "tree", name: "Oak", heightM: 9, widthM: 6, eastM: 0, northM: -12 }],
});

/** As much of a form as moving things needs: values that are read and set by name. */
function formOf(document: typeof plan): { form: SiteForm; values: () => SiteValues } {
  let values = toValues(document);
  const form = {
    getValues: () => values,
    setFieldValue: (path: keyof SiteValues, value: never) => {
      values = { ...values, [path]: value };
    },
  } as unknown as SiteForm;
  return { form, values: () => values };
}

describe("things in the plan", () => {
  it("are the site's obstacles and those that an array tells by bearing", () => {
    expect(obstaclesInPlan(plan).map(({ id, eastM, northM }) => [id, Math.round(eastM), Math.round(northM)])).toEqual([
      ["oak", 0, -12],
      ["a#0", 12, 1],
    ]);
    expect(obstaclePath(plan, "oak")).toBe("obstacles.0");
    expect(obstaclePath(plan, "a#0")).toBe("arrays.0.obstacles.0");
  });

  it("an obstacle of the plan moves to where it is dragged", () => {
    const { form, values } = formOf(plan);
    placeObstacle(form, plan, "oak", { eastM: 5, northM: -8 });
    expect(values().obstacles[0]).toMatchObject({ eastM: 5, northM: -8, heightM: 9 });
  });

  it("one told by bearing gets a new bearing and distance, and stands there", () => {
    const { form, values } = formOf(plan);
    placeObstacle(form, plan, "a#0", { eastM: 2, northM: -9 });
    expect(values().arrays[0]!.obstacles[0]).toMatchObject({ azimuthDeg: 180, distanceM: 10, heightM: 6 });
  });

  it("an array moves by itself, and its own obstacle goes with it", () => {
    const { form, values } = formOf(plan);
    placeArray(form, "a", { eastM: 12, northM: 1 });
    const moved = siteSchema.parse(toDocument(values()));
    expect(arrayPlace(moved, "a").eastM).toBe(12);
    expect(Math.round(obstaclesInPlan(moved)[1]!.eastM)).toBe(22);
  });

  it("bearing and distance lead back to the place", () => {
    for (const [eastM, northM] of [
      [3, 4],
      [-3, 4],
      [-3, -4],
      [3, -4],
    ] as const) {
      const { azimuthDeg, distanceM } = bearingOf({ eastM: 1, northM: 1 }, { eastM: 1 + eastM, northM: 1 + northM });
      expect(distanceM).toBeCloseTo(5, 9);
      expect(distanceM * Math.sin((azimuthDeg * Math.PI) / 180)).toBeCloseTo(eastM, 9);
      expect(azimuthDeg >= 0 && azimuthDeg < 360).toBe(true);
    }
  });
});

describe("how modules lie", () => {
  const layoutOf = (parts: object) => {
    const stood = site({ arrays: [{ ...array, ...parts }] });
    return arrayLayout(stood, stood.arrays[0]!);
  };

  it.each([
    [{ count: 24, modulesPerString: 12 }, 12, 2],
    [{ count: 24, modulesPerString: 12, rows: 4 }, 6, 4],
    [{ count: 7, modulesPerString: 7 }, 7, 1],
    [{ count: 1 }, 1, 1],
    [{ count: 50 }, 10, 5],
  ])("%j: %d columns, %d rows", (parts, columns, rows) => {
    expect(layoutOf(parts)).toMatchObject({ columns, rows });
  });

  it("upright modules are taller than wide, on the long side wider than tall", () => {
    const upright = layoutOf({ count: 1 });
    const lying = layoutOf({ count: 1, orientation: "landscape" });
    expect(upright.slantM).toBeGreaterThan(upright.widthM);
    expect(lying.widthM).toBeCloseTo(upright.slantM, 9);
  });

  it("a module of unknown area gets a usual one", () => {
    const { lengthM, widthM } = moduleSizeM({ ...plan.modules.m!, areaM2: null });
    expect(lengthM * widthM).toBeCloseTo(400 / 200, 9);
    const known = moduleSizeM({ ...plan.modules.m!, areaM2: 1.75 });
    expect(known.lengthM * known.widthM).toBeCloseTo(1.75, 9);
  });

  it("the head rises with the tilt", () => {
    const up = (tiltDeg: number) => arrayPlace(site({ arrays: [{ ...array, tiltDeg, baseHeightM: 1 }] }), "a").upM;
    expect(up(0)).toBe(1);
    expect(up(60)).toBeGreaterThan(up(30));
    expect(() => arrayPlace(plan, "b")).toThrow(/no array b/);
  });
});

describe("what a site file may say of shade", () => {
  const oak = { id: "oak", kind: "tree", heightM: 9, widthM: 6, eastM: 0, northM: 0 };

  it.each(obstacleKinds)("an obstacle may be a %s", (kind) => {
    expect(siteObstacleSchema.parse({ ...oak, kind })).toMatchObject({ kind, name: "", depthM: null, lightThroughMonthlyFrac: null });
  });

  it.each([
    [{ heightM: 0 }, /height must be above 0/],
    [{ widthM: -1 }, /width must be above 0/],
    [{ kind: "hedge" }, /one of tree, pole/],
    [{ baseM: 9 }, /below its top/],
    [{ facingDeg: 360 }, /azimuth runs from 0/],
    [{ lightThroughMonthlyFrac: [0.5] }, /twelve months/],
    [{ eastM: 1e6 }, /metres/],
    [{ colour: "green" }, /Unrecognized key/],
  ])("%j is refused in words", (change, words) => {
    const parsed = siteObstacleSchema.safeParse({ ...oak, ...change });
    expect(parsed.success).toBe(false);
    expect(JSON.stringify(parsed.error?.issues)).toMatch(words);
  });

  it("a horizon stays between the level and straight up", () => {
    const errors = validateSite(toValues({ ...plan, horizon: [{ azimuthDeg: 20, elevationDeg: 120 }] }));
    expect(Object.entries(errors)).toEqual([["horizon.0.elevationDeg", "a horizon ends at 90, straight up"]]);
  });

  it("what was written before shade was known still reads, with its defaults", () => {
    const old = siteSchema.parse(siteInput());
    expect(old).toMatchObject({ obstacles: [], horizon: [], models: { shading: "by-array" }, place: { recordLowC: null } });
    expect(old.arrays[0]).toMatchObject({ rows: null, orientation: "portrait", shadeRule: null, rack: null, baseHeightM: 0 });
    expect(siteSchema.parse(JSON.parse(JSON.stringify(old)))).toEqual(old);
  });
});

describe("names for new things", () => {
  it.each([
    [[], "tree-1"],
    [["tree-1", "tree-2"], "tree-3"],
    [["tree-2"], "tree-1"],
    [["tree-1", "tree-3"], "tree-2"],
  ])("beside %j the next is %s: one that was removed frees its own name alone", (taken, next) => {
    expect(freeId("tree", taken)).toBe(next);
  });
});

describe("small words and sums", () => {
  it("a kilowatt-hour is worth its used and its sold share", () => {
    const tariff = { ...plan.money.tariff, importPerKwh: "0.30", exportPerKwh: "0.10", priceRisePerYearFrac: 0, selfUsedFrac: 0.25 };
    const priced = (change: object) => pricePerKwh({ ...plan, money: { ...plan.money, tariff: { ...tariff, ...change } } });
    expect(priced({})).toBeCloseTo(0.15, 12);
    expect(priced({ exportPerKwh: null })).toBeCloseTo(0.075, 12);
    expect(priced({ importPerKwh: null })).toBeNull();
  });

  it("days and months have names, around the year", () => {
    expect(dayName("03-05")).toBe("5 March");
    expect([monthOfYear(0), monthOfYear(12), monthOfYear(-1)]).toEqual(["January", "January", "December"]);
  });

  it("the clock of the shadows tells those who follow it, and no one who left", () => {
    const store = momentStore(600);
    let heard = 0;
    const leave = store.subscribe(() => {
      heard++;
    });
    store.set(610);
    expect([store.get(), heard]).toEqual([610, 1]);
    leave();
    store.set(620);
    expect(heard).toBe(1);
  });
});

describe("reminders of a rack", () => {
  const book = {
    id: "1",
    slug: "field",
    version: 1,
    isDemo: false,
    site: site({ name: "Field", arrays: [{ ...array, name: "Rack", rack: { frameM: 1.6, baseM: 1.4 } }] }),
  };

  it("tell tilt from flat and from upright, the leg, and care", () => {
    const text = tiltReminders(book, "a", [{ from: "03-24", tiltDeg: 60 }], "2026-01-05", tiltWords).replaceAll(/\r\n[ \t]/g, "");
    expect(text).toContain("SUMMARY:Field\\, Rack: tilt to 60°");
    expect(text).toMatch(/60° from flat \(30° from upright\)\. Leg 1\.\d{3}\u00a0m\./);
    expect(text).toContain("no wind");
    expect(text).toContain("UID:field-a-03-24@dusty-ledger");
  });

  it("an array that the book lacks is refused", () => {
    expect(() => tiltReminders(book, "b", [{ from: "03-24", tiltDeg: 60 }], "2026-01-05", tiltWords)).toThrow(Refusal);
  });
});
