import { indexAt, type TimeAxis } from "../../series";
import { zoneOffset } from "../../time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../../units";
import { type Placement, withSpare } from "./placements";
import { inHours } from "./plan-checks";
import { bandAt, datesBetween, daysInMonth, holdsOn, type PlanDay, planDay, planOn } from "./price-at";
import type { Plan } from "./types";

/** Part of a billing period under one plan and in one season; energies by band of that season. */
export interface UsageSlice {
  readonly plan: Plan;
  readonly season: string;
  readonly from: string;
  readonly to: string;
  readonly days: number;
  readonly importKwh: readonly number[];
  readonly exportKwh: readonly number[];
  /** Highest mean power of a step in the plan's demand hours, kW; null where it can't be known. */
  readonly peakKw: number | null;
}

/** What a printed bill says of a period. */
export interface PeriodTotals {
  readonly from: string;
  readonly to: string;
  readonly importKwh: number;
  /** By the bands' names; empty where the bill names none. */
  readonly importByBandKwh: Readonly<Record<string, number>>;
  /** Part of the import that certainly has no band, however little it is: what misses the bands' sum otherwise may be their rounding. */
  readonly unbandedKwh?: number;
  readonly exportKwh: number;
}

export type SlicesFault =
  | { readonly kind: "no-plan"; readonly from: string; readonly to: string }
  | { readonly kind: "bands-needed"; readonly bands: readonly string[]; readonly given: readonly string[] };

export type Slices = { readonly kind: "slices"; readonly slices: readonly UsageSlice[] } | SlicesFault;

interface Stretch {
  readonly plan: Plan;
  readonly season: Plan["seasons"][number];
  readonly dates: string[];
}

/** Stretches of a period under one plan and in one season; null where a day has no plan or no season. */
function stretchesOf(plans: readonly Plan[], from: string, to: string): Stretch[] | null {
  const out: Stretch[] = [];
  for (const date of datesBetween(from, to)) {
    const plan = planOn(plans, date);
    const day = plan && planDay(plan, date);
    if (!plan || !day) return null;
    const last = out.at(-1);
    if (last && last.plan === plan && last.season === day.season) last.dates.push(date);
    else out.push({ plan, season: day.season, dates: [date] });
  }
  return out;
}

/** Printed kWh are rounded: bands may miss their sum by this each. */
export const BAND_ROUNDING_KWH = 1.5;

/**
 * Printed totals by band; where a period crosses seasons or plans, each gets its days' share of the bands that it has. Energy without a band of the
 * plan is put where `placement` says; without one it is named, and never left out.
 */
export function slicesOfTotals(plans: readonly Plan[], totals: PeriodTotals, placement: Placement | null = null): Slices {
  const stretches = stretchesOf(plans, totals.from, totals.to);
  if (!stretches || stretches.length === 0) return { kind: "no-plan", from: totals.from, to: totals.to };
  const shares = bandShares(stretches, totals);
  const certainKwh = totals.unbandedKwh ?? 0;
  const lacking = shares.find(({ unplacedKwh, names }) => unplacedKwh > roundingOf(names, totals) || (unplacedKwh > 0 && certainKwh > 0));
  if (lacking && placement === null) return { kind: "bands-needed", bands: lacking.names, given: Object.keys(totals.importByBandKwh) };
  const slices = shares.map(({ stretch: { plan, season, dates }, names, dayShare, importKwh, unplacedKwh }): UsageSlice => {
    const months = dates.reduce((sum, date) => sum + 1 / daysInMonth(date), 0);
    // Exported energy has no band on a printed bill: it goes by the clock of the sun, to the band that holds at noon of most days.
    const noon = bandAt({ season, isWeekend: false }, 12);
    return {
      plan,
      season: season.name,
      from: dates[0]!,
      to: dates.at(-1)!,
      days: dates.length,
      importKwh: !lacking
        ? inProportion(importKwh, unplacedKwh)
        : placement
          ? withSpare({ bands: season.bands, ownKwh: importKwh, spareKwh: unplacedKwh, months }, placement)
          : importKwh,
      exportKwh: names.map((_, k) => (k === noon ? totals.exportKwh * dayShare : 0)),
      peakKw: null,
    };
  });
  return { kind: "slices", slices };
}

/** By what the bands of a bill may miss its sum: bands that it does not print round nothing. */
const roundingOf = (names: readonly string[], { importByBandKwh }: PeriodTotals): number =>
  BAND_ROUNDING_KWH * names.filter((name) => name in importByBandKwh).length;

/** What rounding left over belongs to all bands as they are. */
function inProportion(kwh: readonly number[], restKwh: number): number[] {
  const sum = kwh.reduce((a, b) => a + b, 0);
  return kwh.map((own) => own + restKwh * (sum > 0 ? own / sum : 1 / kwh.length));
}

interface BandShare {
  readonly stretch: Stretch;
  readonly names: readonly string[];
  /** The stretch's days of the period's. */
  readonly dayShare: number;
  /** By the season's bands. */
  readonly importKwh: readonly number[];
  readonly unplacedKwh: number;
}

/** What of a period's import falls into each stretch, by band, and what no band is named for. */
function bandShares(stretches: readonly Stretch[], { importKwh, importByBandKwh }: PeriodTotals): BandShare[] {
  const days = stretches.reduce((sum, { dates }) => sum + dates.length, 0);
  const namesOf = ({ season }: Stretch): string[] => season.bands.map(({ name }) => name);
  const isNamed = (stretch: Stretch): boolean => namesOf(stretch).some((name) => name in importByBandKwh);
  // Where every stretch has a band of the bill, a band's energy lies in the stretches that have it; else each takes its days' share of all.
  const areAllNamed = stretches.every(isNamed);
  const daysWith = (name: string): number =>
    areAllNamed ? stretches.filter((stretch) => namesOf(stretch).includes(name)).reduce((sum, { dates }) => sum + dates.length, 0) : days;
  const known = new Set(stretches.flatMap(namesOf));
  const placedKwh = Object.entries(importByBandKwh).reduce((sum, [name, kwh]) => sum + (known.has(name) ? kwh : 0), 0);
  return stretches.map((stretch): BandShare => {
    const names = namesOf(stretch);
    const dayShare = stretch.dates.length / days;
    const own = names.map((name) => ((importByBandKwh[name] ?? 0) * stretch.dates.length) / daysWith(name));
    if (names.length === 1 && !areAllNamed) return { stretch, names, dayShare, importKwh: [importKwh * dayShare], unplacedKwh: 0 };
    const left = isNamed(stretch) ? Math.max(0, importKwh - placedKwh) : importKwh;
    // With one band alone there is nowhere else to go.
    if (stretches.every((each) => each.season.bands.length === 1))
      return { stretch, names, dayShare, importKwh: [importKwh * dayShare], unplacedKwh: 0 };
    return { stretch, names, dayShare, importKwh: own, unplacedKwh: left * dayShare };
  });
}

const QUARTER_MINUTES = 15;

/** Import and export of every step sorted into bands by the local clock; a step longer than a quarter hour is split evenly over its quarters. */
export function slicesOfIntervals(
  plans: readonly Plan[],
  period: { readonly from: string; readonly to: string },
  meter: { readonly axis: TimeAxis; readonly importKwh: Float64Array; readonly exportKwh: Float64Array | null },
  timeZone: string,
): Slices {
  const stretches = stretchesOf(plans, period.from, period.to);
  if (!stretches || stretches.length === 0) return { kind: "no-plan", from: period.from, to: period.to };
  const offset = zoneOffset(timeZone);
  const { axis } = meter;
  const parts = Math.max(1, Math.round(axis.stepMinutes / QUARTER_MINUTES));
  const slices = stretches.map((stretch) => {
    const bands = stretch.season.bands.length;
    return { ...stretch, importKwh: new Float64Array(bands), exportKwh: new Float64Array(bands), peakKw: 0 };
  });
  const byDate = new Map(slices.flatMap((slice) => slice.dates.map((date) => [date, slice] as const)));
  const startMs = Date.parse(period.from);
  const first = Math.max(0, indexAt(axis, startMs - 15 * HOUR_MS));
  const last = Math.min(axis.count, indexAt(axis, Date.parse(period.to) + 40 * HOUR_MS) + 1);
  let held: { dayNumber: number; slice: (typeof slices)[number] | undefined; day: PlanDay | null } = {
    dayNumber: Number.NaN,
    slice: undefined,
    day: null,
  };
  for (let i = first; i < last; i++) {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    for (let part = 0; part < parts; part++) {
      const partMs = utcMs + (part * axis.stepMinutes * MINUTE_MS) / parts;
      const localMs = partMs + offset(partMs);
      const dayNumber = Math.floor(localMs / DAY_MS);
      if (dayNumber !== held.dayNumber) {
        const date = new Date(localMs).toISOString().slice(0, 10);
        const slice = byDate.get(date);
        held = { dayNumber, slice, day: slice ? planDay(slice.plan, date) : null };
      }
      const { slice, day } = held;
      if (!slice || !day) continue;
      const hour = Math.floor((localMs - dayNumber * DAY_MS) / MINUTE_MS) / 60;
      const band = bandAt(day, hour);
      if (band < 0) continue;
      const bought = (meter.importKwh[i] ?? 0) / parts;
      if (!Number.isNaN(bought)) slice.importKwh[band]! += bought;
      const sold = (meter.exportKwh?.[i] ?? 0) / parts;
      if (!Number.isNaN(sold)) slice.exportKwh[band]! += sold;
      const { demand } = slice.plan;
      const isDemand = demand && holdsOn(demand.days, day.isWeekend) && (demand.hours.length === 0 || inHours(demand, hour));
      if (isDemand) slice.peakKw = Math.max(slice.peakKw, (bought * parts * 60) / axis.stepMinutes);
    }
  }
  return {
    kind: "slices",
    slices: slices.map(({ plan, season, dates, importKwh, exportKwh, peakKw }) => ({
      plan,
      season: season.name,
      from: dates[0]!,
      to: dates.at(-1)!,
      days: dates.length,
      importKwh: [...importKwh],
      exportKwh: [...exportKwh],
      peakKw: plan.demand ? peakKw : null,
    })),
  };
}
