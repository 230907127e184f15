import type { AgeingReport } from "@/contracts/attribution";
import { Z_95 } from "@/core/statistics";
import { monthName, number } from "./format";

const percent = (value: number | null, digits = 2): string => (value === null ? "?" : number(value * 100, digits));

const BY_RATE = {
  slower: (guaranteed: string) => `Slower than the guaranteed ${guaranteed} %.`,
  faster: (guaranteed: string) => `Faster than the guaranteed ${guaranteed} %.`,
  undecided: (guaranteed: string) => `The guaranteed ${guaranteed} % lies inside the interval.`,
  unphysical: () => "A negative rate is not physical: look at the light.",
} as const;

const CLAIM = {
  below: "This supports a claim: the whole interval lies under the guarantee.",
  within: "This does not support a claim: the whole interval lies over the guarantee.",
  undecided: "This does not support a claim: the guarantee lies inside the interval.",
} as const;

/** What the Ageing chapter says, part by part: each figure opens a working of its own. */
export interface AgeingWords {
  readonly rate: string;
  readonly byRate: string;
  /** Null where no level can be told; the figure is short, since it does not wrap. */
  readonly level: { readonly before: string; readonly figure: string; readonly after: string } | null;
  readonly claim: string;
  /** A change of pace, and the wave through the year; empty where neither is worth a word. */
  readonly course: string;
  /** What was found of the light itself; empty where nothing was. */
  readonly light: string;
}

/** The rate first, then where the plant stands against what is guaranteed, and what follows for a claim. */
export const ageingWords = (report: AgeingReport): AgeingWords => ({
  ...rateWords(report),
  ...levelWords(report),
  course: courseWords(report),
  light: lightWords(report),
});

/** The same as one text. */
export function ageingSentence(report: AgeingReport): string {
  const { rate, byRate, level, claim, course, light } = ageingWords(report);
  return [`${rate}.`, byRate, level ? level.before + level.figure + level.after : "", claim, course, light]
    .filter((part) => part !== "")
    .join(" ");
}

function rateWords(report: AgeingReport): Pick<AgeingWords, "rate" | "byRate"> {
  const { isTooSoon, perYearFrac, low, high, rateVerdict, warranty, years, halfWidthLater } = report;
  if (isTooSoon || perYearFrac === null) {
    const later = halfWidthLater[0] ?? null;
    const width = later === null ? "" : `Another year would bring the interval to about \u00b1${percent(later)} % a year.`;
    return { rate: `Too soon to tell a rate: ${number(years, 1)} years of readings`, byRate: width };
  }
  return {
    rate: `Ageing ${percent(perYearFrac)} % a year (${percent(low)} to ${percent(high)})`,
    byRate: rateVerdict
      ? BY_RATE[rateVerdict](percent(warranty?.perYearFrac ?? null))
      : high !== null && high < 0
        ? BY_RATE.unphysical()
        : "",
  };
}

function levelWords({ level, warranty, verdict }: AgeingReport): Pick<AgeingWords, "level" | "claim"> {
  if (!level) return { level: null, claim: "" };
  const when = level.ageYears === null ? "At the end" : `At ${number(level.ageYears, 1)} years`;
  const stands = (guaranteed: string) => ({
    before: `${when} the plant stands at `,
    figure: `${percent(level.frac, 1)} % of its rating`,
    after: ` (${percent(level.low, 1)} to ${percent(level.high, 1)}), modules, light sensor and model together${guaranteed}.`,
  });
  if (!warranty) return { level: stands(""), claim: "The book holds no warranty to set it against." };
  if (level.guaranteedFrac === null)
    return { level: stands(""), claim: "What is guaranteed by now is not known: the book does not say since when the plant stands." };
  const claim = verdict === "below" || verdict === "within" || verdict === "undecided" ? CLAIM[verdict] : "";
  return { level: stands(`; ${percent(level.guaranteedFrac, 1)} are guaranteed`), claim };
}

/** A wave under this is within what dirt and model leave in any index; above it it is told. */
const TOLD_WAVE_FRAC = 0.01;
const month = (index: number): string => monthName(`2000-${String(index + 1).padStart(2, "0")}`);

function courseWords({ recent, wave }: AgeingReport): string {
  const pace = recent
    ? `From ${monthName(recent.fromMonth)} ${recent.fromMonth.slice(0, 4)} on it goes at ${percent(recent.perYearFrac)} % a year (\u00b1${percent(recent.halfFrac)}), before at ${percent(recent.beforePerYearFrac)} %.`
    : "";
  const swing =
    wave && wave.halfFrac >= TOLD_WAVE_FRAC
      ? `Through the year the index swings by \u00b1${percent(wave.halfFrac, 1)} %, highest in ${month(wave.highest)} and lowest in ${month(wave.lowest)}: shade, dirt, model or sensor, but no ageing.`
      : "";
  return [pace, swing].filter((part) => part !== "").join(" ");
}

const LIGHT_STEP_ENTRY = {
  calibration: "the field book has the sensor calibrated then",
  "sensor-cleaning": "the field book has the sensor cleaned then",
  none: "a new calibration, a cleaning or another sensor",
} as const;

/** What the light did against the clear sky: a step of it, or a drift that the rate is corrected for. */
function lightWords(report: AgeingReport): string {
  return [stepWords(report), driftWords(report)].filter((part) => part !== "").join(" ");
}

/** A correction under this share a year is none that anybody could see. */
const LEAST_TOLD_FRAC = 0.0005;

function driftWords({ lightDrift, isTooSoon }: AgeingReport): string {
  if (!lightDrift || isTooSoon || Math.abs(lightDrift.takenPerYearFrac) < LEAST_TOLD_FRAC) return "";
  const { perYearFrac, standardFrac, takenPerYearFrac } = lightDrift;
  const way = perYearFrac > 0 ? "more" : "less";
  return `Clear days read ${percent(Math.abs(perYearFrac))} % a year ${way} against a cloudless sky (give or take ${percent(Z_95 * standardFrac)}); the rate is corrected by ${percent(Math.abs(takenPerYearFrac))} of it.`;
}

function stepWords({ lightStep, days }: AgeingReport): string {
  if (!lightStep) return "";
  const way = lightStep.frac > 0 ? "more" : "less";
  return `From ${days[lightStep.day] ?? "some day"} on the light column reads ${percent(Math.abs(lightStep.frac), 1)} % ${way} against a cloudless sky, and the plant the other way: ${LIGHT_STEP_ENTRY[lightStep.entry ?? "none"]}. Days are not compared across it.`;
}

/** What a maker accepts beside it. */
export const claimWords =
  "Readings on site tell the level with light sensor, meter and model in it. A maker accepts a sample of the modules measured by a laboratory after IEC 60904-1:2020, and deducts its uncertainty: this sheet says whether that is worth its cost.";
