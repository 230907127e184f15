import type { Warranty } from "@/core/site";

/** Steps of a warranty as people write them: "10: 90, 25: 80", years and per cent of the rating. */
export const stepsText = (steps: Warranty["steps"]): string =>
  steps.map(({ untilYears, frac }) => `${untilYears}: ${Number((frac * 100).toFixed(2))}`).join(", ");

/** The same read; null where a part is no step. Nothing is no steps. */
export function stepsOf(text: string): { untilYears: number; frac: number }[] | null {
  const parts = text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== "");
  const steps = parts.map((part) => /^(\d+(?:\.\d+)?)\s*(?:years?|a)?\s*[: ]\s*(\d+(?:\.\d+)?)\s*%?$/i.exec(part));
  if (steps.some((match) => match === null)) return null;
  return steps.map((match) => ({ untilYears: Number(match![1]), frac: Number(match![2]) / 100 }));
}
