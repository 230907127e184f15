import { DAY_MS } from "../units";

/** How far a reading may stand from what it is set against: within either is fine. */
export interface Tolerance {
  readonly kwh: number;
  readonly frac: number;
}

export const USUAL_TOLERANCE: Tolerance = { kwh: 1, frac: 0.1 };

/** A reading beside one measure of what it should be. */
export interface HealthSide {
  readonly measureKwh: number;
  readonly differenceKwh: number;
  readonly ratio: number;
  readonly within: boolean;
}

/** Sets a reading against a measure; within tolerance when it is within the kilowatt-hours or within the share. A measure of zero has no ratio (NaN). */
export function healthSide(readKwh: number, measureKwh: number, tolerance: Tolerance): HealthSide {
  const differenceKwh = readKwh - measureKwh;
  const off = Math.abs(differenceKwh);
  return {
    measureKwh,
    differenceKwh,
    ratio: measureKwh > 0 ? readKwh / measureKwh : Number.NaN,
    within: off <= tolerance.kwh || off <= tolerance.frac * measureKwh,
  };
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
export const daysOfMonth = (year: number, month: number): number => (month === 1 && isLeap(year) ? 29 : DAYS[month]!);

/**
 * What a promise of twelve months (January first) says for the days [from, to), kWh: each day its share of its own month, so that 303 days of
 * spring and summer are not called ten twelfths of a year. Dates as "2024-03-01".
 */
export function promisedKwh(monthlyKwh: readonly number[], from: string, to: string): number {
  let sum = 0;
  for (let at = Date.parse(`${from}T00:00:00Z`); at < Date.parse(`${to}T00:00:00Z`); ) {
    const date = new Date(at);
    const [year, month] = [date.getUTCFullYear(), date.getUTCMonth()];
    const next = Math.min(Date.UTC(year, month + 1, 1), Date.parse(`${to}T00:00:00Z`));
    sum += (monthlyKwh[month]! * (next - at)) / DAY_MS / daysOfMonth(year, month);
    at = next;
  }
  return sum;
}

/** What an inverter's display says of itself at one moment; NaN where it was not read. */
export interface DisplayReading {
  readonly dcInputs: readonly { readonly volts: number; readonly amps: number }[];
  readonly acVolts: number;
  readonly acAmps: number;
  readonly acW: number;
}

export interface DisplayCheck {
  readonly dcW: number;
  /** AC over DC; NaN without one of them. */
  readonly efficiencyFrac: number;
  /** AC volts times amps against the watts shown (a single-phase reading; the power factor of an inverter is near one). */
  readonly acProductW: number;
  /** Lowest over highest current of the inputs that carry any. */
  readonly balanceFrac: number;
  readonly faults: readonly ("more-ac-than-dc" | "poor-efficiency" | "inputs-unequal" | "ac-disagrees")[];
}

/** An inverter gives 90 to 99 % of what it takes once it runs above a tenth of its rating. */
const LEAST_EFFICIENCY = 0.88;
const MOST_EFFICIENCY = 1.0;
/** Displays round to whole volts and tenths of an ampere. */
const AC_AGREES_FRAC = 0.06;
const BALANCE_FRAC = 0.85;

/** Whether a display's figures agree with each other. */
export function checkDisplay({ dcInputs, acVolts, acAmps, acW }: DisplayReading): DisplayCheck {
  const read = dcInputs.filter(({ volts, amps }) => !Number.isNaN(volts * amps));
  const dcW = read.length > 0 ? read.reduce((sum, { volts, amps }) => sum + volts * amps, 0) : Number.NaN;
  const efficiencyFrac = acW / dcW;
  const acProductW = acVolts * acAmps;
  const amps = read.map((input) => input.amps).filter((value) => value > 0);
  const balanceFrac = amps.length > 1 ? Math.min(...amps) / Math.max(...amps) : Number.NaN;
  const faults: DisplayCheck["faults"][number][] = [];
  if (efficiencyFrac > MOST_EFFICIENCY) faults.push("more-ac-than-dc");
  if (efficiencyFrac < LEAST_EFFICIENCY) faults.push("poor-efficiency");
  if (balanceFrac < BALANCE_FRAC) faults.push("inputs-unequal");
  if (Math.abs(acProductW / acW - 1) > AC_AGREES_FRAC) faults.push("ac-disagrees");
  return { dcW, efficiencyFrac, acProductW, balanceFrac, faults };
}
