import { DateTime } from "luxon";
import type { Finding, FindingKind, Remedy } from "@/core/quality";
import { DAY_MS } from "@/core/units";
import { editable } from "../format";

/** A finding for people: its name, what it is, why it is believed, and what is proposed. */
export interface FindingWords {
  readonly title: string;
  readonly what: string;
  readonly evidence: string;
  readonly proposal: string;
}

type Facts = Finding["facts"];

const MISREAD: Readonly<Record<string, string>> = {
  "out-of-line": "out of line",
  "digits-swapped": "two digits swapped",
  "digit-too-many": "a digit too many",
  "digit-wrong": "one digit wrong",
  "digit-missing": "a digit missing",
  "decimal-mark-lost": "a decimal mark lost",
  "last-digit-left-out": "the last digit left out",
};
const misread = (how: number | string | undefined): string => MISREAD[String(how)] ?? String(how);

const n = (value: number | string | undefined, digits = 0): string => editable(Number(value ?? 0), digits, true);
const percent = (value: number | string | undefined): string => `${n(Number(value ?? 0) * 100)} %`;
const later = (minutes: number): string => (minutes > 0 ? "later" : "earlier");
const hours = (minutes: number): string => (Math.abs(minutes) % 60 === 0 ? `${Math.abs(minutes) / 60} h` : `${Math.abs(minutes)} min`);

/** What a counter showed, without what it is carried on by since it began anew. */
const shown = (f: Facts, kwh: number | string | undefined): number => Number(kwh ?? 0) - Number(f.carriedKwh ?? 0);

const FACTOR_WORDS: Readonly<Record<string, string>> = {
  "1000": "watt-hours under a kilowatt-hour header",
  "0.001": "megawatt-hours under a kilowatt-hour header",
  "4": "mean power taken for the energy of a quarter of an hour",
  "0.25": "a quarter of an hour's energy taken for mean power",
  "12": "mean power taken for the energy of five minutes",
  "60": "mean power taken for the energy of a minute",
};

const factorWords = (factor: number): string => FACTOR_WORDS[String(Math.round(factor * 1000) / 1000)] ?? `a factor of ${n(factor, 3)}`;

/** Title and sentences of each kind; `when` is its place in the site's time. */
const CATALOGUE: Readonly<Record<FindingKind, (facts: Facts, finding: Finding, when: string) => Omit<FindingWords, "proposal">>> = {
  gap: (f, _x, when) => ({
    title: "Gap",
    what: `No readings ${when}: ${n(f.hours, 1)} h.`,
    evidence:
      Number(f.sunlitIntervals) > 0
        ? `A cloudless sky would have given ${n(f.clearKwh)} kWh in this time.`
        : "The gap lies in the night; no energy is missing.",
  }),
  "caught-up": (f, _x, when) => ({
    title: "Row holds its gap",
    what: `One row of ${n(f.rowKwh, 1)} kWh after ${n(f.missingIntervals)} missing intervals, ${when}.`,
    evidence: `An interval can hold ${n(f.mostKwh, 1)} kWh at most, or far less at that hour; the row holds what the gap before it lacks.`,
  }),
  frozen: (f, x, when) => ({
    title: "Frozen value",
    what: `The same value ${n(x.count + 1)} times ${when}.`,
    evidence: `${n(f.valueKwh, 3)} kWh for ${n(f.hours, 1)} h of daylight, while the sun moved and the plant was not at its ceiling.`,
  }),
  "false-zero": (f, _x, when) => ({
    title: "Day of nothing",
    what: `A day's total of nothing ${when}, between two usual days.`,
    evidence: `About ${n(f.owedKwh, 1)} kWh would have been usual. A plant that stops and starts at midnight is rare; a logger that writes nothing is not.`,
  }),
  spike: (f, _x, when) => ({
    title: "Impossible value",
    what: `${n(f.valueKwh, 1)} kWh in one interval, ${when}.`,
    evidence: `Neither nameplate nor a clear sky allows more than ${n(f.mostKwh, 1)} kWh there.`,
  }),
  negative: (f, x) => ({
    title: "Values below zero",
    what: `${n(x.count)} values below zero, ${n(x.kwh ?? 0, 1)} kWh in all.`,
    evidence: `The lowest is ${n(f.leastKwh, 3)} kWh; small draw at night is the inverter's own.`,
  }),
  "night-output": (f, x) => ({
    title: "Output at night",
    what: `${n(x.kwh ?? 0, 1)} kWh in ${n(f.nights)} nights.`,
    evidence: "The sun stood more than 18° under the horizon.",
  }),
  battery: (f, x) => ({
    title: "A battery in the way",
    what: `${n(x.kwh ?? 0)} kWh came at night, in ${percent(f.nightsFrac)} of the nights.`,
    evidence: "Output after dark, evening after evening, is a battery's discharge through the same meter.",
  }),
  "unit-factor": (f, _x, when) => ({
    title: "Unit",
    what: `Energy ${Number(f.factor) > 1 ? n(f.factor) : `1/${n(1 / Number(f.factor))}`} times what it should be ${Number(f.whole) === 1 ? "throughout" : `${when} (${n(f.days)} days)`}.`,
    evidence: `It looks like ${factorWords(Number(f.factor))}: set against the sky, every day of it stands off by that factor.`,
  }),
  "counter-reset": (f, _x, when) => ({
    title: "Counter began anew",
    what: `The counter fell from ${n(f.beforeKwh)} to ${n(f.afterKwh)} kWh, ${when}.`,
    evidence: "A new device, or one that was set back, counts from nothing.",
  }),
  "counter-rollover": (f, _x, when) => ({
    title: "Counter rolled over",
    what: `The counter passed all nines, from ${n(f.beforeKwh)} to ${n(f.afterKwh)} kWh, ${when}.`,
    evidence: `With ${n(f.offsetKwh)} kWh added the span fits what the sun gave.`,
  }),
  "digit-slip": (f, _x, when) => ({
    title: "Misread counter",
    what: `${n(shown(f, f.readKwh))} kWh, ${when}: ${misread(f.how)}${f.likelyKwh === undefined ? "" : `; ${n(shown(f, f.likelyKwh))} was meant`}.`,
    evidence: `The readings before and after leave about ${n(shown(f, f.betweenKwh))} kWh for that day.`,
  }),
  "clock-shift": (f, _x, when) => ({
    title: "Clock off",
    what: `The clock ran ${hours(Number(f.minutes))} ${Number(f.minutes) > 0 ? "ahead" : "behind"} ${when}.`,
    evidence: `On ${n(f.days)} clear enough days the middle between dawn and dusk stands that far off the sun's.`,
  }),
  "no-summer-time": (f, _x, when) => ({
    title: "Clock without summer time",
    what: `${Number(f.minutes) < 0 ? "The clock stayed on standard time while summer time was in force" : "The clock kept summer time when it was over"}, ${when}.`,
    evidence: `On ${n(f.days)} days dawn and dusk stand ${hours(Number(f.minutes))} off, beginning and ending with the changes of summer time in ${f.timeZone}.`,
  }),
  "labels-end": (f) => ({
    title: "Labels mark the end",
    what: `Each label stands at the end of its ${n(f.stepMinutes)} minutes.`,
    evidence: `On ${n(f.days)} days dawn and dusk come one interval late; a clock ${hours(Number(f.minutes))} ahead would look the same.`,
  }),
  "level-step": (f, _x, when) => ({
    title: "Step in level",
    what: `From ${when.replace(/^(on|from) /i, "")} on the site gives ${percent(Math.abs(Number(f.changeFrac)))} ${Number(f.changeFrac) < 0 ? "less" : "more"} than is expected of it.`,
    evidence: `${percent(f.beforeRatio)} of expected in the month before, ${percent(f.afterRatio)} in the month after, both level: a device, a string or a meter changed.`,
  }),
  "looks-dc": (f) => ({
    title: "Looks like DC",
    what: "The readings look as if taken before the inverter.",
    evidence: `Peaks of ${n(f.peakKwh, 2)} kWh pass the ${n(f.ratedKwh, 2)} kWh that the inverters can give in an interval.`,
  }),
  "looks-net": (f, x) => ({
    title: "Looks like a net meter",
    what: `${percent(f.share)} of the values are below zero, ${n(x.kwh ?? 0)} kWh in all.`,
    evidence: `Down to ${n(f.leastKwh, 2)} kWh: more than an inverter draws; the site's use is in it.`,
  }),
  "looks-export": (f, _x, when) => ({
    title: "Looks like export",
    what:
      f.isStandIn === "yes"
        ? `Another meter stands in ${when}: the readings look like what was left over for the grid.`
        : "The readings look like what was left over for the grid.",
    evidence:
      f.isStandIn === "yes"
        ? `On ${n(f.days)} days dull hours keep ${percent(f.dullFrac)} of their usual and bright ones ${percent(f.brightFrac)}: what a house uses is missing from every hour alike.`
        : `On ${n(f.days)} days output begins late and ends early (${percent(f.lengthFrac)} of the day's length) at ${percent(f.ratio)} of what is expected: the house took the edges.`,
  }),
};

function remedyWords(remedy: Remedy | null): string {
  if (!remedy) return "Nothing can be put right by itself; it is set apart, not counted as a loss.";
  switch (remedy.op) {
    case "drop":
      return "Take it as a data gap.";
    case "scale":
      return remedy.factor < 1 ? `Divide by ${n(1 / remedy.factor, 3)}.` : `Multiply by ${n(remedy.factor, 3)}.`;
    case "shift":
      return `Move it ${hours(remedy.minutes)} ${later(remedy.minutes)}.`;
    case "spread":
      return "Spread the row evenly over its gap.";
    case "fill":
      return `Put ${n(remedy.kwh, 2)} kWh there.`;
    case "restate":
      return `Read it as ${n(remedy.kwh)} kWh.`;
    case "carry":
      return `Add ${n(remedy.kwh)} kWh to all readings from there on.`;
    case "zero":
      return remedy.only === "night" ? "Count nothing at night." : "Count values below zero as zero.";
  }
}

const REMARKS: Partial<Record<FindingKind, string>> = {
  "level-step": "Note it in the field book, or look for a string or device that failed; the readings themselves are left as they are.",
  "looks-net": "Choose the metering point net for this meter, or bring the inverter's own record.",
  "looks-export": "Choose the metering point export for this meter, or bring the inverter's own record.",
};

/** A stretch in the site's time, as people say it. */
export function stretchInWords({ fromUtcMs, toUtcMs }: Pick<Finding, "fromUtcMs" | "toUtcMs">, timeZone: string): string {
  const [from, to] = [fromUtcMs, toUtcMs].map((utcMs) => DateTime.fromMillis(utcMs, { zone: timeZone }));
  const days = (toUtcMs - fromUtcMs) / DAY_MS;
  if (days === 0) return `on ${from!.toFormat("d LLL yyyy")}`;
  if (days > 4) return `from ${from!.toFormat("d LLL yyyy")} to ${to!.toFormat("d LLL yyyy")}`;
  if (from!.hasSame(to!, "day")) return `on ${from!.toFormat("d LLL yyyy, HH:mm")} to ${to!.toFormat("HH:mm")}`;
  return `from ${from!.toFormat("d LLL yyyy, HH:mm")} to ${to!.toFormat("d LLL, HH:mm")}`;
}

/** All that is said of a finding. */
export function findingInWords(finding: Finding, timeZone: string): FindingWords {
  const words = CATALOGUE[finding.kind](finding.facts, finding, stretchInWords(finding, timeZone));
  return { ...words, proposal: (finding.remedy === null && REMARKS[finding.kind]) || remedyWords(finding.remedy) };
}

export const findingTitle = (kind: FindingKind): string => CATALOGUE[kind]({}, {} as Finding, "").title;
