import type { CapacityFilter, CapacityOutcome } from "@/core/capacity";
import type { GuaranteeKind, GuaranteeYear } from "@/core/guarantee";
import { catalogue } from "./catalogue";
import { measure, number, percent } from "./format";

export const filterNames: Readonly<Record<CapacityFilter, string>> = catalogue({
  missing: "no whole reading of meter, light or air",
  held: "held from outside, by the field book",
  dark: "light under the least",
  unsteady: "light that swings within the interval",
  ceiling: "at the inverters' ceiling",
  still: "standing still",
  band: "outside the band about the reporting light",
});

export const outcomeNames: Readonly<Record<CapacityOutcome, string>> = catalogue({
  passed: "passed",
  failed: "failed",
  open: "not told by these readings",
  "too-few": "too few intervals",
  "not-separable": "air, wind and light can't be told apart",
});

export const guaranteeNames: Readonly<Record<GuaranteeKind, string>> = catalogue({
  "performance-ratio": "performance ratio",
  "corrected-ratio": "performance ratio at 25 °C",
  "energy-index": "performance index",
  availability: "availability by time",
});

export const yearOutcomes: Readonly<Record<GuaranteeYear["outcome"], string>> = catalogue({
  kept: "kept",
  missed: "missed",
  open: "not told by these readings",
  "too-little-read": "too little was read",
  "no-readings": "no readings",
});

/** A share as people write a test's: 97.3 %. */
const share = (value: number): string => percent(value, 1);

interface CapacityFacts {
  readonly outcome: CapacityOutcome;
  readonly intervals: number;
  readonly days: number;
  readonly conditions: { readonly poaWm2: number; readonly airTempC: number; readonly windSpeedMs: number } | null;
  readonly hasWind: boolean;
}

export const sayCapacity = catalogue({
  at: ({ conditions, hasWind }: Pick<CapacityFacts, "conditions" | "hasWind">) =>
    conditions
      ? `At ${number(conditions.poaWm2)} W/m², ${measure(conditions.airTempC, "°C", 1)}${hasWind ? ` and ${measure(conditions.windSpeedMs, "m/s", 1)} of wind` : ""} the plant gives `
      : "",
  ofTarget: (isModel: boolean) => (isModel ? " of what its book expects" : " of what was agreed"),
  passed: (line: number) => `: passed, at a line of ${share(line)}.`,
  failed: (line: number) => `: failed, at a line of ${share(line)}.`,
  open: (line: number) => `. The line of ${share(line)} lies within the interval: these readings tell neither.`,
  tooFew: ({ intervals, days }: Pick<CapacityFacts, "intervals" | "days">, least: number, leastDays: number) =>
    `No capacity can be told: ${intervals} ${intervals === 1 ? "interval" : "intervals"} of ${days} ${days === 1 ? "day" : "days"} are left, of at least ${least} of ${leastDays} days. See below which filter takes most.`,
  notSeparable:
    "No capacity can be told: in the intervals that are left, air and wind go with the light. Take more days, of other weather.",
});

export const sayGuarantee = catalogue({
  kept: (kept: number, of: number) =>
    kept === of
      ? `${of === 1 ? "The year is" : `All ${of} years are`} kept.`
      : kept > 0
        ? `${kept} of ${of} years are kept, none is missed.`
        : "No year is missed.",
  missed: (missed: number, of: number) => `${missed} of ${of} ${of === 1 ? "year is" : "years are"} missed, `,
  short: " short in all",
  damages: " of damages",
  stop: ".",
  open: (open: number) => ` ${open === 1 ? "One is" : `${open} are`} not told by these readings: the figure lies within the interval.`,
  unsettled: (count: number) => ` ${count === 1 ? "One is" : `${count} are`} not settled, with too little read.`,
  partial: " The last year is not over in the record.",
  nothing: "The record has nothing of these years.",
});

interface Told {
  readonly kind: "capacity" | "guarantee";
  readonly outcome?: CapacityOutcome;
  readonly ratio?: number | null;
  readonly halfFrac?: number | null;
  readonly years?: readonly { readonly outcome: GuaranteeYear["outcome"]; readonly shortKwh: number }[];
}

/** A kept test's outcome in a few words. */
export function outcomeInWords(report: Told, passFrac: number): string {
  if (report.years) {
    const missed = report.years.filter(({ outcome }) => outcome === "missed");
    return missed.length > 0
      ? sayOutcome.missed(
          missed.length,
          report.years.length,
          missed.reduce((kwh, { shortKwh }) => kwh + shortKwh, 0),
        )
      : sayGuarantee.kept(report.years.filter(({ outcome }) => outcome === "kept").length, report.years.length);
  }
  const outcome = outcomeNames[report.outcome ?? "too-few"];
  return report.ratio == null ? outcome : sayOutcome.ratio(outcome, report.ratio, report.halfFrac ?? 0, passFrac);
}

const sayOutcome = catalogue({
  missed: (missed: number, of: number, kwh: number) => `${missed} of ${of} ${of === 1 ? "year" : "years"} missed, ${number(kwh)} kWh short`,
  ratio: (outcome: string, ratio: number, half: number, line: number) =>
    `${share(ratio)} ± ${number(half * 100, 1)} at a line of ${share(line)}, ${outcome}`,
});
