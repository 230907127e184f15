import { type LaterSum, type PaybackTerms, risingYears } from "../payback";
import type { PaybackDoubts } from "./draws";

export type TornadoTerm = "yield" | "price" | "price-rise" | "ageing" | "self-use" | "upkeep" | "cost";

export interface TornadoBar {
  readonly term: TornadoTerm;
  /** How the term was moved, down and up, in its own unit. */
  readonly by: number;
  /** Payback years with the term lower, and higher; null beyond the horizon. */
  readonly lowerYears: number | null;
  readonly higherYears: number | null;
}

const PRICE_FRAC = 0.15;
const SELF_USE = 0.15;
const COST_FRAC = 0.1;

const scaled = (numeral: string, factor: number): string => (Number(numeral) * factor).toFixed(8);

/** Later sums with one kind moved: what was paid on a day that is written down, or what is only foreseen. */
const laterScaled = ({ later = [] }: PaybackTerms, isDated: boolean, factor: number): LaterSum[] =>
  later.map((sum) => ((sum.isDated ?? false) === isDated ? { ...sum, amount: scaled(sum.amount, factor) } : sum));

/** What matters most for the payback: each term alone moved down and up by what it may be off. The widest bar stands first. */
export function tornado(terms: PaybackTerms, doubts: PaybackDoubts): TornadoBar[] {
  const clipped = (share: number): number => Math.max(0, Math.min(1, share));
  const selfUse = Math.max(SELF_USE, terms.selfUsedHalfWidthFrac ?? 0);
  const moved: Readonly<Record<TornadoTerm, { by: number; at: (side: number) => PaybackTerms }>> = {
    yield: { by: 2 * doubts.yieldFrac, at: (side) => ({ ...terms, firstYearKwh: terms.firstYearKwh * (1 + side * 2 * doubts.yieldFrac) }) },
    price: {
      by: PRICE_FRAC,
      at: (side) => ({
        ...terms,
        importPerKwh: scaled(terms.importPerKwh, 1 + side * PRICE_FRAC),
        exportPerKwh: terms.exportPerKwh && scaled(terms.exportPerKwh, 1 + side * PRICE_FRAC),
        exportEnd: terms.exportEnd
          ? { ...terms.exportEnd, thenPerKwh: terms.exportEnd.thenPerKwh && scaled(terms.exportEnd.thenPerKwh, 1 + side * PRICE_FRAC) }
          : null,
      }),
    },
    "price-rise": {
      by: 2 * doubts.priceRiseFrac,
      at: (side) => ({ ...terms, priceRisePerYearFrac: terms.priceRisePerYearFrac + side * 2 * doubts.priceRiseFrac }),
    },
    ageing: {
      by: 2 * doubts.ageingFrac,
      at: (side) => ({
        ...terms,
        ageing: { ...terms.ageing, perYearFrac: Math.max(0, terms.ageing.perYearFrac + side * 2 * doubts.ageingFrac) },
      }),
    },
    "self-use": { by: selfUse, at: (side) => ({ ...terms, selfUsedFrac: clipped(terms.selfUsedFrac + side * selfUse) }) },
    upkeep: {
      by: 2 * doubts.upkeepFrac,
      at: (side) => ({
        ...terms,
        perYear: (terms.perYear ?? []).map((cost) => ({ ...cost, amount: scaled(cost.amount, 1 + side * 2 * doubts.upkeepFrac) })),
        later: laterScaled(terms, false, 1 + side * 2 * doubts.upkeepFrac),
      }),
    },
    cost: {
      by: COST_FRAC,
      at: (side) => ({
        ...terms,
        costs: terms.costs.map((cost) => scaled(cost, 1 + side * COST_FRAC)),
        later: laterScaled(terms, true, 1 + side * COST_FRAC),
      }),
    },
  };
  const bars = (Object.keys(moved) as TornadoTerm[]).map((term): TornadoBar => {
    const { by, at } = moved[term];
    return { term, by, lowerYears: risingYears(at(-1)), higherYears: risingYears(at(1)) };
  });
  const width = ({ lowerYears, higherYears }: TornadoBar): number =>
    Math.abs((lowerYears ?? terms.horizonYears) - (higherYears ?? terms.horizonYears));
  return bars.sort((a, b) => width(b) - width(a));
}
