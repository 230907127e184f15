import type { PartReport, Shedding } from "@/contracts/parts";
import { number } from "./format";

const percent = (value: number): string => number(value * 100, 2);

/** Name of a part by its arrays. */
export const partName = ({ arrays }: PartReport): string => arrays.join(" and ");

/** The part that surely ages faster than the rest, by most; null where none does. */
export function fastestPart(parts: readonly PartReport[]): PartReport | null {
  const faster = parts.filter(({ againstRest }) => againstRest && againstRest.low > 0);
  return faster.reduce<PartReport | null>((a, b) => (a && a.againstRest!.value >= b.againstRest!.value ? a : b), null);
}

/** Which part ages faster than the rest, or why none can be told; the verdict first. */
export function partsSentence(parts: readonly PartReport[], arrayCount: number): string {
  if (parts.length === 0)
    return arrayCount < 2
      ? ""
      : "The arrays share a meter, and its readings don’t tell them apart: that takes two or three planes that look unlike ways, and hours. A meter of its own for each would tell within two years.";
  if (parts.every(({ isTooSoon }) => isTooSoon)) {
    const most = Math.max(...parts.map(({ years }) => years));
    return `Too soon to tell the parts apart: there are ${number(most, 1)} years of readings of them, and two are needed.`;
  }
  if (parts.every(({ againstRest }) => againstRest === null))
    return parts.length === 1
      ? "One meter counts some arrays alone: the others have none to be set against it."
      : "Too few clear days tell both parts at once: whether one ages faster than the other stays open.";
  const worst = fastestPart(parts);
  if (!worst) return "No part ages surely faster than the others.";
  const { value, low, high } = worst.againstRest!;
  return `${partName(worst)} ages faster than the rest by ${percent(value)} % a year (${percent(low)} to ${percent(high)}).`;
}

const byShedding = (shedding: readonly Shedding[]): Shedding[] => [...shedding].sort((a, b) => a.meanHours - b.meanHours);

/** The array on which snow lies longest. */
export const slowestToShed = (shedding: readonly Shedding[]): Shedding | null => byShedding(shedding).at(-1) ?? null;

/** Which array is free of snow first, and which last. */
export function sheddingSentence(shedding: readonly Shedding[]): string {
  const order = byShedding(shedding);
  const [first, last] = [order[0], order.at(-1)];
  if (!first || !last || first === last) return "";
  const days = (hours: number): string => (hours < 48 ? `${Math.round(hours)} hours` : `${number(hours / 24, 1)} days`);
  if (last.meanHours - first.meanHours < 2) return "By the model all arrays shed alike.";
  return `${first.name} (${Math.round(first.tiltDeg)}°) is bare ${days(first.meanHours)} after a fall on average, ${last.name} (${Math.round(last.tiltDeg)}°) after ${days(last.meanHours)}.`;
}
