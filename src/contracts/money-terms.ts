import { z } from "zod";
import { say } from "@/wording/validation";
import { LIMITS } from "./limits";
import { decimalAmount, frac, isoDate, price, upTo } from "./primitives";
import { planSchema } from "./tariff";

const ratePerYear = z.number().min(-0.2, say.isAShareWrite3As).max(0.5, say.isAShareWrite765);
const years = z.number().gt(0, say.giveYearsAbove0).max(60, say.sixtyYearsAreTheMost);
const what = z.string().max(120).default("");

export const tariffSchema = z
  .strictObject({
    importPerKwh: price.nullable().default(null),
    exportPerKwh: price.nullable().default(null),
    priceRisePerYearFrac: z.number().min(-0.2).max(0.5, say.isAShareWrite3As).default(0.03),
    exportRisePerYearFrac: z.number().min(-0.2).max(0.5, say.isAShareWrite3As).default(0),
    exportUntil: isoDate.nullable().default(null),
    exportThenPerKwh: price.nullable().default(null),
    /** Null: nobody told it. */
    selfUsedFrac: frac.nullable().default(null),
  })
  .refine(({ exportUntil, exportThenPerKwh }) => exportThenPerKwh === null || exportUntil !== null, {
    path: ["exportThenPerKwh"],
    message: say.aPriceAfterNeedsTheDay,
  });

const datedSum = z.strictObject({ on: isoDate, amount: decimalAmount, what });

/** What running the plant costs, and on what its money is reckoned. */
export const runningSchema = z.strictObject({
  perYear: upTo(z.strictObject({ what, amount: decimalAmount, risePerYearFrac: ratePerYear.default(0.02) }), LIMITS.costs).default([]),
  later: upTo(z.strictObject({ what, afterYears: years, amount: decimalAmount }), LIMITS.costs).default([]),
  /** Received for what is left at the end of the horizon. */
  scrap: decimalAmount.default("0.00"),
  discountFrac: ratePerYear.default(0.03),
  interestTaxFrac: frac.default(0.25),
  horizonYears: z.number().int().min(5).max(40).default(25),
});

export const loanSchema = z.strictObject({
  principal: decimalAmount.refine((amount) => Number(amount) > 0, say.borrowASumAbove0Such),
  ratePerYearFrac: ratePerYear.min(0, say.interestCantBeNegativeHere),
  termYears: years,
  fee: decimalAmount.default("0.00"),
  /** Share of the interest that is set off against tax. */
  interestReliefFrac: frac.default(0),
  refinance: z
    .strictObject({ afterYears: years, ratePerYearFrac: ratePerYear.min(0), termYears: years, fee: decimalAmount.default("0.00") })
    .nullable()
    .default(null),
});

export const moneySchema = z.strictObject({
  costs: upTo(datedSum, LIMITS.costs).default([]),
  incentives: upTo(datedSum, LIMITS.costs).default([]),
  tariff: tariffSchema.prefault({}),
  /** Plans that were in force, by date. */
  plans: upTo(planSchema, LIMITS.plans).default([]),
  /** Plans that could be had instead. */
  offers: z.array(planSchema).max(20).default([]),
  running: runningSchema.prefault({}),
  loan: loanSchema.nullable().default(null),
});
