import type { AgeingReport } from "@/contracts/attribution";

const percent = (value: number | null): string => (value === null ? "?" : (value * 100).toFixed(2).replace("-", "\u2212"));

/** The verdict first, then the number, then the reason. */
export function ageingSentence(report: AgeingReport): string {
  const { perYearFrac, low, high, verdict, warranty, years, halfWidthLater } = report;
  if (verdict === "too-soon" || perYearFrac === null) {
    const later = halfWidthLater[0];
    const width =
      later === null || later === undefined ? "" : ` Another year would bring the interval to about \u00b1${percent(later)} % a year.`;
    return `Too soon to tell: ${years.toFixed(1)} years of readings.${width}`;
  }
  const rate = `Ageing ${percent(perYearFrac)} % a year (${percent(low)} to ${percent(high)}).`;
  if (verdict === "no-warranty" || !warranty) return `${rate} The book holds no warranty to set it against.`;
  const line = `${percent(warranty.perYearFrac)} % a year`;
  if (verdict === "within") return `${rate} Within warranty: the whole interval lies under the guaranteed ${line}.`;
  if (verdict === "below") return `${rate} Below warranty: the whole interval lies over the guaranteed ${line}.`;
  return `${rate} Undecided: the guaranteed ${line} lies inside the interval.`;
}
