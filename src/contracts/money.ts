import { z } from "zod";

const amount = z.string();
const nullableNumber = z.number().nullable();

export const paybackYearSchema = z.strictObject({
  year: z.number().int(),
  energyKwh: z.number(),
  valuePerKwh: amount,
  value: amount,
  upkeep: amount,
  once: amount,
  net: amount,
  balance: amount,
  discountedBalance: amount,
  simpleBalance: amount,
});

export const yearEnergySchema = z.strictObject({
  basis: z.enum(["metered", "expected", "promise"]),
  firstYearKwh: z.number(),
  monthsUsed: z.number().int(),
});

/** Payback of a book. `payback` is null when a cost or a price is missing; `missing` says which. */
export const moneyReportSchema = z.object({
  currency: z.string(),
  energies: z.array(yearEnergySchema),
  basis: yearEnergySchema.shape.basis.nullable(),
  missing: z.array(z.enum(["cost", "price", "energy"])),
  /** From when it counts, and which sums fall later. */
  counted: z.object({
    on: z.string().nullable(),
    because: z.enum(["commissioned", "first-cost"]).nullable(),
    ageYears: z.number(),
    later: z.array(z.object({ what: z.string(), on: z.string(), afterYears: z.number(), amount })),
  }),
  payback: z
    .strictObject({
      netCost: amount,
      firstYearValue: amount,
      valuePerKwh: amount,
      simpleYears: nullableNumber,
      risingYears: nullableNumber,
      staysPaidYears: nullableNumber,
      discountedYears: nullableNumber,
      netPresentValue: amount,
      returnPerYear: z.strictObject({ kind: z.enum(["one", "several", "none"]), rates: z.array(z.number()) }),
      depositFrac: nullableNumber,
      levelisedPerKwh: amount.nullable(),
      years: z.array(paybackYearSchema),
    })
    .nullable(),
});
export type MoneyReport = z.output<typeof moneyReportSchema>;

export const methods = ["re-run", "old-average", "flat-value"] as const;
export type SavingsMethodName = (typeof methods)[number];

const billMonthSchema = z.strictObject({
  key: z.string(),
  days: z.number().int(),
  isBefore: z.boolean(),
  isEstimated: z.boolean(),
  /** Production filled from the model. */
  isFilled: z.boolean(),
  importKwh: z.number(),
  importByBandKwh: z.record(z.string(), z.number()),
  exportKwh: nullableNumber,
  productionKwh: nullableNumber,
  selfUsedKwh: nullableNumber,
  loadKwh: nullableNumber,
  amount,
  perKwh: nullableNumber,
  /** The bill of the same use without the array, and the printed bill reckoned again. */
  without: amount.nullable(),
  again: amount.nullable(),
  saved: z.record(z.enum(methods), amount.nullable()),
});

const runRateSchema = z.strictObject({
  method: z.enum(methods),
  /** Null where energy without a band leaves only two ends. */
  savedToDate: amount.nullable(),
  perYear: amount.nullable(),
  /** What 95 of 100 years like the billed ones would leave it between. */
  perYearLow: amount,
  perYearHigh: amount,
  naivePerYear: amount.nullable(),
  paidBackOn: z.string().nullable(),
  /** The days at the upper and the lower end of a year's saving; null beyond 40 years. */
  paidBackFrom: z.string().nullable(),
  paidBackBy: z.string().nullable(),
  years: nullableNumber,
  filledMonths: z.number().int(),
  /** Day from which it counts. */
  countsFrom: z.string(),
  isRange: z.boolean(),
});

/** What bills say of savings: months, years, three methods, and payback at the rate of the bills. */
export const billsReportSchema = z.strictObject({
  currency: z.string(),
  months: z.array(billMonthSchema),
  years: z.array(
    z.strictObject({
      key: z.string(),
      months: z.number().int(),
      importKwh: z.number(),
      exportKwh: nullableNumber,
      productionKwh: nullableNumber,
      selfUsedKwh: nullableNumber,
      amount,
      perKwh: nullableNumber,
      saved: z.record(z.enum(methods), amount.nullable()),
    }),
  ),
  methods: z.array(
    z.strictObject({
      method: z.enum(methods),
      months: z.number().int(),
      total: amount,
      /** A year at this pace, by season; null where it is a range. */
      perYear: amount.nullable(),
      /** What 95 of 100 years like the billed ones would leave it between. */
      perYearLow: amount,
      perYearHigh: amount,
      /** What the split into bands and the meter's error leave open; only of the re-run. */
      low: amount.nullable(),
      high: amount.nullable(),
      /** Use has no band: the truth lies between `low` and `high`, and `total` is only their middle. */
      isRange: z.boolean(),
    }),
  ),
  naivePerYear: amount.nullable(),
  why: z.strictObject({
    oldPerKwh: nullableNumber,
    /** Average price since the array, as printed and without what was paid for exports. */
    netPerKwh: nullableNumber,
    grossPerKwh: nullableNumber,
    nowPerKwh: nullableNumber,
    avoidedPerKwh: nullableNumber,
    loadBeforeKwh: nullableNumber,
    loadSinceKwh: nullableNumber,
  }),
  shares: z
    .strictObject({
      productionKwh: z.number(),
      exportKwh: z.number(),
      importKwh: z.number(),
      selfUsedKwh: z.number(),
      loadKwh: z.number(),
      selfConsumptionFrac: nullableNumber,
      selfSufficiencyFrac: nullableNumber,
      offsetFrac: nullableNumber,
    })
    .nullable(),
  progress: z
    .strictObject({
      year: z.string(),
      monthsRead: z.number().int(),
      meteredKwh: z.number(),
      dueKwh: z.number(),
      yearKwh: z.number(),
      frac: nullableNumber,
      onCourseKwh: nullableNumber,
      naiveYearKwh: nullableNumber,
    })
    .nullable(),
  runRates: z.array(runRateSchema),
  /** How far the plan's re-run falls from the printed bills. */
  planTest: z
    .strictObject({
      months: z.number().int(),
      exact: z.number().int(),
      offTotal: amount,
      worst: z.string().nullable(),
      worstOff: amount,
      beyond: z.array(z.string()),
      isTrusted: z.boolean(),
    })
    .nullable(),
  missing: z.array(z.enum(["bills", "plan", "production", "export", "bands", "before"])),
});
export type BillsReport = z.output<typeof billsReportSchema>;

/** A year of bills under each plan that could be had. */
export const planComparisonSchema = z.strictObject({
  from: z.string(),
  to: z.string(),
  rows: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      isOwn: z.boolean(),
      /** No longer in force. */
      isPast: z.boolean(),
      withArray: amount,
      withoutArray: amount,
      perImportedKwh: nullableNumber,
      perImportedKwhWithout: nullableNumber,
    }),
  ),
});
export type PlanComparison = z.output<typeof planComparisonSchema>;
