import { z } from "zod";

const amount = z.string();

export const paybackYearSchema = z.strictObject({
  year: z.number().int(),
  energyKwh: z.number(),
  valuePerKwh: amount,
  value: amount,
  balance: amount,
  simpleBalance: amount,
});

export const yearEnergySchema = z.strictObject({
  basis: z.enum(["metered", "expected", "promise"]),
  firstYearKwh: z.number(),
  monthsUsed: z.number().int(),
});

/** Payback of a book. `payback` is null when a cost or a price is missing; `missing` says which. */
export const moneyReportSchema = z.strictObject({
  currency: z.string(),
  energies: z.array(yearEnergySchema),
  basis: yearEnergySchema.shape.basis.nullable(),
  missing: z.array(z.enum(["cost", "price", "energy"])),
  payback: z
    .strictObject({
      netCost: amount,
      firstYearValue: amount,
      valuePerKwh: amount,
      simpleYears: z.number().nullable(),
      risingYears: z.number().nullable(),
      years: z.array(paybackYearSchema),
    })
    .nullable(),
});
export type MoneyReport = z.output<typeof moneyReportSchema>;
