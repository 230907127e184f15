import type { AgeingReport } from "@/contracts/attribution";

const percent = (value: number | null, digits = 2): string => (value === null ? "?" : (value * 100).toFixed(digits).replace("-", "\u2212"));

const BY_RATE = {
  slower: (guaranteed: string) => ` Slower than the guaranteed ${guaranteed} %.`,
  faster: (guaranteed: string) => ` Faster than the guaranteed ${guaranteed} %.`,
  undecided: (guaranteed: string) => ` The guaranteed ${guaranteed} % lies inside the interval.`,
} as const;

/** The rate first, then where the modules stand against what is guaranteed, and what follows for a claim. */
export function ageingSentence(report: AgeingReport): string {
  return `${rateWords(report)}${levelWords(report)}`;
}

function rateWords({ isTooSoon, perYearFrac, low, high, rateVerdict, warranty, years, halfWidthLater }: AgeingReport): string {
  if (isTooSoon || perYearFrac === null) {
    const later = halfWidthLater[0];
    const width =
      later === null || later === undefined ? "" : ` Another year would bring the interval to about \u00b1${percent(later)} % a year.`;
    return `Too soon to tell a rate: ${years.toFixed(1)} years of readings.${width}`;
  }
  // Modules don't grow better: what looks so is the light column, or dirt that was put back too freely.
  const unphysical = high !== null && high < 0 ? " A negative rate is not physical: look at the light." : "";
  const byRate = rateVerdict && warranty ? BY_RATE[rateVerdict](percent(warranty.perYearFrac)) : "";
  return `Ageing ${percent(perYearFrac)} % a year (${percent(low)} to ${percent(high)}).${unphysical}${byRate}`;
}

function levelWords({ level, warranty, verdict }: AgeingReport): string {
  if (!level) return "";
  const stands = ` At ${level.ageYears.toFixed(1)} years the plant stands at ${percent(level.frac, 1)} % of its rating (${percent(level.low, 1)} to ${percent(level.high, 1)}), modules, light sensor and model together`;
  if (!warranty || level.guaranteedFrac === null) return `${stands}. The book holds no warranty to set it against.`;
  const guaranteed = `${stands}; ${percent(level.guaranteedFrac, 1)} are guaranteed`;
  if (verdict === "below") return `${guaranteed}. This supports a claim: the whole interval lies under the guarantee.`;
  if (verdict === "within") return `${guaranteed}. This does not support a claim: the whole interval lies over the guarantee.`;
  return `${guaranteed}. This does not support a claim: the guarantee lies inside the interval.`;
}

/** What a maker accepts beside it. */
export const claimWords =
  "Readings on site tell the level with light sensor, meter and model in it. A maker accepts a sample of the modules measured by a laboratory after IEC 60904-1:2020, and deducts its uncertainty: this sheet says whether that is worth its cost.";
