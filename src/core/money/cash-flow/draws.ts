import { normalFrom, quantileOf, seededUniform } from "../../statistics";
import { agedShare, type PaybackTerms, yearOfSum } from "../payback";
import { exportPriceIn } from "../price-path";

/** How far what a payback stands on may be off: one deviation each. */
export interface PaybackDoubts {
  /** Of the site's yield, all years together, as a share. */
  readonly yieldFrac: number;
  /** Of one year's weather. */
  readonly weatherFrac: number;
  /** Of the yearly price rise. */
  readonly priceRiseFrac: number;
  /** Of the yearly ageing. */
  readonly ageingFrac: number;
  /** Of upkeep and replacements. */
  readonly upkeepFrac: number;
}

export const USUAL_DOUBTS: PaybackDoubts = {
  yieldFrac: 0.04,
  weatherFrac: 0.05,
  priceRiseFrac: 0.015,
  ageingFrac: 0.002,
  upkeepFrac: 0.25,
};

export interface PaybackSpread {
  /** Years at which 2.5, 50 and 97.5 of 100 draws have paid back; infinite beyond the horizon. */
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  /** Share of draws that pay back within the horizon. */
  readonly paidFrac: number;
  readonly draws: number;
  readonly seed: number;
  /** What was drawn. */
  readonly doubts: PaybackDoubts;
}

/** Interval of the break-even: draws yield, weather, prices, ageing, upkeep and a self-consumed share that nobody told at once. Same seed, same answer; in doubles, since the doubt is larger. */
export function paybackSpread(terms: PaybackTerms, doubts: PaybackDoubts, { draws = 2000, seed = 71 } = {}): PaybackSpread {
  const uniform = seededUniform(seed);
  const normal = (): number => normalFrom(uniform);
  const years = new Float64Array(draws);
  const cost =
    terms.costs.reduce((sum, amount) => sum + Number(amount), 0) - terms.incentives.reduce((sum, amount) => sum + Number(amount), 0);
  const bought = Number(terms.importPerKwh);
  const sold = Array.from({ length: terms.horizonYears }, (_, k) => exportPriceIn(terms, k + 1).toNumber());
  const untold = terms.selfUsedHalfWidthFrac ?? 0;
  const later = new Float64Array(terms.horizonYears + 1);
  const dated = new Float64Array(terms.horizonYears + 1);
  for (const { afterYears, amount, isDated = false } of terms.later ?? []) {
    (isDated ? dated : later)[yearOfSum(afterYears, terms.horizonYears)]! += Number(amount);
  }
  for (let draw = 0; draw < draws; draw++) {
    const level = 1 + doubts.yieldFrac * normal();
    const rise = terms.priceRisePerYearFrac + doubts.priceRiseFrac * normal();
    const ageing = { ...terms.ageing, perYearFrac: Math.max(0, terms.ageing.perYearFrac + doubts.ageingFrac * normal()) };
    const own = untold === 0 ? terms.selfUsedFrac : terms.selfUsedFrac + untold * (2 * uniform() - 1);
    const dearer = Math.max(0.2, 1 + doubts.upkeepFrac * normal());
    let balance = -cost;
    let reached = balance >= 0 ? 0 : Number.POSITIVE_INFINITY;
    for (let year = 1; year <= terms.horizonYears && reached === Number.POSITIVE_INFINITY; year++) {
      const sun = level * (1 + doubts.weatherFrac * normal());
      const value =
        terms.firstYearKwh *
        agedShare(year, ageing, terms.ageYears) *
        sun *
        (own * bought * (1 + rise) ** (year - 1) + (1 - own) * sold[year - 1]!);
      const upkeep = (terms.perYear ?? []).reduce(
        (sum, yearly) => sum + Number(yearly.amount) * (1 + yearly.risePerYearFrac) ** (year - 1),
        0,
      );
      const net = value - dearer * (upkeep + later[year]!) - dated[year]!;
      if (balance + net >= 0) reached = year - 1 - balance / net;
      balance += net;
    }
    years[draw] = reached;
  }
  return {
    low: quantileOf(years, 0.025),
    middle: quantileOf(years, 0.5),
    high: quantileOf(years, 0.975),
    paidFrac: years.reduce((sum, value) => sum + (Number.isFinite(value) ? 1 : 0), 0) / draws,
    draws,
    seed,
    doubts,
  };
}
