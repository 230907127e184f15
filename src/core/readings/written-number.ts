/** How a table writes its numbers. */
export interface NumberGrammar {
  readonly decimal: "." | ",";
  readonly thousands: "" | "," | "." | " " | "'";
}

/** What a cell may hold where nothing was measured. */
export const MISSING: ReadonlySet<string> = new Set([
  "",
  "na",
  "n/a",
  "nan",
  "null",
  "-",
  "--",
  "---",
  "none",
  "n.a.",
  "k.a.",
  "nd",
  "#n/a",
]);

/** Digits beyond this are no reading but a fault of the file. */
const LONGEST = 30;

/** A cell's number by a grammar, or NaN. A unit behind it ("12.5 kWh") is taken off. */
export function toNumber(cell: string, { decimal, thousands }: NumberGrammar): number {
  let text = cell;
  if (text === "" || text.length > LONGEST) return Number.NaN;
  const direct = decimal === "." && thousands === "" ? Number(text) : Number.NaN;
  if (!Number.isNaN(direct)) return isPlain(text, direct) ? direct : Number.NaN;
  text = text.replace(/\s*(k|M)?W(h|p)?$|\s*°?C$/u, "").trim();
  if (thousands !== "") text = thousands === " " ? text.replaceAll(/[\s\u00a0\u202f]/gu, "") : text.replaceAll(thousands, "");
  if (decimal === ",") text = text.replace(",", ".");
  text = text.replace("\u2212", "-");
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(text) ? Number(text) : Number.NaN;
}

/** Neither hexadecimal, octal, binary (all with a letter behind a nought) nor infinite. */
const isPlain = (text: string, value: number): boolean =>
  Number.isFinite(value) && !(text.length > 2 && text.charCodeAt(1) > 57 && text.charCodeAt(1) !== 101 && text.charCodeAt(1) !== 69);

const GROUPED = {
  ",": /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/,
  ".": /^[+-]?\d{1,3}(\.\d{3})+(,\d+)?$/,
  " ": /^[+-]?\d{1,3}([ \u00a0\u202f]\d{3})+([.,]\d+)?$/u,
  "'": /^[+-]?\d{1,3}(['’]\d{3})+([.,]\d+)?$/u,
} as const;

/** Decimal and thousands marks that make the most of these cells a number. `unsure` where 1,234 could be either. */
export function sniffNumbers(cells: readonly string[]): NumberGrammar & { readonly unsure: boolean } {
  const written = cells.map((cell) => cell.trim()).filter((cell) => !MISSING.has(cell.toLowerCase()));
  const has = (test: RegExp): number => written.filter((cell) => test.test(cell)).length;
  const commas = has(/\d,\d/);
  const points = has(/\d\.\d/);
  const both = has(/\d[.,]\d{3}[.,]\d/);
  if (has(GROUPED[" "]) > 0) return { decimal: commas > 0 ? "," : ".", thousands: " ", unsure: false };
  if (has(GROUPED["'"]) > 0) return { decimal: commas > 0 && points === 0 ? "," : ".", thousands: "'", unsure: false };
  if (both > 0) {
    const pointLast = has(/,\d{3}\.\d/) > 0;
    return pointLast ? { decimal: ".", thousands: ",", unsure: false } : { decimal: ",", thousands: ".", unsure: false };
  }
  if (commas > 0 && points === 0) {
    const threes = has(/^[+-]?\d{1,3}(,\d{3})+$/);
    if (threes === commas && threes > 0) {
      // 0,123 can be no thousand; four digits without a mark beside 1,234 mean that the comma is a decimal one.
      const decimal = has(/^0,\d{3}$/) > 0 || has(/^\d{4,}$/) > 0;
      return decimal ? { decimal: ",", thousands: "", unsure: false } : { decimal: ".", thousands: ",", unsure: true };
    }
    return { decimal: ",", thousands: "", unsure: false };
  }
  if (points > 0 && has(GROUPED["."]) === points && has(/^\d{1,3}(\.\d{3}){2,}$/) > 0)
    return { decimal: ",", thousands: ".", unsure: false };
  // Whole hundreds beside 1.234: who writes decimals writes them in every cell.
  if (points > 0 && commas === 0 && has(/^\d{1,3}\.\d{3}$/) === points && has(/^\d{3}$/) > points)
    return { decimal: ",", thousands: ".", unsure: true };
  if (points > 0 && commas > 0) return { decimal: points >= commas ? "." : ",", thousands: points >= commas ? "," : ".", unsure: true };
  return { decimal: ".", thousands: "", unsure: false };
}
