import type { Band, BandDays, Plan, Season } from "./types";

/** What is wrong with a plan, as facts. */
export type PlanFault =
  | { readonly kind: "month-without-season"; readonly months: readonly number[] }
  | { readonly kind: "month-in-two-seasons"; readonly month: number; readonly seasons: readonly [string, string] }
  | {
      readonly kind: "hours-overlap";
      readonly season: string;
      readonly bands: readonly [string, string];
      readonly day: "weekdays" | "weekends";
      readonly hour: number;
    }
  | {
      readonly kind: "hours-not-covered";
      readonly season: string;
      readonly day: "weekdays" | "weekends";
      readonly from: number;
      readonly to: number;
    }
  | { readonly kind: "two-rests"; readonly season: string; readonly bands: readonly [string, string] }
  | { readonly kind: "tiers-not-rising"; readonly season: string; readonly band: string }
  | {
      readonly kind: "price-in-cents" /** Season and band, or a levy; null for the credit of export. */;
      readonly where: string | null;
      readonly perKwh: string;
    }
  | { readonly kind: "ends-before-it-starts"; readonly from: string; readonly to: string };

/** A kWh that costs more than this in any common currency's main unit was typed in cents: 11 for 0.11. */
const MOST_PER_KWH_BY_DIGITS: Readonly<Record<number, number>> = { 0: 1000, 2: 5, 3: 2 };

const QUARTERS = 96;
const holds = (days: BandDays, day: "weekdays" | "weekends"): boolean => days === "all" || days === day;

/** All faults of a plan. `minorDigits` are the currency's. */
export function planFaults(plan: Plan, minorDigits: number): PlanFault[] {
  const faults: PlanFault[] = [];
  if (plan.to !== null && plan.to < plan.from) faults.push({ kind: "ends-before-it-starts", from: plan.from, to: plan.to });
  const holders = new Map<number, string>();
  for (const season of plan.seasons) {
    for (const month of season.months) {
      const other = holders.get(month);
      if (other !== undefined) faults.push({ kind: "month-in-two-seasons", month, seasons: [other, season.name] });
      holders.set(month, season.name);
    }
    faults.push(...seasonFaults(season, minorDigits));
  }
  const months = Array.from({ length: 12 }, (_, m) => m + 1).filter((month) => !holders.has(month));
  if (months.length > 0) faults.push({ kind: "month-without-season", months });
  const { perKwh } = plan.credit;
  if (perKwh !== null && inCents(perKwh, minorDigits)) faults.push({ kind: "price-in-cents", where: null, perKwh });
  for (const levy of plan.levies)
    if (inCents(levy.perKwh, minorDigits)) faults.push({ kind: "price-in-cents", where: levy.name, perKwh: levy.perKwh });
  return faults;
}

export const inCents = (perKwh: string, minorDigits: number): boolean => Number(perKwh) > (MOST_PER_KWH_BY_DIGITS[minorDigits] ?? 5);

function seasonFaults(season: Season, minorDigits: number): PlanFault[] {
  const faults: PlanFault[] = [];
  const [rest, second] = season.bands.filter(({ hours }) => hours.length === 0);
  if (rest && second) faults.push({ kind: "two-rests", season: season.name, bands: [rest.name, second.name] });
  for (const day of ["weekdays", "weekends"] as const) faults.push(...dayFaults(season, day, rest !== undefined));
  for (const band of season.bands) {
    const limits = band.tiers.map(({ upToKwh }) => upToKwh ?? Number.POSITIVE_INFINITY);
    if (limits.at(-1) !== Number.POSITIVE_INFINITY || limits.some((limit, k) => k > 0 && limit <= limits[k - 1]!))
      faults.push({ kind: "tiers-not-rising", season: season.name, band: band.name });
    for (const { perKwh } of band.tiers)
      if (inCents(perKwh, minorDigits)) faults.push({ kind: "price-in-cents", where: `${season.name}, ${band.name}`, perKwh });
  }
  return faults;
}

/** Overlaps once a pair of bands; holes as whole stretches. */
function dayFaults(season: Season, day: "weekdays" | "weekends", hasRest: boolean): PlanFault[] {
  const faults: PlanFault[] = [];
  const reported = new Set<string>();
  let hole: number | null = null;
  for (let quarter = 0; quarter <= QUARTERS; quarter++) {
    const hour = quarter / 4;
    const held = quarter < QUARTERS ? season.bands.filter((band) => holds(band.days, day) && inHours(band, hour)) : [];
    const [one, two] = held;
    if (one && two && !reported.has(`${one.name} ${two.name}`)) {
      reported.add(`${one.name} ${two.name}`);
      faults.push({ kind: "hours-overlap", season: season.name, bands: [one.name, two.name], day, hour });
    }
    const isHole = !hasRest && held.length === 0 && quarter < QUARTERS;
    if (isHole && hole === null) hole = hour;
    if (!isHole && hole !== null) {
      faults.push({ kind: "hours-not-covered", season: season.name, day, from: hole, to: hour });
      hole = null;
    }
  }
  return faults;
}

/** Hours may run over midnight: 22 to 6. */
export const inHours = ({ hours }: Pick<Band, "hours">, hour: number): boolean =>
  hours.some(([from, to]) => (from < to ? hour >= from && hour < to : hour >= from || hour < to));
