import { type DecimalMark, typedNumber } from "./typed-number";

/** What somebody promises, in per cent; one figure is a range of no width. */
export interface Claim {
  readonly leastPercent: number;
  readonly mostPercent: number;
}

const NUMBER = "([+-]?\\d[\\d.,]*)\\s*%?";

/** A claimed gain as people tell it: "40 %", "15 to 30 %", "15-30", "up to 25 %", "at least 10 %"; null where it is none. */
export function claimOfLine(text: string, mark: DecimalMark): Claim | null {
  const tidy = text
    .trim()
    .toLowerCase()
    .replaceAll("\u2212", "-")
    .replace(/[–—]/g, " to ")
    .replace(/per ?cent/g, "%");
  const range = new RegExp(`^(?:between\\s+|from\\s+)?${NUMBER}\\s*(?:to|and|-|\\.\\.\\.?)\\s*${NUMBER}$`).exec(tidy);
  if (range) {
    const [a, b] = [typedNumber(range[1]!, mark), typedNumber(range[2]!, mark)];
    return a === null || b === null ? null : { leastPercent: Math.min(a, b), mostPercent: Math.max(a, b) };
  }
  const one = new RegExp(`^(up to|at most|at least|more than|over|about|around|some)?\\s*${NUMBER}$`).exec(tidy);
  const value = one && typedNumber(one[2]!, mark);
  if (!one || value === null) return null;
  return { leastPercent: /^(up to|at most)$/.test(one[1] ?? "") ? 0 : value, mostPercent: value };
}
