import { sniffNumbers, toNumber } from "@/core/readings";

export type DecimalMark = "." | ",";

const FRACTIONS: Readonly<Record<string, string>> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅓": "1/3",
  "⅔": "2/3",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};

/** Where one number alone could be either: 1,234 and 1.234. */
const EITHER = /^[+-]?\d{1,3}[.,]\d{3}$/;

/** A number as one person writes it alone: "4 900", "1.234,5", "6 1/2", "½"; null where it is none. `mark` says what 1,234 and 1.234 are to them. */
export function typedNumber(text: string, mark: DecimalMark): number | null {
  const plain = [...text.trim()].map((letter) => (FRACTIONS[letter] ? ` ${FRACTIONS[letter]}` : letter)).join("");
  const tidy = plain.trim().replaceAll("\u2212", "-").replace(/^–/, "-");
  const fraction = /^(-?)(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(tidy.replace(/\s+/g, " "));
  if (fraction) {
    const [, sign, whole = "0", above, below] = fraction;
    const value = Number(whole) + Number(above) / Number(below);
    return Number.isFinite(value) ? (sign === "-" ? -value : value) : null;
  }
  if (EITHER.test(tidy)) return Number(tidy.includes(mark) ? tidy.replace(",", ".") : tidy.replace(/[.,]/, ""));
  const value = toNumber(tidy, sniffNumbers([tidy]));
  return /\d/.test(tidy) && /^[+-]?[\d.,' \u00a0\u202f’]*(e[+-]?\d+)?$/i.test(tidy) && Number.isFinite(value) ? value : null;
}
