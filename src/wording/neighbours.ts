import type { OddCause } from "@/core/neighbours";
import { DAY_MS } from "@/core/units";
import { catalogue } from "./catalogue";
import { dateName, MONTHS_LONG, number, percent } from "./format";

/** What is wrong with a module, in a word or two. */
export const oddNames: Readonly<Record<OddCause, string>> = catalogue({
  silent: "silent electronics",
  shaded: "shade",
  "edge-dirt": "dirt along the edge",
  "bypassed-part": "a bypassed part",
  weak: "weak",
  swapped: "name mixed up",
});

/** What to do about it. */
export const oddRemedies: Readonly<Record<OddCause, string>> = catalogue({
  silent: "See to its electronics and their plug, with these dates for the maker.",
  shaded: "See what stands in its light at these hours; Site, Shade draws what a cut or a move would bring.",
  "edge-dirt": "Wash the lower edge once, write it in the field book, and see whether the level comes back.",
  "bypassed-part": "Measure its voltage: a third that is missing is one of its parts, bypassed. A case for the warranty.",
  weak: "Clean it and measure it beside a neighbour; below the warranty it is a claim.",
  swapped: "Change the two names in the plan, or at the recorder.",
});

const say = catalogue({
  kwhAYear: "kWh a year",
  kwhInDays: (days: string) => `kWh in ${days} days`,
  gaveNothing: (hours: string) => `Gave nothing in ${hours} hours of light.`,
  shadedFrom: (from: number, to: number, months: string) => `Darker from ${from} to ${to} h, most of all in ${months}.`,
  goesWithTheEdge: "Falls and comes back with the others along the lower edge, as dirt does between rains.",
  givesAllHours: (share: string, since: string) => `Gives ${share} of what its neighbours give, at all hours${since}.`,
  since: (day: string) => `, since about ${day}`,
  twoThirds: "about two thirds",
  oneThird: "about one third",
  itsHoursFit: (other: string) => `Its hours fit at the place of ${other}, and those of ${other} at its own.`,
  also: (parts: string) => ` Beside it: ${parts}.`,
  partSilent: (kwh: string) => `silence, ${kwh} kWh`,
  partShade: (kwh: string) => `shade, ${kwh} kWh`,
  partLevel: (kwh: string) => `a lower level, ${kwh} kWh`,
});

/** What losses are told over: a year, or the days of a shorter record. */
export interface ToldOver {
  readonly isPerYear: boolean;
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

/** "kWh a year", or "kWh in 40 days". */
export const lossUnit = ({ isPerYear, fromUtcMs, toUtcMs }: ToldOver): string =>
  isPerYear ? say.kwhAYear : say.kwhInDays(number(Math.max(1, Math.round((toUtcMs - fromUtcMs) / DAY_MS))));

/** What is known of an odd module. Loss parts in kWh of the record. */
export interface OddFacts {
  readonly cause: OddCause;
  readonly silent: { readonly kwh: number };
  readonly shaded: { readonly kwh: number };
  readonly level: { readonly kwh: number };
  readonly fell: { readonly kwh: number };
  readonly levelFrac: number;
  readonly silentHours: number;
  readonly sinceUtcMs: number | null;
  readonly darkAt: { readonly fromHour: number; readonly toHour: number; readonly months: readonly number[] } | null;
  readonly swappedWith: string | null;
}

/** What its readings say of an odd module, in a sentence or two. */
export function oddInWords(odd: OddFacts): string {
  const rest = besides(odd);
  return `${mainWords(odd)}${rest.length > 0 ? say.also(rest.join("; ")) : ""}`;
}

function mainWords({ cause, silentHours, darkAt, levelFrac, sinceUtcMs, swappedWith }: OddFacts): string {
  if (cause === "swapped") return say.itsHoursFit(swappedWith ?? "");
  if (cause === "silent") return say.gaveNothing(number(silentHours));
  if (cause === "shaded" && darkAt) return say.shadedFrom(darkAt.fromHour, darkAt.toHour, monthsInWords(darkAt.months));
  if (cause === "edge-dirt") return say.goesWithTheEdge;
  const share = cause === "bypassed-part" ? (levelFrac > 0.5 ? say.twoThirds : say.oneThird) : percent(levelFrac, 0);
  return say.givesAllHours(share, sinceUtcMs === null ? "" : say.since(dateName(new Date(sinceUtcMs).toISOString().slice(0, 10))));
}

/** A part of a loss is worth a word from this share of the largest on. */
const WORTH_SAYING = 0.1;

function besides({ cause, silent, shaded, level, fell }: OddFacts): string[] {
  const own = { silent: silent.kwh, shaded: shaded.kwh, level: level.kwh + fell.kwh };
  const main = cause === "silent" || cause === "shaded" ? cause : cause === "swapped" ? null : "level";
  if (main === null) return [];
  const isWorth = (part: keyof typeof own): boolean => part !== main && own[part] > WORTH_SAYING * own[main];
  return [
    ...(isWorth("silent") ? [say.partSilent(number(own.silent))] : []),
    ...(isWorth("shaded") ? [say.partShade(number(own.shaded))] : []),
    ...(isWorth("level") ? [say.partLevel(number(own.level))] : []),
  ];
}

/** Months as stretches: "March to May and August", round the turn of the year. */
export function monthsInWords(months: readonly number[]): string {
  const held = new Set(months);
  if (held.size === 12) return "all months";
  const starts = [...held].filter((month) => !held.has((month + 11) % 12)).sort((a, b) => a - b);
  const stretches = starts.map((from) => {
    let to = from;
    while (held.has((to + 1) % 12)) to = (to + 1) % 12;
    const name = (month: number): string => MONTHS_LONG[month]!;
    return from === to ? name(from) : `${name(from)} to ${name(to)}`;
  });
  return stretches.length < 2 ? (stretches[0] ?? "") : `${stretches.slice(0, -1).join(", ")} and ${stretches.at(-1)}`;
}
