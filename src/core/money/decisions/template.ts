import type { Site } from "../../site";
import type { YieldOptions } from "../../yield";
import type { CaseSide } from "./decide";
import type { SideName } from "./side-name";

/** A figure that a case asks for. */
export interface CaseInput {
  readonly key: string;
  readonly unit: "money" | "years" | "deg" | "percent" | "W" | "count" | "m2" | "percent/K";
  readonly value: number;
  readonly least: number;
  readonly most: number;
}

/** Twelve months of energy of a site in a mean year of its weather, kWh. */
export type SimulateYear = (site: Site, options?: YieldOptions) => Promise<readonly number[]>;

/** The same year by year: each with its twelve months. */
export type SimulateYears = (site: Site, options?: YieldOptions) => Promise<readonly (readonly number[])[]>;

export type CaseFigures = Readonly<Record<string, number>>;

/** A decision that owners face: what it asks for, and the ways it can go. The first side is the base. */
export interface CaseTemplate {
  readonly id: string;
  /** What it can't be answered without, beside light and a price: nothing is advised on rain that nobody knows. */
  readonly needs?: "rain";
  /** Null where the site can't face it. */
  inputsFor(site: Site, facts: CaseFacts): readonly CaseInput[] | null;
  sides(
    site: Site,
    figures: CaseFigures,
    simulate: SimulateYear,
    facts: CaseFacts,
    simulateYears: SimulateYears,
  ): Promise<readonly CaseSide[]>;
}

/** What else is known of the site. */
export interface CaseFacts {
  /** Of the modules today, years since commissioning. */
  readonly ageYears: number;
  /** Read by the Ageing chapter where it is known, else the book's. */
  readonly ageingPerYearFrac: number;
  /** Dirt's growth a dry day, and the rain that washes it, as read; null where no dirt was seen. */
  readonly soiling: { readonly ratePerDayFrac: number; readonly cleaningRainMm: number } | null;
}

const money = (amount: number): string => amount.toFixed(2);

/** Sums that come at once, and costs of every year, from plain numbers. */
export const now = (what: string, amount: number): CaseSide["sums"][number] => ({ what, afterYears: 0, amount: money(amount) });
export const everyYear = (what: string, amount: number): CaseSide["perYear"][number] => ({
  what,
  amount: money(amount),
  risePerYearFrac: 0.02,
});

/** A side with nothing but a name and its energy. */
export function plainSide(name: SideName, monthsKwh: readonly number[], facts: CaseFacts, more: Partial<CaseSide> = {}): CaseSide {
  return { name, monthsKwh, sums: [], perYear: [], ageingPerYearFrac: facts.ageingPerYearFrac, endsAfterYears: null, ...more };
}

export const nameplateW = (site: Site): number =>
  site.arrays.reduce((sum, array) => sum + site.modules[array.module]!.pmpW * array.count, 0);

export const moneyInput = (key: string, value: number): CaseInput => ({
  key,
  unit: "money",
  value: Math.round(value),
  least: -1e7,
  most: 1e8,
});
