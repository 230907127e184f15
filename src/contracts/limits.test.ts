import { siteInput } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { billSchema } from "./bills";
import { newEntrySchema } from "./field-book";
import { LIMITS } from "./limits";
import { dayOfYearSchema, identifier, isoDate, numberInAddress, wholeNumber } from "./primitives";
import { siteSchema } from "./site";
import { unstorableIn } from "./storable";
import { planSchema } from "./tariff";

const messages = (result: { error?: { issues: readonly { message: string }[] } | undefined }): string =>
  result.error?.issues.map(({ message }) => message).join("; ") ?? "taken";
const site = (parts: Parameters<typeof siteInput>[0]) => messages(siteSchema.safeParse(siteInput(parts)));
const many = <T>(count: number, of: (k: number) => T): T[] => Array.from({ length: count }, (_, k) => of(k));

describe("a site document", () => {
  const [array] = siteInput().arrays;
  const arrays = (count: number) => site({ arrays: many(count, (k) => ({ ...array!, id: `a${k}` })), inverters: [], meters: [] });
  const tree = { kind: "tree" as const, heightM: 5, widthM: 3, eastM: 1, northM: 9 };

  it("holds as many arrays, obstacles, horizon points and revisions as are named, and none more", () => {
    expect([arrays(LIMITS.arrays.most), arrays(LIMITS.arrays.most + 1)]).toEqual(["taken", "at most 500 arrays of a site"]);
    const obstacles = (count: number) => site({ obstacles: many(count, (k) => ({ ...tree, id: `t${k}` })) });
    expect([obstacles(200), obstacles(201)]).toEqual(["taken", "at most 200 obstacles, of a site or of one array"]);
    const horizon = (count: number) => site({ horizon: many(count, (k) => ({ azimuthDeg: k / 2.1, elevationDeg: 1 })) });
    expect([horizon(720), horizon(721)]).toEqual(["taken", "at most 720 points of a horizon"]);
    const revisions = (count: number) => site({ revisions: many(count, () => ({ from: "2023-01-01", change: { albedo: 0.3 } })) });
    expect([revisions(500), revisions(501)]).toEqual(["taken", "at most 500 revisions of a site"]);
  });

  it("knows no module by a word that every object has", () => {
    for (const module of ["constructor", "toString", "hasOwnProperty", "__proto__"])
      expect(site({ arrays: [{ ...array!, module }] }), module).toMatch(/word of the program/);
    expect(site({ modules: JSON.parse('{"constructor": {"pmpW": 400}}') as Record<string, { pmpW: number }> })).toMatch(
      /word of the program/,
    );
    expect(site({ arrays: [{ ...array!, module: "other" }] })).toMatch(/names a module type/);
  });
});

describe("dates", () => {
  it("are days of the calendar, from 1990 to 2060", () => {
    const taken = (date: string): boolean => isoDate.safeParse(date).success;
    expect(["1990-01-01", "2060-12-31", "2024-02-29"].map(taken)).toEqual([true, true, true]);
    for (const date of ["1989-12-31", "2061-01-01", "0000-01-01", "9999-12-31", "2023-02-29", "2023-02-31", "10000-01-01"])
      expect(taken(date), date).toBe(false);
    expect(["02-29", "12-31", "02-30", "04-31"].map((day) => dayOfYearSchema.safeParse(day).success)).toEqual([true, true, false, false]);
  });

  it("of an entry are real ones, with a time or without", () => {
    const entry = (from: string, to = from) => messages(newEntrySchema.safeParse({ from, to, kind: "cleaning" }));
    expect([entry("2023-02-28"), entry("2024-02-29T07:30"), entry("2023-02-28 23:59")]).toEqual(["taken", "taken", "taken"]);
    for (const from of ["2023-02-31", "2023-04-31T10:00"]) expect(entry(from), from).toMatch(/no such day/);
    for (const from of ["2023-02-28T24:00", "2023-02-28T10:61", "2023-2-8"]) expect(entry(from), from).not.toBe("taken");
  });

  it("of a holiday too", () => {
    const plan = (holiday: string) =>
      planSchema.safeParse({
        id: "p",
        name: "p",
        from: "2023-01-01",
        holidays: [holiday],
        seasons: [{ name: "all", months: [1], bands: [{ name: "all", tiers: [{ perKwh: "0.1" }] }] }],
      }).success;
    expect([plan("12-25"), plan("02-29"), plan("2024-02-29"), plan("02-30"), plan("2023-02-29")]).toEqual([true, true, true, false, false]);
  });
});

describe("a bill", () => {
  const bill = (from: string, to: string) => messages(billSchema.safeParse({ from, to, importKwh: 1, amount: "1.00" }));
  it("holds 400 days at most, and none of another time", () => {
    expect(bill("2023-01-01", "2024-02-04")).toBe("taken");
    expect(bill("2023-01-01", "2024-02-05")).toMatch(/at most 400 days/);
    expect(bill("2023-12-01", "9999-12-31")).toMatch(/years 1990 to 2060/);
    expect(bill("0001-01-01", "2023-01-31")).toMatch(/years 1990 to 2060/);
  });

  it("has bands by names that are their own", () => {
    const banded = (name: string) =>
      billSchema.safeParse({ from: "2023-01-01", to: "2023-01-31", importKwh: 1, importByBandKwh: { [name]: 1 }, amount: "1.00" }).success;
    expect([banded("peak"), banded("constructor"), banded("valueOf")]).toEqual([true, false, false]);
  });
});

describe("numbers and names", () => {
  it("of versions and keys are those that the database holds", () => {
    expect([0, 2_147_483_647, 2_147_483_648, 99_999_999_999, -1, 1.5].map((value) => wholeNumber.safeParse(value).success)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
    expect(["1", "0", "x", "1.5", "99999999999", "1e3"].map((text) => numberInAddress.safeParse(text).success)).toEqual([
      true,
      false,
      false,
      false,
      false,
      true,
    ]);
  });
  it("are no words of the program", () => {
    expect(["roof", "constructor", "__proto__", "isPrototypeOf"].map((name) => identifier.safeParse(name).success)).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
});

describe("what can't be stored as it was sent", () => {
  const nested = (levels: number): unknown => Array.from({ length: levels }).reduce<unknown>((inner) => [inner], 1);
  it("is told by its place", () => {
    expect(unstorableIn({ site: { name: "a\0b" } })).toEqual({ reason: "text-not-storable", path: ["site", "name"] });
    expect(unstorableIn({ notes: ["fine", "\ud800"] })).toEqual({ reason: "text-not-storable", path: ["notes", "1"] });
    expect(unstorableIn({ a: { "\0": 1 } })).toEqual({ reason: "text-not-storable", path: ["a"] });
    expect(unstorableIn({ a: "łąka 😀", b: [null, 1, true] })).toBeNull();
    expect([unstorableIn(nested(40)), unstorableIn(nested(41))?.reason]).toEqual([null, "json-too-deep"]);
  });
});
