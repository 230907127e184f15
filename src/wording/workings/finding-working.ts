import type { BookFinding } from "@/contracts/examination";
import { findingInWords, stretchInWords } from "../findings/quality";
import { number, percent } from "../format";
import type { Working } from "./working";

const METHODS: Readonly<Partial<Record<BookFinding["kind"], string>>> = {
  "clock-shift": "middle between first and last productive interval of a day − the model’s; medians of 15 days on both sides of a jump",
  "no-summer-time": "middle between first and last productive interval of a day − the model’s; the jump falls on a change of summer time",
  "labels-end": "middle between first and last productive interval of a day − the model’s = one step",
  "unit-factor": "day’s energy ÷ energy expected ÷ the series’ usual ratio, against 1000, 60, 12, 4 and their inverses",
  "level-step":
    "median ratio of 30 days after ÷ 30 days before, both level, and still there over 120 days; on the day at which two levels fit best; a rise after 5 mm of rain is none",
  "caught-up":
    "row after a gap > the most of an interval, or far above its neighbours and the cloudless model, and within what the gap could hold",
  spike: "value > the most of an interval, or > 1.6 × the cloudless model + 20 % of rated",
  "false-zero": "a day’s total of exactly nothing, with at least half of the usual on the days before and after it",
  frozen: "equal values for 90 minutes and four intervals of daylight, below the plant’s ceiling",
  "digit-slip":
    "energy between neighbours set against what was expected; written digits swapped, dropped, doubled or changed until both sides fit, weighed by how usual the spans then are and how many slips there are to pick from",
  battery: "output with the sun more than 18° down, on a quarter of the nights or more",
  "looks-dc": "share of intervals above the inverters’ rating, below nameplate",
  "looks-export":
    "length of the productive day ÷ the model’s, on bright days; of a stretch: dull hours under a high sun keep under 70 % of their usual on three days of four, bright hours lose less than 60 % as much",
};

/** How a finding came about. */
export function findingWorking(finding: BookFinding, timeZone: string): Working {
  const words = findingInWords(finding, timeZone);
  return {
    title: words.title,
    value: percent(finding.confidenceFrac, 0),
    unit: "sure",
    formula: METHODS[finding.kind] ?? "the series itself, interval by interval",
    inputs: [
      { name: "where", value: stretchInWords(finding, timeZone), from: `series ${finding.seriesKey}` },
      { name: "intervals", value: number(finding.count), from: "raw readings" },
      ...Object.entries(finding.facts).map(([name, value]) => ({
        name,
        value: typeof value === "number" ? number(value, Math.abs(value) < 10 && !Number.isInteger(value) ? 3 : 0) : value,
        from: "examination",
      })),
    ],
    source: "Robust statistics: medians and thresholds named in docs/methods.md, quality examination",
    assumptions: ["Confidence is a judgement by rule, not a probability.", words.proposal],
  };
}
