import path from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { type CoreMutant, coreFiles, drawMutants, mutantsOf } from "./sample";
import { scoreOf, scoreTable } from "./score";

const root = path.join(import.meta.dirname, "..", "..");

describe("the sample of mutants", () => {
  let all: CoreMutant[];
  beforeAll(async () => {
    const folders = ["units", "soiling", "snow", "inverter"];
    all = await mutantsOf(
      root,
      folders.flatMap((folder) => coreFiles(root, folder)),
    );
  }, 60_000);

  it("is the same for a seed and differs between seeds", () => {
    const draw = (seed: number) => drawMutants(all, { seed, size: 60, least: 10 }).map(({ identity }) => identity);
    expect(draw(1)).toEqual(draw(1));
    expect(draw(1)).not.toEqual(draw(2));
  });

  it("holds each folder: by its share, and as many as asked at least", () => {
    const drawn = drawMutants(all, { seed: 1, size: 100, least: 10 });
    const count = (mutants: readonly CoreMutant[], folder: string) => mutants.filter((mutant) => mutant.folder === folder).length;
    expect(drawn.length).toBeLessThanOrEqual(100);
    expect(drawn.length).toBeGreaterThan(90);
    expect(count(drawn, "units")).toBeGreaterThanOrEqual(10);
    expect(count(drawn, "snow")).toBeGreaterThan(count(drawn, "soiling"));
    expect(new Set(drawn.map(({ identity }) => identity)).size).toBe(drawn.length);
  });

  it("draws the same mutants of code that only moved to other lines", () => {
    const moved = all.map((mutant) => ({
      ...mutant,
      location: { start: { ...mutant.location.start, line: mutant.location.start.line + 7 }, end: mutant.location.end },
    }));
    const names = (mutants: CoreMutant[]) => drawMutants(mutants, { seed: 3, size: 40, least: 5 }).map(({ identity }) => identity);
    expect(names(moved)).toEqual(names(all));
  });

  it("leaves out those that a comment says no test can tell", () => {
    const [first, ...rest] = all;
    const marked = [{ ...first!, equivalent: "writes beyond the end" }, ...rest];
    expect(drawMutants(marked, { seed: 1, size: 1e6, least: 1e6 }).length).toBe(all.length - 1);
  });
});

describe("its score", () => {
  const tried = (folder: string, noticed: number, missed: number) => [
    ...Array.from({ length: noticed }, () => ({ folder, status: "Killed" as const })),
    ...Array.from({ length: missed }, () => ({ folder, status: "Survived" as const })),
  ];

  it("counts what was noticed or never ended, and not what was not tried", () => {
    const { share, tried: n } = scoreOf([...tried("a", 7, 2), { folder: "a", status: "Timeout" }, { folder: "a", status: "CompileError" }]);
    expect([share, n]).toEqual([0.8, 10]);
    expect(scoreOf([{ folder: "a", status: "NoCoverage" }]).share).toBe(0);
  });

  it("has the interval of Wilson", () => {
    const { low, high } = scoreOf(tried("a", 80, 20));
    expect(low).toBeCloseTo(0.7112, 4);
    expect(high).toBeCloseTo(0.8666, 4);
  });

  it("is a line a folder and one for all", () => {
    const table = scoreTable([...tried("yield", 9, 1), ...tried("money", 1, 1)], new Map([["money", 2]]));
    expect(table.split("\n").slice(2)).toEqual([
      "| money | 2 | 1 | 50 % | 9 % to 91 % | 2 |",
      "| yield | 10 | 9 | 90 % | 60 % to 98 % | 0 |",
      "| **all** | 12 | 10 | 83 % | 55 % to 95 % | 2 |",
    ]);
  });
});
