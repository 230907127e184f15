const THIN = "\u202f";
const MINUS = "\u2212";

/** A number with thin spaces for thousands, a true minus sign and a fixed count of decimals. */
export function number(value: number, decimals = 0): string {
  const rounded = Math.abs(value).toFixed(decimals);
  const [whole = "0", fraction] = rounded.split(".");
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN);
  const sign = value < 0 && Number(rounded) !== 0 ? MINUS : "";
  return `${sign}${grouped}${fraction === undefined ? "" : `.${fraction}`}`;
}

/** Decimals that a book of this size needs, so that small sites do not read as zeros: energies by the month. */
export const kwhDecimals = (monthKwh: number): number => (monthKwh >= 100 ? 0 : monthKwh >= 10 ? 1 : 2);

export const percent = (share: number, decimals = 1): string => `${number(share * 100, decimals)}${THIN}%`;

/** A decimal sum of money as people write it, without its currency; with the digits of the numeral, which are the currency's own. */
export function money(amount: string, decimals = amount.split(".")[1]?.length ?? 0): string {
  return number(Number(amount), decimals);
}

const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];

/** "2025-10" as "October", short as "Oct". A year stays as it is. */
export function monthName(key: string, form: "long" | "short" = "long"): string {
  const name = key.length >= 7 ? MONTHS[Number(key.slice(5, 7)) - 1] : undefined;
  return name === undefined ? key : form === "short" ? name.slice(0, 3) : name;
}

/** "2025-10-07" as "7 October 2025". */
export function dateName(date: string): string {
  return `${Number(date.slice(8, 10))} ${monthName(date)} ${date.slice(0, 4)}`;
}

const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** A year by its name: "2025", "all" as "All years", "FY2022" (of a year that begins in `firstMonth`) as "12 months to 31 August 2022". */
export function yearInWords(name: string, firstMonth = 1): string {
  if (name === "all") return "All years";
  const fiscal = /^FY(\d{4})$/.exec(name);
  if (!fiscal || firstMonth === 1) return name;
  const year = Number(fiscal[1]);
  const month = firstMonth - 2;
  const days = month === 1 && new Date(Date.UTC(year, 1, 29)).getUTCMonth() === 1 ? 29 : MONTH_DAYS[month]!;
  return `12 months to ${days} ${MONTHS[month]} ${year}`;
}

/** Years as "7 years 4 months". */
export function yearsAndMonths(years: number): string {
  const months = Math.round(years * 12);
  const whole = Math.floor(months / 12);
  const rest = months % 12;
  const part = (count: number, unit: string): string => (count === 0 ? "" : `${count} ${unit}${count === 1 ? "" : "s"}`);
  return [part(whole, "year"), part(rest, "month")].filter(Boolean).join(" ") || "at once";
}
