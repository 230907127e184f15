import type { Site } from "../../../site";
import { type CaseTemplate, everyYear, moneyInput, nameplateW, now, plainSide } from "../template";

const USUAL_RATE_PER_DAY = 0.0006;
const USUAL_RAIN_MM = 6;
const MOST_A_YEAR = 3;
/** Days of the year on which a cleaning is tried: every other Monday or so. */
const TRIED = Array.from({ length: 12 }, (_, m) => String(m + 1).padStart(2, "0")).flatMap((month) => [`${month}-04`, `${month}-18`]);
const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];
const dayName = (day: string): string => `${Number(day.slice(3))} ${MONTHS[Number(day.slice(0, 2)) - 1]}`;
const total = (months: readonly number[]): number => months.reduce((a, b) => a + b, 0);

/** Wash the modules by plan, or leave it to the rain. */
export const cleaningPlan: CaseTemplate = {
  id: "cleaning",
  name: "Cleaning",
  question: "Is washing the modules worth it, once or more a year?",
  caution: "Work at height, wet surfaces, no abrasive, no cold water on hot glass.",
  notFor: "",
  inputsFor: (site, facts) => [
    moneyInput("each", "A cleaning", 90 + 0.006 * nameplateW(site)),
    {
      key: "rate",
      label: "Dirt's growth on a dry day",
      unit: "percent",
      value: Number(((facts.soiling?.ratePerDayFrac ?? USUAL_RATE_PER_DAY) * 100).toFixed(3)),
      least: 0,
      most: 2,
    },
    {
      key: "rain",
      label: "Rain that washes, mm a day",
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
    const sides = [plainSide("Leave it to the rain", await simulate(dirty), facts)];
    const chosen: string[] = [];
    for (let times = 1; times <= MOST_A_YEAR; times++) {
      // One after the other: the day that brings most beside those already chosen.
      let best = { day: "", months: sides.at(-1)!.monthsKwh };
      for (const day of TRIED.filter((each) => !chosen.includes(each))) {
        const months = await simulate(dirty, { cleanings: onEachYear([...chosen, day]) });
        if (best.day === "" || total(months) > total(best.months)) best = { day, months };
      }
      chosen.push(best.day);
      const name = `${times === 1 ? "Once" : times === 2 ? "Twice" : "Three times"} a year: ${[...chosen].sort().map(dayName).join(", ")}`;
      sides.push(plainSide(name, best.months, facts, { perYear: [everyYear("cleaning", times * figures.each!)] }));
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
  name: "Snow clearing",
  question: "Is sweeping snow off the modules worth the way and the work?",
  caution: "Roof avalanches, ice and falls: never from a ladder, and not from below.",
  notFor: "The book reckons with no snow: choose a snow model in the Yield chapter.",
  inputsFor: (site) =>
    site.models.snow === "none"
      ? null
      : [
          moneyInput("each", "A clearing", 45),
          { key: "times", label: "Clearings a winter", unit: "count", value: 8, least: 1, most: 100 },
          { key: "share", label: "Of what snow takes, each winter, they bring back", unit: "percent", value: 60, least: 1, most: 100 },
        ],
  async sides(site, figures, simulate, facts) {
    const [snowed, bare] = [await simulate(site), await simulate(site, { without: ["snow"] })];
    const cleared = snowed.map((kwh, m) => kwh + (bare[m]! - kwh) * (figures.share! / 100));
    return [
      plainSide("Wait for the sun", snowed, facts),
      plainSide("Clear it", cleared, facts, { perYear: [everyYear("clearings", figures.times! * figures.each!)] }),
    ];
  },
};

/** The largest tree in the plan. */
const treeOf = (site: Site) => site.obstacles.filter(({ kind }) => kind === "tree").sort((a, b) => b.heightM - a.heightM)[0] ?? null;

/** Fell or trim a tree. */
export const tree: CaseTemplate = {
  id: "tree",
  name: "A tree in the way",
  question: "What would felling or trimming the tallest tree bring?",
  caution: "Felling near arrays and lines is a tree surgeon's work; protection rules and nesting seasons hold.",
  notFor: "No tree stands in the site's plan: draw it in the Site chapter.",
  inputsFor: (site) => {
    const own = treeOf(site);
    return own === null
      ? null
      : [
          moneyInput("fell", "Felling", 150 + 70 * own.heightM),
          moneyInput("trim", "Trimming", 80 + 25 * own.heightM),
          { key: "every", label: "Trimming again after", unit: "years", value: 4, least: 1, most: 30 },
          { key: "height", label: "Height left by trimming", unit: "percent", value: 65, least: 10, most: 95 },
        ];
  },
  async sides(site, figures, simulate, facts) {
    const own = treeOf(site)!;
    const others = site.obstacles.filter((obstacle) => obstacle !== own);
    const trimmed = { ...own, heightM: own.heightM * (figures.height! / 100) };
    return [
      plainSide("Let it stand", await simulate(site), facts),
      plainSide(`Trim the ${own.name.toLowerCase() || "tree"}`, await simulate({ ...site, obstacles: [...others, trimmed] }), facts, {
        sums: [now("trimming", figures.trim!)],
        perYear: [everyYear("trimming again", figures.trim! / figures.every!)],
      }),
      plainSide(`Fell the ${own.name.toLowerCase() || "tree"}`, await simulate({ ...site, obstacles: others }), facts, {
        sums: [now("felling", figures.fell!)],
      }),
    ];
  },
};
