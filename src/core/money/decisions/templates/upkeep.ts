import type { Site } from "../../../site";
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
  async sides(site, figures, simulate, facts) {
    const dirty: Site = {
      ...site,
      models: { ...site.models, soiling: "build-up" },
      soiling: { ...site.soiling, ratePerDayFrac: figures.rate! / 100, cleaningRainMm: figures.rain! },
    };
    const sides = [plainSide({ code: "leave-it-to-the-rain" }, await simulate(dirty), facts)];
    const chosen: string[] = [];
    for (let times = 1; times <= MOST_A_YEAR; times++) {
      // One after the other: the day that brings most beside those already chosen.
      let best = { day: "", months: sides.at(-1)!.monthsKwh };
      for (const day of TRIED.filter((each) => !chosen.includes(each))) {
        const months = await simulate(dirty, { cleanings: onEachYear([...chosen, day]) });
        if (best.day === "" || total(months) > total(best.months)) best = { day, months };
      }
      chosen.push(best.day);
      sides.push(
        plainSide({ code: "cleaned", timesAYear: times, monthDays: [...chosen].sort() }, best.months, facts, {
          perYear: [everyYear("cleaning", times * figures.each!)],
        }),
      );
    }
    return sides;
  },
};

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
