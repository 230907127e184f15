/** Days of the week that a band holds on. Holidays count as weekend days. */
export type BandDays = "all" | "weekdays" | "weekends";

/** Price of the kilowatt-hours of a month up to a limit; null is without end. */
export interface Tier {
  readonly upToKwh: number | null;
  /** Currency a kWh, a decimal numeral. */
  readonly perKwh: string;
}

export interface Band {
  readonly name: string;
  readonly days: BandDays;
  /** Local wall-clock hours, from up to but not with the end; quarter hours are told apart. Empty: all hours that no other band holds. */
  readonly hours: readonly (readonly [from: number, to: number])[];
  /** One tier for a plain price. */
  readonly tiers: readonly Tier[];
}

export interface Season {
  readonly name: string;
  /** Calendar months, 1 to 12. */
  readonly months: readonly number[];
  readonly bands: readonly Band[];
}

export type CreditKind =
  /** Exported energy earns nothing. */
  | "none"
  /** Exported kWh pay for imported ones of the same band; what is left waits in the bank until the true-up. */
  | "net-metering"
  /** Exported kWh are money on the bill; a negative bill waits until the true-up, or is paid out where no true-up month is named. */
  | "net-billing"
  /** Exported kWh are paid apart from the bill. */
  | "feed-in";

export interface ExportCredit {
  readonly kind: CreditKind;
  readonly perKwh: string | null;
  /** Month whose bill closes the year, 1 to 12; null: nothing is carried. */
  readonly trueUpMonth: number | null;
  /** What a kWh (net metering) still in the bank is paid at the true-up; null: it is lost. */
  readonly trueUpPerKwh: string | null;
}

/** A way of charging for energy. Prices are decimal numerals in the site's currency. */
export interface Plan {
  readonly id: string;
  readonly name: string;
  /** First day, and last day where one is named. */
  readonly from: string;
  readonly to: string | null;
  readonly fixedPerMonth: string;
  readonly fixedPerDay: string;
  readonly minimumPerMonth: string | null;
  readonly seasons: readonly Season[];
  /** "2024-12-25", or "12-25" for every year. */
  readonly holidays: readonly string[];
  /** On the highest mean power of the period in these hours. */
  readonly demand: { readonly perKw: string; readonly days: BandDays; readonly hours: readonly (readonly [number, number])[] } | null;
  /** Added on every imported kWh. */
  readonly levies: readonly { readonly name: string; readonly perKwh: string }[];
  /** On the sum of all charges, before the export credit. */
  readonly taxes: readonly { readonly name: string; readonly frac: number }[];
  readonly credit: ExportCredit;
  /** All prices but the credit rise by this at each anniversary of `from`. */
  readonly risePerYearFrac: number;
  /** Energies are rounded to whole kWh before they are charged, as printed bills are. */
  readonly wholeKwh: boolean;
}
