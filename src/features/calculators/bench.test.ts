import { ledgerLine } from "@test/ledger-line";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { MixedGroups, MixedPart } from "@/contracts/mixed-string";
import { circuitsOf } from "@/core/comparison";
import { moduleOfLine } from "@/core/typed";
import { bookSun, bookSunOf, sunByName } from "./bench-sun";
import { connected, connectionOf, firstGroups, stringsOf } from "./mixed/mixed-strings";
import { moduleOfRead } from "./own-modules/use-own-modules";
import { dayOfYearText } from "./snow/TypedStorms";

const part = (module: string, count: number): MixedPart => ({
  module,
  count,
  tiltDeg: 30,
  azimuthDeg: 180,
  groupLightFrac: [1, 1, 1],
  irradianceWm2: 1000,
  cellTempC: 25,
});
const counts = (groups: MixedGroups | null) =>
  groups?.map(({ alike, parts }) => [alike, ...parts.map(({ module, count }) => `${count} ${module}`)]);

describe("the sun of a bench", () => {
  it("is called a usual year's where its hours were generated, whatever year they stand in", () => {
    expect(bookSun("2024", "measured")).toMatchObject({ kind: "measured", name: "2024" });
    expect(bookSun("2024", "monthly-means")).toMatchObject({ kind: "usual", name: "a usual year", year: "2024" });
    expect(sunByName("alpine")).toMatchObject({ kind: "usual", climate: "alpine", year: null });
    expect(sunByName("toString")).toMatchObject({ kind: "cloudless", climate: null });
  });
});

describe("the year of a book that a bench reckons with", () => {
  const month = (key: string, referenceKwh: number) => ledgerLine({ key, referenceKwh });
  const months = [month("2023-06", 800), month("2024-06", 810), month("2025-06", 0)];

  it("is the one that is read, where it has light", () => {
    expect(bookSunOf(months, "2023")?.year).toBe("2023");
    expect(bookSunOf(months, "2025")?.year).toBe("2024");
  });

  it("is the last with light where none is asked for, and none where no month has any", () => {
    expect(bookSunOf(months)?.year).toBe("2024");
    expect(bookSunOf([month("2024-06", 0)])).toBeNull();
  });
});

describe("mixed modules in one choice", () => {
  const set: MixedGroups = [{ alike: 2, parts: [part("a", 3), part("b", 1)] }];

  it("are put in series, kind by kind, or each by itself, and none is lost", () => {
    expect(counts(connected(set, "series"))).toEqual([[1, "6 a", "2 b"]]);
    expect(counts(connected(set, "by-kind"))).toEqual([
      [1, "6 a"],
      [1, "2 b"],
    ]);
    expect(counts(connected(set, "parallel"))).toEqual([
      [6, "1 a"],
      [2, "1 b"],
    ]);
    expect(connectionOf(set)).toBeNull();
    expect(connectionOf(connected(set, "by-kind")!)).toBe("by-kind");
  });

  it("are not offered beyond what a bench holds", () => {
    const many: MixedGroups = [{ alike: 1, parts: [part("a", 12), part("b", 1)] }];
    expect(connected(many, "parallel")).toBeNull();
    expect(connected([{ alike: 1, parts: [part("a", 11), part("b", 1)] }], "parallel")).not.toBeNull();
    expect(connected([{ alike: 3, parts: [part("a", 20), part("b", 1)] }], "series")).toBeNull();
  });

  it("begin at standard test conditions with modules of the book", () => {
    const own = site({});
    const modules = own.modules;
    const [first] = stringsOf(firstGroups(own, modules, circuitsOf(own)));
    expect(new Set(first!.map(({ irradianceWm2, cellTempC }) => `${irradianceWm2} ${cellTempC}`))).toEqual(new Set(["1000 25"]));
    expect(first![0]!.groupLightFrac.every((share) => share === 1)).toBe(true);
  });
});

describe("a module of one's own", () => {
  it("is a whole module, with what its plate leaves out estimated and named", () => {
    const made = moduleOfRead(moduleOfLine("195 W, Vmp 36.6, Imp 5.33, 72 cells", "."));
    expect(made).toMatchObject({ pmpW: 195, vmpV: 36.6, impA: 5.33, cellsInSeries: 72 });
    const { estimated, vocV } = made as Exclude<typeof made, string | null>;
    expect(estimated).toEqual(expect.arrayContaining(["vocV", "iscA", "gammaPmpPerK"]));
    expect(estimated).not.toContain("vmpV");
    expect(vocV).toBeCloseTo(36.6 / 0.83, 1);
  });

  it("is refused where its figures contradict each other, and none without a power", () => {
    expect(moduleOfRead(moduleOfLine("195 W, Vmp 36.6, Voc 30", "."))).toEqual(expect.any(String));
    expect(moduleOfRead(moduleOfLine("Vmp 36.6", "."))).toBeNull();
  });
});

describe("the day of a storm", () => {
  it.each([
    ["12 Feb", "02-12"],
    ["February 12, 2025", "02-12"],
    ["12.2.", "02-12"],
    ["2025-02-12", "02-12"],
    ["29 Feb", "02-28"],
  ])("%s", (text, day) => {
    expect(dayOfYearText(text)).toBe(day);
  });

  it.each(["", "31 Feb", "Febtober", "32.1."])("%s is none", (text) => {
    expect(dayOfYearText(text)).toBeNull();
  });
});
