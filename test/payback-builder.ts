import type { PaybackTerms } from "@/core/money";

/** Ten thousand against a thousand a year: ten years while nothing rises, ages or breaks. */
export const plainPayback: PaybackTerms = {
  costs: ["10000.00"],
  incentives: [],
  firstYearKwh: 5000,
  importPerKwh: "0.20",
  exportPerKwh: null,
  selfUsedFrac: 1,
  priceRisePerYearFrac: 0,
  ageing: { firstYearFrac: 0, perYearFrac: 0 },
  horizonYears: 25,
};
