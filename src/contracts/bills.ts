import { z } from "zod";
import { say } from "@/wording/validation";
import { decimalAmount, isoDate } from "./primitives";

const kwh = z.number().max(1e9, say.moreThanAThousandGwhIn);

/** A bill as printed. Null is not on it; an amount below zero is a credit. */
export const billSchema = z.strictObject({
  from: isoDate,
  to: isoDate,
  usageKwh: kwh.nullable().default(null),
  importKwh: kwh,
  importByBandKwh: z.record(z.string().min(1).max(40), kwh).default({}),
  exportKwh: kwh.nullable().default(null),
  productionKwh: kwh.nullable().default(null),
  amount: decimalAmount,
});
export const billsSchema = z.strictObject({ bills: z.array(billSchema).max(1200) });
export type BillDocument = z.output<typeof billSchema>;
