import { z } from "zod";
import { DAY_MS } from "@/core/units";
import { say } from "@/wording/validation";
import { LIMITS } from "./limits";
import { byName, decimalAmount, isoDate, plainKey, upTo, wholeNumber } from "./primitives";

const kwh = z.number().max(1e9, say.moreThanAThousandGwhIn);

/** A bill as printed. Null is not on it; an amount below zero is a credit. */
export const billSchema = z
  .strictObject({
    from: isoDate,
    to: isoDate,
    usageKwh: kwh.nullable().default(null),
    importKwh: kwh,
    importByBandKwh: byName(plainKey(40).min(1), kwh).default({}),
    exportKwh: kwh.nullable().default(null),
    productionKwh: kwh.nullable().default(null),
    amount: decimalAmount,
  })
  .refine(({ from, to }) => Date.parse(to) - Date.parse(from) < LIMITS.billDays.most * DAY_MS, {
    path: ["to"],
    message: say.aBillHoldsAtMost(LIMITS.billDays.most),
  });
export const billsSchema = z.strictObject({ bills: upTo(billSchema, LIMITS.bills), version: wholeNumber });
export type BillDocument = z.output<typeof billSchema>;
