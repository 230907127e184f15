import { endUtcMs, sumOnto, type TimeAxis } from "../series";
import type { Place } from "../site";
import { runSun } from "../sun";
import { type CalendarBins, dayBins, monthBins } from "../time";
import { MINUTE_MS } from "../units";
import { byBin, byHour, byLight, type Group, type Paired } from "./breakdown";
import { type ClippingDays, clippingDays } from "./clipping-days";
import { type DayEnds, dayEnds } from "./day-ends";
import { type Difference, pairedDifference } from "./difference";
import { type ForeignEnergy, withoutForeign } from "./foreign-energy";
import { type NaiveTrial, naiveTrial } from "./naive";
import { atAcPoint, sideKwp, type TrialSide } from "./side";
import { type SideDifference, whatDiffers } from "./what-differs";
import { type WholeYear, wholeYear } from "./whole-year";

/** What the model expects of one side on its own time axis, kWh; NaN without weather. */
export interface ExpectedSide {
  readonly axis: TimeAxis;
  readonly kwh: Float64Array;
}

export interface TrialInput {
  readonly place: Place;
  readonly axis: TimeAxis;
  readonly a: TrialSide;
  readonly b: TrialSide;
  /** Over the trial, for the ratio to the model by month. */
  readonly expected: { readonly a: ExpectedSide; readonly b: ExpectedSide } | null;
  /** Of a whole year, kWh by month, January first. */
  readonly yearKwh: { readonly a: readonly number[]; readonly b: readonly number[] } | null;
  /** Light in the plane of the first side on the trial's axis, W/m2. */
  readonly lightWm2: Float64Array | null;
  readonly draws: number;
  readonly seed: number;
}

export interface SideReport {
  readonly name: string;
  readonly kwp: number;
  readonly foreign: Omit<ForeignEnergy, "cleanKwh">;
  readonly clipping: ClippingDays;
  /** Share of the trial's intervals that were read. */
  readonly readFrac: number;
  /** AC energy over DC energy as read, where the meter sits before the inverter; it is known to CONVERSION_OFF. */
  readonly conversionFrac: number | null;
}

/** A part-load efficiency taken from a datasheet stands for a device's own to about this share. */
export const CONVERSION_OFF = 0.01;

export interface TrialReport {
  readonly a: SideReport;
  readonly b: SideReport;
  /** Second side against the first over paired days; the interval holds the draws and, where a reading was brought to AC, that step. */
  readonly difference: Difference;
  readonly pairedDays: number;
  readonly days: number;
  readonly months: readonly (Group & { readonly pairedFrac: number })[];
  readonly hours: readonly Group[];
  readonly light: readonly Group[];
  readonly ends: DayEnds;
  readonly year: WholeYear | null;
  readonly naive: NaiveTrial;
  readonly differs: readonly SideDifference[];
}

/**
 * Two sides at one metering point, per kilowatt-peak, over intervals that both have: foreign energy out, paired difference with its
 * interval, where it comes from, and a whole year by the model's seasons. Null where the sides share no lit interval.
 */
export function runTrial(input: TrialInput): TrialReport | null {
  const { place, axis, a, b, draws, seed } = input;
  const days = dayBins(axis, place.timeZone);
  const sun = runSun(axis, place);
  const sides = [
    [a, b],
    [b, a],
  ].map(([side, other]) => {
    const kwp = sideKwp(side!);
    const foreign = withoutForeign({
      axis,
      days,
      sun,
      own: { kwh: side!.meteredKwh, kwp },
      other: { kwh: other!.meteredKwh, kwp: sideKwp(other!) },
    });
    const acKwh = atAcPoint({ ...side!, meteredKwh: foreign.cleanKwh }, axis);
    return { side: side!, kwp, foreign, acKwh, perKwp: acKwh.map((kwh) => kwh / kwp) };
  }) as [Prepared, Prepared];
  const paired = pair(axis, sides);
  const [aByDay, bByDay] = [byDay(paired.a, days, axis), byDay(paired.b, days, axis)];
  const pairedDays = aByDay.filter((kwh, d) => kwh > 0 && !Number.isNaN(bByDay[d]!)).length;
  if (pairedDays === 0) return null;
  const months = monthBins(axis, place.timeZone);
  return {
    a: sideReport(sides[0], axis, days),
    b: sideReport(sides[1], axis, days),
    difference: widened(pairedDifference(aByDay, bByDay, draws, seed), sides),
    pairedDays,
    days: days.keys.length,
    months: byBin(paired, months).map((group, m) => ({ ...group, pairedFrac: pairedFrac(paired, months, m) })),
    hours: byHour(paired, place.timeZone),
    light: input.lightWm2 ? byLight(paired, input.lightWm2) : [],
    ends: dayEnds(paired, days),
    year: input.expected && input.yearKwh ? filledYear(input, sides, paired) : null,
    naive: naiveTrial(days, { meteredKwh: a.meteredKwh, kwp: sides[0].kwp }, { meteredKwh: b.meteredKwh, kwp: sides[1].kwp }),
    differs: whatDiffers(a, b),
  };
}

interface Prepared {
  readonly side: TrialSide;
  readonly kwp: number;
  readonly foreign: ForeignEnergy;
  readonly acKwh: Float64Array;
  readonly perKwp: Float64Array;
}

function widened({ frac, low, high }: Difference, sides: readonly [Prepared, Prepared]): Difference {
  const off = CONVERSION_OFF * Math.sqrt(sides.filter(({ side }) => side.point === "dc").length) * (1 + frac);
  return { frac, low: frac - Math.hypot(frac - low, off), high: frac + Math.hypot(high - frac, off) };
}

function pair(axis: TimeAxis, [left, right]: readonly [Prepared, Prepared]): Paired {
  const [a, b] = [left.perKwp.slice(), right.perKwp.slice()];
  for (let i = 0; i < axis.count; i++) if (Number.isNaN(a[i]! + b[i]!)) a[i] = b[i] = Number.NaN;
  return { axis, a, b };
}

/** A day counts when most of it is paired. */
const WHOLE_DAY_FRAC = 0.5;

function byDay(values: Float64Array, days: CalendarBins, axis: TimeAxis): Float64Array {
  const sums = new Float64Array(days.keys.length);
  const steps = new Float64Array(days.keys.length);
  for (let i = 0; i < axis.count; i++)
    if (!Number.isNaN(values[i])) {
      sums[days.binOf[i]!]! += values[i]!;
      steps[days.binOf[i]!]! += 1;
    }
  const least = (WHOLE_DAY_FRAC * 1440) / axis.stepMinutes;
  return sums.map((sum, d) => (steps[d]! >= least ? sum : Number.NaN));
}

function pairedFrac({ axis, a }: Paired, months: CalendarBins, m: number): number {
  let [all, kept] = [0, 0];
  for (let i = 0; i < axis.count; i++)
    if (months.binOf[i] === m) {
      all++;
      if (!Number.isNaN(a[i])) kept++;
    }
  return kept / Math.max(1, all);
}

function sideReport({ side, kwp, foreign, acKwh }: Prepared, axis: TimeAxis, days: CalendarBins): SideReport {
  const { cleanKwh, ...told } = foreign;
  const sum = (values: Float64Array): number => values.reduce((total, kwh) => (Number.isNaN(kwh) ? total : total + kwh), 0);
  return {
    name: side.name,
    kwp,
    foreign: told,
    clipping: clippingDays(side, acKwh, axis, days),
    readFrac: side.meteredKwh.filter((kwh) => !Number.isNaN(kwh)).length / axis.count,
    conversionFrac: side.point === "dc" ? sum(acKwh) / sum(cleanKwh) : null,
  };
}

/** Months January to December of what was paired and expected in the same intervals, then filled. */
function filledYear(input: TrialInput, sides: readonly [Prepared, Prepared], paired: Paired): WholeYear {
  const { axis, place } = input;
  const expected = input.expected!;
  const totals = Array.from({ length: 12 }, () => ({ metered: { a: 0, b: 0 }, expected: { a: 0, b: 0 } }));
  for (const side of ["a", "b"] as const) {
    const model = expected[side];
    const { sums, coverageFrac } = sumOnto(paired[side], axis, model.axis);
    const kwp = side === "a" ? sides[0].kwp : sides[1].kwp;
    const bins = monthBins(model.axis, place.timeZone);
    for (let i = 0; i < model.axis.count; i++) {
      if (!(coverageFrac[i]! > 0.999) || Number.isNaN(model.kwh[i])) continue;
      const month = Number(bins.keys[bins.binOf[i]!]!.slice(5, 7)) - 1;
      totals[month]!.metered[side] += sums[i]!;
      totals[month]!.expected[side] += model.kwh[i]! / kwp;
    }
  }
  return wholeYear({
    paired: totals,
    year: input.yearKwh!.a.map((kwh, m) => ({ a: kwh / sides[0].kwp, b: input.yearKwh!.b[m]! / sides[1].kwp })),
  });
}

/** The stretch of time that two recordings share, on the coarser of their steps; null where they don't meet. */
export function sharedAxis(a: TimeAxis, b: TimeAxis): TimeAxis | null {
  const stepMinutes = Math.max(a.stepMinutes, b.stepMinutes);
  const stepMs = stepMinutes * MINUTE_MS;
  const startUtcMs = Math.ceil(Math.max(a.startUtcMs, b.startUtcMs) / stepMs) * stepMs;
  const count = Math.floor((Math.min(endUtcMs(a), endUtcMs(b)) - startUtcMs) / stepMs);
  return count > 0 ? { startUtcMs, stepMinutes, count } : null;
}
