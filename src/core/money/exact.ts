import { Decimal } from "decimal.js";

/** Decimals of money: 40 digits carried, halves away from zero, as tills and tax tables round. */
export const Exact = Decimal.clone({ precision: 40, rounding: Decimal.ROUND_HALF_UP });
export type Exact = InstanceType<typeof Exact>;

export const ZERO = new Exact(0);

/** Digits of a currency's minor unit by ISO 4217: 2 of EUR, 0 of JPY, 3 of KWD. Unknown letters have 2. */
export function minorDigits(currency: string): number {
  try {
    return new Intl.NumberFormat("en", { style: "currency", currency }).resolvedOptions().maximumFractionDigits ?? 2;
  } catch {
    return 2;
  }
}

/** An amount rounded to the currency's minor unit. */
export const roundTo = (value: Exact, currency: string): Exact => value.toDecimalPlaces(minorDigits(currency));

/** A numeral with the currency's digits. */
export const amountOf = (value: Exact, currency: string): string => value.toFixed(minorDigits(currency));

export const sumOf = (values: readonly (Exact | string)[]): Exact => values.reduce<Exact>((total, value) => total.plus(value), ZERO);

/** A measured quantity as a decimal: 12 significant digits say all that a meter can. */
export const quantity = (value: number): Exact => new Exact(value.toPrecision(12));
