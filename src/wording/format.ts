import { imperialOf, inUnit, unitOf } from "@/core/typed";
import { writingNow } from "./writing";

const THIN = "\u202f";
const MINUS = "\u2212";

/** A number with its reader's marks for thousands and decimals, a true minus sign and a fixed count of decimals. */
export function number(value: number, decimals = 0): string {
  const { decimal, group, groupDigits, fourUngrouped } = writingNow();
  const rounded = Math.abs(value).toFixed(decimals);
  const [whole = "0", fraction] = rounded.split(".");
  const every = groupDigits === 2 ? /\B(?=(\d{2})*(\d{3})(?!\d))/g : /\B(?=(\d{3})+(?!\d))/g;
  const grouped = fourUngrouped && whole.length === 4 ? whole : whole.replace(every, group);
  const sign = value < 0 && Number(rounded) !== 0 ? MINUS : "";
  return `${sign}${grouped}${fraction === undefined ? "" : `${decimal}${fraction}`}`;
}

/** A value as it stands in a field: the reader's decimal mark, no needless noughts; `grouped` with marks for thousands. */
export function editable(value: number, decimals: number, grouped = false): string {
  if (grouped) {
    const needed = (String(Number(value.toFixed(decimals))).split(".")[1] ?? "").length;
    return number(value, Math.min(decimals, needed));
  }
  return String(Number(value.toFixed(decimals))).replace(".", writingNow().decimal);
}

/** A conductor's section as it is told: 1.5, 4, 13.3. */
export const sectionName = (areaMm2: number): string => editable(areaMm2, 2);

/** A text with its reader's marks taken from the numbers in it: files keep to points, and to no marks for thousands. */
export function plainNumbers(text: string): string {
  const { decimal, group, groupDigits } = writingNow();
  const [d, g] = [decimal, group].map((mark) => (mark === "." ? "\\." : mark));
  const written = new RegExp(
    `(?<![\\w.,])\\d{1,3}(?:${g}\\d{${groupDigits},3})+(?:${d}\\d+)?(?![\\w])|(?<![\\w.,])\\d+${d}\\d+(?!\\w)`,
    "g",
  );
  return text.replace(written, (number) => number.replaceAll(group, "").replace(decimal, "."));
}

/** A measure in the reader's units: "12 m" or "39 ft". `decimals` are those of the metric figure. */
export function measure(value: number, metric: string, decimals = 0): string {
  const [shown, unit] = inReadersUnit(value, metric);
  return `${number(shown, decimals)}\u00a0${unit}`;
}

/** A value of a metric unit in the unit that the reader uses, with that unit. */
export function inReadersUnit(value: number, metric: string): [number, string] {
  const unit = readersUnit(metric);
  return unit === metric ? [value, metric] : [inUnit(value, unitOf(metric)!, unitOf(unit)!), unit];
}

/** The unit that the reader uses for a metric one. */
export const readersUnit = (metric: string): string => (writingNow().units === "imperial" ? (imperialOf(metric) ?? metric) : metric);

/** Decimals that a book of this size needs, so that small sites do not read as zeros: energies by the month. */
export const kwhDecimals = (monthKwh: number): number => (monthKwh >= 100 ? 0 : monthKwh >= 10 ? 1 : 2);

export const percent = (share: number, decimals = 1): string => `${number(share * 100, decimals)}${THIN}%`;

/** A decimal sum of money as people write it, without its currency; with the digits of the numeral, which are the currency's own. */
export function money(amount: string, decimals = amount.split(".")[1]?.length ?? 0): string {
  return number(Number(amount), decimals);
}

export const MONTHS_LONG = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

/** "2025-10" as "October", short as "Oct". A year stays as it is. */
export function monthName(key: string, form: "long" | "short" = "long"): string {
  const name = key.length >= 7 ? MONTHS_LONG[Number(key.slice(5, 7)) - 1] : undefined;
  return name === undefined ? key : form === "short" ? name.slice(0, 3) : name;
}

/** "2025-10-07" as "7 October 2025", or as its reader writes days: "October 7, 2025", "2025 October 7". */
export function dateName(date: string): string {
  const [year, month, day] = [date.slice(0, 4), monthName(date), Number(date.slice(8, 10))];
  const { dates } = writingNow();
  return dates === "month first"
    ? `${month} ${day}, ${year}`
    : dates === "year first"
      ? `${year} ${month} ${day}`
      : `${day} ${month} ${year}`;
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
  return `12 months to ${days} ${MONTHS_LONG[month]} ${year}`;
}

/** Years as "7 years 4 months". */
export function yearsAndMonths(years: number): string {
  const months = Math.round(years * 12);
  const whole = Math.floor(months / 12);
  const rest = months % 12;
  const part = (count: number, unit: string): string => (count === 0 ? "" : `${count} ${unit}${count === 1 ? "" : "s"}`);
  return [part(whole, "year"), part(rest, "month")].filter(Boolean).join(" ") || "at once";
}
