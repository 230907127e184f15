import { monthName } from "./format";

/** "performance-index/2025-05" as "performance index, May 2025": what a figure is, spoken. */
export function figureInWords(name: string): string {
  const [what = "", span] = name.split("/");
  const words = what.replaceAll("-", " ").replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
  if (!span) return words;
  return /^\d{4}-\d{2}$/.test(span)
    ? `${words}, ${monthName(span)} ${span.slice(0, 4)}`
    : `${words}, ${span === "all" ? "all years" : span}`;
}
