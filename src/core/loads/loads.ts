/** Something that uses energy, as its plate says. */
export interface Appliance {
  readonly name: string;
  readonly watts: number;
  readonly count: number;
  readonly hoursPerDay: number;
  /** January first: whether it runs in that month. */
  readonly months: readonly boolean[];
}

export interface BatteryTerms {
  readonly capacityKwh: number;
  readonly voltageV: number;
  /** Share of the capacity that may be used without harming it. */
  readonly usableFrac: number;
  /** Energy out over energy in. */
  readonly roundTripFrac: number;
  /** Most current that the charger puts in, A; null where not known. */
  readonly chargerMaxA: number | null;
}

export interface LoadMonth {
  /** January is 1. */
  readonly month: number;
  readonly useKwhPerDay: number;
  readonly madeKwhPerDay: number;
  /** Made over used. */
  readonly coverFrac: number;
  /** Hours of a mean day in which the array makes more than the steady load takes. */
  readonly surplusHours: number;
  /** First and last full hour of the surplus; null without one. */
  readonly surplusFromTo: readonly [number, number] | null;
}

export interface LoadReport {
  readonly months: readonly LoadMonth[];
  readonly worst: LoadMonth;
  readonly usableKwh: number;
  /** Days that a full battery carries the worst month's use with no sun. */
  readonly autonomyDays: number;
  readonly loadW: number;
  /** Current into the battery at full power of the array, A. */
  readonly chargeA: number;
  readonly chargerShort: boolean;
  /** Charge current over capacity in ampere-hours. */
  readonly chargeRate: number;
}

export interface LoadInput {
  readonly appliances: readonly Appliance[];
  readonly battery: BatteryTerms;
  /** Twelve months of 24 hours: mean power of the array at the meter, kW. */
  readonly madeKwByHour: readonly (readonly number[])[];
  readonly arrayW: number;
}

const useKwh = (appliances: readonly Appliance[], month: number): number =>
  appliances.reduce((sum, { watts, count, hoursPerDay, months }) => sum + (months[month] ? (watts * count * hoursPerDay) / 1000 : 0), 0);

/** Daily use against what the array makes, month by month. Use passes through the battery at most once; its losses are on the use that the night takes. */
export function loadReport({ appliances, battery, madeKwByHour, arrayW }: LoadInput): LoadReport {
  const months = madeKwByHour.map((hours, m): LoadMonth => {
    const useKwhPerDay = useKwh(appliances, m);
    const madeKwhPerDay = hours.reduce((sum, kw) => sum + kw, 0);
    const steadyKw = useKwhPerDay / 24;
    const surplus = hours.flatMap((kw, h) => (kw > steadyKw && kw > 0 ? [h] : []));
    // What the sun does not carry itself goes through the battery.
    const direct = hours.reduce((sum, kw) => sum + Math.min(kw, steadyKw), 0);
    const needed = direct + (useKwhPerDay - direct) / battery.roundTripFrac;
    return {
      month: m + 1,
      useKwhPerDay,
      madeKwhPerDay,
      coverFrac: needed > 0 ? madeKwhPerDay / needed : Number.POSITIVE_INFINITY,
      surplusHours: surplus.length,
      surplusFromTo: surplus.length > 0 ? [surplus[0]!, surplus.at(-1)! + 1] : null,
    };
  });
  const worst = months.reduce((a, b) => (b.coverFrac < a.coverFrac ? b : a));
  const usableKwh = battery.capacityKwh * battery.usableFrac;
  const chargeA = battery.voltageV > 0 ? arrayW / battery.voltageV : 0;
  const capacityAh = battery.voltageV > 0 ? (battery.capacityKwh * 1000) / battery.voltageV : 0;
  return {
    months,
    worst,
    usableKwh,
    autonomyDays: worst.useKwhPerDay > 0 ? usableKwh / worst.useKwhPerDay : Number.POSITIVE_INFINITY,
    loadW: appliances.reduce((sum, { watts, count }) => sum + watts * count, 0),
    chargeA,
    // Currents are known to an ampere: a charger that takes just what flows loses nothing.
    chargerShort: battery.chargerMaxA !== null && Math.round(chargeA) > Math.round(battery.chargerMaxA),
    chargeRate: capacityAh > 0 ? chargeA / capacityAh : 0,
  };
}

export const LOAD_DOUBTS = [
  "kilowatts-as-watts",
  "kilowatt-hours-as-watts",
  "more-than-a-day",
  "nothing-used",
  "battery-in-ampere-hours",
] as const;
export type LoadDoubt = (typeof LOAD_DOUBTS)[number];

export interface NamedDoubt {
  readonly doubt: LoadDoubt;
  readonly name: string;
  readonly value: number;
}

/** A single appliance of a small site stays under this, W. */
const MOST_W = 12_000;
/** A broken number under this, such as 1.2 for a kettle, is a figure in kW. */
const BROKEN_UNDER_W = 5;
/** More than this at the voltage of a small bank is a figure in ampere-hours, kWh. */
const MOST_KWH = 80;
const SMALL_BANK_V = 60;

/** Figures that look like another unit: power (W, kW) and energy (kWh) are kept apart. */
export function loadDoubts(appliances: readonly Appliance[], battery: BatteryTerms): NamedDoubt[] {
  const out: NamedDoubt[] = [];
  for (const { name, watts, hoursPerDay } of appliances) {
    if (watts > 0 && watts < BROKEN_UNDER_W && !Number.isInteger(watts)) out.push({ doubt: "kilowatts-as-watts", name, value: watts });
    if (watts > MOST_W) out.push({ doubt: "kilowatt-hours-as-watts", name, value: watts });
    if (hoursPerDay > 24) out.push({ doubt: "more-than-a-day", name, value: hoursPerDay });
  }
  if (battery.capacityKwh > MOST_KWH && battery.voltageV <= SMALL_BANK_V)
    out.push({ doubt: "battery-in-ampere-hours", name: "battery", value: battery.capacityKwh });
  if (appliances.every(({ watts, count, hoursPerDay }) => watts * count * hoursPerDay === 0))
    out.push({ doubt: "nothing-used", name: "", value: 0 });
  return out;
}
