import type { Site } from "../../../site";
import { meanYear } from "../over-years";
import { type CaseTemplate, everyYear, moneyInput, nameplateW, now, plainSide } from "../template";

const USUAL_RATE_PER_DAY = 0.0006;
const USUAL_RAIN_MM = 6;
const MOST_A_YEAR = 3;
/** Days of the year on which a cleaning is tried: every other Monday or so. */
const TRIED = Array.from({ length: 12 }, (_, m) => String(m + 1).padStart(2, "0")).flatMap((month) => [`${month}-04`, `${month}-18`]);
const total = (months: readonly number[]): number => months.reduce((a, b) => a + b, 0);

/** Wash the modules by plan, or leave it to the rain. */
export const cleaningPlan: CaseTemplate = {
  id: "cleaning",
  needs: "rain",
  inputsFor: (site, facts) => [
    moneyInput("each", 90 + 0.006 * nameplateW(site)),
    {
      key: "rate",
      unit: "percent",
      value: Number(((facts.soiling?.ratePerDayFrac ?? USUAL_RATE_PER_DAY) * 100).toFixed(3)),
      least: 0,
      most: 2,
    },
    {
      key: "rain",
      unit: "count",
      value: Math.round(facts.soiling?.cleaningRainMm ?? USUAL_RAIN_MM),
      least: 0.5,
      most: 50,
    },
  ],
  async sides(site, figures, _simulate, facts, simulateYears) {
    const dirty: Site = {
      ...site,
      models: { ...site.models, soiling: "build-up" },
      soiling: { ...site.soiling, ratePerDayFrac: figures.rate! / 100, cleaningRainMm: figures.rain! },
    };
    const rained = await simulateYears(dirty);
    const sides = [plainSide({ code: "leave-it-to-the-rain" }, meanYear(rained), facts)];
    const tried = new Map<string, readonly (readonly number[])[]>();
    const washedOn = async (days: readonly string[]): Promise<readonly (readonly number[])[]> => {
      const key = [...days].sort().join();
      const known = tried.get(key) ?? (await simulateYears(dirty, { cleanings: onEachYear(days) }));
      tried.set(key, known);
      return known;
    };
    const years = rained.length;
    let chosen: string[] = [];
    let withoutYear = Array.from({ length: years }, (): string[] => []);
    for (let times = 1; times <= MOST_A_YEAR; times++) {
      // The plan that is named uses all years; what it is worth in a year is told by the plan that the other years would have made.
      chosen = await bestNext(chosen, washedOn, null);
      const next: string[][] = [];
      for (const [year, days] of withoutYear.entries()) next.push(years > 1 ? await bestNext(days, washedOn, year) : chosen);
      withoutYear = next;
      const months: (readonly number[])[] = [];
      for (const [year, days] of withoutYear.entries()) months.push((await washedOn(days))[year]!);
      sides.push(
        plainSide({ code: "cleaned", timesAYear: times, monthDays: [...chosen].sort() }, meanYear(months), facts, {
          perYear: [everyYear("cleaning", times * figures.each!)],
        }),
      );
    }
    return sides;
  },
};

/** One day more: the one that brings most beside those already chosen, over all years but one (null: over all). */
async function bestNext(
  chosen: readonly string[],
  washedOn: (days: readonly string[]) => Promise<readonly (readonly number[])[]>,
  without: number | null,
): Promise<string[]> {
  let best = { day: "", kwh: Number.NEGATIVE_INFINITY };
  for (const day of TRIED.filter((each) => !chosen.includes(each))) {
    const years = await washedOn([...chosen, day]);
    const kwh = years.reduce((sum, months, year) => sum + (year === without ? 0 : total(months)), 0);
    if (kwh > best.kwh) best = { day, kwh };
  }
  return [...chosen, best.day];
}

/** The year of weather may be any. */
const YEARS = Array.from({ length: 60 }, (_, k) => 1990 + k);
const onEachYear = (days: readonly string[]): string[] => YEARS.flatMap((year) => days.map((day) => `${year}-${day}`));

/** Sweep the snow off, or wait. */
export const snowClearing: CaseTemplate = {
  id: "snow-clearing",
  inputsFor: (site) =>
    site.models.snow === "none"
      ? null
      : [
          moneyInput("each", 45),
          { key: "times", unit: "count", value: 8, least: 1, most: 100 },
          { key: "share", unit: "percent", value: 60, least: 1, most: 100 },
        ],
  async sides(site, figures, simulate, facts) {
    const [snowed, bare] = [await simulate(site), await simulate(site, { without: ["snow"] })];
    const cleared = snowed.map((kwh, m) => kwh + (bare[m]! - kwh) * (figures.share! / 100));
    return [
      plainSide({ code: "wait-for-the-sun" }, snowed, facts),
      plainSide({ code: "clear-it" }, cleared, facts, { perYear: [everyYear("clearings", figures.times! * figures.each!)] }),
    ];
  },
};

/** The largest tree in the plan. */
const treeOf = (site: Site) => site.obstacles.filter(({ kind }) => kind === "tree").sort((a, b) => b.heightM - a.heightM)[0] ?? null;

/** Fell or trim a tree. */
export const tree: CaseTemplate = {
  id: "tree",
  inputsFor: (site) => {
    const own = treeOf(site);
    return own === null
      ? null
      : [
          moneyInput("fell", 150 + 70 * own.heightM),
          moneyInput("trim", 80 + 25 * own.heightM),
          { key: "every", unit: "years", value: 4, least: 1, most: 30 },
          { key: "height", unit: "percent", value: 65, least: 10, most: 95 },
        ];
  },
  async sides(site, figures, simulate, facts) {
    const own = treeOf(site)!;
    const others = site.obstacles.filter((obstacle) => obstacle !== own);
    const trimmed = { ...own, heightM: own.heightM * (figures.height! / 100) };
    return [
      plainSide({ code: "let-it-stand" }, await simulate(site), facts),
      plainSide({ code: "tree-trimmed", tree: own.name }, await simulate({ ...site, obstacles: [...others, trimmed] }), facts, {
        sums: [now("trimming", figures.trim!)],
        perYear: [everyYear("trimming-again", figures.trim! / figures.every!)],
      }),
      plainSide({ code: "tree-felled", tree: own.name }, await simulate({ ...site, obstacles: others }), facts, {
        sums: [now("felling", figures.fell!)],
      }),
    ];
  },
};
