import type { BeforeAfter, Differing, SideDifference, TrialReport } from "@/core/trial";
import { measure, number, percent } from "./format";

const DIFFERENCES: Readonly<Record<Differing, string>> = {
  module: "the module",
  tilt: "the tilt",
  azimuth: "the azimuth",
  mounting: "the mounting, and with it the heat",
  inverter: "the inverter's rating and efficiency",
  "per-module": "one inverter a module against one for all",
  "dc-ac-ratio": "how much DC stands on each AC watt",
  strings: "how many modules hang in one string",
  obstacles: "what shades it",
  place: "the place on the site",
  height: "the height above ground",
  "shade-rule": "what a shaded cell does to its string",
  metering: "where the meter sits",
  schedule: "the tilt through the year",
};

const VALUES: Readonly<Record<string, string>> = {
  "per-module": "one a module",
  central: "one for all",
  "by-inverter": "told from the inverter",
};

const valueInWords = (what: Differing, value: string): string => {
  if (what !== "place") return VALUES[value] ?? value;
  const [eastM, northM] = value.split(" ");
  return northM === undefined ? value : `${measure(Number(eastM), "m", 1)} east, ${measure(Number(northM), "m", 1)} north`;
};

/** A side's own figures for a thing that differs. */
export const differenceValues = (what: Differing, values: string): string =>
  values
    .split(", ")
    .map((value) => valueInWords(what, value))
    .join(", ");

/** Everything that differs, with the sides' figures as people read them. */
export const differencesInWords = (differs: readonly SideDifference[]): SideDifference[] =>
  differs.map(({ what, a, b }) => ({ what, a: differenceValues(what, a), b: differenceValues(what, b) }));

export const differenceInWords = (what: Differing): string => DIFFERENCES[what];

/** Things that go with a kind of inverter, and are tested with it. */
const TOGETHER: Readonly<Partial<Record<Differing, readonly Differing[]>>> = {
  "per-module": ["inverter", "dc-ac-ratio", "strings", "shade-rule"],
  inverter: ["per-module", "dc-ac-ratio"],
};
/** Brought to one before anything is compared. */
const EVENED: readonly Differing[] = ["metering"];

/** What differs besides the thing tested: what the trial can't tell apart from it. */
export const confounders = (differs: readonly SideDifference[], tested: Differing | null): SideDifference[] =>
  differs.filter(({ what }) => what !== tested && !EVENED.includes(what) && !(tested && TOGETHER[tested]?.includes(what)));

const signed = (frac: number): string => `${frac < 0 ? "" : "+"}${percent(frac)}`;

/** The verdict of a trial: who gave more, how sure, and what can't be told apart. */
export function trialVerdict({ a, b, difference, year }: TrialReport): { kind: "a" | "b" | "level"; text: string } {
  const { frac, low, high } = difference;
  const range = `${signed(low).replace(" %", "")} to ${signed(high)}`;
  if (low <= 0 && high >= 0)
    return {
      kind: "level",
      text: `No difference can be told: ${b.name} gave ${signed(frac)} against ${a.name} a kilowatt-peak, and the interval ${range} holds none.`,
    };
  const more = frac > 0 ? b : a;
  const other = frac > 0 ? a : b;
  const full = year ? ` Over a whole year, season by season: ${signed(year.frac)}.` : "";
  return {
    kind: frac > 0 ? "b" : "a",
    text: `${more.name} gave more than ${other.name}: ${b.name} ${signed(frac)} a kilowatt-peak (${range}) over intervals that both have.${full}`,
  };
}

/** Why the hurried figure is another one. */
export function naiveReasons({ a, b, naive, difference }: TrialReport): string[] {
  const out: string[] = [];
  for (const side of [a, b]) {
    if (side.conversionFrac !== null)
      out.push(
        `${side.name} is read before its inverter: its figure is ${percent(1 / side.conversionFrac - 1)} too large beside an AC one.`,
      );
    if (side.foreign.stretches.length > 0) {
      const days = side.foreign.stretches.reduce((sum, each) => sum + each.days, 0);
      out.push(
        `Foreign energy ran through ${side.name}'s meter on ${days} days (${number(side.foreign.kwh)} kWh given off without sun, and what went in by day).`,
      );
    }
  }
  if (naive.days.a !== naive.days.b)
    out.push(`The sides were read on ${naive.days.a} and ${naive.days.b} days: each was stretched by its own.`);
  out.push("Days are stretched to 365 as if the missing season were like the measured one.");
  if (Math.abs(naive.frac - difference.frac) < 0.005) out.push("Here these happen to cancel; elsewhere they do not.");
  return out;
}

/** What an intervention did, in words. */
export function changeVerdict({ frac, low, high, rawFrac, matched, sharedMonths }: BeforeAfter): string {
  const range = `${signed(low).replace(" %", "")} to ${signed(high)}`;
  const season = matched
    ? `Months that both sides have are set against each other (${sharedMonths.length} of 12).`
    : "No month of the year lies on both sides: a season in the model's own error can't be told from the change.";
  const text = low <= 0 && high >= 0 ? `No change can be told: ${signed(frac)} (${range})` : `The change gave ${signed(frac)} (${range})`;
  return `${text}, through the weather. Raw output moved by ${signed(rawFrac)}. ${season}`;
}
