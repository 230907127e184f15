import { z } from "zod";
import { say } from "@/wording/validation";

export const frac = z.number().min(0, say.aShareLiesBetween0And).max(1, say.aShareLiesBetween0And2);
export const isoDate = z.iso.date(say.writeADateAs201904);
export const dayOfYearSchema = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, say.writeADayOfTheYear);
export const identifier = z.string().trim().min(1, say.cantBeEmpty).max(60);
/** Money is a decimal numeral, so that no binary rounding ever enters a stored sum. */
export const decimalAmount = z.string().regex(/^-?\d{1,12}(\.\d{1,8})?$/, say.writeMoneyAsADecimalNumeral);
export const price = z.string().regex(/^\d{1,6}(\.\d{1,8})?$/, say.writeAPriceAsADecimal);
