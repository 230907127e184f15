import { compassPoint, fromEquatorDeg } from "@/core/geometry";
import { monthName, number } from "./format";

/** A latitude or longitude with its hemisphere: "47.26° north". */
export const coordinate = (value: number, [positive, negative]: readonly [string, string], decimals: number): string =>
  `${number(Math.abs(value), decimals)}° ${value < 0 ? negative : positive}`;

/** A spot on the earth in words. */
export const spotInWords = (latitudeDeg: number, longitudeDeg: number): string =>
  `${coordinate(latitudeDeg, ["north", "south"], 2)}, ${coordinate(longitudeDeg, ["east", "west"], 2)}`;

/** Where a plane looks, told from the equator's side: right in both hemispheres. */
export function facing(latitudeDeg: number, azimuthDeg: number): string {
  const off = fromEquatorDeg(latitudeDeg, azimuthDeg);
  const size = Math.abs(off);
  if (size < 0.5) return "straight toward the equator";
  if (size > 179.5) return "straight away from the equator";
  const side = off > 0 ? "west" : "east";
  return size <= 90
    ? `${number(size)}° ${side} of the equator's direction (${compassPoint(azimuthDeg)})`
    : `away from the equator, to the ${compassPoint(azimuthDeg)}`;
}

const keyOf = (month: number): string => `0000-${String((((month % 12) + 12) % 12) + 1).padStart(2, "0")}`;

/** Name of a month, January 0, around the year. */
export const monthOfYear = (month: number): string => monthName(keyOf(month));
export const MONTHS_SHORT = Array.from({ length: 12 }, (_, m) => monthName(keyOf(m), "short"));

/** "03-20" as "20 March". */
export const dayName = (day: string): string => `${Number(day.slice(3))} ${monthOfYear(Number(day.slice(0, 2)) - 1)}`;

/** The three months in a row that hold most of a year's sum, and their share of it. */
export function thickestSeason(months: readonly number[]): { readonly name: string; readonly shareFrac: number } {
  const total = months.reduce((a, b) => a + b, 0);
  const sums = months.map((_, m) => months[m]! + months[(m + 1) % 12]! + months[(m + 2) % 12]!);
  const first = sums.indexOf(Math.max(...sums));
  return { name: `${monthOfYear(first)} to ${monthOfYear(first + 2)}`, shareFrac: total > 0 ? sums[first]! / total : 0 };
}
